"""What every use case is given: the transaction, who asks, and the chance and time of this moment."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.sequence.concepts import Sequence
from kopje.core.sequence.so_mi_first import SO_MI_FIRST


@dataclass(frozen=True)
class Call:
    """One call by one signed-in teacher. `now` is local time with its zone."""

    session: Session
    school_id: UUID
    teacher_id: UUID
    now: datetime
    new_id: Callable[[], UUID]
    sequence: Sequence = SO_MI_FIRST

    @property
    def today(self) -> date:
        return self.now.date()
