"""The routine of reading: what comes in which order before a class sings, as each class has it.

Source: docs/sources.md#reading-routine.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, fields
from typing import Any, Literal

Orientation = Literal["tonic", "scale", "none"]
Step = Literal["orient", "look", "chant", "inside", "sing", "again"]


@dataclass(frozen=True, slots=True)
class Routine:
    """`look`: seconds of silence; `models`: whether the teacher sings and signs along; `calls`: how many
    times a call is given; `spoken_rests`: rests are spoken while it is new; `easy_end`: a set ends with
    something easy."""

    orientation: Orientation = "tonic"
    look: int = 20
    chant: bool = True
    inside: bool = True
    again: bool = False
    models: bool = False
    calls: int = 2
    spoken_rests: bool = False
    easy_end: bool = True

    @property
    def steps(self) -> tuple[Step, ...]:
        """In order; one key goes on from each to the next.

        >>> Routine(chant=False).steps
        ('orient', 'look', 'inside', 'sing')
        """
        asked: tuple[tuple[Step, bool], ...] = (
            ("orient", self.orientation != "none"),
            ("look", self.look > 0),
            ("chant", self.chant),
            ("inside", self.inside),
            ("sing", True),
            ("again", self.again),
        )
        return tuple(step for step, wanted in asked if wanted)

    def values(self) -> dict[str, Any]:
        return {one.name: getattr(self, one.name) for one in fields(self)}


def routine_of(values: Mapping[str, Any]) -> Routine:
    """As it is kept; what is not said is as usual."""
    known = {one.name for one in fields(Routine)}
    return Routine(**{name: value for name, value in values.items() if name in known})
