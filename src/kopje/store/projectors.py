"""Projectors on other devices."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime
from uuid import UUID

from sqlalchemy import delete, func, select, text
from sqlalchemy.orm import Session

from kopje.store.tables import Projector


def by_token(session: Session, token_hash: str, now: datetime) -> Projector | None:
    return session.scalar(
        select(Projector).where(Projector.token_hash == token_hash, Projector.expires > now)
    )


def by_code(session: Session, code: str, now: datetime) -> Projector | None:
    """The one that waits under a code; held, so that two who type it do not both get it."""
    waiting = select(Projector).where(Projector.code == code, Projector.expires > now)
    return session.scalar(waiting.with_for_update())


def of_adult(session: Session, teacher_id: UUID, now: datetime) -> Sequence[Projector]:
    mine = select(Projector).where(Projector.teacher_id == teacher_id, Projector.expires > now)
    return session.scalars(mine.order_by(Projector.expires, Projector.id)).all()


def waiting(session: Session, client: str, now: datetime) -> tuple[int, int]:
    """How many wait for their code to be typed: of one client, and in all. Those that come at once are
    counted one after the other."""
    session.execute(text("SELECT pg_advisory_xact_lock(7105)"))
    session.execute(delete(Projector).where(Projector.expires <= now))
    alike = func.count().filter(Projector.client == client)
    found = session.execute(select(alike, func.count()).where(Projector.code.is_not(None))).one()
    return found[0], found[1]


def codes(session: Session) -> set[str]:
    return set(session.scalars(select(Projector.code).where(Projector.code.is_not(None))))
