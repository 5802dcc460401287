"""Moves that a class can do to a song, and how each goes without a floor or without touch.

Source: docs/sources.md#moves.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Travel = Literal["in", "out", "left", "right"]
Side = Literal["left", "right"]
Formation = Literal["ring", "lines", "partners", "free", "chairs"]
FORMATIONS: tuple[Formation, ...] = ("ring", "lines", "partners", "free", "chairs")
Busy = Literal["calm", "even", "busy"]


@dataclass(frozen=True, slots=True)
class Move:
    """`travels`: over the floor, so that the way back must come too. `hand`: one hand or foot, by turns.
    `touch`: two children touch. `chair`: its form from a chair. `suits`: how many sounds a beat the tune
    has."""

    key: str
    suits: tuple[Busy, ...]
    chair: str
    travels: bool = False
    hand: bool = False
    touch: bool = False


MOVES: dict[str, Move] = {
    one.key: one
    for one in (
        Move("walk", ("even", "busy"), "heels", travels=True),
        Move("tiptoe", ("busy",), "fingers", travels=True),
        Move("glide", ("calm",), "sway", travels=True),
        Move("sway", ("calm",), "sway"),
        Move("reach", ("calm",), "reach", hand=True),
        Move("pat", ("even", "busy"), "pat", hand=True),
        Move("clap", ("even",), "clap"),
        Move("stamp", ("even",), "heels", hand=True),
        Move("turn", ("calm", "even"), "circle"),
        Move("circle", ("calm",), "circle", hand=True),
        Move("heels", ("even", "busy"), "heels", hand=True),
        Move("fingers", ("busy",), "fingers", hand=True),
        Move("mirror", ("calm", "even", "busy"), "mirror"),
        Move("palms", ("even", "busy"), "palms", touch=True),
        Move("arch", ("calm",), "reach", touch=True),
        Move("still", ("calm", "even", "busy"), "still"),
        Move("own", ("calm", "even", "busy"), "own"),
    )
}
LADDER: dict[Formation, tuple[str, ...]] = {  # in which order moves are offered
    "ring": ("walk", "glide", "tiptoe", "clap", "sway", "pat", "reach", "turn", "stamp"),
    "lines": ("walk", "glide", "tiptoe", "reach", "stamp", "clap", "sway", "turn", "pat"),
    "partners": ("palms", "arch", "mirror", "turn", "clap", "sway", "pat", "walk"),
    "free": ("walk", "tiptoe", "glide", "turn", "reach", "stamp", "sway", "clap"),
    "chairs": ("pat", "sway", "heels", "reach", "fingers", "clap", "circle"),
}
WAYS: dict[Formation, tuple[Travel, Travel]] = {  # there and back
    "ring": ("left", "right"),
    "lines": ("in", "out"),
    "partners": ("left", "right"),
    "free": ("in", "out"),
    "chairs": ("left", "right"),
}
SECOND_WAY: dict[Formation, tuple[Travel, Travel]] = {**WAYS, "ring": ("in", "out")}


def from_chair(move: str) -> str:
    """
    >>> from_chair("walk"), from_chair("clap")
    ('heels', 'clap')
    """
    return MOVES[move].chair
