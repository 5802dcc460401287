"""A question with its choices, what is seen and heard with it, and why its answer is right.

Source: docs/sources.md#rounds.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby

from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.make import Made
from kopje.core.reasons import Reason

RUN = 3  # equal answers in a row at most: what a guesser can make of it is reckoned in core/ledger/luck.py


@dataclass(frozen=True, slots=True)
class Tone:
    """A tone to hear: its degree and pitch, when it begins and how long it is, in beats. A clap has neither
    degree nor pitch."""

    degree: str | None
    midi: int | None
    start: Fraction
    beats: Fraction


Row = tuple[Tone, ...]


@dataclass(frozen=True, slots=True)
class Head:
    """A note on a staff: its place (core/practice/asks/places.py), and what is written beside it."""

    place: int
    says: str = ""


@dataclass(frozen=True, slots=True)
class Staff:
    """So many lines with notes; `do`: its place where it is marked at the head; `clef` G, F or none; `reveal`
    is written in once it is answered."""

    lines: int
    heads: tuple[Head, ...] = ()
    do: int | None = None
    clef: str = ""
    reveal: tuple[Head, ...] = ()


@dataclass(frozen=True, slots=True)
class Choice:
    """What can be answered: in words, or as a line of notes."""

    says: Reason
    line: Made | None = None


@dataclass(frozen=True, slots=True)
class Bent:
    """A tone that has a sign: its pitch with it and as it would be without, among the tones of the scale from
    do to do."""

    scale: tuple[tuple[Degree, int], ...]  # (tone, MIDI number)
    signed: int
    plain: int


@dataclass(frozen=True, slots=True)
class Question:
    """`orient` sounds first, then the rows of `heard` one after the other; `line` is seen with the question.
    `answer` counts the choices from 0. `after` is heard and `bent` is seen once it is answered."""

    says: Reason
    choices: tuple[Choice, ...]
    answer: int
    why: Reason
    staff: Staff | None = None
    orient: Row = ()
    heard: tuple[Row, ...] = ()
    line: Made | None = None
    after: tuple[Row, ...] = ()
    clues: tuple[Reason, ...] = ()
    bent: Bent | None = None


def fair_row(count: int, answers: int, chance: Chance) -> tuple[int, ...]:
    """Which answer is right, question by question: no answer more than three times running, of two answers
    never one and the other in turn throughout; every such row is as likely.

    >>> fair_row(5, 2, Chance(3))
    (1, 1, 0, 0, 1)
    """
    if count < 1 or answers < 2:
        raise PracticeError("round_too_few", value=(count, answers))
    while True:
        row = tuple(chance.below(answers) for _ in range(count))
        runs = [len(list(run)) for _, run in groupby(row)]
        if max(runs) <= RUN and not (answers == 2 and count > 2 and max(runs) == 1):
            return row


def placed(right: Choice, others: Sequence[Choice], at: int) -> tuple[Choice, ...]:
    """The right choice at its place among the others."""
    return (*others[:at], right, *others[at:])


def row_of(degrees: Sequence[Degree], midi: Sequence[int], beats: Fraction = Fraction(1)) -> Row:
    """Tones one after the other, each so many beats long."""
    return tuple(
        Tone(str(degree), height, beats * n, beats)
        for n, (degree, height) in enumerate(zip(degrees, midi, strict=True))
    )


def heard(made: Made) -> Row:
    """What a made line sounds as."""
    return tuple(
        Tone(
            str(event.degree) if event.degree else None,
            made.do.sounding(event.degree).midi if event.degree else None,
            event.start,
            event.length,
        )
        for event in made.voices[0]
        if not event.rest
    )
