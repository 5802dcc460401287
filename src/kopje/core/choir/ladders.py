"""Ladders of reading: which levels a choir climbs, and in which order. Two ship; a school makes its own.

A ladder is a list of keys in a sequence: levels, and rungs taken up by themselves between them. Source:
docs/sources.md#reading-ladder.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from collections.abc import Sequence as Listed
from dataclasses import replace

from kopje.core.choir.reads import READ_BY
from kopje.core.choir.rungs import Rung, checked, is_level, level_key, new_in, rungs_of, sign_key
from kopje.core.errors import SequenceError
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence
from kopje.core.sequence.grades import CHOIR

MOST_STEPS = 40
APART = "R"  # the sign of a level that is no step any more
PARTS_BEFORE_SKIPS: tuple[ConceptKey, ...] = tuple(ConceptKey(f"reading-{n}") for n in range(1, 13))
SKIPS_BEFORE_PARTS: tuple[ConceptKey, ...] = (
    level_key("p1", "r1", "v1"),
    level_key("p2", "r2", "v1"),
    level_key("p3", "r3", "v1"),
    level_key("p4", "r3", "v1"),
    level_key("p5", "r4", "v1"),
    level_key("p6", "r5", "v1"),
    level_key("p2", "r0", "v2"),
    level_key("p5", "r4", "v2"),
    level_key("p7", "r6", "v2"),
    level_key("p6", "r5", "v3"),
    level_key("p8", "r6", "v3"),
    level_key("p9", "r7", "v3"),
)
SHIPPED_LADDERS = {"parts-first": PARTS_BEFORE_SKIPS, "skips-first": SKIPS_BEFORE_PARTS}
_WHAT = {
    "reading-1": "do re mi in steps",
    "reading-2": "do to so, two eighths, beat rest",
    "reading-3": "ti below to la, three beats",
    "reading-4": "two parts in steps",
    "reading-5": "two parts, an octave from low so",
    "reading-6": "dotted quarter, skips in do-mi-so",
    "reading-7": "two parts with skips",
    "reading-8": "three parts, skips in do-mi-so",
    "reading-9": "three parts, four sixteenths, skips in so-ti-re",
    "reading-10": "syncopation, upbeat, leaps do-so",
    "reading-11": "resting tone la, with si",
    "reading-12": "fi, te and di by step, dotted eighth",
}
_NUMBERED = re.compile(r"reading(?: \d+)?: ")


def _what(key: str, before: Iterable[str]) -> str:
    """A level in words: what it brings; where it brings nothing alone, what it stands on."""
    said = _WHAT.get(key)
    return said or ", ".join(rung.name for rung in new_in(key, before) or rungs_of(key))


def level(key: ConceptKey, number: int, before: Listed[ConceptKey]) -> Concept:
    """A level as a concept, the `number`th of its ladder."""
    return Concept(
        key, f"reading {number}: {_what(key, before)}"[:120], "sight-singing", CHOIR, f"R{number}",
        tuple(before[-1:]), ways=("read",), traits=(READ_BY[key],) if key in READ_BY else (), shown="the line to read",
        prompt="Which tone do we start from, and where is the hardest place?",
    )  # fmt: skip


def sign(rung: Rung) -> Concept:
    """A rung taken up by itself as a concept: optional, without prerequisites."""
    return Concept(
        sign_key(rung.key), rung.name, "sight-singing", CHOIR, rung.key, ways=("read",), core=False,
        prompt=rung.prompt, shown=rung.shown,
    )  # fmt: skip


def steps(keys: Iterable[str]) -> tuple[Concept, ...]:
    """The concepts of a ladder in its order; SequenceError where a step is unknown, comes twice, or none is
    left."""
    found: list[Concept] = []
    levels: list[ConceptKey] = []
    for key in keys:
        rungs = checked(key)
        if any(one.key == key for one in found):
            raise SequenceError("ladder_step_twice", text=rungs[0].name, value=key)
        if is_level(key):
            found.append(level(ConceptKey(key), len(levels) + 1, levels))
            levels.append(ConceptKey(key))
        else:
            found.append(sign(rungs[0]))
    if not levels or len(found) > MOST_STEPS:
        raise SequenceError("ladder_size", most=MOST_STEPS, count=len(found))
    return tuple(found)


def shipped_name(ladder: Iterable[Concept]) -> str | None:
    """Which of the shipped ladders it is, if it is one."""
    keys = tuple(step.key for step in ladder)
    return next((name for name, shipped in SHIPPED_LADDERS.items() if shipped == keys), None)


def ladder_of(sequence: Sequence) -> tuple[Concept, ...]:
    """The steps of a sequence's ladder in order. A level that only stays because it was heard is none."""
    return tuple(c for c in sequence.concepts if rungs_of(c.key) and (c.core or c.sign != APART))


def with_ladder(sequence: Sequence, keys: Iterable[str]) -> Sequence:
    """The sequence with another ladder in the place of the one it has. A level that a school has given its
    own name keeps it; what needed a level that is gone no longer does."""
    known = sequence.by_key
    new = [_kept(known.get(step.key), step) for step in steps(keys)]
    rest = [c for c in sequence.concepts if not rungs_of(c.key)]
    at = next((n for n, c in enumerate(sequence.concepts) if rungs_of(c.key)), len(sequence.concepts))
    there = {c.key for c in (*rest, *new)}
    rest = [replace(c, needs=tuple(need for need in c.needs if need in there)) for c in rest]
    return Sequence.of(sequence.name, (*rest[:at], *new, *rest[at:]))


def _kept(known: Concept | None, step: Concept) -> Concept:
    if known is None:
        return step
    core = known.core if known.sign != APART else step.core
    if _NUMBERED.match(known.name):
        return replace(step, core=core)
    return replace(known, needs=step.needs, sign=step.sign, core=core)


def out_of_the_ladder(concept: Concept) -> Concept:
    """A level that only stays because it was heard: without its number, which another one may have now."""
    if not is_level(concept.key) or not _NUMBERED.match(concept.name):
        return concept
    return replace(concept, name=_NUMBERED.sub("reading: ", concept.name), sign=APART)
