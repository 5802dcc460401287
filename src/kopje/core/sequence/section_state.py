"""Where a section stands in each concept, and what is due next, from what was taught and heard.

Source: docs/sources.md#arcs.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from kopje.core.ledger.readiness import Readiness
from kopje.core.reasons import Named, Phased, Reason, Verdict, because, listed
from kopje.core.sequence.concepts import Concept, ConceptKey, Line, Sequence
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.phases import Phase, PhaseModel, Purpose

PURPOSES: tuple[Purpose, ...] = ("present", "prepare", "practise")
NEXT_AFTER = 4  # practised lessons before the next thing of the same line is prepared
SHORT_STRANDS_LESSONS = 1


@dataclass(frozen=True, slots=True)
class Taught:
    """Lessons in which a concept was touched, by phase; counted from cells that were ticked."""

    prepared: int = 0
    presented: int = 0
    practised: int = 0


UNTOUCHED = Taught()


@dataclass(frozen=True)
class SectionState:
    """What a section brings, has been taught, and has shown. `upper`: its second grade, in a split class."""

    name: str
    grade: int
    sequence: Sequence
    declared: frozenset[ConceptKey] = frozenset()
    taught: Mapping[ConceptKey, Taught] = field(default_factory=dict)
    readiness: Mapping[ConceptKey, Readiness] = field(default_factory=dict)
    upper: int | None = None

    @property
    def oldest(self) -> int:
        """The grade that its learning reaches up to; a class below the sequence begins where that begins."""
        return max(self.grade if self.upper is None else self.upper, self.sequence.first_grade)

    @property
    def phases(self) -> PhaseModel:
        return self.sequence.wording.phases

    def carried(self, key: ConceptKey) -> bool:
        """Named here, and practised as long as is usual."""
        taught = self.taught_counts(key)
        return taught.presented > 0 and taught.practised >= self.phases.lessons("practise")[1]

    def named(self, key: ConceptKey) -> bool:
        """The class knows its name and sign: its present cell was done, or the teacher declared it."""
        return key in self.declared or self.taught_counts(key).presented > 0

    def ready(self, key: ConceptKey) -> bool:
        """By the ledger; declared concepts pass until marks contradict them."""
        readiness = self.readiness.get(key)
        if readiness is None or readiness.answer == "nobody_heard":
            return key in self.declared
        return readiness.answer == "ready" or (key in self.declared and readiness.answer == "hear_more")

    @cached_property
    def names_tones(self) -> bool:
        """Whether the class can name any tone at all."""
        return any(self.named(concept.key) for concept in self.sequence.concepts if concept.degrees)

    @cached_property
    def names_figures(self) -> bool:
        return any(self.named(concept.key) for concept in self.sequence.concepts if concept.elements)

    def taught_counts(self, key: ConceptKey) -> Taught:
        return self.taught.get(key, UNTOUCHED)


@dataclass(frozen=True, slots=True)
class Due:
    """A concept at work in a section, what comes next in it, in which phase of the school's model,
    and why."""

    concept: Concept
    purpose: Purpose
    reasons: tuple[Reason, ...]
    phase: Phase | None = None


def belongs(concept: Concept, state: SectionState) -> bool:
    """Whether a section's year may hold a concept: core of its grades and earlier ones, the optional of its
    grades, and whatever has begun here; choirs have their own."""
    taught = state.taught_counts(concept.key)
    begun = taught.prepared > 0 or taught.presented > 0
    if (concept.grade == CHOIR) != (state.grade == CHOIR):
        return begun
    youngest = min(state.grade, state.oldest)
    return begun or (concept.grade <= state.oldest and (concept.core or concept.grade >= youngest))


def may_present(concept: Concept, state: SectionState) -> Verdict:
    """Refuse to name a concept while a prerequisite is neither ready nor declared; unheard is said as
    unheard."""
    return Verdict.of(
        _missing(state.sequence.concept(key), state) for key in concept.needs if not state.ready(key)
    )


def _missing(concept: Concept, state: SectionState) -> Reason:
    readiness = state.readiness.get(concept.key)
    said = readiness.reason if readiness else because("readiness_nobody_heard", roll=1)
    return because("prerequisite", "bars", concept.key, concept=Named(concept.key), said=said)


def due(state: SectionState, laid: Iterable[ConceptKey] = ()) -> tuple[Due, ...]:
    """What is due, what is to be named first: then what is prepared, then what is practised.

    `laid`: what the year's plan has in this lesson. The plan says which concepts, facts say how far they
    are: nothing is named before its time because a plan says so. Without a plan the sequence decides, newest
    first."""
    lines: tuple[Line, ...] = ("other",) if state.grade == CHOIR else ("rhythm", "melody")
    found = [item for line in lines for item in reversed(_line_due(line, state))]
    planned = [_planned(state.sequence.concept(key), state) for key in laid if _open(key, state)]
    if planned:
        keys = {item.concept.key for item in planned}
        again = [
            item for item in found if item.concept.key not in keys and _taught_again(item.concept.key, state)
        ]
        found = [*planned, *again]
    return tuple(sorted(found, key=lambda item: PURPOSES.index(item.purpose)))


def _open(key: ConceptKey, state: SectionState) -> bool:
    """Still at work here, whatever a plan made earlier says."""
    return key in state.sequence.by_key and (not state.named(key) or _in_practice(key, state))


def _planned(concept: Concept, state: SectionState) -> Due:
    item = _practise(concept, state) if state.named(concept.key) else _next(concept, state)
    said = because("laid", "for", concept.key)
    return Due(item.concept, item.purpose, (*item.reasons, said), item.phase)


def _taught_again(key: ConceptKey, state: SectionState) -> bool:
    """A class that is ready but for some is not; these are taken aside (core/planning/beside.py)."""
    readiness = state.readiness.get(key)
    return readiness is not None and readiness.answer == "teach_again"


def _line_due(line: Line, state: SectionState) -> list[Due]:
    here = [c for c in state.sequence.taught_in(state.grade) if c.line == line]
    concepts = [c for c in here if c.core and c.grade <= state.oldest + 1]
    found = [_practise(concept, state) for concept in concepts if _in_practice(concept.key, state)]
    waiting = any(state.taught_counts(item.concept.key).practised < NEXT_AFTER for item in found)
    if not waiting:
        found += [_next(concept, state) for concept in _waiting(here, state)][:1]
    return found


def _waiting(line: Iterable[Concept], state: SectionState) -> list[Concept]:
    """What a line has not named yet, in the order it comes: its grade's core, then its grade's rest, and only
    then the next grade's core."""
    youngest = min(state.grade, state.oldest)

    def turn(concept: Concept) -> int | None:
        if concept.grade <= state.oldest:
            return 0 if concept.core else 1 if concept.grade >= youngest else None
        return 2 if concept.core and concept.grade == state.oldest + 1 else None

    open_ = [(turn(c), c) for c in line if not state.named(c.key)]
    return [c for place in range(3) for at, c in open_ if at == place]


