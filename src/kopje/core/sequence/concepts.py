"""What is taught: concepts, how they are found in music, and the order they come in.

Source: docs/sources.md#prerequisites.
"""

from __future__ import annotations

from calendar import monthrange
from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import date
from functools import cached_property
from graphlib import CycleError, TopologicalSorter
from typing import Literal, NewType

from kopje.core.errors import ConceptError, SequenceError
from kopje.core.reasons import Reason, because
from kopje.core.sequence.grades import CHOIR, KINDERGARTEN
from kopje.core.sequence.wording import OURS, Wording

ConceptKey = NewType("ConceptKey", str)
Way = Literal["hear", "sing", "read", "write", "create"]
Line = Literal["rhythm", "melody", "other"]
FoundBy = Literal["analysis", "any_song", "tag"]
LINE_OF = {
    "beat": "rhythm",
    "rhythm": "rhythm",
    "meter": "rhythm",
    "melody": "melody",
    "tonality": "melody",
}
TONE_STRANDS = frozenset({"melody", "tonality", "staff", "sight-singing"})
STRANDS = (
    "beat",
    "rhythm",
    "meter",
    "melody",
    "tonality",
    "staff",
    "form",
    "expression",
    "voice",
    "unpitched",
    "barred",
    "recorder",
    "ensemble",
    "making",
    "sight-singing",
    "vocabulary",
)


NATURES = (
    "tone",
    "home",
    "direction",
    "figure",
    "duration",
    *(strand for strand in STRANDS if strand not in ("rhythm", "melody", "tonality")),
)


def strand_name(strand: str) -> Reason:
    return because(f"strand_{strand.replace('-', '_')}")


@dataclass(frozen=True, slots=True)
class Concept:
    """One thing to be learned.

    `grade` is 0 for kindergarten, CHOIR for what only choirs learn. `elements`, `degrees`, `meters`,
    `tone_sets`, `resting` and `traits` say how the analysis finds it. A concept with none of them is found
    where a teacher tags it, or in `any_song`. `shown` says what the class sees when it is named.
    `sign` is what stands for it in a narrow place: a figure in beats, a degree, a meter, or short words.
    `not_before` and `not_after` say when in a year it is named: month and day, `10-01`, or empty."""

    key: ConceptKey
    name: str
    strand: str
    grade: int
    sign: str = ""
    needs: tuple[ConceptKey, ...] = ()
    elements: tuple[str, ...] = ()
    degrees: tuple[str, ...] = ()
    meters: tuple[str, ...] = ()
    tone_sets: tuple[str, ...] = ()
    resting: str | None = None
    ways: tuple[Way, ...] = ("sing",)
    core: bool = True
    prompt: str = ""
    not_before: str = ""
    not_after: str = ""
    traits: tuple[str, ...] = ()
    any_song: bool = False
    shown: str = ""

    @property
    def line(self) -> Line:
        return LINE_OF.get(self.strand, "other")  # type: ignore[return-value]

    @property
    def found_in_music(self) -> bool:
        return bool(self.named_in_music or self.traits)

    @property
    def nature(self) -> str:
        """What kind of thing it is, so that a sentence can speak of it: a tone can be stood up for, a form
        cannot. One of NATURES."""
        if self.degrees:
            return "tone"
        if self.tone_sets or self.resting:
            return "home"
        if self.strand == "rhythm":
            return "figure" if self.elements else "duration"
        return "direction" if self.strand == "melody" else self.strand

    @property
    def named_in_music(self) -> bool:
        """Whether it is a tone, a figure, a meter, a set or a home: what is sung only by those who know it,
        or by ear. A form or a direction asks nobody to know it."""
        return bool(self.elements or self.degrees or self.meters or self.tone_sets or self.resting)

    @property
    def found_by(self) -> FoundBy:
        """How it is known that a song has it."""
        return "analysis" if self.found_in_music else "any_song" if self.any_song else "tag"


def day_in(said: str, first: date, last: date) -> date | None:
    """The day meant by month and day in the school year from `first` to `last`; outside it the nearest one.
    None if nothing is said.

    >>> year = date(2026, 8, 20), date(2027, 6, 10)
    >>> day_in("10-01", *year), day_in("02-29", *year)
    (datetime.date(2026, 10, 1), datetime.date(2027, 2, 28))
    """
    if not said:
        return None
    month, day = map(int, said.split("-"))
    every = [
        date(year, month, min(day, monthrange(year, month)[1]))
        for year in range(first.year - 1, last.year + 2)
    ]
    return min(every, key=lambda one: max((first - one).days, (one - last).days, 0))


@dataclass(frozen=True)
class Sequence:
    """Concepts in teaching order, in a school's words. A cycle among prerequisites is refused and named."""

    name: str
    concepts: tuple[Concept, ...]
    wording: Wording = OURS

    @classmethod
    def of(cls, name: str, concepts: Iterable[Concept]) -> Sequence:
        sequence = cls(name, tuple(concepts))
        for concept in sequence.concepts:
            for key in concept.needs:
                sequence.concept(key)
        try:
            TopologicalSorter({c.key: c.needs for c in sequence.concepts}).prepare()
        except CycleError as cycle:
            names = [sequence.concept(key).name for key in cycle.args[1]]
            raise SequenceError("sequence_cycle", concepts=" → ".join(names), value=names) from cycle
        return sequence

    def worded(self, wording: Wording) -> Sequence:
        """The same in a school's words: what children are told everywhere, syllables where tones are
        meant, and its phases."""
        own = []
        for c in self.concepts:
            said = wording.concept if c.strand in TONE_STRANDS else wording.children
            own.append(
                replace(c, name=said(c.name), sign=said(c.sign), prompt=said(c.prompt), shown=said(c.shown))
            )
        return Sequence(self.name, tuple(own), wording)

    @cached_property
    def by_key(self) -> dict[str, Concept]:
        return {concept.key: concept for concept in self.concepts}

    def concept(self, key: str) -> Concept:
        try:
            return self.by_key[key]
        except KeyError:
            raise ConceptError("concept_unknown", key=key, value=key) from None

    @cached_property
    def of_element(self) -> dict[str, ConceptKey]:
        return {element: concept.key for concept in self.concepts for element in concept.elements}

    @cached_property
    def of_degree(self) -> dict[str, ConceptKey]:
        return {degree: concept.key for concept in self.concepts for degree in concept.degrees}

    @cached_property
    def of_meter(self) -> dict[str, ConceptKey]:
        return {meter: concept.key for concept in self.concepts for meter in concept.meters}

    def taught_in(self, grade: int) -> tuple[Concept, ...]:
        """What a section of this grade may work on: a class what the grades hold, a choir its own."""
        return tuple(c for c in self.concepts if (c.grade == CHOIR) == (grade == CHOIR))

    @cached_property
    def first_grade(self) -> int:
        """The grade it begins in; a class below that begins where it begins."""
        return min((c.grade for c in self.concepts if c.grade != CHOIR), default=KINDERGARTEN)
