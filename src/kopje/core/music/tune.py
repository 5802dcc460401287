"""A tune as printed: bars of notes and rests, one melodic line, exact lengths, spelled pitches."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field, replace
from typing import Literal

from kopje.core.exact import Fraction
from kopje.core.lazy import lazy
from kopje.core.music.marks import Mark
from kopje.core.music.meter import Meter
from kopje.core.music.navigation import Sign
from kopje.core.music.pitch import Pitch, from_fifths, signature_alters
from kopje.core.reasons import Reason

Kind = Literal["note", "rest", "unpitched"]
BarLine = Literal["single", "double", "final", "repeat", "none"]


@dataclass(frozen=True, slots=True)
class Syllable:
    """A sung syllable of one verse; `joins` says that the word goes on in the next syllable."""

    text: str
    verse: int = 1
    joins: bool = False


@dataclass(frozen=True, slots=True)
class Note:
    """A printed note or rest. `duration` is in quarters; ties join it to its neighbours as printed."""

    kind: Kind
    duration: Fraction
    pitch: Pitch | None = None
    tie_in: bool = False
    tie_out: bool = False
    syllables: tuple[Syllable, ...] = ()
    border: bool = False  # a breath mark or fermata after it
    fills_bar: bool = False  # a whole-bar rest
    marks: tuple[Mark, ...] = ()


@dataclass(frozen=True, slots=True)
class Key:
    """A stated key: signature on the line of fifths, and the mode where the file names one.

    Programs write "major" by default, so major is weak: it fixes do only. Other modes are strong.
    """

    fifths: int
    mode: str | None = None

    @property
    def strong(self) -> bool:
        return self.mode is not None and self.mode != "major"

    @property
    def do(self) -> tuple[str, int]:
        return from_fifths(self.fifths)

    @property
    def alters(self) -> dict[str, int]:
        return signature_alters(self.fifths)


@dataclass(frozen=True)
class Bar:
    """A printed bar, or one of the two pieces that a repeat sign cuts it into (`offset` > 0: the second)."""

    notes: tuple[Note, ...]
    meter: Meter
    key: Key | None
    number: int = 0
    offset: Fraction = Fraction(0)
    left: BarLine = "single"  # "repeat": a repeat opens here
    right: BarLine = "single"
    line_end: bool = False  # a line of text ends here
    ending: str = ""
    signs: tuple[Sign, ...] = ()

    @lazy
    def length(self) -> Fraction:
        return sum((note.duration for note in self.notes), Fraction(0))


@dataclass(frozen=True, slots=True)
class Problem:
    """Something in the file that needs a look. Codes are a contract (docs/analysis.md)."""

    bar: int | None
    code: str
    reason: Reason


@dataclass(frozen=True, slots=True)
class Tune:
    """One melody with its words. `bars` are numbered: 0 is the pickup, 1 the first full bar."""

    title: str
    bars: tuple[Bar, ...]
    tempo: Fraction | None = None  # quarters a minute
    facts: tuple[tuple[str, str], ...] = ()
    problems: tuple[Problem, ...] = field(default=())

    def notes(self) -> Iterator[tuple[Bar, Fraction, Note]]:
        """Every printed note with its bar and its place in the bar, in quarters."""
        for bar in self.bars:
            place = bar.offset
            for note in bar.notes:
                yield bar, place, note
                place += note.duration

    def fact(self, name: str) -> str | None:
        return next((value for key, value in self.facts if key == name), None)

    @property
    def pickup(self) -> Fraction:
        return self.bars[0].length if self.bars and self.bars[0].number == 0 else Fraction(0)


def numbered(bars: Iterable[Bar]) -> tuple[Bar, ...]:
    """Number printed bars: a short first bar is 0; two short bars at a repeat that make one are one bar."""
    done: list[Bar] = []
    number = 0
    for bar in bars:
        previous = done[-1] if done else None
        if previous is None:
            number = 0 if 0 < bar.length < bar.meter.length else 1
            done.append(replace(bar, number=number))
        elif previous.number > 0 and _completes(previous, bar):
            done.append(replace(bar, number=number, offset=previous.length))
        else:
            number += 1
            done.append(replace(bar, number=number))
    return tuple(done)


def _completes(first: Bar, second: Bar) -> bool:
    at_sign = first.right != "single" or second.left == "repeat"
    return (
        at_sign
        and first.offset == 0
        and first.meter == second.meter
        and 0 < first.length < first.meter.length
        and first.length + second.length == first.meter.length
    )


def opening(tune: Tune, bars: int) -> Tune:
    """The pickup and the first full bars, without words and line ends: what tells a song apart at a
    glance."""
    chosen = tuple(bar for bar in tune.bars if bar.number <= bars)
    plain = (
        replace(
            bar,
            line_end=False,
            left="single",
            right="single",
            notes=tuple(replace(n, syllables=()) for n in bar.notes),
        )
        for bar in chosen
    )
    return replace(tune, bars=tuple(plain))


def blinded(tune: Tune) -> Tune:
    """The tune with what is stated about it withheld: key, text lines, words, breath marks and fermatas."""
    bars = tuple(
        replace(
            bar,
            key=None,
            line_end=False,
            notes=tuple(replace(note, syllables=(), border=False) for note in bar.notes),
        )
        for bar in tune.bars
    )
    return replace(tune, bars=bars)


def transposed(tune: Tune, steps: int, semitones: int) -> Tune:
    """The tune moved by an exact interval, its key signatures with it; only letters change, no
    degree does."""
    if steps == semitones == 0:
        return tune
    fifths = Pitch("C", 0, 4).moved(steps, semitones).fifths

    def moved(bar: Bar) -> Bar:
        notes = tuple(
            replace(note, pitch=note.pitch.moved(steps, semitones)) if note.pitch else note
            for note in bar.notes
        )
        key = replace(bar.key, fifths=bar.key.fifths + fifths) if bar.key else None
        return replace(bar, notes=notes, key=key)

    return replace(tune, bars=tuple(map(moved, tune.bars)))
