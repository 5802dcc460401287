"""Projectors on other devices on the wire."""

from __future__ import annotations

from typing import Annotated, Self
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.api.schemas.lesson_parts import WallToneRead
from kopje.core.planning.activities import Grouping
from kopje.store import tables


class FrameRead(Read):
    """What a class sees: a title; the music as SVG, or a question, or a concept's sign with its name; the
    ladder of tones; how they stand and move. No names, no marks."""

    title: str
    svg: str | None = None
    question: str = ""
    sign: str = ""
    name: str = ""
    rungs: list[WallToneRead] = Field(default_factory=list)
    formation: Grouping | None = None
    moves: bool = False


class NewProjectorRead(Read):
    """`token`: what the device asks under from now on; it is told once."""

    token: str
    code: str


class ProjectedRead(Read):
    """`code` as long as nobody has typed it; then the frame, once there is one."""

    code: str | None
    frame: FrameRead | None

    @classmethod
    def of(cls, row: tables.Projector) -> Self:
        return cls(code=row.code, frame=FrameRead.model_validate(row.frame) if row.frame else None)


class ShowBody(Body):
    """A part of a lesson; of a score in parts, the one that is looked at, and whether it stands alone.
    `open`: what waited for the class's answer is shown; `exercise`: what the part reads, and `at`
    which of its cards or changes."""

    lesson_id: Annotated[UUID, Field(strict=False)]
    part_id: Annotated[UUID, Field(strict=False)]
    part: Annotated[int, Field(ge=1, le=8)] | None = Field(default=None, examples=[None])
    alone: bool = Field(default=False, examples=[False])
    open: bool = Field(default=False, examples=[False])
    exercise: Annotated[UUID, Field(strict=False)] | None = Field(default=None, examples=[None])
    at: Annotated[int, Field(ge=0, le=10_000)] = Field(default=0, examples=[0])


class PairBody(ShowBody):
    code: Annotated[str, Field(pattern=r"^[0-9]{6}$")] = Field(examples=["@code"])


class ProjectorRead(Read):
    id: UUID
