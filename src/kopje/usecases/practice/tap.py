"""A line of an exercise tapped on a device."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.exact import Fraction
from kopje.core.practice.tapping import STRAIGHT, Tapped, tapped
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import analysed, of_school


@dataclass(frozen=True)
class Taps:
    """`times` in milliseconds from the first beat of bar `first` (counted from 1), at so many beats a minute;
    `last`: the bar it ends with, None for the last one."""

    times: tuple[int, ...]
    tempo: int
    delay: int = 0
    swing: Fraction = STRAIGHT
    part: int = 0
    first: int = 1
    last: int | None = None


def judged(ctx: Context, exercise_id: UUID, taps: Taps) -> tuple[tuple[int, ...], Tapped]:
    """The printed notes of these bars, and what became of each."""
    a = analysed(of_school(ctx, exercise_id), taps.part)
    last = taps.last or max(sound.bar for sound in a.attacks)
    inside = [sound for sound in a.attacks if taps.first <= max(sound.bar, 1) <= last]
    full = [sound.onset - sound.place for sound in inside if sound.bar >= taps.first]
    begins = min(full, default=Fraction(0))
    places = [(sound.onset - begins) / sound.meter.beat for sound in inside]
    found = tapped(places, taps.times, taps.tempo, taps.delay, taps.swing)
    return tuple(sound.note for sound in inside), found
