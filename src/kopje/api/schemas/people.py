"""Signing in, the first run, sections."""

from __future__ import annotations

from datetime import time
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Name, Read
from kopje.core.planning.meetings import Meeting
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.usecases.setup.change_section import SectionNow
from kopje.usecases.setup.set_up_school import NewSection

TimeZone = Annotated[str, Field(min_length=1, max_length=60)]
Login = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^\S+$")]
Password = Annotated[str, Field(min_length=8, max_length=200)]


class SignInBody(Body):
    login: Name = Field(examples=["teacher"])
    password: Annotated[str, Field(max_length=200)] = Field(examples=["a long password"])
    end_others: bool = Field(default=False, examples=[False])


class MeetingBody(Body):
    weekday: Annotated[int, Field(ge=0, le=19)] = Field(examples=[1])
    starts: Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")] = Field(examples=["09:10"])

    minutes: Annotated[int, Field(ge=10, le=180)] | None = Field(default=None, examples=[45])

    def value(self) -> Meeting:
        return Meeting(self.weekday, time.fromisoformat(self.starts), self.minutes)


class SectionBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=20, pattern=r"\S")] = Field(examples=["3C"])
    grade: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] = Field(examples=[3])
    upper: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] | None = Field(default=None, examples=[4])
    minutes: Annotated[int, Field(ge=10, le=180)] = Field(examples=[30])
    names: Annotated[str, Field(max_length=20_000)] = Field(examples=["Ama\nJun\nInes\nTove"])
    meetings: Annotated[list[MeetingBody], Field(max_length=14)] = Field(
        examples=[[{"weekday": 1, "starts": "09:10"}]]
    )
    declare_earlier: bool = Field(default=True, examples=[True])

    def value(self) -> NewSection:
        return NewSection(
            self.name.strip(),
            self.grade,
            self.minutes,
            tuple(self.names.splitlines()),
            tuple(meeting.value() for meeting in self.meetings),
            self.declare_earlier,
            self.upper,
        )


class SectionChangeBody(Body):
    """A section as it is to be; `upper`: the second grade of a split class, null for one grade."""

    name: Annotated[str, Field(min_length=1, max_length=20, pattern=r"\S")] = Field(examples=["2A"])
    grade: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] = Field(examples=[2])
    upper: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] | None = Field(default=None, examples=[3])
    minutes: Annotated[int, Field(ge=10, le=180)] = Field(examples=[30])
    meetings: Annotated[list[MeetingBody], Field(max_length=20)] = Field(
        examples=[[{"weekday": 1, "starts": "09:10"}]]
    )


class MeetingRead(Read):
    weekday: int
    starts: str
    minutes: int | None


class SectionDetail(Read):
    id: UUID
    name: str
    grade: int
    upper: int
    minutes: int
    meetings: list[MeetingRead]

    @classmethod
    def of(cls, found: SectionNow) -> SectionDetail:
        meetings = [
            MeetingRead(weekday=m.weekday, starts=f"{m.starts:%H:%M}", minutes=m.minutes)
            for m in found.meetings
        ]
        return cls(
            id=found.id,
            name=found.name,
            grade=found.grade,
            upper=found.upper,
            minutes=found.minutes,
            meetings=meetings,
        )


class FirstRunBody(Body):
    school: Name = Field(examples=["Kestrel Ridge School"])
    teacher: Name = Field(examples=["Noor"])
    login: Login = Field(examples=["noor"])
    password: Password = Field(examples=["a long password"])
    section: SectionBody = Field(
        examples=[{"name": "2A", "grade": 2, "minutes": 30, "names": "Ama\nJun", "meetings": []}]
    )
    bring_songs: bool = Field(default=True, examples=[True])
    code: Annotated[str, Field(max_length=40)] = Field(default="", examples=[""])
    time_zone: TimeZone | None = Field(default=None, examples=["Europe/Vienna"])


class SchoolBody(Body):
    """`time_zone` null: that of the machine Kopje runs on."""

    name: Name = Field(examples=["Kestrel Ridge School"])
    time_zone: TimeZone | None = Field(default=None, examples=["Europe/Vienna"])


class SchoolRead(Read):
    """`clock`: the time there at this moment."""

    name: str
    time_zone: str | None
    clock: str


class FirstRunRead(Read):
    """`code`: the one that Kopje printed when it was started is asked for. `weekday` (Monday 0) and `clock`
    where Kopje is, for a section that is in the room at this moment."""

    needed: bool
    code: bool
    weekday: int
    clock: str


class MeRead(Read):
    id: UUID
    name: str
    school: str
    role: str


class SectionRead(Read):
    id: UUID
    name: str
    grade: int
    upper: int
    minutes: int


class SingersBody(Body):
    """Who of the classes sings in a choir."""

    child_ids: Annotated[list[Annotated[UUID, Field(strict=False)]], Field(max_length=200)] = Field(
        examples=[[]]
    )


class SingerRead(Read):
    """A child of a class that may sing in the choir; `sings`: it does."""

    id: UUID
    name: str
    section: str
    sings: bool


class DeclaredBody(Body):
    concepts: Annotated[list[Annotated[str, Field(max_length=60)]], Field(max_length=500)] = Field(
        examples=[["beat", "so-mi"]]
    )


class KnownSongsBody(Body):
    """Songs of the book that a section knows already."""

    song_ids: Annotated[list[Annotated[UUID, Field(strict=False)]], Field(max_length=2000)] = Field(
        examples=[[]]
    )


class KnownSongsRead(Read):
    song_ids: list[UUID]


class DeclaredRead(Read):
    concepts: list[str]
