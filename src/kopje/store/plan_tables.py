"""Plans: lessons that lie ahead. They are proposals, replaced freely; nothing that happened is kept
in them."""

from __future__ import annotations

from datetime import date, datetime, time
from uuid import UUID

from sqlalchemy import CheckConstraint, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool, one_of


class PlannedLesson(OfSchool):
    """A lesson as it is planned; several may lie ahead. `version` rises with every change, so that a stale
    view is told."""

    __tablename__ = "planned_lesson"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    day: Mapped[date]
    starts: Mapped[time]
    minutes: Mapped[int]
    status: Mapped[str]
    unmet: Mapped[list[Json]]  # reasons
    version: Mapped[int] = mapped_column(server_default="1")
    made: Mapped[datetime]
    __table_args__ = (
        one_of("status", "best_possible", "best_found"),
        CheckConstraint("minutes BETWEEN 10 AND 180", name="minutes"),
        UniqueConstraint("section_id", "day", "starts"),
    )


class PlannedPart(OfSchool):
    """One planned activity. Its id stays as long as what is in the slot stays; `material_id` is of the kind
    named."""

    __tablename__ = "planned_part"
    lesson_id: Mapped[UUID] = mapped_column(ForeignKey("planned_lesson.id", ondelete="CASCADE"))
    position: Mapped[int]
    slot: Mapped[str]
    role: Mapped[str]
    activity: Mapped[str]
    material_kind: Mapped[str]
    material_id: Mapped[str | None]
    concept: Mapped[str | None]
    purpose: Mapped[str | None]
    minutes: Mapped[int]
    new: Mapped[str | None]
    left_over: Mapped[bool]
    pinned: Mapped[bool]
    reasons: Mapped[list[Json]]
    __table_args__ = (
        one_of("purpose", "prepare", "present", "practise", null=True),
        one_of("new", "name", "song", "piece", "activity", null=True),
        CheckConstraint("(material_kind = 'none') = (material_id IS NULL)", name="material"),
        UniqueConstraint("lesson_id", "slot", deferrable=True, initially="DEFERRED"),
    )


class SetStep(OfSchool):
    """One change of a lesson set, with the lessons as they were before and after it, so that it can be taken
    back and done again. `scope`: `grade-2`, or the id of a section. `found`: what the composer said of what
    it found, where it was asked."""

    __tablename__ = "set_step"
    scope: Mapped[str]
    number: Mapped[int]
    says: Mapped[Json]  # a reason
    before: Mapped[Json]
    after: Mapped[Json]
    found: Mapped[Json | None]
    undone: Mapped[bool] = mapped_column(server_default="false")
    moment: Mapped[datetime]
    __table_args__ = (UniqueConstraint("school_id", "scope", "number"),)


class OwnActivity(OfSchool):
    """An activity that the teacher wrote (see core/planning/own_activity.py)."""

    __tablename__ = "own_activity"
    key: Mapped[str]
    told: Mapped[Json]
    made: Mapped[datetime]
    removed: Mapped[datetime | None]  # put away; it can be taken back
    __table_args__ = (UniqueConstraint("school_id", "key"),)


class ActivityNote(OfSchool):
    """What the teacher keeps beside an activity, own or shipped; `links` are text, one a line."""

    __tablename__ = "activity_note"
    activity: Mapped[str]
    note: Mapped[str]
    links: Mapped[str]
    grows: Mapped[list[Json]] = mapped_column(server_default="[]")  # day, low, high, says
    __table_args__ = (UniqueConstraint("school_id", "activity"),)


class Attachment(OfSchool):
    """A file that is kept with an activity and goes only to its school."""

    __tablename__ = "attachment"
    activity: Mapped[str] = mapped_column(index=True)
    name: Mapped[str]
    kind: Mapped[str]  # its media type, as its bytes say
    size: Mapped[int]
    content: Mapped[bytes] = mapped_column(deferred=True)
    added: Mapped[datetime]
    __table_args__ = (CheckConstraint("size BETWEEN 1 AND 20000000", name="size"),)


class KeptSet(OfSchool):
    """A lesson set kept under a name, to be laid again: in another grade, or next year. `lessons`: parts in
    order, as plain values."""

    __tablename__ = "kept_set"
    name: Mapped[str]
    grade: Mapped[int]
    lessons: Mapped[list[Json]]
    made: Mapped[datetime]
    __table_args__ = (UniqueConstraint("school_id", "name"),)