def _in_practice(key: ConceptKey, state: SectionState) -> bool:
    """Named here, and either short of practice or not ready; a declared one only when marks contradict it."""
    if not state.taught_counts(key).presented:
        return key in state.declared and _taught_again(key, state)
    readiness = state.readiness.get(key)
    divided = readiness is not None and readiness.answer == "split"
    return not state.carried(key) or not (state.ready(key) or divided)


def _practise(concept: Concept, state: SectionState) -> Due:
    count, readiness = state.taught_counts(concept.key).practised, state.readiness.get(concept.key)
    phase = state.phases.at("practise", count)
    said = [
        because("practised", about=concept.key, concept=Named(concept.key), phase=_past(phase), count=count)
    ]
    if readiness is not None:
        said.append(replace(readiness.reason, about=concept.key))
    return Due(concept, "practise", tuple(said), phase)


def _next(concept: Concept, state: SectionState) -> Due:
    prepared = state.taught_counts(concept.key).prepared
    enough = state.phases.lessons("prepare")[1] if concept.named_in_music else SHORT_STRANDS_LESSONS
    phase, naming = state.phases.at("prepare", prepared), state.phases.at("present", 0)
    verdict = may_present(concept, state)
    name, past = Named(concept.key), _past(phase)
    if prepared < enough:
        before = listed(Named(key) for key in concept.needs)
        said = because(
            "next",
            about=concept.key,
            concept=name,
            needs=len(concept.needs),
            before=before,
            phase=past,
            count=prepared,
            enough=enough,
        )
        return Due(concept, "prepare", (said,), phase)
    if verdict.allowed:
        said = because("prepared", about=concept.key, concept=name, phase=past, count=prepared)
        return Due(concept, "present", (said,), naming)
    waits = because("waits", about=concept.key, concept=name, phase=past)
    return Due(concept, "prepare", (waits, *verdict.bars), phase)


def _past(phase: Phase) -> Phased:
    return Phased(phase.key, phase.purpose)
