"""Rosters, children and the next school year on the wire."""

from __future__ import annotations

from datetime import date, time
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Read
from kopje.api.schemas.calendar import Clock
from kopje.core.planning.meetings import Meeting
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR
from kopje.formats.roster import Roster, guessed_grades
from kopje.usecases.setup.set_up_school import NewSection
from kopje.words import Words


class RosterMeeting(Body):
    weekday: Annotated[int, Field(ge=0, le=19)] = Field(examples=[0])
    starts: Clock = Field(examples=["09:00"])
    minutes: Annotated[int, Field(ge=10, le=180)] | None = Field(default=None, examples=[45])


class RosterSectionBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=20, pattern=r"\S")] = Field(examples=["4C"])
    grade: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] = Field(examples=[4])
    upper: Annotated[int, Field(ge=BELOW_KINDERGARTEN, le=CHOIR)] | None = Field(default=None, examples=[5])
    minutes: Annotated[int, Field(ge=10, le=180)] = Field(examples=[45])
    meetings: Annotated[list[RosterMeeting], Field(max_length=20)] = Field(examples=[[]])
    children: Annotated[list[Annotated[str, Field(max_length=60)]], Field(max_length=120)] = Field(
        examples=[["Ama", "Jun"]]
    )

    def value(self) -> NewSection:
        meetings = tuple(Meeting(m.weekday, time.fromisoformat(m.starts), m.minutes) for m in self.meetings)
        return NewSection(
            self.name.strip(), self.grade, self.minutes, tuple(self.children), meetings, upper=self.upper
        )


class RosterBody(Body):
    sections: Annotated[list[RosterSectionBody], Field(max_length=120)] = Field(
        examples=[[{"name": "4C", "grade": 4, "minutes": 45, "meetings": [], "children": ["Ama", "Jun"]}]]
    )


class RosterProblem(Read):
    row: int
    sentence: str


class RosterRead(Read):
    """A table as it was understood; nothing is kept until it is sent back."""

    sections: list[RosterSectionBody]
    problems: list[RosterProblem]

    @classmethod
    def of(cls, found: Roster, words: Words) -> RosterRead:
        grades = {
            one.name: guessed_grades(one.name) if one.grade is None else (one.grade, one.upper)
            for one in found.sections.values()
        }
        return cls(
            sections=[
                RosterSectionBody(
                    name=one.name,
                    grade=grades[one.name][0],
                    upper=grades[one.name][1],
                    minutes=one.minutes or 30,
                    meetings=[
                        RosterMeeting(weekday=m.weekday, starts=f"{m.starts:%H:%M}", minutes=m.minutes)
                        for m in one.meetings
                    ],
                    children=one.children[:120],
                )
                for one in found.sections.values()
            ],
            problems=[RosterProblem(row=row, sentence=words.say(said)) for row, said in found.problems],
        )


class KeptRead(Read):
    name: str
    new: bool
    children: int
    already: int


class ChildBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=60, pattern=r"\S")] = Field(examples=["Ama"])
    section_id: Annotated[UUID, Field(strict=False)]
    left: Day | None = Field(examples=[None])


class ChildDetail(Read):
    id: UUID
    name: str
    section_id: UUID
    joined: date
    left: date | None


class StepRead(Read):
    """What becomes of a section in the next school year; `was` empty: it begins, `becomes` empty: its
    children leave."""

    was: str
    becomes: str
    grade: int
    upper: int
    children: int
