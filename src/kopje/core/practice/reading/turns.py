"""How real tunes move: from a tone and the move before it to the next tone, by the place in the bar.

The weights are made by scripts/fit_turns.py from a third of the installed tunes, divided so that variants of
a tune stay together; docs/measured.md has how well they foretell the others. Source: docs/sources.md#turns.
"""

from __future__ import annotations

from enum import IntEnum
from functools import cache

from kopje.core.exact import Fraction
from kopje.core.practice.reading.turn_weights import FIRST, MOVES, PLACES

LOW, HIGH = -7, 9  # letters from do
FARTHEST = 5  # letters of a move
BEFORE = 4  # letters of the move before, larger ones count as this
SCALE = 16  # a place that speaks neither for nor against a tone


class Place(IntEnum):
    """Where in its bar a tone begins; the last of a phrase is a place of its own."""

    DOWNBEAT = 0
    BEAT = 1
    OFF = 2
    LAST = 3

    @classmethod
    def of(cls, place: Fraction, beat: Fraction, last: bool = False) -> Place:
        """From a place in the bar and the beat, both in quarters."""
        if last:
            return cls.LAST
        if place == 0:
            return cls.DOWNBEAT
        return cls.BEAT if (place / beat).denominator == 1 else cls.OFF


def held(step: int) -> int:
    """A height as the tables have it: what lies beyond them counts in the nearest octave that they have."""
    while step < LOW:
        step += 7
    while step > HIGH:
        step -= 7
    return step


def first(home: str, step: int) -> int:
    """How usual it is to begin on a tone, in thousandths."""
    return _numbers(FIRST[home])[held(step) - LOW]


def next_weight(home: str, move_before: int, step: int, move: int) -> int:
    """How usual a move is, in thousandths, after a move and from a height; 0 beyond a sixth."""
    if abs(move) > FARTHEST:
        return 0
    row = _numbers(MOVES[home][min(max(move_before, -BEFORE), BEFORE) + BEFORE])
    return row[(held(step) - LOW) * (2 * FARTHEST + 1) + move + FARTHEST]


def place_weight(home: str, place: Place, step: int) -> int:
    """How much a place speaks for a tone, in sixteenths: 16 is neither for nor against."""
    return _numbers(PLACES[home][place])[step % 7]


@cache
def _numbers(row: str) -> tuple[int, ...]:
    return tuple(map(int, row.split()))
