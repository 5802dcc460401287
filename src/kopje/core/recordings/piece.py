"""A recorded piece: how long it is, its sections and what changes in it, by time.

The sound itself is the teacher's file or disc, or one of our own pieces; what is known of it was tapped once
while it was heard. Source: docs/sources.md#recorded-pieces.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Literal, get_args

from kopje.core.analysis.traits import form_places, rondo_places
from kopje.core.errors import RecordingError
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.concepts import Sequence as Taught

Change = Literal["louder", "softer", "faster", "slower", "other_instrument", "other_mood", "stop"]
Feel = Literal["two", "three", "four", "swaying", "free"]
CHANGES: tuple[str, ...] = get_args(Change)
LONGEST = 30 * 60 * 1000
SHORTEST = 5 * 1000
TOGETHER = 400  # two taps as near as this are one: a finger bounced, or the same thing was meant
MOST_MARKS = 120
TRAIT_OF_FEEL = {"two": "felt_two", "three": "felt_three", "four": "felt_four", "swaying": "felt_compound"}
METER_OF_FEEL = {"two": "2/4", "three": "3/4", "four": "4/4", "swaying": "6/8"}  # as they are first named


@dataclass(frozen=True, slots=True)
class Mark:
    """What begins at a moment, in milliseconds from the start: a section by its letter, or a change."""

    at: int
    section: str = ""
    change: str = ""


@dataclass(frozen=True, slots=True)
class SectionOf:
    """A section from one moment to another."""

    label: str
    begins: int
    ends: int


@dataclass(frozen=True, slots=True)
class Piece:
    """`length` in milliseconds; `marks` in order of time; `feel`: how its beat is felt; `tags`: concepts the
    teacher says it is good for."""

    title: str
    length: int
    marks: tuple[Mark, ...] = ()
    feel: str = "free"
    tags: frozenset[ConceptKey] = frozenset()

    @property
    def sections(self) -> tuple[SectionOf, ...]:
        """In order; what comes before the first letter belongs to it."""
        begun = [mark for mark in self.marks if mark.section]
        later = [mark.at for mark in begun[1:]]
        return tuple(
            SectionOf(mark.section, begins, ends)
            for mark, begins, ends in zip(begun, [0, *later], [*later, self.length], strict=False)
        )

    @property
    def form(self) -> str:
        """`a b a`; empty while nobody tapped."""
        return " ".join(section.label for section in self.sections)

    @property
    def traits(self) -> frozenset[str]:
        """What its sections and changes tell, by the keys of what is found in songs."""
        letters = [section.label for section in self.sections]
        changed = {mark.change for mark in self.marks}
        found = {TRAIT_OF_FEEL.get(self.feel, "")} - {""}
        found |= {"aaba"} if form_places(letters, "a a b a") else set()
        found |= {"abac"} if form_places(letters, "a b a c") else set()
        found |= {"rondo"} if rondo_places(letters) else set()
        if len(set(letters)) > 1:
            found |= {"phrases"}
            found |= {"same_different"} if len(set(letters)) < len(letters) else set()
        found |= {"loudness_marked", "louder_softer"} if changed & {"louder", "softer"} else set()
        found |= {"tempo_marked"} if changed & {"faster", "slower"} else set()
        return frozenset(found)

    def has(self, concept: Concept) -> bool:
        """Whether a concept can be heard in it: by what was tapped, or by the teacher's word."""
        felt = METER_OF_FEEL.get(self.feel) in concept.meters
        return concept.key in self.tags or felt or bool(self.traits.intersection(concept.traits))

    def concepts(self, sequence: Taught) -> tuple[ConceptKey, ...]:
        return tuple(concept.key for concept in sequence.concepts if self.has(concept))


@dataclass(frozen=True, slots=True)
class PieceCard:
    """A piece as planning sees it."""

    id: str
    piece: Piece

    @property
    def title(self) -> str:
        return self.piece.title


def tapped(title: str, length: int, marks: Iterable[Mark], feel: str, tags: Iterable[str]) -> Piece:
    """A piece from what was tapped: in order of time, bounces dropped, sections named a, b, c by their first
    coming. RecordingError says what cannot be.

    >>> piece = tapped("", 60000, [Mark(200, "x"), Mark(350, "x"), Mark(30000, "q")], "two", [])
    >>> piece.form, [section.begins for section in piece.sections]
    ('a b', [0, 30000])
    """
    if not SHORTEST <= length <= LONGEST:
        raise RecordingError("recording_length", value=length, least=SHORTEST // 1000, most=LONGEST // 60000)
    kept = _settled(sorted(marks, key=lambda mark: mark.at))
    if len(kept) > MOST_MARKS:
        raise RecordingError("recording_marks", value=len(kept), most=MOST_MARKS)
    late = next((mark for mark in kept if not 0 <= mark.at < length), None)
    if late is not None:
        raise RecordingError("recording_mark_outside", value=late.at, at=_clock(late.at), end=_clock(length))
    strange = next((mark.change for mark in kept if mark.change and mark.change not in CHANGES), "")
    if strange:
        raise RecordingError("recording_change", value=strange, text=strange)
    names: dict[str, str] = {}
    for mark in kept:
        if mark.section:
            names.setdefault(mark.section, _letter(len(names)))
    lettered = [Mark(mark.at, names.get(mark.section, ""), mark.change) for mark in kept]
    return Piece(title, length, tuple(lettered), feel, frozenset(map(ConceptKey, tags)))


def _settled(marks: Sequence[Mark]) -> list[Mark]:
    """Without taps that only bounced."""
    kept: list[Mark] = []
    for mark in marks:
        before = [one for one in kept if bool(one.section) == bool(mark.section)]
        if before and mark.at - before[-1].at < TOGETHER:
            continue
        if mark.section or mark.change:
            kept.append(mark)
    return kept


def _letter(place: int) -> str:
    return chr(ord("a") + place % 26) + "'" * (place // 26)


def _clock(milliseconds: int) -> str:
    return f"{milliseconds // 60000}:{milliseconds // 1000 % 60:02d}"
