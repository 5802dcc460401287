"""How cards are laid, and what is asked with them: no card at its partner's place, and beside the right name
first those of what sounds alike. Source: docs/sources.md#cards."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from kopje.core.practice.reading.chance import Chance

A_ROW = 6
CHOICES = 4


@dataclass(frozen=True, slots=True)
class Laid:
    """Rows of at most six, to be scanned from left to right: pictures, and names so that none lies below its
    picture. Cards are counted from 0."""

    pictures: tuple[tuple[int, ...], ...]
    names: tuple[tuple[int, ...], ...]


def laid(count: int, seed: int) -> Laid:
    """At least two cards.

    >>> laid(2, 1)
    Laid(pictures=((0, 1),), names=((1, 0),))
    """
    chance = Chance(seed)
    pictures = _shuffled(list(range(count)), chance)
    names = [pictures[n] for n in nothing_in_place(count, chance)]
    return Laid(_rows(pictures), _rows(names))


def nothing_in_place(count: int, chance: Chance) -> tuple[int, ...]:
    """An order in which nothing stays at its place, each as likely; at least two. A shuffle that leaves
    something there is drawn again: fewer than three are needed on average."""
    while True:
        order = _shuffled(list(range(count)), chance)
        if all(place != one for place, one in enumerate(order)):
            return tuple(order)


def _shuffled(order: list[int], chance: Chance) -> list[int]:
    for n in range(len(order) - 1, 0, -1):
        other = chance.below(n + 1)
        order[n], order[other] = order[other], order[n]
    return order


def _rows(order: Sequence[int]) -> tuple[tuple[int, ...], ...]:
    return tuple(tuple(order[n : n + A_ROW]) for n in range(0, len(order), A_ROW))


def asked(alike: Sequence[Collection[str]], at: int, seed: int) -> tuple[int, ...]:
    """The cards whose names are offered for one picture, the right one among them; `alike`: how each card
    sounds.

    >>> sorted(asked([("struck",), ("blown",), ("struck",)], 0, 5))
    [0, 1, 2]
    """
    chance = Chance(seed * 1_009 + at)
    mine = set(alike[at])
    others = _shuffled([n for n in range(len(alike)) if n != at], chance)
    others.sort(key=lambda n: not mine & set(alike[n]))
    return tuple(_shuffled([at, *others[: CHOICES - 1]], chance))
