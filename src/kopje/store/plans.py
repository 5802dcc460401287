"""Planned lessons and their parts."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date, time
from uuid import UUID

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError, StaleError
from kopje.store.owned import owned
from kopje.store.tables import PlannedLesson, PlannedPart


def lesson(session: Session, school_id: UUID, lesson_id: UUID) -> PlannedLesson:
    return owned(session, PlannedLesson, school_id, lesson_id, "lesson")


def lesson_as_seen(session: Session, school_id: UUID, lesson_id: UUID, version: int) -> PlannedLesson:
    """To be changed: locked, and StaleError if it is no longer as it was seen; the version rises."""
    found = session.scalar(
        select(PlannedLesson)
        .where(PlannedLesson.id == lesson_id, PlannedLesson.school_id == school_id)
        .with_for_update()
        .execution_options(populate_existing=True)
    )
    if found is None:
        return lesson(session, school_id, lesson_id)  # says that there is none
    if found.version != version:
        raise StaleError("stale_lesson", value=found.version)
    found.version += 1
    return found


def lesson_at(session: Session, section_id: UUID, day: date, starts: time) -> PlannedLesson | None:
    return session.scalar(
        select(PlannedLesson).where(
            PlannedLesson.section_id == section_id, PlannedLesson.day == day, PlannedLesson.starts == starts
        )
    )


def between(
    session: Session, school_id: UUID, first: date, last: date
) -> dict[tuple[UUID, date, time], UUID]:
    """Ids of planned lessons from a day to a day, by section and time."""
    asked = select(PlannedLesson.section_id, PlannedLesson.day, PlannedLesson.starts, PlannedLesson.id)
    mine = asked.where(PlannedLesson.school_id == school_id, PlannedLesson.day.between(first, last))
    return {(section, day, starts): key for section, day, starts, key in session.execute(mine)}


def lessons_of(session: Session, school_id: UUID, ids: Iterable[UUID]) -> dict[UUID, PlannedLesson]:
    chosen = select(PlannedLesson).where(PlannedLesson.school_id == school_id, PlannedLesson.id.in_(set(ids)))
    return {row.id: row for row in session.scalars(chosen)}


def parts(session: Session, lesson_id: UUID) -> Sequence[PlannedPart]:
    chosen = select(PlannedPart).where(PlannedPart.lesson_id == lesson_id)
    return session.scalars(chosen.order_by(PlannedPart.position)).all()


def parts_of(session: Session, lesson_ids: Iterable[UUID]) -> Sequence[PlannedPart]:
    chosen = select(PlannedPart).where(PlannedPart.lesson_id.in_(set(lesson_ids)))
    return session.scalars(chosen.order_by(PlannedPart.lesson_id, PlannedPart.position)).all()


def part(session: Session, school_id: UUID, lesson_id: UUID, part_id: UUID) -> PlannedPart:
    found = session.scalar(
        select(PlannedPart).where(
            PlannedPart.id == part_id, PlannedPart.lesson_id == lesson_id, PlannedPart.school_id == school_id
        )
    )
    if found is None:
        raise NotFoundError("no_such_part", value=str(part_id))
    return found


def drop_ahead(session: Session, section_id: UUID, day: date) -> None:
    """Lessons that were planned from a day on."""
    session.execute(
        delete(PlannedLesson).where(PlannedLesson.section_id == section_id, PlannedLesson.day >= day)
    )
