"""Whom to hear next: half by longest wait, half by most uncertain. Source: docs/sources.md#rota."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date

from kopje.core.ledger.standing import Standing
from kopje.core.reasons import Reason, because

DEFAULT_PLACES = 4


@dataclass(frozen=True, slots=True)
class Waiting:
    """A child on the roll: when it was last heard alone (any concept), how many lessons of the section ago,
    and its standing in this concept, which may be due."""

    child: str
    name: str
    last_heard: date | None
    standing: Standing
    due: bool = False
    lessons: int = 0


@dataclass(frozen=True, slots=True)
class Place:
    child: str
    name: str
    reasons: tuple[Reason, ...]


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
    by_wait = sorted(free, key=lambda child: (child.last_heard or date.min, child.name))
    unsure = sorted(by_wait, key=_certainty)
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


def _certainty(child: Waiting) -> int:
    """Lower is less certain: not heard, nearly, due, showed it once, not yet, secure."""
    if child.due:
        return 2
    return {"not_heard": 0, "nearly": 1, "once": 3, "not_yet": 4, "secure": 5}[child.standing.level]


def _place(child: Waiting, reasons: tuple[Reason, ...]) -> Place:
    return Place(child.child, child.name, reasons)


def _waited(child: Waiting) -> tuple[Reason, ...]:
    if child.last_heard is None:
        return (because("rota_never", about=child.child),)
    return (because("rota_since", about=child.child, day=child.last_heard),)


def _unsure(child: Waiting) -> tuple[Reason, ...]:
    if child.standing.level == "not_heard" and not child.standing.partly:
        return (because("rota_not_heard_in_this", about=child.child),)
    state = "due" if child.due else "partly" if child.standing.partly else child.standing.level
    return (because("rota_unsure", about=child.child, state=state),)
