"""How often what is written as a whole was written: its version."""

from __future__ import annotations

from uuid import UUID

from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert as upsert
from sqlalchemy.orm import Session

from kopje.store.tables import Teacher, Written


def number(session: Session, school_id: UUID, name: str) -> int:
    """0 for what was never written."""
    mine = Written.school_id == school_id, Written.name == name
    return session.scalar(select(Written.number).where(*mine)) or 0


def locked(session: Session, school_id: UUID, name: str) -> Written:
    """Held until the transaction ends: whoever writes the same thing at this moment waits."""
    row = upsert(Written).values(school_id=school_id, name=name, number=0)
    session.execute(row.on_conflict_do_nothing())
    mine = select(Written).where(Written.school_id == school_id, Written.name == name)
    return session.scalars(mine.with_for_update().execution_options(populate_existing=True)).one()


def writer(session: Session, row: Written) -> str | None:
    """The name of whoever wrote it last."""
    return session.scalar(select(Teacher.name).where(Teacher.id == row.teacher_id))


def can_write(session: Session) -> bool:
    """Whether this transaction may change anything at all."""
    return not session.connection().get_execution_options().get("postgresql_readonly", False)
