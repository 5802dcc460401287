"""What is kept of children on the wire."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date, datetime
from typing import Annotated, Any, Self
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Name, Read
from kopje.core.retention import Times
from kopje.usecases.setup.child_export import EverythingOf
from kopje.usecases.setup.privacy import Gone, Kept
from kopje.words import Words


class TimesBody(Body):
    """`left_years` after a child has left it is erased; `log_days`: how long it is known who looked."""

    left_years: Annotated[int, Field(ge=0, le=20)] = Field(examples=[2])
    log_days: Annotated[int, Field(ge=30, le=3650)] = Field(examples=[365])

    def value(self) -> Times:
        return Times(self.left_years, self.log_days)


class AccessRead(Read):
    """`who`, `child`: null for those who are not there any more."""

    moment: datetime
    who: str | None
    what: str
    child: str | None


class ErasedRead(Read):
    """An id without a name, and the backups here that were made before."""

    child_id: UUID
    erased: datetime
    backups: list[datetime]


class PrivacyRead(Read):
    """`waiting`: children who have left and are still here; `first`: the day the first of them is erased."""

    left_years: int
    log_days: int
    accesses: list[AccessRead]
    erased: list[ErasedRead]
    waiting: int
    first: date | None

    @classmethod
    def of(cls, kept: Kept) -> Self:
        return cls(
            left_years=kept.times.left_years,
            log_days=kept.times.log_days,
            accesses=[
                AccessRead(moment=one.moment, who=who, what=one.what, child=child)
                for one, who, child in kept.accesses
            ],
            erased=[
                ErasedRead(child_id=one.child, erased=one.erased, backups=list(one.backups))
                for one in kept.erased
            ],
            waiting=kept.waiting,
            first=kept.first,
        )


class NoteRead(Read):
    """A lesson in whose notes the name may stand."""

    lesson_id: UUID
    day: date


class GoneRead(Read):
    """What a child that was erased leaves behind for the teacher to look through."""

    backups: list[datetime]
    notes: list[NoteRead]

    @classmethod
    def of(cls, gone: Gone) -> Self:
        notes = [NoteRead(lesson_id=key, day=day) for key, day in gone.notes]
        return cls(backups=list(gone.backups), notes=notes)


class EraseSchoolBody(Body):
    """The school's name, so that nothing is erased by a slip."""

    name: Name = Field(examples=["@school"])


class SchoolGoneRead(Read):
    backups: int


class ToldRead(Read):
    id: UUID
    kind: str
    day: date
    moment: datetime
    section: str
    by: str | None
    concept: str | None
    takes_back: UUID | None
    body: Mapping[str, Any]


class StandsRead(Read):
    concept: str
    level: str
    last: date | None
    sentence: str


class LookedRead(Read):
    moment: datetime
    what: str
    by: str | None


class KeptReportRead(Read):
    number: int
    made: datetime
    by: str
    blocks: list[Mapping[str, str]]


class ChildFile(Read):
    """Everything that is kept of one child. `aside`: told by a device, not taken yet."""

    format: str = "kopje-child/1"
    id: UUID
    name: str
    joined: date
    left: date | None
    sections: list[str]
    say: str
    without: list[str]
    reports: list[KeptReportRead]
    told: list[ToldRead]
    standings: list[StandsRead]
    aside: list[Mapping[str, Any]]
    looked_at: list[LookedRead]

    @classmethod
    def of(cls, child: EverythingOf, words: Words) -> Self:
        return cls(
            id=child.id,
            name=child.name,
            joined=child.joined,
            left=child.left,
            sections=list(child.sections),
            say=child.say,
            without=list(child.without),
            reports=[KeptReportRead.model_validate(one) for one in child.reports],
            told=[
                ToldRead(
                    id=one.id,
                    kind=one.kind,
                    day=one.day,
                    moment=one.moment,
                    section=one.section,
                    by=one.by,
                    concept=one.concept,
                    takes_back=one.target,
                    body=one.body,
                )
                for one in child.told
            ],
            standings=[
                StandsRead(
                    concept=one.concept,
                    level=one.level,
                    last=one.last,
                    sentence=" ".join(words.say(reason) for reason in one.reasons),
                )
                for one in child.standings
            ],
            aside=list(child.aside),
            looked_at=[LookedRead(moment=at, what=what, by=by) for at, what, by in child.looked_at],
        )
