"""Whom to hear next: half by longest wait, half by most uncertain. Source: docs/sources.md#rota."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import datetime

from kopje.core.ledger.standing import Standing
from kopje.core.reasons import Reason

DEFAULT_PLACES = 4


@dataclass(frozen=True, slots=True)
class Waiting:
    """A child on the roll: when it was last heard alone (any concept) and its standing in this one."""

    child: str
    name: str
    last_heard: datetime | None
    standing: Standing


@dataclass(frozen=True, slots=True)
class Place:
    child: str
    name: str
    reason: Reason


def queue(
    roll: Sequence[Waiting],
    absent: Collection[str] = (),
    heard: Collection[str] = (),
    places: int = DEFAULT_PLACES,
) -> tuple[Place, ...]:
    """The next children. Absent and already heard ones are passed over, and keep their wait."""
    free = [child for child in roll if child.child not in absent and child.child not in heard]
    by_wait = sorted(
        free, key=lambda child: (child.last_heard is not None, child.last_heard or 0, child.name)
    )
    longest = by_wait[: (places + 1) // 2]
    rest = [child for child in by_wait if child not in longest]
    unsure = sorted(rest, key=lambda child: (_certainty(child.standing), by_wait.index(child)))
    return tuple(
        [_place(child, _waited(child)) for child in longest]
        + [_place(child, _unsure(child)) for child in unsure[: places - len(longest)]]
    )


def _certainty(standing: Standing) -> int:
    """Lower is less certain: not heard, nearly, due, heard once, not yet, secure."""
    if standing.flag:
        return {"due": 2, "once": 3}[standing.flag]
    return {"not_heard": 0, "nearly": 1, "not_yet": 4, "secure": 5}[standing.level]


def _place(child: Waiting, sentence: str) -> Place:
    return Place(child.child, child.name, Reason("rota", child.child, sentence))


def _waited(child: Waiting) -> str:
    if child.last_heard is None:
        return "Never heard alone."
    return f"Waiting since {child.last_heard:%-d %b}."


def _unsure(child: Waiting) -> str:
    return {"not_heard": "Not heard in this."}.get(child.standing.level, child.standing.sentence)
