"""Lessons and their cells."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from uuid import UUID

from sqlalchemy import delete, func, select
from sqlalchemy.dialects.postgresql import distinct_on
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.store.owned import owned
from kopje.store.tables import Absence, Cell, Lesson


def lesson(session: Session, school_id: UUID, lesson_id: UUID) -> Lesson:
    return owned(session, Lesson, school_id, lesson_id, "lesson")


def open_lesson(session: Session, section_id: UUID) -> Lesson | None:
    """The one lesson of a section that is planned or running."""
    return session.scalar(select(Lesson).where(Lesson.section_id == section_id, Lesson.state != "done"))


def open_lessons(session: Session, school_id: UUID) -> dict[UUID, Lesson]:
    rows = session.scalars(select(Lesson).where(Lesson.school_id == school_id, Lesson.state != "done"))
    return {row.section_id: row for row in rows}


def last_done(session: Session, section_id: UUID) -> Lesson | None:
    return session.scalar(
        select(Lesson)
        .where(Lesson.section_id == section_id, Lesson.state == "done")
        .order_by(Lesson.day.desc(), Lesson.starts.desc())
        .limit(1)
    )


def done_count(session: Session, section_id: UUID) -> int:
    return (
        session.scalar(
            select(func.count())
            .select_from(Lesson)
            .where(Lesson.section_id == section_id, Lesson.state == "done")
        )
        or 0
    )


def days_done(session: Session, section_id: UUID) -> Sequence[date]:
    return session.scalars(
        select(Lesson.day).where(Lesson.section_id == section_id, Lesson.state == "done").order_by(Lesson.day)
    ).all()


def cells(session: Session, lesson_id: UUID) -> Sequence[Cell]:
    return session.scalars(select(Cell).where(Cell.lesson_id == lesson_id).order_by(Cell.position)).all()


def cell(session: Session, school_id: UUID, lesson_id: UUID, cell_id: UUID) -> Cell:
    found = session.scalar(
        select(Cell).where(Cell.id == cell_id, Cell.lesson_id == lesson_id, Cell.school_id == school_id)
    )
    if found is None:
        raise NotFoundError("There is no such part in this lesson.", value=str(cell_id))
    return found


def clear_cells(session: Session, lesson_id: UUID) -> None:
    session.execute(delete(Cell).where(Cell.lesson_id == lesson_id))


def absent(session: Session, lesson_id: UUID) -> set[UUID]:
    return set(session.scalars(select(Absence.child_id).where(Absence.lesson_id == lesson_id)))


def absence(session: Session, lesson_id: UUID, child_id: UUID) -> Absence | None:
    return session.get(Absence, (lesson_id, child_id))


def left_over_counts(session: Session, school_id: UUID) -> dict[UUID, int]:
    """By section: cells of its last lesson that were not done."""
    newest = (
        select(Lesson.id)
        .ext(distinct_on(Lesson.section_id))
        .where(Lesson.school_id == school_id, Lesson.state == "done")
        .order_by(Lesson.section_id, Lesson.day.desc(), Lesson.starts.desc())
    )
    rows = session.execute(
        select(Lesson.section_id, func.count())
        .join(Cell, Cell.lesson_id == Lesson.id)
        .where(
            Lesson.id.in_(newest),
            Cell.tick.is_(None) | Cell.tick.in_(("partly", "skipped")),
            Cell.left_over.is_(False),
            Cell.role.not_in(("opening", "closing")),
        )
        .group_by(Lesson.section_id)
    )
    return {section: count for section, count in rows}
