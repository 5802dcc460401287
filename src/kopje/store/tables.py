"""The tables. Every row belongs to a school; constraints repeat the rules that matter."""

from __future__ import annotations

from datetime import date, datetime, time
from uuid import UUID

from sqlalchemy import CheckConstraint, ForeignKey, UniqueConstraint
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.adult_tables import (
    AdultSection,
    FailedSignIn,
    Invitation,
    KnownDevice,
    Projector,
    SignIn,
    Teacher,
)
from kopje.store.base import Json, OfSchool, Table, one_of
from kopje.store.event_tables import (
    AsideEvent,
    Event,
    FactsRow,
    HeldLessonRow,
    SongMetRow,
    StandingRow,
)
from kopje.store.house_tables import Access, ErasedChild, Keeping, Retention, Written
from kopje.store.instrument_tables import KeptTexture
from kopje.store.plan_tables import (
    ActivityNote,
    Attachment,
    KeptSet,
    OwnActivity,
    PlannedLesson,
    PlannedPart,
    SetStep,
)
from kopje.store.practice_tables import Exercise
from kopje.store.song_tables import KeptQuestion, Recording, Song

__all__ = [
    "Access",
    "ActivityNote",
    "AdultSection",
    "AsideEvent",
    "Attachment",
    "ErasedChild",
    "Event",
    "Exercise",
    "FactsRow",
    "FailedSignIn",
    "HeldLessonRow",
    "Invitation",
    "Json",
    "Keeping",
    "KeptQuestion",
    "KeptSet",
    "KeptTexture",
    "KnownDevice",
    "OfSchool",
    "OwnActivity",
    "PlannedLesson",
    "PlannedPart",
    "Projector",
    "Recording",
    "Retention",
    "SetStep",
    "SignIn",
    "Song",
    "SongMetRow",
    "StandingRow",
    "Table",
    "Teacher",
    "Written",
]


class School(Table):
    __tablename__ = "school"
    id: Mapped[UUID] = mapped_column(primary_key=True)
    name: Mapped[str]
    created: Mapped[datetime]
    time_zone: Mapped[str | None]  # its days are days there; None: where Kopje runs
    cycle: Mapped[int] = mapped_column(
        server_default="0"
    )  # 0: meetings by weekday; n: by day of an n-day cycle
    sequence: Mapped[int] = mapped_column(
        server_default="0"
    )  # number of the version that counts; 0: as shipped
    wording: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # what the school calls things; empty: as shipped
    templates: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # the order of its lessons by band; a band without one goes as shipped
    habits: Mapped[int] = mapped_column(
        server_default="0"
    )  # another one whenever its templates or own activities change
    room: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # how many of each thing it has, where they were counted
    voice: Mapped[int | None]  # minutes a day in which the teacher leads with her voice, as a wish
    days: Mapped[Json] = mapped_column(server_default="{}")  # what a day is like, by date: rain, a birthday
    hemisphere: Mapped[str | None]  # by which seasons it lives; None: they do not count
    bar_colours: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # of the room's bars, by letter; empty: none
    ledger_rules: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # what it changed of the rules of standing and readiness; empty: as shipped
    report_words: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # its own words in reports, by the shipped sentence's name
    rules: Mapped[int] = mapped_column(
        server_default="0"
    )  # by which version of the rules its projections were worked out
    __table_args__ = (
        CheckConstraint("cycle BETWEEN 0 AND 20", name="cycle"),
        one_of("hemisphere", "north", "south", null=True),
    )


class Section(OfSchool):
    __tablename__ = "section"
    name: Mapped[str]
    grade: Mapped[int]
    upper: Mapped[int]  # the same, or the second grade of a split class
    minutes: Mapped[int]
    rolled: Mapped[
        date | None
    ]  # when it came into this school year: what was secure before is to be heard again
    ended: Mapped[date | None]  # its children have left the school
    reading: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # its routine (core/practice/reading/routine.py)
    __table_args__ = (
        UniqueConstraint("school_id", "name"),
        CheckConstraint("grade BETWEEN -1 AND 13", name="grade"),  # 13: a choir, -1: below kindergarten
        CheckConstraint("upper = grade OR (upper = grade + 1 AND upper <= 12)", name="upper"),
        CheckConstraint("minutes BETWEEN 10 AND 180", name="minutes"),
    )


class Meeting(OfSchool):
    """A meeting: weekday 0 = Monday; in a school with an n-day cycle, its day 0..n-1."""

    __tablename__ = "meeting"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), index=True)
    weekday: Mapped[int]
    starts: Mapped[time]
    minutes: Mapped[int | None]  # None: as the section's lessons usually are
    __table_args__ = (
        CheckConstraint("weekday BETWEEN 0 AND 19", name="weekday"),
        CheckConstraint("minutes BETWEEN 10 AND 180", name="minutes"),
    )


class Membership(Table):
    """A child of a class that also sings in a choir: on its roll, and heard there; its marks are its own in
    both."""

    __tablename__ = "membership"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), primary_key=True)
    child_id: Mapped[UUID] = mapped_column(
        ForeignKey("child.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"))


class SequenceVersion(OfSchool):
    """A sequence as the school kept it once; never changed afterwards."""

    __tablename__ = "sequence_version"
    number: Mapped[int]
    name: Mapped[str]
    concepts: Mapped[list[Json]]
    made: Mapped[datetime]
    __table_args__ = (UniqueConstraint("school_id", "number"),)


