"""How one of our own pieces sounds: each tone with its moment, from a score, its tempos and its loudness.

Source: docs/sources.md#recorded-pieces.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from kopje.core.analysis.timeline import Sound, sounds
from kopje.core.exact import Fraction
from kopje.core.music.marks import GROWING, LOUDNESS
from kopje.core.music.score import Score

USUAL_TEMPO = Fraction(100)
STRENGTH = dict(zip(LOUDNESS, (30, 42, 55, 68, 84, 100), strict=True))  # in percent
MINUTE = 60_000
WOOD = "wood"  # the instrument that has no pitch


@dataclass(frozen=True, slots=True)
class PlayedTone:
    """A tone from a moment on, in milliseconds; without `midi` a stroke on wood. `strength` in percent."""

    at: int
    length: int
    midi: int | None
    strength: int
    instrument: str


@dataclass(frozen=True, slots=True)
class Performance:
    """All tones in order of time, how long it takes, and when each bar begins (by its number)."""

    tones: tuple[PlayedTone, ...]
    length: int
    bars: Mapping[int, int]


class _Clock:
    """Milliseconds at each moment counted in quarters, where the tempo changes at bar lines."""

    def __init__(self, changes: Sequence[tuple[Fraction, Fraction]]) -> None:
        self._onsets = [onset for onset, _ in changes]
        self._tempos = [tempo for _, tempo in changes]
        self._starts = [Fraction(0)]
        for n in range(1, len(changes)):
            took = (self._onsets[n] - self._onsets[n - 1]) * MINUTE / self._tempos[n - 1]
            self._starts.append(self._starts[-1] + took)

    def at(self, onset: Fraction) -> Fraction:
        n = max(bisect_right(self._onsets, onset) - 1, 0)
        return self._starts[n] + (onset - self._onsets[n]) * MINUTE / self._tempos[n]


def performed(score: Score, tempos: Mapping[int, int], instruments: Sequence[str]) -> Performance:
    """The score in printed order. `tempos`: quarters a minute from a bar's number on; `instruments`: one for
    each part, the last one for what is left."""
    lines = [sounds(part.tune) for part in score.parts]
    starts: dict[int, Fraction] = {}
    for sound in lines[0]:
        starts.setdefault(sound.bar, sound.onset - sound.place)
    first = score.parts[0].tune.tempo or USUAL_TEMPO
    changes = [(Fraction(0), first)] + [
        (starts[bar], Fraction(tempo)) for bar, tempo in sorted(tempos.items()) if starts.get(bar)
    ]
    clock = _Clock(changes)
    tones = [
        tone
        for n, line in enumerate(lines)
        for tone in _line(line, clock, instruments[min(n, len(instruments) - 1)])
    ]
    end = max(clock.at(line[-1].end) for line in lines if line)
    tones.sort(key=lambda tone: (tone.at, tone.midi or 0))
    return Performance(tuple(tones), round(end), {bar: round(clock.at(at)) for bar, at in starts.items()})


def _line(line: Sequence[Sound], clock: _Clock, instrument: str) -> list[PlayedTone]:
    strengths = _strengths(line)
    found = []
    for sound, strength in zip(line, strengths, strict=True):
        if sound.attack:
            begins, ends = clock.at(sound.onset), clock.at(sound.end)
            if "staccato" in sound.marks:
                ends = begins + (ends - begins) / 2
            louder = 12 if "accent" in sound.marks else 0
            midi = sound.pitch.midi if sound.pitch and instrument != WOOD else None
            tone = PlayedTone(
                round(begins), round(ends - begins), midi, min(strength + louder, 100), instrument
            )
            found.append(tone)
    return found


def _strengths(line: Sequence[Sound]) -> list[int]:
    """Of each sound; between a mark that grows or fades and the next level it moves evenly."""
    levels = [next((STRENGTH[m] for m in sound.marks if m in STRENGTH), None) for sound in line]
    found: list[int] = []
    now, grows_from = STRENGTH["mf"], -1
    for n, sound in enumerate(line):
        level = levels[n]
        if level is not None:
            if grows_from >= 0:
                _evenly(found, grows_from, found[grows_from], level)
            now, grows_from = level, -1
        if any(mark in GROWING for mark in sound.marks):
            grows_from = n
        found.append(now)
    return found


def _evenly(found: list[int], begins: int, low: int, high: int) -> None:
    many = len(found) - begins
    for n in range(begins, len(found)):
        found[n] = low + (high - low) * (n - begins) // many
