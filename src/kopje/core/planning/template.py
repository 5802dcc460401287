"""Lesson templates: slots in order, per grade band and minutes, as data. Source: docs/sources.md#template."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.exact import Fraction
from kopje.core.planning.activities import Role

SETTLE_IN, LINE_UP, TRANSITION = 2, 2, Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Slot:
    name: str
    role: Role


SLOT_NAMES: dict[Role, str] = {
    "opening": "Opening", "voice": "Voice play", "review": "Review", "focus": "Main thing", "second": "Second thing",
    "play": "Instruments", "game": "Game", "closing": "Closing",
}  # fmt: skip
_BANDS: tuple[tuple[int, int, tuple[Role, ...]], ...] = (
    (0, 1, ("opening", "voice", "focus", "game", "second", "play", "closing")),
    (2, 3, ("opening", "review", "focus", "second", "play", "game", "closing")),
    (4, 8, ("opening", "review", "focus", "second", "play", "game", "closing")),
)
_DROPPED: tuple[Role, ...] = (
    "play",
    "second",
    "voice",
    "review",
    "game",
)  # in this order, when minutes are few


def template(grade: int, minutes: int) -> tuple[Slot, ...]:
    """The slots of a lesson; short lessons drop slots, the opening, main thing and closing always stay."""
    roles = list(next(roles for low, high, roles in _BANDS if low <= min(grade, 8) <= high))
    wanted = max(3, min(len(roles), minutes // 4))
    for role in _DROPPED:
        if len(roles) > wanted and role in roles:
            roles.remove(role)
    return tuple(Slot(SLOT_NAMES[role], role) for role in roles)


def available(minutes: int, cells: int) -> int:
    """Whole minutes left for activities: without settling in, lining up and the transitions."""
    return int(minutes - SETTLE_IN - LINE_UP - TRANSITION * max(cells - 1, 0))
