"""Where a section stands in each concept, and what is due next, from what was taught and heard.

Source: docs/sources.md#arcs.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

from kopje.core.ledger.readiness import Readiness
from kopje.core.reasons import Reason, Verdict, counted, listed
from kopje.core.sequence.concepts import Concept, ConceptKey, Line, Sequence

Purpose = Literal["prepare", "present", "practise"]
PURPOSES: tuple[Purpose, ...] = ("present", "prepare", "practise")
PREPARE_LESSONS = 4  # usual lengths; a school's own come with its phases
PRACTISE_LESSONS = 6
NEXT_AFTER = 4  # practised lessons before the next thing of the same line is prepared
SHORT_STRANDS_LESSONS = 1


@dataclass(frozen=True, slots=True)
class Taught:
    """Lessons in which a concept was touched, by phase; counted from cells that were ticked."""

    prepared: int = 0
    presented: int = 0
    practised: int = 0


@dataclass(frozen=True)
class SectionState:
    """What a section brings, has been taught, and has shown."""

    name: str
    grade: int
    sequence: Sequence
    declared: frozenset[ConceptKey] = frozenset()
    taught: Mapping[ConceptKey, Taught] = field(default_factory=dict)
    readiness: Mapping[ConceptKey, Readiness] = field(default_factory=dict)

    def named(self, key: ConceptKey) -> bool:
        """The class knows its name and sign: its present cell was done, or the teacher declared it."""
        return key in self.declared or self.touches(key).presented > 0

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

    def touches(self, key: ConceptKey) -> Taught:
        return self.taught.get(key, Taught())


@dataclass(frozen=True, slots=True)
class Due:
    """A concept at work in a section, what comes next in it, and why."""

    concept: Concept
    purpose: Purpose
    reasons: tuple[Reason, ...]


def may_present(concept: Concept, state: SectionState) -> Verdict:
    """Refuse to name a concept while a prerequisite is neither ready nor declared; unheard is said as unheard."""
    return Verdict.of(
        _missing(state.sequence.concept(key), state) for key in concept.needs if not state.ready(key)
    )


def _missing(concept: Concept, state: SectionState) -> Reason:
    readiness = state.readiness.get(concept.key)
    said = readiness.sentence if readiness else "nobody heard yet"
    return Reason("prerequisite", concept.key, f"{concept.name.capitalize()} comes first: {said}", "bars")


def due(state: SectionState) -> tuple[Due, ...]:
    """What is due, what is to be named first: then what is prepared, then what is practised, newest first."""
    lines: tuple[Line, ...] = ("rhythm", "melody")
    found = [item for line in lines for item in reversed(_line_due(line, state))]
    return tuple(sorted(found, key=lambda item: PURPOSES.index(item.purpose)))


def _line_due(line: Line, state: SectionState) -> list[Due]:
    concepts = [
        c for c in state.sequence.concepts if c.line == line and c.core and c.grade <= state.grade + 1
    ]
    found = [_practise(concept, state) for concept in concepts if _in_practice(concept.key, state)]
    waiting = any(state.touches(item.concept.key).practised < NEXT_AFTER for item in found)
    if not waiting:
        found += [_next(concept, state) for concept in concepts if not state.named(concept.key)][:1]
    return found


def _in_practice(key: ConceptKey, state: SectionState) -> bool:
    """Named here, and either short of practice or not ready; a declared one only when marks contradict it."""
    touches, readiness = state.touches(key), state.readiness.get(key)
    contradicted = readiness is not None and readiness.answer in ("teach_again", "split")
    if not touches.presented:
        return key in state.declared and contradicted
    return touches.practised < PRACTISE_LESSONS or not state.ready(key)


def _practise(concept: Concept, state: SectionState) -> Due:
    count, readiness = state.touches(concept.key).practised, state.readiness.get(concept.key)
    so_far = f"practised in {counted(count, 'lesson')} so far" if count else "not practised yet"
    said = [Reason("practised", concept.key, f"{concept.name.capitalize()} is named and {so_far}.")]
    if readiness is not None:
        said.append(Reason("readiness", concept.key, readiness.sentence))
    return Due(concept, "practise", tuple(said))


def _next(concept: Concept, state: SectionState) -> Due:
    prepared = state.touches(concept.key).prepared
    enough = PREPARE_LESSONS if concept.found_in_music else SHORT_STRANDS_LESSONS
    verdict = may_present(concept, state)
    if prepared < enough:
        before = listed(state.sequence.concept(key).name for key in concept.needs)
        after = f" after {before}" if before else ""
        said = f"{concept.name.capitalize()} is next{after}; {_so_far(prepared, enough)}."
        return Due(concept, "prepare", (Reason("next", concept.key, said),))
    if verdict.allowed:
        said = f"{concept.name.capitalize()} was prepared in {counted(prepared, 'lesson')}: name it now."
        return Due(concept, "present", (Reason("prepared", concept.key, said),))
    waits = Reason("waits", concept.key, f"{concept.name.capitalize()} is prepared, but must wait.")
    return Due(concept, "prepare", (waits, *verdict.bars))


def _so_far(prepared: int, enough: int) -> str:
    return f"prepared in {prepared} of {counted(enough, 'lesson')}" if prepared else "not prepared yet"
