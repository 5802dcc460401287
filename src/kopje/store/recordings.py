"""Recorded pieces of a school."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Recording


def on_the_shelf(session: Session, school_id: UUID) -> Sequence[Recording]:
    """By title; what was taken off is left out."""
    mine = select(Recording).where(Recording.school_id == school_id, Recording.removed.is_(None))
    return session.scalars(mine.order_by(Recording.title, Recording.id)).all()


def one(session: Session, school_id: UUID, recording_id: UUID) -> Recording:
    return owned(session, Recording, school_id, recording_id, "recording")


def by_id(session: Session, school_id: UUID, ids: Iterable[UUID]) -> dict[UUID, Recording]:
    """Also those that were taken off the shelf: a lesson that was held still names them."""
    wanted = set(ids)
    if not wanted:
        return {}
    found = session.scalars(
        select(Recording).where(Recording.school_id == school_id, Recording.id.in_(wanted))
    )
    return {row.id: row for row in found}


def shipped(session: Session, school_id: UUID) -> dict[str, Recording]:
    """Of our own pieces those a school has, by file, also off the shelf."""
    named = select(Recording).where(Recording.school_id == school_id, Recording.filename != "")
    return {row.filename: row for row in session.scalars(named)}