class Period(OfSchool):
    """A term or a holiday, both days included."""

    __tablename__ = "period"
    kind: Mapped[str]
    name: Mapped[str]
    first: Mapped[date]
    last: Mapped[date]
    __table_args__ = (one_of("kind", "term", "holiday"), CheckConstraint("last >= first", name="order"))


class LessonChange(OfSchool):
    """A lesson lost or an extra one. `section_id` None: every section; `starts` None: the whole day."""

    __tablename__ = "change"
    section_id: Mapped[UUID | None] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    kind: Mapped[str]
    day: Mapped[date]
    starts: Mapped[time | None]
    why: Mapped[str]
    __table_args__ = (one_of("kind", "lost", "extra"),)


class Concert(OfSchool):
    """What a concert or an assembly needs: concepts named before it, in these sections, and songs that are
    kept warm for it (ids as text)."""

    __tablename__ = "concert"
    name: Mapped[str]
    day: Mapped[date]
    section_ids: Mapped[list[str]]
    concepts: Mapped[list[str]]
    songs: Mapped[list[str]] = mapped_column(server_default="[]")


class YearPlan(Table):
    """The plan of a section's year as last fitted."""

    __tablename__ = "year_plan"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"))
    reserve: Mapped[int]
    status: Mapped[str]
    gap: Mapped[int]
    short: Mapped[int]
    left_out: Mapped[list[str]]
    made: Mapped[datetime]
    __table_args__ = (
        one_of("status", "best_possible", "best_found", "kept"),
        CheckConstraint("reserve BETWEEN 0 AND 20", name="reserve"),
    )


class YearStep(OfSchool):
    """The plan of a section's year and the teacher's word on it as they were before a change of hers."""

    __tablename__ = "year_step"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), index=True)
    number: Mapped[int]
    before: Mapped[Json]
    __table_args__ = (UniqueConstraint("section_id", "number"),)


class Arc(OfSchool):
    """One concept laid over lesson numbers of the year (see core/planning/year/arcs.py)."""

    __tablename__ = "arc"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    concept: Mapped[str]
    start: Mapped[int]
    new: Mapped[int]
    middle: Mapped[int]
    warm_start: Mapped[int]
    warm: Mapped[int]
    presented: Mapped[bool]
    short: Mapped[bool]
    prepared: Mapped[int]
    pause_after: Mapped[int] = mapped_column(server_default="0")
    pause: Mapped[int] = mapped_column(server_default="0")
    __table_args__ = (UniqueConstraint("section_id", "concept"),)


class ArcOverride(OfSchool):
    """The teacher's word on one arc: where it begins, how long its phases are, when it is named, where it
    rests (`pause` lessons from lesson `pause_from` on), or that it waits for next year."""

    __tablename__ = "arc_override"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    concept: Mapped[str]
    start: Mapped[int | None]
    prepare: Mapped[int | None]
    practise: Mapped[int | None]
    next_year: Mapped[bool]
    not_before: Mapped[date | None]
    not_after: Mapped[date | None]
    pause_from: Mapped[int | None]
    pause: Mapped[int | None]
    __table_args__ = (UniqueConstraint("section_id", "concept"),)


class Child(OfSchool):
    """The least about a child: a name to display, a section, when it joined and left; how its name is said;
    kinds of games it is left out of, without a reason."""

    __tablename__ = "child"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    joined: Mapped[date]
    left: Mapped[date | None]
    say: Mapped[str] = mapped_column(server_default="")
    without: Mapped[list[str]] = mapped_column(server_default="[]")


class Seating(Table):
    """Who sits where in a section's lessons: children in the order of the places, empty places as null."""

    __tablename__ = "seating"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), index=True)
    kind: Mapped[str]
    across: Mapped[int]  # places in a row; of a circle, how many there are
    places: Mapped[list[str | None]] = mapped_column(JSONB)
    draws: Mapped[list[Json]] = mapped_column(server_default="[]")  # the last groups, so that partners change
    __table_args__ = (
        one_of("kind", "rows", "circle", "plan"),
        CheckConstraint("across BETWEEN 1 AND 20", name="across"),
    )


class Report(OfSchool):
    """What is said of a child in a report, as it was kept once: blocks of text. Kept again it is another
    number; what was printed stays."""

    __tablename__ = "report"
    child_id: Mapped[UUID] = mapped_column(ForeignKey("child.id", ondelete="CASCADE"))
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id"))
    made: Mapped[datetime]
    number: Mapped[int]
    blocks: Mapped[list[Json]]
    __table_args__ = (UniqueConstraint("child_id", "number"),)


class Declared(OfSchool):
    """What the teacher says earlier years brought."""

    __tablename__ = "declared"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    concept: Mapped[str]
    declared_on: Mapped[date]
    __table_args__ = (UniqueConstraint("section_id", "concept"),)


class KnownSong(OfSchool):
    """A song that a section knows though it was never sung here, as the teacher says."""

    __tablename__ = "known_song"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    song_id: Mapped[UUID] = mapped_column(ForeignKey("song.id", ondelete="CASCADE"))
    __table_args__ = (UniqueConstraint("section_id", "song_id"),)


class Refusal(OfSchool):
    """What the teacher refused for a section; it does not come back by itself."""

    __tablename__ = "refusal"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), index=True)
    activity: Mapped[str]
    song_id: Mapped[UUID | None] = mapped_column(ForeignKey("song.id", ondelete="CASCADE"))
    moment: Mapped[datetime]
