"""Chance that is the same on every machine: whole numbers only, from a seed.

The generator is SplitMix64 (Steele, Lea, Flood 2014). Source: docs/sources.md#chance.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Sequence
from itertools import accumulate
from typing import TypeVar

T = TypeVar("T")
_ALL = 2**64 - 1


class Chance:
    """One stream of draws.

    >>> drawn = Chance(7)
    >>> [drawn.below(100) for _ in range(3)], drawn.pick("abc", [0, 1, 0])
    ([42, 33, 2], 'b')
    """

    def __init__(self, seed: int) -> None:
        self._state = (seed * 0x9E3779B97F4A7C15 + 0x632BE59BD9B4E019) & _ALL

    def _draw(self) -> int:
        self._state = (self._state + 0x9E3779B97F4A7C15) & _ALL
        z = self._state
        z = ((z ^ (z >> 30)) * 0xBF58476D1CE4E5B9) & _ALL
        z = ((z ^ (z >> 27)) * 0x94D049BB133111EB) & _ALL
        return z ^ (z >> 31)

    def below(self, n: int) -> int:
        """A whole number from 0 to n - 1, each as likely (n at most 2^64; draws that would favour the low
        ones are drawn again)."""
        limit = _ALL - (_ALL + 1) % n
        while (drawn := self._draw()) > limit:
            pass
        return drawn % n

    def index(self, weights: Sequence[int]) -> int:
        """A place, as likely as its weight; the weights must not all be 0."""
        return self.summed(list(accumulate(weights)))

    def summed(self, sums: Sequence[int]) -> int:
        """The same from the sums of the weights, each with all before it."""
        return bisect_right(sums, self.below(sums[-1]))

    def pick(self, items: Sequence[T], weights: Sequence[int] | None = None) -> T:
        return items[self.below(len(items)) if weights is None else self.index(weights)]

    def percent(self, share: int) -> bool:
        """True in `share` of a hundred."""
        return self.below(100) < share
