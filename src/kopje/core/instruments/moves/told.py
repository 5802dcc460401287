"""What is said of a dance: each part, what the room needs, what to mind. Source: docs/sources.md#moves."""

from __future__ import annotations

from collections.abc import Iterator

from kopje.core.instruments.moves.dance import Dance, Part
from kopje.core.instruments.moves.room import Prop, needs
from kopje.core.instruments.moves.vocabulary import from_chair
from kopje.core.reasons import Reason, because


def said(part: Part) -> Reason:
    """What is done in a part: “walk to the middle”."""
    move = because(f"move_{part.move}")
    if part.travel is not None:
        return because("move_travels", move=move, way=because(f"way_{part.travel}"))
    return because("move_side", move=move, side=because(f"side_{part.side}")) if part.side else move


def said_seated(part: Part) -> Reason | None:
    """Its form from a chair; None where that is the same."""
    seated = from_chair(part.move)
    return because(f"move_{seated}") if seated != part.move else None


def room_for(dance: Dance, children: int, prop: Prop | None) -> Iterator[Reason]:
    """Floor and things for so many children, and where who travels ends."""
    found = needs(dance.formation, children, prop)
    wide, deep = map(_metres, found.floor)
    yield because("moves_floor", wide=wide, deep=deep, count=children)
    if prop == "elastic":
        yield because("moves_elastic", length=_metres(found.length))
    elif prop is not None:
        yield because(f"moves_{prop}", count=found.pieces)
    if dance.travels:
        yield because("moves_come_back")


def cautions(dance: Dance, prop: Prop | None) -> Iterator[Reason]:
    yield because("moves_care_chairs" if dance.formation == "chairs" else "moves_care_floor")
    if dance.touches:
        yield because("moves_care_touch")
    if prop is not None:
        yield because(f"moves_care_{prop}")


def _metres(centimetres: int) -> str:
    return f"{centimetres / 100:.1f}"
