"""Versions of a school's sequence: written once, never changed."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from kopje.store.tables import SequenceVersion


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
