"""Who looked at a child, how long data are kept, which children were erased."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date, datetime
from uuid import UUID

from sqlalchemy import Text, cast, delete, func, or_, select
from sqlalchemy.dialects.postgresql import insert as upsert
from sqlalchemy.orm import Session

from kopje.core.retention import Times
from kopje.store.tables import (
    Access,
    AsideEvent,
    Child,
    ErasedChild,
    Event,
    HeldLessonRow,
    Retention,
    School,
    Section,
    StandingRow,
    Teacher,
)


def times(session: Session, school_id: UUID) -> Times:
    row = session.get(Retention, school_id)
    return Times(row.left_years, row.log_days) if row else Times()


def set_times(session: Session, school_id: UUID, new: Times) -> None:
    values = {"left_years": new.left_years, "log_days": new.log_days}
    row = upsert(Retention).values(school_id=school_id, **values)
    session.execute(row.on_conflict_do_update(index_elements=["school_id"], set_=values))


def accesses(session: Session, school_id: UUID, most: int) -> Sequence[tuple[Access, str | None, str | None]]:
    """Who looked, the latest first: with the names of the adult and the child, where they are there."""
    rows = session.execute(
        select(Access, Teacher.name, Child.name)
        .outerjoin(Teacher, Teacher.id == Access.teacher_id)
        .outerjoin(Child, Child.id == Access.child_id)
        .where(Access.school_id == school_id)
        .order_by(Access.moment.desc(), Access.id)
        .limit(most)
    )
    return [(one, adult, child) for one, adult, child in rows]


def accesses_of_child(session: Session, child_id: UUID) -> Sequence[tuple[Access, str | None]]:
    rows = session.execute(
        select(Access, Teacher.name)
        .outerjoin(Teacher, Teacher.id == Access.teacher_id)
        .where(Access.child_id == child_id)
        .order_by(Access.moment)
    )
    return [(one, adult) for one, adult in rows]


def forget_accesses(session: Session, school_id: UUID, before: datetime) -> None:
    session.execute(delete(Access).where(Access.school_id == school_id, Access.moment < before))


def left(session: Session, school_id: UUID) -> Sequence[tuple[UUID, date]]:
    """Children who have left, and when."""
    rows = session.execute(
        select(Child.id, Child.left).where(Child.school_id == school_id, Child.left.is_not(None))
    )
    return [(key, day) for key, day in rows if day is not None]


def erased(session: Session, school_id: UUID | None = None) -> Sequence[ErasedChild]:
    """The latest first; of every school where none is named."""
    found = select(ErasedChild).order_by(ErasedChild.erased.desc(), ErasedChild.child_id)
    return session.scalars(found.where(ErasedChild.school_id == school_id) if school_id else found).all()


def erased_among(session: Session, ids: Iterable[UUID]) -> set[UUID]:
    return set(session.scalars(select(ErasedChild.child_id).where(ErasedChild.child_id.in_(set(ids)))))


def lessons_of_child(session: Session, child_id: UUID) -> set[tuple[UUID, UUID]]:
    """(section, lesson) in which something was told of it."""
    chosen = select(Event.section_id, Event.lesson_id).where(Event.child_id == child_id).distinct()
    return {(section, lesson) for section, lesson in session.execute(chosen)}


def events_of_child(session: Session, child_id: UUID) -> Sequence[tuple[Event, str | None, str | None]]:
    """Every event of it with whatever takes it back, in order; who told it, and the section's name."""
    own = select(Event.id).where(Event.child_id == child_id)
    rows = session.execute(
        select(Event, Teacher.name, Section.name)
        .outerjoin(Teacher, Teacher.id == Event.teacher_id)
        .outerjoin(Section, Section.id == Event.section_id)
        .where(or_(Event.child_id == child_id, Event.target_id.in_(own)))
        .order_by(Event.day, Event.moment, Event.sequence)
    )
    return [(one, adult, section) for one, adult, section in rows]


def standings_of_child(session: Session, child_id: UUID) -> Sequence[StandingRow]:
    found = select(StandingRow).where(StandingRow.child_id == child_id)
    return session.scalars(found.order_by(StandingRow.concept)).all()


def aside_of_child(session: Session, school_id: UUID, child_id: UUID) -> Sequence[AsideEvent]:
    mine = AsideEvent.event["child_id"].astext == str(child_id)
    return session.scalars(select(AsideEvent).where(AsideEvent.school_id == school_id, mine)).all()


def notes_with(session: Session, school_id: UUID, name: str) -> Sequence[HeldLessonRow]:
    """Lessons whose notes have this name as a word."""
    pattern = f"\\m{_plain(name)}\\M"
    told = or_(
        HeldLessonRow.note.regexp_match(pattern, "i"),
        cast(HeldLessonRow.parts, Text).regexp_match(pattern, "i"),
    )
    found = select(HeldLessonRow).where(HeldLessonRow.school_id == school_id, told)
    return session.scalars(found.order_by(HeldLessonRow.day)).all()


def _plain(text: str) -> str:
    """A text as a regular expression of PostgreSQL that fits nothing but itself."""
    return "".join(
        sign if sign.isalnum() else f"\\{sign}" if sign.isascii() and sign.isprintable() else "."
        for sign in text
    )


def erase_child(session: Session, school_id: UUID, child_id: UUID, moment: datetime) -> None:
    """Its events with whatever takes them back, and every row of it. An id without a name stays."""
    targets = set(session.scalars(select(Event.id).where(Event.child_id == child_id)))
    backs = targets
    while backs:  # a taking back of a taking back has no child of its own
        backs = set(session.scalars(select(Event.id).where(Event.target_id.in_(backs)))) - targets
        targets |= backs
    session.execute(delete(Event).where(Event.id.in_(targets)))
    aside = AsideEvent.event["child_id"].astext == str(child_id)
    session.execute(delete(AsideEvent).where(AsideEvent.school_id == school_id, aside))
    session.execute(delete(Access).where(Access.child_id == child_id))
    session.execute(delete(Child).where(Child.id == child_id))
    row = upsert(ErasedChild).values(child_id=child_id, school_id=school_id, erased=moment)
    session.execute(row.on_conflict_do_nothing())


def erase_school(session: Session, school_id: UUID) -> None:
    """Everything that belongs to it goes with it."""
    session.execute(delete(Event).where(Event.school_id == school_id))
    session.execute(delete(AsideEvent).where(AsideEvent.school_id == school_id))
    session.execute(delete(School).where(School.id == school_id))


def is_there(session: Session, school_id: UUID, child_id: UUID) -> bool:
    found = select(func.count()).select_from(Child).where(Child.id == child_id, Child.school_id == school_id)
    return bool(session.scalar(found))
