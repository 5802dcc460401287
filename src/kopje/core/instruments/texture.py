"""Layers that are played together: do their loops meet, what hides, where it is silent, who comes in when.

Beats are beats of the meter, from 0 at the first bar line; a loop begins there and is laid end to end.
Source: docs/sources.md#layers.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from itertools import accumulate, pairwise
from math import gcd, lcm
from typing import Literal, get_args

import numpy as np
from numpy.typing import NDArray

from kopje.core.errors import TextureError
from kopje.core.exact import Fraction
from kopje.core.lazy import lazy
from kopje.core.music.meter import Meter

Family = Literal["skin", "struck wood", "scraped", "shaken", "metal", "barred", "body", "speech"]
FAMILIES: tuple[Family, ...] = get_args(Family)  # in the order in which they come in
Stroke = Literal["high", "low", "roll", "edge", "middle"]
MOST_LAYERS = 8
MOST_POINTS = 2_000_000  # of the finest grid in a common cycle; a room never gets near
NOTHING = Fraction(0)


@dataclass(frozen=True, slots=True)
class Beat:
    """One value of a loop in beats, sounding or silent."""

    length: Fraction
    rest: bool = False


@dataclass(frozen=True)
class Layer:
    """A loop and who plays it. `strokes` are of attacks only, and go round; `enters` is a bar, from 1."""

    name: str
    family: Family
    loop: tuple[Beat, ...]
    strokes: tuple[Stroke, ...] = ()
    enters: int = 1

    @lazy
    def beats(self) -> Fraction:
        return sum((one.length for one in self.loop), NOTHING)

    @lazy
    def onsets(self) -> tuple[Fraction, ...]:
        starts = accumulate((one.length for one in self.loop), initial=NOTHING)
        return tuple(start for start, one in zip(starts, self.loop, strict=False) if not one.rest)

    @property
    def density(self) -> Fraction:
        """Onsets per beat."""
        return len(self.onsets) / self.beats

    @property
    def pulse(self) -> bool:
        """One onset on every beat, and none else."""
        return self.onsets == tuple(Fraction(n) for n in range(int(self.beats))) and self.beats == int(
            self.beats
        )


@dataclass(frozen=True)
class Texture:
    """Up to eight layers over a phrase of so many bars; TextureError for what cannot be one."""

    meter: Meter
    phrase_bars: int
    layers: tuple[Layer, ...]

    def __post_init__(self) -> None:
        if not 1 <= len(self.layers) <= MOST_LAYERS:
            raise TextureError("texture_count", most=MOST_LAYERS, value=len(self.layers))
        names = [layer.name for layer in self.layers]
        for layer in self.layers:
            if names.count(layer.name) > 1:
                raise TextureError("texture_twice", name=layer.name, value=layer.name)
            if any(one.length <= 0 for one in layer.loop) or not layer.loop:
                raise TextureError("texture_empty", name=layer.name, value=layer.name)
            if len(layer.strokes) > max(len(layer.onsets), 0):
                raise TextureError("texture_strokes", name=layer.name, value=len(layer.strokes))

    @property
    def phrase(self) -> Fraction:
        """Beats of the phrase."""
        return Fraction(self.phrase_bars * self.meter.beats)

    @lazy
    def together_after(self) -> Fraction:
        """Beats until all loops begin at once again."""
        return least_common([layer.beats for layer in self.layers])

    @property
    def all_in(self) -> int:
        return max(layer.enters for layer in self.layers)

    @property
    def does_not_fit(self) -> tuple[Layer, ...]:
        """Whose loops do not divide the phrase: their last round hangs over."""
        return tuple(layer for layer in self.layers if self.phrase % layer.beats)

    @property
    def no_whole_bars(self) -> tuple[Layer, ...]:
        """Whose loops neither fill whole bars nor go evenly into one."""
        bar = Fraction(self.meter.beats)
        return tuple(layer for layer in self.layers if layer.beats % bar and bar % layer.beats)

    @lazy
    def hidden(self) -> tuple[tuple[Layer, Layer], ...]:
        """(layer, under which other): every onset of one falls on one of the other. Equal ones hide each
        other."""
        return tuple(
            (one, other)
            for one in self.layers
            for other in self.layers
            if one is not other and _inside(one, other)
        )

    @lazy
    def entry_order(self) -> tuple[Layer, ...]:
        """Pulse first, then rising density, then by family, then as given."""
        return tuple(
            sorted(self.layers, key=lambda one: (not one.pulse, one.density, FAMILIES.index(one.family)))
        )

    @lazy
    def _grid(self) -> tuple[int, NDArray[np.bool_], NDArray[np.bool_]]:
        """(points a beat, where something begins, where something sounds) over one common cycle."""
        fine = lcm(*(int(one.length.denominator) for layer in self.layers for one in layer.loop))
        points = self.together_after * fine
        if points > MOST_POINTS:
            raise TextureError("texture_too_long", beats=str(self.together_after), value=int(points))
        begins = np.zeros(int(points), dtype=np.bool_)
        sounds = np.zeros(int(points), dtype=np.bool_)
        for layer in self.layers:
            size, at = int(layer.beats * fine), 0
            for one in layer.loop:
                length = int(one.length * fine)
                if not one.rest:
                    begins[at::size] = True
                    sounds.reshape(-1, size)[:, at : at + length] = True
                at += length
        return fine, begins, sounds

    @lazy
    def silent_beats(self) -> tuple[int, ...]:
        """Beats of the common cycle, from 1, in which nothing begins and nothing sounds."""
        fine, _, sounds = self._grid
        starts = np.arange(0, len(sounds), fine)
        loud = np.logical_or.reduceat(sounds, starts)
        return tuple(int(n) + 1 for n in np.flatnonzero(~loud))

    @lazy
    def sum(self) -> tuple[Beat, ...]:
        """One cycle as one line: each onset up to the next, or to where all is silent."""
        fine, begins, sounds = self._grid
        changes = np.flatnonzero(begins | (sounds != np.roll(sounds, 1)))
        edges = sorted({0, *map(int, changes), len(begins)})
        return tuple(
            Beat(Fraction(stop - start, fine), not bool(sounds[start])) for start, stop in pairwise(edges)
        )

    def would_fit(self, layer: Layer) -> tuple[Fraction, ...]:
        """The next shorter and the next longer loop, in whole beats, that the phrase holds evenly."""
        fits = [Fraction(n) for n in range(1, int(self.phrase) + 1) if self.phrase % n == 0]
        shorter = [n for n in fits if n < layer.beats]
        longer = [n for n in fits if n > layer.beats]
        return (*shorter[-1:], *longer[:1])


def least_common(lengths: Iterable[Fraction]) -> Fraction:
    """The least length that each of them divides.

    >>> str(least_common([Fraction(3, 2), Fraction(2)]))
    '6'
    """
    every = list(lengths)
    return Fraction(
        lcm(*(int(one.numerator) for one in every)), gcd(*(int(one.denominator) for one in every))
    )


def _inside(one: Layer, other: Layer) -> bool:
    """Whether each round of one falls on onsets of the other: a shift by the one's loop is, on the other's
    loop, a shift by what both lengths have in common."""
    fine = lcm(int(one.beats.denominator), int(other.beats.denominator))
    step = Fraction(gcd(int(one.beats * fine), int(other.beats * fine)), fine)
    there = set(other.onsets)
    shifts = int(other.beats / step)
    return all((onset + n * step) % other.beats in there for onset in one.onsets for n in range(shifts))


def cut(layer: Layer) -> tuple[tuple[Beat, ...], tuple[Beat, ...]] | None:
    """A hard pattern in two pieces, cut at the beat nearest its middle at which something begins; None where
    there is no such beat."""
    starts = list(accumulate((one.length for one in layer.loop), initial=NOTHING))
    middle = layer.beats / 2
    places = [
        (abs(start - middle), start, n)
        for n, start in enumerate(starts[:-1])
        if start > 0 and start.denominator == 1
    ]
    if not places:
        return None
    _, _, at = min(places)
    return layer.loop[:at], layer.loop[at:]


def read_loop(values: Sequence[str], name: str) -> tuple[Beat, ...]:
    """Values in beats, rests written `r2`; TextureError for anything else."""
    from kopje.core.exact import parsed

    found = []
    for value in values:
        rest = value.startswith("r")
        try:
            found.append(Beat(parsed(value.removeprefix("r")), rest))
        except (ValueError, ZeroDivisionError) as problem:
            raise TextureError("texture_value", name=name, value=value) from problem
    return tuple(found)


def written(loop: Iterable[Beat]) -> list[str]:
    """The same values as `read_loop` takes them."""
    return [f"{'r' if one.rest else ''}{one.length}" for one in loop]
