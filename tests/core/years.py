"""Made-up sections for fitting: `make test` tries a few, `make proof` a thousand."""

from __future__ import annotations

from dataclasses import replace
from random import Random

from kopje.core.planning.year.arcs import Concert, Demand, YearQuestion
from kopje.core.planning.year.greedy import greedy
from kopje.core.planning.year.validate import first_lesson
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST


def demand(concept: Concept, **more: object) -> Demand:
    return Demand(concept, 20 if concept.core else 2, **more)  # type: ignore[arg-type]


def question(seed: int) -> YearQuestion:
    """A section of some grade with 24 to 80 lessons; some with begun arcs, concerts, fixed starts and an
    earlier plan."""
    chance = Random(seed)
    grade = chance.randint(0, 5)
    lessons = chance.choice((30, 34, 36, 36, 40, 48, 60, 68, 72, 78))
    behind = chance.choice((0, 0, 0, 1))
    concepts = [c for c in SO_MI_FIRST.concepts if grade - behind <= c.grade <= grade]
    known = frozenset(c.key for c in SO_MI_FIRST.concepts if c.grade < grade - behind)
    first = chance.choice((1, 1, 1, lessons // 3))
    demands = [demand(c) for c in concepts]
    if first > 1:
        demands = _begun(demands, chance)
    concerts = ()
    if chance.random() < 0.4:
        wanted = frozenset(d.key for d in demands if chance.random() < 0.2)
        concerts = (Concert("Autumn concert", chance.randint(lessons // 3, lessons), wanted),)
    if chance.random() < 0.2:
        place = chance.randrange(len(demands))
        demands[place] = replace(demands[place], pause_after=chance.randint(0, 6), pause=chance.randint(1, 4))
    asked = YearQuestion(tuple(demands), first, lessons, 2, known, concerts)
    return replace(asked, before=_planned_before(asked, chance)) if chance.random() < 0.5 else asked


def _planned_before(asked: YearQuestion, chance: Random) -> dict[ConceptKey, int]:
    """Where an earlier plan had the arcs: one made before lessons were lost or won, and before the teacher
    paused an arc."""
    demands = tuple(replace(one, pause_after=0, pause=0) for one in asked.demands)
    plan = greedy(replace(asked, demands=demands, last=asked.last + chance.choice((-1, 1, 2, 3, 5))))
    return {arc.concept: first_lesson(arc) for arc in plan.arcs}


def _begun(demands: list[Demand], chance: Random) -> list[Demand]:
    """The first arc of one or two strands has begun."""
    found, strands = [], set()
    for one in demands:
        if one.concept.strand in ("rhythm", "melody") and one.concept.strand not in strands:
            strands.add(one.concept.strand)
            presented = chance.random() < 0.5
            found.append(
                demand(
                    one.concept,
                    prepared=chance.randint(1, 4),
                    presented=presented,
                    practised=chance.randint(0, 5) if presented else 0,
                )
            )
        else:
            found.append(one)
    return found
