"""Terms, holidays, one-offs, concerts; the plan of a section's year and the teacher's word on it."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Arc, Change, Concert, Period, School, Wish, YearPlan


def school(session: Session, school_id: UUID) -> School:
    return session.get_one(School, school_id)


def clear_periods(session: Session, school_id: UUID) -> None:
    session.execute(delete(Period).where(Period.school_id == school_id))


def change(session: Session, school_id: UUID, change_id: UUID) -> Change:
    return owned(session, Change, school_id, change_id, "change")


def concert(session: Session, school_id: UUID, concert_id: UUID) -> Concert:
    return owned(session, Concert, school_id, concert_id, "concert")


def plan(session: Session, section_id: UUID) -> YearPlan | None:
    return session.get(YearPlan, section_id)


def arcs(session: Session, section_id: UUID) -> Sequence[Arc]:
    return session.scalars(
        select(Arc).where(Arc.section_id == section_id).order_by(Arc.start, Arc.concept)
    ).all()


def clear_arcs(session: Session, section_id: UUID) -> None:
    session.execute(delete(Arc).where(Arc.section_id == section_id))


def wishes(session: Session, section_id: UUID) -> Sequence[Wish]:
    return session.scalars(select(Wish).where(Wish.section_id == section_id).order_by(Wish.concept)).all()


def clear_wishes(session: Session, section_id: UUID, concepts: Sequence[str]) -> None:
    session.execute(delete(Wish).where(Wish.section_id == section_id, Wish.concept.in_(concepts)))
