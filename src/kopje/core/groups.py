"""Who works with whom: groups drawn fairly. Source: docs/sources.md#groups."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Any, Literal, Protocol

How = Literal["mixed", "alike", "chance"]
MOST, LEAST = 12, 2
TRIES = 60  # draws of which the one with the fewest old partners is taken
RANK = {"secure": 0, "once": 1, "nearly": 2, "not_yet": 3, "not_heard": 4}


class Chance(Protocol):
    """What a draw needs of chance; `random.Random` is one."""

    def shuffle(self, x: Any) -> None: ...

    def choice(self, seq: Sequence[str]) -> str: ...


@dataclass(frozen=True, slots=True)
class Group:
    """`helper`: one of them, who is sure of what is worked on."""

    children: tuple[str, ...]
    helper: str | None = None
    task: str | None = None


def sizes(children: int, of: int) -> tuple[int, ...]:
    """Groups of so many; what is left over makes some of them larger by one, never one child alone.

    >>> sizes(24, 4), sizes(23, 4), sizes(25, 2), sizes(3, 4)
    ((4, 4, 4, 4, 4, 4), (5, 5, 5, 4, 4), (3, 2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 2), (3,))
    """
    count = max(children // of, 1)
    share, more = divmod(children, count)
    return tuple(share + (place < more) for place in range(count))


def draw(
    children: Sequence[str],
    of: int,
    how: How,
    levels: Mapping[str, str],
    together: Collection[frozenset[str]],
    helped: Mapping[str, int],
    tasks: Sequence[str],
    chance: Chance,
) -> tuple[Group, ...]:
    """Everybody in one group. `mixed`: in each somebody who has it and somebody who has not, as far as they
    reach; `alike`: neighbours in standing. Of many draws that do this the one with the fewest pairs that
    were together before. The helper is sure of it (`levels`, by child), and who helped least so far comes
    first. Tasks go round."""
    if not children:
        return ()
    best = min(
        (_one(children, of, how, levels, chance) for _ in range(TRIES)), key=lambda g: _old(g, together)
    )
    return tuple(
        Group(
            tuple(group), _helper(group, levels, helped, chance), tasks[place % len(tasks)] if tasks else None
        )
        for place, group in enumerate(best)
    )


def _one(
    children: Sequence[str], of: int, how: How, levels: Mapping[str, str], chance: Chance
) -> list[list[str]]:
    mixed = list(children)
    chance.shuffle(mixed)
    if how != "chance":
        mixed.sort(key=lambda child: RANK[levels.get(child, "not_heard")])
    wide = sizes(len(mixed), of)
    if how == "mixed":
        return _dealt(mixed, wide)
    groups, at = list[list[str]](), 0
    for size in wide:
        groups.append(mixed[at : at + size])
        at += size
    return groups


def _dealt(order: Sequence[str], wide: Sequence[int]) -> list[list[str]]:
    """Like cards, there and back again, so that no group gets the best of every round."""
    groups: list[list[str]] = [[] for _ in wide]
    places = list(range(len(wide)))
    waiting = list(order)
    while waiting:
        for place in places:
            if waiting and len(groups[place]) < wide[place]:
                groups[place].append(waiting.pop(0))
        places.reverse()
    return groups


def pairs(groups: Iterable[Iterable[str]]) -> set[frozenset[str]]:
    return {frozenset(pair) for group in groups for pair in combinations(sorted(group), 2)}


def _old(groups: Iterable[Iterable[str]], together: Collection[frozenset[str]]) -> int:
    return len(pairs(groups) & set(together))


def _helper(
    group: Sequence[str], levels: Mapping[str, str], helped: Mapping[str, int], chance: Chance
) -> str | None:
    sure = [child for child in group if levels.get(child) == "secure"]
    if not sure or len(sure) == len(group):
        return None
    least = min(helped.get(child, 0) for child in sure)
    return chance.choice([child for child in sure if helped.get(child, 0) == least])
