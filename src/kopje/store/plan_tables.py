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
