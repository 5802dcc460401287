"""Singing from silent signs: first two tones, then one more each time the row was clean.

Source: docs/sources.md#lines.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.levels import in_order

Went = Literal["begin", "clean", "broke"]
FEWEST = 2
BEYOND = 3  # signs beside one of each tone
NEAR = (1, 4, 3, 2)  # how gladly a row moves to the same tone, to its neighbour, one further, any other


def next_size(size: int, went: Went, most: int) -> int:
    """How many tones the next row has: one more when it was clean, one fewer when it broke; from two on.

    >>> next_size(2, "clean", 5), next_size(2, "broke", 5), next_size(5, "clean", 5)
    (3, 2, 5)
    """
    by = {"begin": 0, "clean": 1, "broke": -1}[went]
    return max(FEWEST, min(size + by, most))


def set_of(tones: Sequence[str], size: int) -> tuple[Degree, ...]:
    """The first tones that a class named, so many, from low to high. PracticeError where it names too few."""
    if len(tones) < FEWEST:
        raise PracticeError("round_few_tones", value=len(tones))
    return in_order(tuple(tones[:size]))


def row_of_signs(tones: Sequence[str], size: int, chance: Chance) -> tuple[Degree, ...]:
    """A row of signs in which each tone of the set comes, the newest one twice, no tone three times running.
    Neighbours in the set are likelier than what lies far."""
    here = set_of(tones, size)
    newest = Degree.parse(tones[len(here) - 1])
    while True:
        row = [chance.pick([tone for tone in here if tone != newest])]
        while len(row) < len(here) + BEYOND:
            at = here.index(row[-1])
            weights = [NEAR[min(abs(n - at), len(NEAR) - 1)] for n in range(len(here))]
            row.append(chance.pick(here, weights))
        thrice = any(row[n] == row[n + 1] == row[n + 2] for n in range(len(row) - 2))
        if set(row) == set(here) and row.count(newest) >= FEWEST and not thrice:
            return tuple(row)
