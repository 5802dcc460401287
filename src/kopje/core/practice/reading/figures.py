"""Figures as something to fill bars with: how many beats each takes, and its tones and rests.

The table is that of the analysis (`core/analysis/elements.py`), turned round. Source: docs/sources.md#rhythm.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from kopje.core.analysis.elements import (
    LONG_SIMPLE,
    ONE_BEAT_COMPOUND,
    ONE_BEAT_SIMPLE,
    ORDER,
    TWO_BEAT_SIMPLE,
    Lengths,
)
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter

HALF = Fraction(1, 2)
UPBEAT, TIE = "upbeat", "tie"
BESIDE = (UPBEAT, TIE)  # said of figures, and none themselves


@dataclass(frozen=True, slots=True)
class Shape:
    """A figure where it may stand: `lengths` in beats, `rests` says which of them are silent."""

    key: str
    beats: int
    lengths: Lengths
    rests: tuple[bool, ...]

    @property
    def attacks(self) -> int:
        return self.rests.count(False)


def _shape(key: str, *lengths: Fraction, rests: tuple[bool, ...] | None = None) -> Shape:
    beats = sum(lengths, Fraction(0))
    return Shape(key, int(beats), lengths, rests or (False,) * len(lengths))


@cache
def shapes_of(key: str, compound: bool) -> tuple[Shape, ...]:
    """All that a figure may look like in a meter; PracticeError for one that the meter does not have.

    >>> [shape.rests for shape in shapes_of("half_beat_rest", False)]
    [(False, True), (True, False)]
    """
    found = [shape for shape in (_compound() if compound else _simple()) if shape.key == key]
    if not found:
        known = key in ORDER
        raise PracticeError("figure_other_meter" if known else "figure_unknown", figure=key, value=key)
    return tuple(found)


def _simple() -> Iterable[Shape]:
    for table in (ONE_BEAT_SIMPLE, TWO_BEAT_SIMPLE):
        for lengths, key in table.items():
            yield _shape(key, *lengths)
    for length, key in LONG_SIMPLE.items():
        yield _shape(key, length)
    yield _shape("beat_rest", Fraction(1), rests=(True,))
    yield _shape("half_rest", Fraction(2), rests=(True,))
    yield _shape("half_beat_rest", HALF, HALF, rests=(False, True))
    yield _shape("half_beat_rest", HALF, HALF, rests=(True, False))


def _compound() -> Iterable[Shape]:
    for lengths, key in ONE_BEAT_COMPOUND.items():
        yield _shape(key, *lengths)
    yield _shape("dotted_half_compound", Fraction(2))
    yield _shape("compound_beat_rest", Fraction(1), rests=(True,))


def usable(keys: Iterable[str], meter: Meter) -> tuple[str, ...]:
    """Those of the figures that a meter has."""
    known = {shape.key for shape in (_compound() if meter.compound else _simple())}
    return tuple(key for key in keys if key in known)


def bar_rest(meter: Meter) -> Shape:
    return Shape("bar_rest", meter.beats, (Fraction(meter.beats),), (True,))


# How gladly a figure is taken by its tones a beat: up to one, up to two, more; and with a rest.
PLAIN, CALM = (12, 9, 3, 3), (12, 4, 1, 2)


def usual(shape: Shape, beat: int, meter: Meter, calm: bool = False) -> int:
    """How gladly a figure stands on a beat (from 0): long ones where the bar is strong, one that fills the
    bar or crosses its middle rarely; many tones a beat rarely, where parts sing together more so."""
    one, two, more, silent = CALM if calm else PLAIN
    gladly = silent if any(shape.rests) else one if shape.attacks <= shape.beats else two
    if shape.attacks > 2 * shape.beats:
        gladly = more
    if shape.beats == 1:
        return gladly * (4 if beat or not any(shape.rests) else 1)
    middle = meter.beats // 2 if meter.beats % 2 == 0 and meter.beats > 2 else 0
    if middle and beat < middle < beat + shape.beats and beat % middle:
        return max(gladly // 3, 1)
    return gladly * (4 if shape.beats < meter.beats else 2)
