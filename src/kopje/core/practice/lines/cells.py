"""A rhythm as the figures it is made of, each where it stands; and back.

Source: docs/sources.md#rhythm.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.music.degree import plain_do
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.figures import BESIDE, Shape, shapes_of
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.spots import Event


@dataclass(frozen=True, slots=True)
class Cell:
    """A figure on a beat (from 0) of a bar (from 1)."""

    bar: int
    beat: int
    shape: Shape


def cells(a: Analysis) -> tuple[Cell, ...]:
    """The figures of a line from left to right. PracticeError where one has no name, or the first bar is not
    whole."""
    places = [(f.bar, f.beat, f.key) for f in a.figures if f.key not in BESIDE]
    if not places or places[0][0] < 1 or any(key is None for *_, key in places):
        raise PracticeError("line_unnamed", value=[key for *_, key in places])
    meter = a.timeline[0].meter
    starts = [(bar - 1) * meter.beats + beat for bar, beat, _ in places]
    stops = [*starts[1:], Fraction(a.timeline[-1].bar * meter.beats)]
    found = []
    for (bar, beat, key), start, stop in zip(places, starts, stops, strict=True):
        inside = [s for s in a.timeline if start <= s.onset / meter.beat < stop]
        shape = Shape(
            str(key),
            int(stop - start),
            tuple(s.duration / meter.beat for s in inside),
            tuple(not s.attack for s in inside),
        )
        found.append(Cell(bar, int(beat), shape))
    return tuple(found)


def name_of(shape: Shape, compound: bool) -> str:
    """What a figure is called where it is one of several of its name: `half_beat_rest`,
    `half_beat_rest-2`."""
    every = shapes_of(shape.key, compound) if shape.key != "bar_rest" else (shape,)
    at = every.index(shape) if shape in every else 0
    return f"{shape.key}-{at + 1}" if at else shape.key


def known_shapes(figures: Iterable[str], meter: Meter) -> tuple[Shape, ...]:
    """What a class may find in a bar of a meter, by its figures."""
    every = (shape for key in dict.fromkeys(figures) for shape in shapes_of(key, meter.compound))
    return tuple(shape for shape in every if shape.beats <= meter.beats)


def as_made(meter: Meter, row: Sequence[Shape]) -> Made:
    """A line without pitches; figures are laid into bars one after the other. PracticeError where one would
    cross a bar line or the last bar stays open."""
    return Made(meter, plain_do("C"), "do", (tuple(_events(meter, row)),))


def _events(meter: Meter, row: Sequence[Shape]) -> Iterator[Event]:
    at = Fraction(0)
    for count, shape in enumerate(row):
        if at % meter.beats + shape.beats > meter.beats:
            raise PracticeError("line_crosses", figure=shape.key, value=int(at))
        for length, rest in zip(shape.lengths, shape.rests, strict=True):
            bar = int(at // meter.beats)
            yield Event(bar, at - bar * meter.beats, at, length, None, rest, count, shape.key)
            at += length
    if at == 0 or at % meter.beats:
        raise PracticeError("line_open", value=int(at))


def starts_of(row: Sequence[Shape]) -> list[int]:
    """On which beat of the line, from 0, each figure begins."""
    starts = [0]
    for shape in row:
        starts.append(starts[-1] + shape.beats)
    return [one for one, _ in pairwise(starts)]
