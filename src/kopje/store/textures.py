"""Layers that a school keeps."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import KeptTexture


def of_school(session: Session, school_id: UUID) -> Sequence[KeptTexture]:
    mine = select(KeptTexture).where(KeptTexture.school_id == school_id)
    return session.scalars(mine.order_by(KeptTexture.name)).all()


def texture(session: Session, school_id: UUID, texture_id: UUID) -> KeptTexture:
    return owned(session, KeptTexture, school_id, texture_id, "texture")
