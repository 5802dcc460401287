"""What is written as a whole has a version: whoever changes it says which one she saw, and is told when it is
not that any more. Source: RFC 9110, 8.8.3 and 13.1.1."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.errors import StaleWriteError
from kopje.core.reasons import because
from kopje.store import versions


def version(session: Session, school_id: UUID, name: str) -> int:
    return versions.number(session, school_id, name)


def written(
    session: Session, school_id: UUID, teacher_id: UUID, name: str, seen: int | None, now: datetime
) -> int:
    """It is written now; the new version. `seen`: the version that the writer looked at, None if she does not
    mind. StaleWriteError, and nothing is kept, if it was written since then."""
    row = versions.locked(session, school_id, name)
    if seen is not None and seen != row.number:
        who = versions.writer(session, row)
        when = row.moment or now
        local = when.astimezone(now.tzinfo)
        raise StaleWriteError(
            "stale_write",
            who=who or because("somebody"),
            day=local.date(),
            at=f"{local:%H:%M}",
            value=row.number,
        )
    row.number, row.teacher_id, row.moment = row.number + 1, teacher_id, now
    session.flush()
    return row.number


def can_write(session: Session) -> bool:
    return versions.can_write(session)
