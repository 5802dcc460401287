"""Whole minutes for the parts of a lesson."""

from __future__ import annotations

from collections.abc import Collection, Sequence

Bounds = tuple[int, int, int]  # least, usual, most


def spread(
    bounds: Sequence[Bounds],
    budget: int,
    seated: Sequence[bool] = (),
    longest_sitting: int | None = None,
    favoured: Sequence[bool] = (),
) -> list[int]:
    """Whole minutes for each part within its bounds, their sum as near under the budget as can be; where
    there is a limit no run of seated parts is longer, if its bounds let it. What is
    favoured is made longer first, and shorter last.

    >>> spread([(2, 3, 5), (3, 5, 7)], 10)
    [4, 6]
    >>> spread([(3, 5, 7), (3, 5, 7), (2, 3, 4)], 20, [True, True, False], 8)
    [4, 4, 4]
    """
    minutes = [usual for _, usual, _ in bounds]
    runs = _runs(seated) if longest_sitting is not None else []
    for run in runs:
        _shorten(minutes, bounds, run, longest_sitting or 0)
    others = [i for i in range(len(minutes)) if not _is(favoured, i)]
    rest = sum(minutes) - sum(minutes[i] for i in others)
    _shorten(minutes, bounds, others, budget - rest)
    _shorten(minutes, bounds, range(len(minutes)), budget)
    while sum(minutes) < budget:
        free = [
            i
            for i in range(len(minutes))
            if minutes[i] < bounds[i][2]
            and all(sum(minutes[j] for j in run) < (longest_sitting or 0) for run in runs if i in run)
        ]
        if not free:
            break
        index = max(free, key=lambda i: (_is(favoured, i), bounds[i][2] - minutes[i], -i))
        minutes[index] += 1
    return minutes


def made_room(
    minutes: Sequence[int], bounds: Sequence[Bounds], fixed: Collection[int], budget: int
) -> list[int]:
    """The same minutes, shortened where most can be spared until they fit; what is fixed stays.

    >>> made_room([5, 3, 4], [(3, 4, 6), (3, 3, 3), (2, 3, 5)], {1}, 10)
    [4, 3, 3]
    """
    found = list(minutes)
    free = [index for index in range(len(found)) if index not in fixed]
    _shorten(found, bounds, free, budget - sum(found[index] for index in fixed))
    return found


def _is(favoured: Sequence[bool], at: int) -> bool:
    return at < len(favoured) and favoured[at]


def _runs(seated: Sequence[bool]) -> list[range]:
    """Places of parts that are seated one after the other."""
    found, start = [], None
    for at, sits in enumerate([*seated, False]):
        if sits and start is None:
            start = at
        if not sits and start is not None:
            found.append(range(start, at))
            start = None
    return found


def _shorten(minutes: list[int], bounds: Sequence[Bounds], places: Sequence[int], budget: int) -> None:
    """Take a minute where most can be spared, until the sum fits or nothing can be spared."""
    while places and sum(minutes[i] for i in places) > budget:
        index = max(places, key=lambda i: minutes[i] - bounds[i][0])
        if minutes[index] == bounds[index][0]:
            return
        minutes[index] -= 1
