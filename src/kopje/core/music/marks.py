"""What stands at a note beside its pitch and length: how long it is held, how it is begun, how loud it is.

Keys are our own; each format writes them in its own way. Source: docs/sources.md#marks.
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import Literal, get_args

Held = Literal["fermata"]
Articulation = Literal["staccato", "accent", "tenuto"]
Loudness = Literal["pp", "p", "mp", "mf", "f", "ff"]
Growing = Literal["crescendo", "diminuendo"]
Mark = Literal[Held, Articulation, Loudness, Growing]
ARTICULATIONS: tuple[str, ...] = get_args(Articulation)
LOUDNESS: tuple[str, ...] = get_args(Loudness)
GROWING: tuple[str, ...] = get_args(Growing)
MARKS: tuple[Mark, ...] = ("fermata", *get_args(Articulation), *get_args(Loudness), *get_args(Growing))


def in_order(marks: Iterable[Mark]) -> tuple[Mark, ...]:
    """Each once, in the order of MARKS, so that a note is the same from every format."""
    return tuple(sorted(set(marks), key=MARKS.index))


OF_ABC: dict[str, Mark] = {f"!{mark}!": mark for mark in MARKS} | {
    "+fermata+": "fermata",
    "!>!": "accent",
    "!emphasis!": "accent",
    "!crescendo(!": "crescendo",
    "!<(!": "crescendo",
    "!diminuendo(!": "diminuendo",
    "!>(!": "diminuendo",
    ".": "staccato",
}
IN_ABC: dict[Mark, str] = {mark: f"!{mark}!" for mark in MARKS} | {
    "crescendo": "!crescendo(!",
    "diminuendo": "!diminuendo(!",
}
