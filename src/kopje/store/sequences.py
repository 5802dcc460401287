"""Versions of a school's sequence: written once, never changed."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from kopje.store.tables import SequenceVersion

USED = text(
    """SELECT DISTINCT m.concept FROM mark m WHERE m.school_id = :school
    UNION SELECT DISTINCT c.concept FROM cell c WHERE c.school_id = :school AND c.concept IS NOT NULL"""
)


def version(session: Session, school_id: UUID, number: int) -> SequenceVersion | None:
    return session.scalar(
        select(SequenceVersion).where(
            SequenceVersion.school_id == school_id, SequenceVersion.number == number
        )
    )


def versions(session: Session, school_id: UUID) -> Sequence[SequenceVersion]:
    return session.scalars(
        select(SequenceVersion)
        .where(SequenceVersion.school_id == school_id)
        .order_by(SequenceVersion.number.desc())
    ).all()


def newest(session: Session, school_id: UUID) -> int:
    return (
        session.scalar(select(func.max(SequenceVersion.number)).where(SequenceVersion.school_id == school_id))
        or 0
    )


def used_concepts(session: Session, school_id: UUID) -> set[str]:
    """Keys of concepts that were marked or stand in a lesson."""
    return set(session.scalars(USED, {"school": school_id}))
