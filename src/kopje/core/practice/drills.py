"""Echo calls from a song's own turns, and rows to sing from a tone set. Source: docs/sources.md#drills."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.phrases import first_bar_line
from kopje.core.analysis.timeline import Sound
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree

Kind = Literal["up_and_down", "thirds", "sequence", "widening"]
Ending = Literal["home", "open", "any"]
LONGEST = 8
SEQUENCE = 3  # tones of each turn of a sequence


@dataclass(frozen=True, slots=True)
class Tone:
    """A tone, or a rest without one, and its beats."""

    degree: Degree | None
    beats: Fraction


@dataclass(frozen=True, slots=True)
class EchoPhrase:
    """A call to echo: its tones, the bar it comes from, and whether it ends at home."""

    tones: tuple[Tone, ...]
    bar: int
    home: bool


def echo_phrases(a: Analysis, beats: int, ending: Ending = "any") -> tuple[EchoPhrase, ...]:
    """Every different stretch of so many beats that begins on a strong beat of a phrase and cuts no tone, in
    order."""
    if not 1 <= beats <= 16:
        raise PracticeError("echo_beats", value=beats)
    found: dict[tuple[Tone, ...], EchoPhrase] = {}
    for phrase in a.phrases:
        part = a.timeline[phrase.first : phrase.stop]
        line = first_bar_line(part)
        for index, sound in enumerate(part):
            if sound.attack and sound.strong and sound.onset >= line:
                cut = _cut(a, part[index:], beats)
                if cut is not None and len(cut.tones) > 1:
                    found.setdefault(cut.tones, cut)
    return tuple(phrase for phrase in found.values() if ending == "any" or phrase.home == (ending == "home"))


def _cut(a: Analysis, part: Sequence[Sound], beats: int) -> EchoPhrase | None:
    beat, total, tones, last = part[0].meter.beat, Fraction(0), list[Tone](), None
    for sound in part:
        if sound.meter.beat != beat:
            return None
        total += sound.beats
        degree = a.degree(sound) if sound.attack else None
        last = degree or last
        tones.append(Tone(degree, sound.beats))
        if total == beats and last is None:
            return None  # spoken: there is no tone to echo
        if total == beats:
            home = last is not None and last.syllable == a.tonality.resting
            return EchoPhrase(tuple(tones), part[0].bar, home)
        if total > beats:
            return None
    return None


def tone_patterns(
    tones: Sequence[Degree], kind: Kind, start: Degree | None = None
) -> tuple[tuple[Degree, ...], ...]:
    """Rows to sing over a tone set, from its lowest tone or a chosen one upwards.

    `up_and_down`: 1, 1 2 1, 1 2 3 2 1 …; `thirds`: 1 3, 2 4, 3 5 … and back; `sequence`: 1 2 3, 2 3 4 … and
    back; `widening`: signs to read, two tones first, then one more in each row. PracticeError where the set
    is too small."""
    line = sorted(set(tones), key=lambda degree: (degree.semitones, degree.step))
    if start is not None:
        line = [degree for degree in line if degree.semitones >= start.semitones]
    line = line[:LONGEST]
    if len(line) < (SEQUENCE if kind in ("thirds", "sequence") else 2):
        raise PracticeError("rows_too_few_tones", value=kind)
    return tuple(
        {"up_and_down": _up_and_down, "thirds": _thirds, "sequence": _sequence, "widening": _widening}[kind](
            line
        )
    )


Rows = Iterator[tuple[Degree, ...]]


def _up_and_down(line: list[Degree]) -> Rows:
    for size in range(1, len(line) + 1):
        up = line[:size]
        yield (*up, *reversed(up[:-1]))


def _thirds(line: list[Degree]) -> Rows:
    for low, high in zip(line, line[2:], strict=False):
        yield low, high
    for high, low in zip(reversed(line), reversed(line[:-2]), strict=False):
        yield high, low


def _sequence(line: list[Degree]) -> Rows:
    turns = [tuple(line[at : at + SEQUENCE]) for at in range(len(line) - SEQUENCE + 1)]
    yield from turns
    yield from (tuple(reversed(turn)) for turn in reversed(turns))


def _widening(line: list[Degree]) -> Rows:
    """The middle tones first: each row has the new tone three times, between tones it was reached from
    before."""
    middle = len(line) // 2
    order = sorted(line, key=lambda degree: (abs(line.index(degree) - middle), -line.index(degree)))
    for size in range(2, len(order) + 1):
        known, new = order[: size - 1], order[size - 1]
        near = min(known, key=lambda degree: (abs(degree.semitones - new.semitones), degree.semitones))
        far = max(known, key=lambda degree: (abs(degree.semitones - new.semitones), -degree.semitones))
        yield near, new, near, far, new, near, new, near


def counted_tones(found: Sequence[Sequence[Degree]], beats_a_minute: int) -> tuple[int, Fraction]:
    """(tones in all, minutes at a tempo of one tone a beat and a beat of rest after each row)."""
    total = sum(len(row) for row in found)
    return total, Fraction(total + len(found), beats_a_minute)
