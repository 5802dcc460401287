"""Lesson sets: their changes, and the planned lessons that make them up."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date
from typing import Any
from uuid import UUID

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import KeptSet, PlannedLesson, PlannedPart, Refusal, SetStep

PART = tuple(
    column.name
    for column in PlannedPart.__table__.columns
    if column.name not in ("id", "school_id", "lesson_id")
)


def last_step(session: Session, school_id: UUID, scope: str) -> SetStep | None:
    """The last change that is not taken back."""
    mine = select(SetStep).where(SetStep.school_id == school_id, SetStep.scope == scope, ~SetStep.undone)
    return session.scalar(mine.order_by(SetStep.number.desc()).limit(1))


def next_undone(session: Session, school_id: UUID, scope: str) -> SetStep | None:
    """The first change that was taken back, to be done again."""
    mine = select(SetStep).where(SetStep.school_id == school_id, SetStep.scope == scope, SetStep.undone)
    return session.scalar(mine.order_by(SetStep.number).limit(1))


def last_found(session: Session, school_id: UUID, scope: str) -> SetStep | None:
    """The last change in which the composer was asked."""
    mine = select(SetStep).where(
        SetStep.school_id == school_id, SetStep.scope == scope, ~SetStep.undone, SetStep.found.is_not(None)
    )
    return session.scalar(mine.order_by(SetStep.number.desc()).limit(1))


def count(session: Session, school_id: UUID, scope: str) -> int:
    """The number of the latest change, taken back or not; 0 without one."""
    mine = select(SetStep.number).where(SetStep.school_id == school_id, SetStep.scope == scope)
    return session.scalar(mine.order_by(SetStep.number.desc()).limit(1)) or 0


def forget_undone(session: Session, school_id: UUID, scope: str) -> None:
    session.execute(
        delete(SetStep).where(SetStep.school_id == school_id, SetStep.scope == scope, SetStep.undone)
    )


def ahead(session: Session, section_ids: Iterable[UUID], day: date) -> Sequence[PlannedLesson]:
    """Planned lessons of these sections from a day on, locked."""
    chosen = select(PlannedLesson).where(
        PlannedLesson.section_id.in_(set(section_ids)), PlannedLesson.day >= day
    )
    return session.scalars(chosen.order_by(PlannedLesson.id).with_for_update()).all()


def part_columns(row: PlannedPart) -> dict[str, Any]:
    return {name: getattr(row, name) for name in PART}


def refusals(session: Session, section_ids: Iterable[UUID]) -> Sequence[Refusal]:
    chosen = select(Refusal).where(Refusal.section_id.in_(set(section_ids)))
    return session.scalars(chosen.order_by(Refusal.moment, Refusal.id)).all()


def lift(session: Session, section_ids: Iterable[UUID], activity: str, song_id: UUID | None) -> None:
    """What was refused may come again."""
    same = Refusal.song_id.is_(None) if song_id is None else Refusal.song_id == song_id
    session.execute(
        delete(Refusal).where(Refusal.section_id.in_(set(section_ids)), Refusal.activity == activity, same)
    )


def kept_sets(session: Session, school_id: UUID) -> Sequence[KeptSet]:
    """By grade and name."""
    mine = select(KeptSet).where(KeptSet.school_id == school_id)
    return session.scalars(mine.order_by(KeptSet.grade, KeptSet.name)).all()


def kept_named(session: Session, school_id: UUID, name: str) -> KeptSet | None:
    return session.scalar(select(KeptSet).where(KeptSet.school_id == school_id, KeptSet.name == name))


def kept_set(session: Session, school_id: UUID, kept_id: UUID) -> KeptSet:
    return owned(session, KeptSet, school_id, kept_id, "kept_set")
