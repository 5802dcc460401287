"""Sections, their rolls and meetings, and what the teacher declared."""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterable, Sequence
from datetime import date
from uuid import UUID

from sqlalchemy import ColumnElement, and_, delete, or_, select, true
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import Child, Declared, KnownSong, Meeting, Membership, Refusal, Seating, Section


def section(session: Session, school_id: UUID, section_id: UUID) -> Section:
    return owned(session, Section, school_id, section_id, "section")


def sections(session: Session, school_id: UUID) -> Sequence[Section]:
    return session.scalars(
        select(Section)
        .where(Section.school_id == school_id, Section.ended.is_(None))
        .order_by(Section.grade, Section.name)
    ).all()


def meetings_of(session: Session, section_id: UUID) -> Sequence[Meeting]:
    return session.scalars(
        select(Meeting).where(Meeting.section_id == section_id).order_by(Meeting.weekday, Meeting.starts)
    ).all()


def on_roll(section_id: UUID, day: date) -> ColumnElement[bool]:
    """Children of a class, or who sing in a choir, and have not left the school."""
    sings = select(Membership.child_id).where(Membership.section_id == section_id)
    return and_(
        or_(Child.section_id == section_id, Child.id.in_(sings)),
        Child.joined <= day,
        or_(Child.left.is_(None), Child.left > day),
    )


def in_school(day: date) -> ColumnElement[bool]:
    """Of a child joined with its class: it has come, has not left, and the class still is."""
    left = or_(Child.left.is_(None), Child.left > day)
    return and_(Section.ended.is_(None), Child.joined <= day, left)


def belongs(session: Session, child: Child, section_id: UUID) -> bool:
    """In the class, or singing in the choir."""
    return child.section_id == section_id or session.get(Membership, (section_id, child.id)) is not None


def members(session: Session, child_ids: Iterable[UUID]) -> dict[UUID, set[UUID]]:
    """The class and the choirs of each of these children."""
    wanted = set(child_ids)
    found: dict[UUID, set[UUID]] = {}
    for query in (
        select(Child.id, Child.section_id).where(Child.id.in_(wanted)),
        select(Membership.child_id, Membership.section_id).where(Membership.child_id.in_(wanted)),
    ):
        for child, section in session.execute(query):
            found.setdefault(child, set()).add(section)
    return found


def singers(session: Session, section_id: UUID) -> Sequence[UUID]:
    return session.scalars(select(Membership.child_id).where(Membership.section_id == section_id)).all()


def seating(session: Session, section_id: UUID) -> Seating | None:
    return session.get(Seating, section_id)


def seats(session: Session, section_id: UUID) -> tuple[str, ...]:
    """Children by where they sit; empty where nobody said so."""
    found = seating(session, section_id)
    return tuple(child for child in found.places if child) if found else ()


def clear_singers(session: Session, section_id: UUID) -> None:
    session.execute(delete(Membership).where(Membership.section_id == section_id))


def children(
    session: Session, school_id: UUID, grades: Sequence[int], day: date
) -> Sequence[tuple[Child, str]]:
    """Children of these grades who have not left, with their class, by class and name."""
    rows = session.execute(
        select(Child, Section.name)
        .join(Section, Section.id == Child.section_id)
        .where(
            Child.school_id == school_id,
            Section.grade.in_(grades),
            Section.ended.is_(None),
            or_(Child.left.is_(None), Child.left > day),
        )
        .order_by(Section.name, Child.name)
    )
    return [(child, name) for child, name in rows]


def every_child(session: Session, school_id: UUID, day: date | None = None) -> Sequence[tuple[Child, str]]:
    """Everybody who is or was on a roll, with their class, by class and name; those on a roll on a day."""
    return _with_class(session, school_id, in_school(day) if day else true())


def children_without(session: Session, school_id: UUID, day: date) -> Sequence[tuple[Child, str]]:
    """Children on a roll that day who are kept out of some kind of game, with their class, by class and
    name."""
    return _with_class(session, school_id, and_(in_school(day), Child.without != []))


def _with_class(session: Session, school_id: UUID, which: ColumnElement[bool]) -> Sequence[tuple[Child, str]]:
    rows = session.execute(
        select(Child, Section.name)
        .join(Section, Section.id == Child.section_id)
        .where(Child.school_id == school_id, which)
        .order_by(Section.name, Child.name, Child.id)
    )
    return [(child, name) for child, name in rows]


def children_named(
    session: Session, school_id: UUID, text: str, day: date, most: int
) -> Sequence[tuple[Child, str]]:
    """Children on a roll that day whose name has these letters, with their class; those that begin with them
    first."""
    wanted = text.strip()
    begins = Child.name.istartswith(wanted, autoescape=True)
    rows = session.execute(
        select(Child, Section.name)
        .join(Section, Section.id == Child.section_id)
        .where(
            Child.school_id == school_id,
            in_school(day),
            Child.name.icontains(wanted, autoescape=True),
        )
        .order_by(begins.desc(), Child.name, Section.name)
        .limit(most)
    )
    return [(child, name) for child, name in rows]


def names(session: Session, school_id: UUID, ids: Collection[UUID]) -> dict[UUID, str]:
    rows = session.execute(
        select(Child.id, Child.name).where(Child.school_id == school_id, Child.id.in_(ids))
    )
    return {child: name for child, name in rows}


def roll(session: Session, section_id: UUID, day: date) -> Sequence[Child]:
    """Children on the roll that day, by name."""
    return session.scalars(select(Child).where(on_roll(section_id, day)).order_by(Child.name, Child.id)).all()


def gone(session: Session, section_id: UUID, day: date) -> Sequence[Child]:
    """Children of a class who have left the school by a day, the last first."""
    left = select(Child).where(Child.section_id == section_id, Child.left <= day)
    return session.scalars(left.order_by(Child.left.desc(), Child.name, Child.id)).all()


def child(session: Session, school_id: UUID, child_id: UUID) -> Child:
    return owned(session, Child, school_id, child_id, "child")


def declared(session: Session, section_id: UUID) -> Sequence[str]:
    return session.scalars(select(Declared.concept).where(Declared.section_id == section_id)).all()


def clear_declared(session: Session, section_id: UUID) -> None:
    session.execute(delete(Declared).where(Declared.section_id == section_id))


def refusals(session: Session, section_id: UUID) -> Sequence[tuple[str, UUID | None]]:
    rows = session.execute(select(Refusal.activity, Refusal.song_id).where(Refusal.section_id == section_id))
    return [(activity, song) for activity, song in rows]


def known_songs(session: Session, section_id: UUID) -> Sequence[UUID]:
    return session.scalars(select(KnownSong.song_id).where(KnownSong.section_id == section_id)).all()


def set_known_songs(
    session: Session, school_id: UUID, section_id: UUID, song_ids: Iterable[UUID], new_id: Callable[[], UUID]
) -> None:
    session.execute(delete(KnownSong).where(KnownSong.section_id == section_id))
    session.add_all(
        KnownSong(id=new_id(), school_id=school_id, section_id=section_id, song_id=song) for song in song_ids
    )
    session.flush()
