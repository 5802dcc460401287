"""Lesson templates: slots in order, per grade band and minutes, as data. Source: docs/sources.md#template."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.exact import Fraction
from kopje.core.planning.activities import Role
from kopje.core.sequence.concepts import CHOIR

SETTLE_IN, LINE_UP, TRANSITION = 2, 2, Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Slot:
    name: str
    role: Role


SLOT_NAMES: dict[Role, str] = {
    "opening": "Opening", "voice": "Voice play", "review": "Review", "focus": "Main thing", "second": "Second thing",
    "play": "Instruments", "game": "Game", "repertoire": "Repertoire", "closing": "Closing",
}  # fmt: skip
CHOIR_NAMES: dict[Role, str] = {"opening": "Warm-up", "voice": "Hard intervals", "focus": "Sight-singing"}
_CHOIR: tuple[Role, ...] = ("opening", "voice", "focus", "repertoire", "repertoire", "closing")
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
    names = SLOT_NAMES | CHOIR_NAMES if choir else SLOT_NAMES
    return tuple(Slot(names[role], role) for role in roles)


def available(minutes: int, cells: int) -> int:
    """Whole minutes left for activities: without settling in, lining up and the transitions."""
    return int(minutes - SETTLE_IN - LINE_UP - TRANSITION * max(cells - 1, 0))
