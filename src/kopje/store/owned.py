"""One row of a school by its id: what is another school's is not there."""

from __future__ import annotations

from typing import TypeVar
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.core.reasons import because
from kopje.store.tables import OfSchool

Row = TypeVar("Row", bound=OfSchool)


def owned(session: Session, table: type[Row], school_id: UUID, row_id: UUID, what: str) -> Row:
    """NotFoundError for a row that is not this school's; `what` names it for the teacher."""
    found = session.scalar(select(table).where(table.id == row_id, table.school_id == school_id))
    if found is None:
        raise NotFoundError("no_such", what=because(f"what_{what}"), value=str(row_id))
    return found
