"""A tune as it sounds in the printed order: attacks with ties merged, rests as printed."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from kopje.core.exact import Fraction
from kopje.core.lazy import lazy
from kopje.core.music.marks import Mark
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.music.tune import Key, Kind, Syllable, Tune


@dataclass(frozen=True)
class Sound:
    """An attack or a rest. `onset` counts quarters from the start, `place` quarters from its bar line.

    `note` is the index of its first printed note in the tune; `area` counts the stated keys.
    """

    kind: Kind
    pitch: Pitch | None
    onset: Fraction
    duration: Fraction
    bar: int
    place: Fraction
    meter: Meter
    key: Key | None
    area: int
    note: int
    syllables: tuple[Syllable, ...] = ()
    border: bool = False
    marks: tuple[Mark, ...] = ()

    @lazy
    def attack(self) -> bool:
        return self.kind != "rest"

    @lazy
    def end(self) -> Fraction:
        return self.onset + self.duration

    @lazy
    def beats(self) -> Fraction:
        """Full length in beats of the bar where it starts."""
        return self.duration / self.meter.beat

    @lazy
    def downbeat(self) -> bool:
        return self.place == 0 and self.bar > 0

    @property
    def strong(self) -> bool:
        """On the first beat, or on the middle beat of a bar of four (or of a compound bar of four)."""
        if self.bar == 0:
            return False
        middle = self.meter.beat * 2 if self.meter.beats == 4 else None
        return self.place == 0 or self.place == middle


def sounds(tune: Tune) -> tuple[Sound, ...]:
    """All attacks and rests in printed order."""
    done: list[Sound] = []
    clock = Fraction(0)
    area, key = 0, tune.bars[0].key if tune.bars else None
    for index, (bar, place, note) in enumerate(tune.notes()):
        if bar.key != key:
            area, key = area + 1, bar.key
        last = done[-1] if done else None
        if note.tie_in and last is not None and last.attack and last.pitch == note.pitch:
            done[-1] = replace(
                last,
                duration=last.duration + note.duration,
                border=note.border,
                marks=(*last.marks, *note.marks),
            )
        else:
            at = place - bar.meter.length + bar.length if bar.number == 0 else place
            done.append(
                Sound(
                    note.kind,
                    note.pitch,
                    clock,
                    note.duration,
                    bar.number,
                    at,
                    bar.meter,
                    key,
                    area,
                    index,
                    note.syllables,
                    note.border,
                    note.marks,
                )
            )
        clock += note.duration
    return tuple(done)


def attacks(timeline: Iterable[Sound]) -> tuple[Sound, ...]:
    return tuple(sound for sound in timeline if sound.attack)


def bar_starts(tune: Tune) -> dict[int, Fraction]:
    """Quarters from the start to each bar line, by bar number."""
    starts: dict[int, Fraction] = {}
    clock = Fraction(0)
    for bar in tune.bars:
        starts.setdefault(bar.number, clock)
        clock += bar.length
    return starts
