"""Lesson templates: slots in order, per grade band and minutes, as data. Source: docs/sources.md#template."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.exact import Fraction
from kopje.core.planning.activities import Role
from kopje.core.reasons import Reason, because
from kopje.core.sequence.grades import CHOIR

SETTLE_IN, LINE_UP, TRANSITION = 2, 2, Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Slot:
    """`key` stays the same when a lesson is proposed anew: its role and its place among those of
    this role."""

    key: str
    role: Role
    carried: bool = False  # made for something left over


CHOIR_NAMES = frozenset({"opening", "voice", "focus"})
_CHOIR: tuple[Role, ...] = ("opening", "voice", "focus", "repertoire", "repertoire", "closing")
_BANDS: tuple[tuple[int, int, tuple[Role, ...]], ...] = (
    (-1, 1, ("opening", "voice", "focus", "game", "second", "play", "closing")),
    (2, 3, ("opening", "review", "focus", "second", "play", "game", "closing")),
    (4, 8, ("opening", "review", "focus", "second", "play", "game", "closing")),
)
_DROPPED: tuple[Role, ...] = (
    "play",
    "second",
    "voice",
    "review",
    "game",
    "repertoire",
)  # in this order, when minutes are few


def template(grade: int, minutes: int) -> tuple[Slot, ...]:
    """The slots of a lesson; short lessons drop slots, the opening, main thing and closing always stay."""
    choir = grade == CHOIR
    roles = list(
        _CHOIR if choir else next(roles for low, high, roles in _BANDS if low <= min(grade, 8) <= high)
    )
    wanted = max(3, min(len(roles), minutes // (8 if choir else 4)))
    for role in _DROPPED:
        if len(roles) > wanted and role in roles:
            roles.remove(role)
    return tuple(Slot(f"{role}-{roles[: at + 1].count(role)}", role) for at, role in enumerate(roles))


def slot_name(key: str, grade: int) -> Reason:
    """The term for a slot; what is left over comes in slots of its own, and choirs call some theirs."""
    role = key.rsplit("-", 1)[0]
    return because(f"slot_choir_{role}" if grade == CHOIR and role in CHOIR_NAMES else f"slot_{role}")


def available(minutes: int, parts: int) -> int:
    """Whole minutes left for activities: without settling in, lining up and the transitions."""
    return int(minutes - SETTLE_IN - LINE_UP - TRANSITION * max(parts - 1, 0))
