"""Exercises of a class, and what it read of them."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Exercise


def exercise(session: Session, school_id: UUID, exercise_id: UUID) -> Exercise:
    return owned(session, Exercise, school_id, exercise_id, "exercise")


def of_section(session: Session, section_id: UUID) -> Sequence[Exercise]:
    """Every exercise of a class, in the order it was made."""
    mine = select(Exercise).where(Exercise.section_id == section_id)
    return session.scalars(mine.order_by(Exercise.number)).all()


def of_part(session: Session, part_id: UUID) -> Exercise | None:
    """The one that a part of a lesson opened last."""
    mine = select(Exercise).where(Exercise.part_id == part_id)
    return session.scalars(mine.order_by(Exercise.number.desc()).limit(1)).first()


def is_of(session: Session, exercise_id: str, section_id: UUID) -> bool:
    """Whether an exercise was made for a class."""
    found = session.get(Exercise, UUID(exercise_id))
    return found is not None and found.section_id == section_id


def next_number(session: Session, section_id: UUID) -> int:
    """The number of the next exercise; two that ask at once get theirs one after the other."""
    session.execute(text("SELECT pg_advisory_xact_lock(hashtext(:key))"), {"key": f"exercise {section_id}"})
    last = select(func.max(Exercise.number)).where(Exercise.section_id == section_id)
    return (session.scalar(last) or 0) + 1
