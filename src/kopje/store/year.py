"""Terms, holidays, one-offs, concerts; the plan of a section's year and the teacher's word on it."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Arc, ArcOverride, Concert, LessonChange, Period, School, YearPlan, YearStep


def school(session: Session, school_id: UUID) -> School:
    return session.get_one(School, school_id)


def clear_periods(session: Session, school_id: UUID) -> None:
    session.execute(delete(Period).where(Period.school_id == school_id))


def change(session: Session, school_id: UUID, change_id: UUID) -> LessonChange:
    return owned(session, LessonChange, school_id, change_id, "change")


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


def overrides(session: Session, section_id: UUID) -> Sequence[ArcOverride]:
    return session.scalars(
        select(ArcOverride).where(ArcOverride.section_id == section_id).order_by(ArcOverride.concept)
    ).all()


def clear_overrides(session: Session, section_id: UUID, concepts: Sequence[str] | None = None) -> None:
    """Of these concepts, or all of them."""
    wanted = delete(ArcOverride).where(ArcOverride.section_id == section_id)
    session.execute(wanted if concepts is None else wanted.where(ArcOverride.concept.in_(concepts)))


def last_step(session: Session, section_id: UUID) -> YearStep | None:
    mine = select(YearStep).where(YearStep.section_id == section_id)
    return session.scalar(mine.order_by(YearStep.number.desc()).limit(1))


def forget_steps(session: Session, section_id: UUID, keep: int = 0) -> None:
    """All but the latest of them."""
    mine = select(YearStep.id).where(YearStep.section_id == section_id)
    older = mine.order_by(YearStep.number.desc()).offset(keep)
    session.execute(delete(YearStep).where(YearStep.id.in_(older)))
