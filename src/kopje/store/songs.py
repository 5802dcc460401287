"""Songs."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Song


def songs(session: Session, school_id: UUID) -> Sequence[Song]:
    return session.scalars(select(Song).where(Song.school_id == school_id).order_by(Song.title)).all()


def song(session: Session, school_id: UUID, song_id: UUID) -> Song:
    return owned(session, Song, school_id, song_id, "song")


def by_hash(session: Session, school_id: UUID, content_hash: str) -> Song | None:
    return session.scalar(select(Song).where(Song.school_id == school_id, Song.content_hash == content_hash))


def remove(session: Session, school_id: UUID, song_id: UUID) -> None:
    session.execute(delete(Song).where(Song.id == song_id, Song.school_id == school_id))
