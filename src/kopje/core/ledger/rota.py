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
    """A child on the roll: when it was last heard alone (any concept), how many lessons of the section ago, and
    its standing in this concept."""

    child: str
    name: str
    last_heard: datetime | None
    standing: Standing
    lessons: int = 0


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
    """The next children. Absent and already heard ones are passed over, and keep their wait.

    The most uncertain come only while everybody else can still be heard in time: nobody waits longer than
    ceil(roll / places) + 2 lessons, unless absent.
    """
    free = [child for child in roll if child.child not in absent and child.child not in heard]
    by_wait = sorted(
        free, key=lambda child: (child.last_heard is not None, child.last_heard or 0, child.name)
    )
    unsure = sorted(by_wait, key=lambda child: _certainty(child.standing))
    longest_wait = -(-len(roll) // places) + 2
    for by_need in range(places // 2, -1, -1):
        longest = by_wait[: places - by_need]
        chosen = [*longest, *[child for child in unsure if child not in longest][:by_need]]
        if _in_time([child for child in by_wait if child not in chosen], places, longest_wait):
            break
    return tuple(_place(child, _waited(child) if child in longest else _unsure(child)) for child in chosen)


def _in_time(left: Sequence[Waiting], places: int, longest_wait: int) -> bool:
    """Whether all can be heard in time if from the next lesson on only the wait counted."""
    order = sorted(left, key=lambda child: -child.lessons)
    return all(child.lessons + 1 + place // places <= longest_wait for place, child in enumerate(order))


def _certainty(standing: Standing) -> int:
    """Lower is less certain: not heard, nearly, due, heard once, not yet, secure."""
    if standing.flag:
        return {"partly": 0, "due": 2, "once": 3}[standing.flag]
    return {"not_heard": 0, "nearly": 1, "not_yet": 4, "secure": 5}[standing.level]


def _place(child: Waiting, sentence: str) -> Place:
    return Place(child.child, child.name, Reason("rota", child.child, sentence))


def _waited(child: Waiting) -> str:
    if child.last_heard is None:
        return "Never heard alone."
    return f"Waiting since {child.last_heard:%-d %b}."


def _unsure(child: Waiting) -> str:
    if child.standing.level == "not_heard" and not child.standing.flag:
        return "Not heard in this."
    return child.standing.sentence
