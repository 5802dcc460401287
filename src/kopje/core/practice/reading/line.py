"""One voice over given places: backwards what can still be reached, forwards one way drawn among them.

All numbers are whole, so the same seed gives the same line on every machine; a way is found wherever there is
one, for only such moves are drawn from which the end can be reached. Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.ground import Ground, Whole

BEFORE, AT, AFTER = 0, 1, 2  # the highest tone has not come, sounds, has been left
LARGEST = 2**24  # sums are made smaller when they are larger than this
ANY = -1  # as highest tone: it does not matter which


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a tone begins. `may` (tones,): how welcome each tone is here, 0 not at all; `pairs` (tones,
    tones): how welcome each is after each other one, None where all are alike; `span`: to which stretch with
    a highest tone of its own it belongs; `edges` (states, moves): which moves are open, where that depends on
    how the tone before was reached."""

    may: Whole
    pairs: Whole | None = None
    span: int = 0
    edges: Whole | None = None


Peaks = Sequence[Sequence[tuple[int, int]]]  # for each span the highest tones that may be, with how gladly


class Stand(NamedTuple):
    """A state, how it stands with the highest tone, and which of its span's highest tones it is."""

    state: int
    stood: int
    peak: int


@dataclass(frozen=True, slots=True)
class Ways:
    """What is left from each place: `left[i]` (highest tones, 3, states)."""

    spots: tuple[Spot, ...]
    peaks: Peaks
    left: tuple[Whole, ...]
    ground: Ground

    def highest(self, spot: Spot, peak: int) -> int:
        return self.peaks[spot.span][peak][0]


def ways(ground: Ground, spots: Sequence[Spot], peaks: Peaks) -> Ways:
    """Backwards from the end."""
    last = [peak for peak, _ in peaks[spots[-1].span]]
    left = np.zeros((len(last), 3, len(ground.tone)), dtype=np.int64)
    left[:, 1:] = 1  # at the end the highest tone has come
    left[[peak == ANY for peak in last], 0] = 1
    found = [left]
    for at in range(len(spots) - 1, 0, -1):
        spot, here = spots[at], spots[at - 1]
        left = _step_back(ground, spot, [peak for peak, _ in peaks[spot.span]], left)
        if here.span != spot.span:
            left = _border(left, peaks[spot.span], peaks[here.span])
        largest = int(left.max(initial=0))
        if largest > LARGEST:
            shift = largest.bit_length() - 24
            left = np.where(left > 0, np.maximum(left >> shift, 1), 0)
        found.append(left)
    return Ways(tuple(spots), peaks, tuple(reversed(found)), ground)


def _border(left: Whole, after: Sequence[tuple[int, int]], before: Sequence[tuple[int, int]]) -> Whole:
    """Into a new span: its highest tone is chosen then; that of the span before must have come."""
    gladly = np.array([weight for _, weight in after], dtype=np.int64)
    start = (left[:, BEFORE] * gladly[:, None]).sum(axis=0)
    new = np.zeros((len(before), 3, left.shape[2]), dtype=np.int64)
    new[:, AT:] = start
    new[[peak == ANY for peak, _ in before], BEFORE] = start
    return new


def _step_back(ground: Ground, spot: Spot, peaks: list[int], left: Whole) -> Whole:
    """What is left before the tone of this spot is chosen."""
    weight = ground.usual * spot.may[ground.tones]
    if spot.pairs is not None:
        weight = weight * spot.pairs[ground.tone[:, None], ground.tones]
    if spot.edges is not None:
        weight = weight * spot.edges
    if peaks == [ANY]:
        total = (weight * left[0, BEFORE][ground.moves]).sum(axis=1)
        return np.stack([total, total, total])[None]
    highest = np.array(peaks)[:, None, None]
    low = weight * (ground.tones < highest)
    top = weight * (ground.tones == highest)
    again = top * (ground.tone[:, None] == highest)
    following = left[:, :, ground.moves]  # (highest, 3, states, moves)
    left_it = (low * following[:, AFTER]).sum(axis=2)
    return np.stack(
        [
            (low * following[:, BEFORE] + top * following[:, AT]).sum(axis=2),
            left_it + (again * following[:, AT]).sum(axis=2),
            left_it,
        ],
        axis=1,
    )


def draw(found: Ways, chance: Chance, after: tuple[Stand, Spot] | None = None) -> list[Stand] | None:
    """One way, a stand for each spot. `after`: where the spots before ended. None where there is no way."""
    options = list(_first(found) if after is None else _next(found, after[0], 0, after[1]))
    stands: list[Stand] = []
    for number in range(len(found.spots)):
        if number:
            options = list(_next(found, stands[-1], number, found.spots[number - 1]))
        weights = [weight for _, weight in options]
        if not any(weights):
            return None
        stands.append(options[chance.index(weights)][0])
    return stands


def _standing(tone: int, highest: int, before: int) -> int | None:
    """How it stands with the highest tone after this one; None where it must not come."""
    if highest == ANY:
        return BEFORE
    if tone == highest:
        return AT if before in (BEFORE, AT) else None
    if tone > highest:
        return None
    return before if before == BEFORE else AFTER


def _first(found: Ways) -> Iterator[tuple[Stand, int]]:
    spot, ground, left = found.spots[0], found.ground, found.left[0]
    for peak, (highest, gladly) in enumerate(found.peaks[spot.span]):
        for tone, state in enumerate(ground.starts.tolist()):
            stood = _standing(tone, highest, BEFORE)
            if stood is not None:
                weight = gladly * ground.first[tone] * int(spot.may[tone]) * int(left[peak, stood, state])
                yield Stand(state, stood, peak), weight


def _next(found: Ways, stand: Stand, number: int, before: Spot) -> Iterator[tuple[Stand, int]]:
    spot = found.spots[number]
    if spot.span == before.span:
        yield from _moves(found, stand, number, 1)
        return
    for peak, (_, gladly) in enumerate(found.peaks[spot.span]):
        yield from _moves(found, Stand(stand.state, BEFORE, peak), number, gladly)


def _moves(found: Ways, stand: Stand, number: int, gladly: int) -> Iterator[tuple[Stand, int]]:
    spot, ground, left = found.spots[number], found.ground, found.left[number][stand.peak]
    here = int(ground.tone[stand.state])
    highest = found.highest(spot, stand.peak)
    for edge, (following, tone, usual) in enumerate(ground.listed[stand.state]):
        stood = _standing(tone, highest, stand.stood)
        if stood is None or (stood == AT and stand.stood == AT and tone != here):
            continue
        weight = gladly * usual * int(spot.may[tone]) * int(left[stood, following])
        if spot.pairs is not None:
            weight *= int(spot.pairs[here, tone])
        if spot.edges is not None:
            weight *= int(spot.edges[stand.state, edge])
        yield Stand(following, stood, peak=stand.peak), weight
