"""Which bars lie on a diatonic set for a song: taken off, put on, missing. Source: docs/sources.md#barred."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from kopje.core.music.degree import LETTERS, Do, between
from kopje.core.music.pitch import Pitch
from kopje.core.reasons import Listed, Reason, Weight, because, listed

SPARE = frozenset({("F", 1), ("B", -1)})  # beside C D E F G A B
HALF_OCTAVE = 6  # semitones
LOWEST, HIGHEST = Pitch.parse("C4"), Pitch.parse("A5")  # written


@dataclass(frozen=True, slots=True)
class BarSet:
    """Letters of bars to take off and to put on, those that are needed and not there, and whether the set's
    range holds."""

    off: tuple[str, ...]
    on: tuple[str, ...]
    missing: tuple[str, ...]
    in_range: bool

    @property
    def playable(self) -> bool:
        return self.in_range and not self.missing


def bars_reason(bars: BarSet) -> Reason:
    weight: Weight = "for" if bars.playable else "against"
    if bars.missing:
        return because("bars_missing", weight, "key", bars=listed(bars.missing), count=len(bars.missing))
    moved = [because("bars_off", bars=listed(bars.off))] if bars.off else []
    moved += [because("bars_on", bars=listed(bars.on))] if bars.on else []
    said = Listed(tuple(moved), by="comma") if moved else because("bars_as_they_are")
    return because("bars_set", weight, "key", moved=said, inside=int(bars.in_range))


def bars_for(pitches: Iterable[Pitch]) -> BarSet:
    """The exact list for a song: where an altered tone sounds, its bar is on, and the plain one off unless
    it sounds too. What the key alters and nobody plays needs no swap.

    >>> bars_for([Pitch.parse("F4"), Pitch.parse("A4")]).off, bars_for([Pitch.parse("Bb4")]).off
    ((), ('B',))
    """
    sounding = set(pitches)
    used = {(pitch.letter, pitch.alter) for pitch in sounding}
    natural = {letter for letter, alter in used if alter == 0}
    altered = {(letter, alter) for letter, alter in used if alter}
    off = {letter for letter, _ in altered if letter not in natural}
    have, lack = altered & SPARE, altered - SPARE
    inside = all(LOWEST.midi <= pitch.midi <= HIGHEST.midi for pitch in sounding)
    return BarSet(tuple(sorted(off)), _names(have), _names(lack), inside)


State = Literal["there", "off", "on"]


def the_set(bars: BarSet) -> tuple[tuple[Pitch, State], ...]:
    """Every bar of the written range, low first, with the spare ones that are put on."""
    off = set(bars.off)
    found: list[tuple[Pitch, State]] = []
    for step in range(LOWEST.step, HIGHEST.step + 1):
        octave, index = divmod(step, 7)
        natural = Pitch(LETTERS[index], 0, octave)
        found.append((natural, "off" if natural.letter in off else "there"))
    spare = [Pitch(letter, alter, octave) for letter, alter in sorted(SPARE) for octave in (4, 5)]
    on = [p for p in spare if p.letter_name in bars.on and LOWEST.midi <= p.midi <= HIGHEST.midi]
    return tuple(sorted([*found, *((p, "on") for p in on)], key=lambda pair: pair[0].midi))


def moved_to(pitches: Iterable[Pitch], do: Do, to: Do) -> frozenset[Pitch]:
    """The pitches with do elsewhere, in the nearest octave; of two as near the lower."""
    steps, semitones = between(do, to)
    if semitones == HALF_OCTAVE:
        steps, semitones = steps - 7, -HALF_OCTAVE
    return frozenset(pitch.moved(steps, semitones) for pitch in pitches)


def natural_homes(pitches: Iterable[Pitch], do: Do) -> tuple[str, ...]:
    """The letters that as do put every degree on a natural bar, so that nothing is swapped.

    >>> natural_homes([Pitch.parse("F4"), Pitch.parse("G4"), Pitch.parse("A4")], Do("F"))
    ('C', 'F', 'G')
    """
    every = list(pitches)
    return tuple(
        letter for letter in LETTERS if all(pitch.alter == 0 for pitch in moved_to(every, do, Do(letter)))
    )


def _names(bars: Iterable[tuple[str, int]]) -> tuple[str, ...]:
    return tuple(Pitch(letter, alter, LOWEST.octave).letter_name for letter, alter in sorted(bars))
