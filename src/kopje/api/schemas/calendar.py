"""Terms, holidays, lost and extra lessons and concerts, on the wire."""

from __future__ import annotations

from datetime import date, time
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, field_validator

from kopje.api.schemas.base import Body, Day, Name, Read
from kopje.core.planning.calendar import Span
from kopje.usecases.setup.school_calendar import Calendar

Clock = Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
Ids = Annotated[list[Annotated[UUID, Field(strict=False)]], Field(max_length=60)]


Key = Annotated[str, Field(max_length=60)]


class SpanBody(Body):
    name: Annotated[str, Field(max_length=120)] = Field(examples=["First term"])
    first: Day = Field(examples=["2026-08-24"])
    last: Day = Field(examples=["2026-12-18"])

    def value(self) -> Span:
        return Span(self.first, self.last, self.name.strip())


class SpanRead(Read):
    name: str
    first: date
    last: date


class PeriodsBody(Body):
    terms: Annotated[list[SpanBody], Field(max_length=12)] = Field(
        examples=[[{"name": "First term", "first": "2026-08-24", "last": "2026-12-18"}]]
    )
    holidays: Annotated[list[SpanBody], Field(max_length=60)] = Field(examples=[[]])
    cycle: Annotated[int, Field(ge=0, le=20)] = Field(examples=[0])


class LessonChangeBody(Body):
    """No section named: all of them. No time: the whole day."""

    kind: Literal["lost", "extra"] = Field(examples=["lost"])
    day: Day = Field(examples=["2026-11-27"])
    starts: Clock | None = Field(examples=[None])
    why: Annotated[str, Field(max_length=120)] = Field(examples=["Assembly"])
    section_ids: Ids = Field(examples=[[]])


class LessonChangeRead(Read):
    id: UUID
    kind: str
    day: date
    starts: str | None
    why: str
    section_id: UUID | None

    @field_validator("starts", mode="before")
    @classmethod
    def _hours_and_minutes(cls, value: time | None) -> str | None:
        return f"{value:%H:%M}" if value else None


class ConcertBody(Body):
    name: Name = Field(examples=["Autumn concert"])
    day: Day = Field(examples=["2026-12-17"])
    section_ids: Ids = Field(examples=[[]])
    concepts: Annotated[list[Key], Field(max_length=60)] = Field(examples=[["so-mi"]])
    songs: Ids = Field(default=[], examples=[[]])


class ConcertRead(Read):
    id: UUID
    name: str
    day: date
    section_ids: list[UUID]
    concepts: list[str]
    songs: list[UUID]


class CalendarRead(Read):
    """`assumed`: no terms were entered yet, so September to June is taken."""

    terms: list[SpanRead]
    holidays: list[SpanRead]
    cycle: int
    assumed: bool
    changes: list[LessonChangeRead]
    concerts: list[ConcertRead]

    @classmethod
    def of(cls, c: Calendar) -> CalendarRead:
        return cls(
            terms=[SpanRead.model_validate(one) for one in c.year.terms],
            holidays=[SpanRead.model_validate(one) for one in c.year.holidays],
            cycle=c.year.cycle,
            assumed=c.assumed,
            changes=[LessonChangeRead.model_validate(one) for one in c.changes],
            concerts=[ConcertRead.model_validate(one) for one in c.concerts],
        )
