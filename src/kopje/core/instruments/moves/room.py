"""What a dance needs: floor, scarves, an elastic, hoops. Lengths in centimetres.

Source: docs/sources.md#moves.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil, isqrt
from typing import Literal

from kopje.core.instruments.moves.vocabulary import Formation

Prop = Literal["scarf", "elastic", "hoop"]
PROPS: tuple[Prop, ...] = ("scarf", "elastic", "hoop")
ARM = 120  # from one child to the next in a ring: an arm's length each
HAND = 60  # of an elastic, from hand to hand
KNOT = 20
FREE = 30_000  # square centimetres for a child that moves freely
EDGE = 100  # clear of walls and furniture, on each side
CHAIR = 100
PI = 3.1416


@dataclass(frozen=True, slots=True)
class Needs:
    """A floor of so much by so much; pieces, and for an elastic its length."""

    floor: tuple[int, int]
    pieces: int = 0
    length: int = 0


def needs(formation: Formation, children: int, prop: Prop | None = None) -> Needs:
    """
    >>> needs("ring", 24, "elastic")
    Needs(floor=(1117, 1117), pieces=1, length=1460)
    >>> needs("lines", 24, "scarf").pieces, needs("partners", 25, "hoop").pieces
    (24, 13)
    """
    floor = _floor(formation, children)
    if prop is None:
        return Needs(floor)
    if prop == "elastic":
        return Needs(floor, 1, children * HAND + KNOT)
    return Needs(floor, children if prop == "scarf" else ceil(children / 2))


def _floor(formation: Formation, children: int) -> tuple[int, int]:
    if formation == "ring":
        side = ceil(children * ARM / PI) + 2 * EDGE
        return side, side
    if formation == "lines":
        return ceil(children / 2) * ARM + 2 * EDGE, 3 * ARM + 2 * EDGE
    if formation == "partners":
        side = isqrt(ceil(children / 2) * 2 * FREE) + 2 * EDGE
        return side, side
    if formation == "chairs":
        rows = max(isqrt(children), 1)
        return ceil(children / rows) * CHAIR, rows * CHAIR
    side = isqrt(children * FREE) + 2 * EDGE
    return side, side
