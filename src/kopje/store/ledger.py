"""Marks, and the standings read from them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date, datetime
from typing import Any
from uuid import UUID

from sqlalchemy import delete, func, or_, select, text
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.store.tables import Child, Mark, StandingRow


def mark(session: Session, school_id: UUID, mark_id: UUID) -> Mark:
    found = session.scalar(select(Mark).where(Mark.id == mark_id, Mark.school_id == school_id))
    if found is None:
        raise NotFoundError("There is no such mark in your school.", value=str(mark_id))
    return found


def mark_anywhere(session: Session, mark_id: UUID) -> Mark | None:
    """Also another school's: an id can be used once only."""
    return session.get(Mark, mark_id)


def marks_of(session: Session, child_ids: Iterable[UUID], concepts: Iterable[str]) -> Sequence[Mark]:
    """Marks that count, oldest first."""
    return session.scalars(
        select(Mark)
        .where(Mark.child_id.in_(list(child_ids)), Mark.concept.in_(list(concepts)), Mark.withdrawn.is_(None))
        .order_by(Mark.moment)
    ).all()


def marked_concepts(session: Session, child_ids: Iterable[UUID]) -> Sequence[str]:
    return session.scalars(
        select(Mark.concept).where(Mark.child_id.in_(list(child_ids)), Mark.withdrawn.is_(None)).distinct()
    ).all()


def lesson_marks(session: Session, lesson_id: UUID) -> Sequence[Mark]:
    return session.scalars(
        select(Mark).where(Mark.lesson_id == lesson_id, Mark.withdrawn.is_(None)).order_by(Mark.moment)
    ).all()


def last_heard_alone(session: Session, child_ids: Iterable[UUID]) -> dict[UUID, datetime]:
    rows = session.execute(
        select(Mark.child_id, func.max(Mark.moment))
        .where(Mark.child_id.in_(list(child_ids)), Mark.voices == "alone", Mark.withdrawn.is_(None))
        .group_by(Mark.child_id)
    )
    return {child: moment for child, moment in rows}


def keep_standings(session: Session, rows: Sequence[dict[str, Any]]) -> None:
    """Insert or replace; a standing of None takes the row away."""
    for row in (row for row in rows if row["level"] is None):
        session.execute(
            delete(StandingRow).where(
                StandingRow.child_id == row["child_id"], StandingRow.concept == row["concept"]
            )
        )
    kept = [row for row in rows if row["level"] is not None]
    if kept:
        statement = insert(StandingRow).values(kept)
        changed = {name: statement.excluded[name] for name in ("level", "flag", "sentence", "last_alone")}
        session.execute(statement.on_conflict_do_update(index_elements=["child_id", "concept"], set_=changed))


def standing_row(session: Session, child_id: UUID, concept: str) -> StandingRow | None:
    return session.get(StandingRow, (child_id, concept))


def standings_of(session: Session, section_id: UUID, day: date) -> Sequence[StandingRow]:
    """Of everybody on the roll that day."""
    return session.scalars(
        select(StandingRow)
        .join(Child, Child.id == StandingRow.child_id)
        .where(
            Child.section_id == section_id, Child.joined <= day, or_(Child.left.is_(None), Child.left > day)
        )
    ).all()


def secure_counts(session: Session, section_id: UUID, day: date) -> dict[str, tuple[int, int]]:
    """By concept: (heard in all ways, secure or heard once and secure), of everybody on the roll that day."""
    heard = func.count().filter(StandingRow.level != "not_heard")
    secure = func.count().filter((StandingRow.level == "secure") | (StandingRow.flag == "once"))
    rows = session.execute(
        select(StandingRow.concept, heard, secure)
        .join(Child, Child.id == StandingRow.child_id)
        .where(
            Child.section_id == section_id, Child.joined <= day, or_(Child.left.is_(None), Child.left > day)
        )
        .group_by(StandingRow.concept)
    )
    return {concept: (count, good) for concept, count, good in rows}


GRID = text(
    """
    SELECT coalesce(json_agg(json_build_array(s.child_id, s.concept, s.level, s.flag)), '[]')::text
    FROM standing s JOIN child c ON c.id = s.child_id
    WHERE c.section_id = :section AND c.joined <= :day AND (c."left" IS NULL OR c."left" > :day)
    """
)


def grid_json(session: Session, section_id: UUID, day: date) -> str:
    """[[child, concept, level, flag], …] as JSON made by the database: a grid is many rows and no thought."""
    return str(session.execute(GRID, {"section": section_id, "day": day}).scalar_one())
