"""Reports as they were kept."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from kopje.store.tables import Report, Teacher


def of_child(session: Session, child_id: UUID) -> Sequence[tuple[Report, str]]:
    """With who kept each, the latest first."""
    rows = session.execute(
        select(Report, Teacher.name)
        .join(Teacher, Teacher.id == Report.teacher_id)
        .where(Report.child_id == child_id)
        .order_by(Report.number.desc())
    )
    return [(report, by) for report, by in rows]
