"""Tapped lines, on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.exact import Fraction
from kopje.core.practice.tapping import STRAIGHT, Tapped, Timing
from kopje.usecases.practice.tap import Taps

Milliseconds = Annotated[int, Field(ge=-2_000, le=1_000_000)]
SWINGS = {"straight": STRAIGHT, "light": Fraction(3, 5), "full": Fraction(2, 3)}


class TapsBody(Body):
    """`times`: milliseconds from the first beat of bar `first`, as the device tells them, `delay` too late.
    `swing`: the second half of a beat begins at 1/2, 3/5 or 2/3 of it."""

    times: Annotated[list[Milliseconds], Field(max_length=600)] = Field(examples=[[0, 740, 1100]])
    tempo: int = Field(examples=[80])
    delay: Annotated[int, Field(ge=-400, le=400)] = Field(0, examples=[0])
    swing: Literal["straight", "light", "full"] = Field("straight", examples=["straight"])
    part: Annotated[int, Field(ge=0, le=3)] = Field(0, examples=[0])
    first: Annotated[int, Field(ge=1, le=600)] = Field(1, examples=[1])
    last: Annotated[int, Field(ge=1, le=600)] | None = Field(None, examples=[None])

    def value(self) -> Taps:
        return Taps(
            tuple(self.times), self.tempo, self.delay, SWINGS[self.swing], self.part, self.first, self.last
        )


class OnsetRead(Read):
    """A printed note: when it was due and how far off it was tapped, in milliseconds (later is positive); the
    same as a share of a beat."""

    note: int
    due: int
    timing: Timing
    off: int | None
    share: float | None


class TappedRead(Read):
    """`extra`: taps that belong to no note; `steady`: by how much the whole line was late, in
    milliseconds."""

    onsets: list[OnsetRead]
    right: int
    extra: int
    steady: int

    @classmethod
    def of(cls, notes: tuple[int, ...], found: Tapped) -> TappedRead:
        return cls(
            onsets=[
                OnsetRead(
                    note=note,
                    due=round(one.due),
                    timing=one.timing,
                    off=None if one.off is None else round(one.off),
                    share=None if one.share is None else round(float(one.share), 3),
                )
                for note, one in zip(notes, found.onsets, strict=True)
            ],
            right=found.right,
            extra=found.extra,
            steady=round(found.steady),
        )


class ClicksBody(Body):
    """When clicks sounded and when they were tapped along with, in milliseconds of one clock."""

    clicks: Annotated[list[Milliseconds], Field(max_length=64)] = Field(
        examples=[[0, 600, 1200, 1800, 2400, 3000, 3600, 4200]]
    )
    taps: Annotated[list[Milliseconds], Field(max_length=128)] = Field(
        examples=[[60, 655, 1262, 1858, 2461, 3060, 3659, 4262]]
    )


class DelayRead(Read):
    delay: int
