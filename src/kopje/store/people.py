"""Schools, teachers and their sign-ins."""

from __future__ import annotations

import secrets
from collections.abc import Iterable, Sequence
from datetime import datetime
from uuid import UUID

from sqlalchemy import delete, func, select, text, update
from sqlalchemy.orm import Session

from kopje.store.tables import (
    AdultSection,
    FailedSignIn,
    Invitation,
    KnownDevice,
    School,
    Section,
    SignIn,
    Teacher,
)


def any_school(session: Session) -> bool:
    return session.scalar(select(School.id).limit(1)) is not None


def lock_first_run(session: Session) -> None:
    """Two first-run pages at once: the second waits, and then finds the school."""
    session.execute(text("SELECT pg_advisory_xact_lock(7101)"))


def school(session: Session, school_id: UUID) -> School:
    return session.get_one(School, school_id)


def teacher_by_login(session: Session, login: str) -> Teacher | None:
    mine = select(Teacher).where(func.lower(Teacher.login) == login.lower(), Teacher.removed.is_(None))
    return session.scalar(mine)


def login_is_taken(session: Session, login: str) -> bool:
    return session.scalar(select(Teacher.id).where(func.lower(Teacher.login) == login.lower())) is not None


def signed_in(
    session: Session, token_hash: str, now: datetime
) -> tuple[Teacher, School, frozenset[UUID]] | None:
    """Of a sign-in that has not run out, of somebody who may still come in; and the sections given."""
    given = select(func.array_agg(AdultSection.section_id)).where(AdultSection.teacher_id == Teacher.id)
    found = session.execute(
        select(Teacher, School, given.scalar_subquery())
        .join(SignIn, SignIn.teacher_id == Teacher.id)
        .join(School, School.id == Teacher.school_id)
        .where(SignIn.token_hash == token_hash, SignIn.expires > now, Teacher.removed.is_(None))
    ).one_or_none()
    if found is None:
        return None
    teacher, school, sections = found
    session.info["school"] = (
        school  # kept at hand: whoever needs the school in this transaction does not ask again
    )
    return teacher, school, frozenset(sections or ())


def clear_expired(session: Session, now: datetime, failures_before: datetime) -> None:
    """Take away sign-ins that have run out, and failed tries before a moment."""
    session.execute(delete(SignIn).where(SignIn.expires <= now))
    session.execute(delete(FailedSignIn).where(FailedSignIn.moment < failures_before))
    session.execute(delete(KnownDevice).where(KnownDevice.expires <= now))
    session.execute(delete(Invitation).where(Invitation.expires <= now))


def end_sign_in(session: Session, token_hash: str) -> None:
    session.execute(delete(SignIn).where(SignIn.token_hash == token_hash))


def end_all_sign_ins(session: Session, teacher_id: UUID) -> None:
    session.execute(delete(SignIn).where(SignIn.teacher_id == teacher_id))


def lock_tries(session: Session, client: str) -> None:
    """Tries of one client go one after the other, until this transaction ends: what each adds, the next
    counts."""
    session.execute(text("SELECT pg_advisory_xact_lock(hashtextextended(:client, 7104))"), {"client": client})


def tries_since(session: Session, since: datetime, client: str, login: str | None = None) -> list[datetime]:
    """Of one client, in order; of one login only where it is named."""
    mine = [FailedSignIn.client == client, FailedSignIn.moment > since]
    if login is not None:
        mine.append(FailedSignIn.login == login.lower())
    return list(session.scalars(select(FailedSignIn.moment).where(*mine).order_by(FailedSignIn.moment)))


def forget_tries(session: Session, client: str, login: str) -> None:
    session.execute(
        delete(FailedSignIn).where(FailedSignIn.client == client, FailedSignIn.login == login.lower())
    )


def knows_device(session: Session, token_hash: str, teacher_id: UUID, now: datetime) -> bool:
    mine = KnownDevice.token_hash == token_hash, KnownDevice.teacher_id == teacher_id
    return session.scalar(select(KnownDevice.expires).where(*mine, KnownDevice.expires > now)) is not None


def devices(session: Session, teacher_id: UUID, now: datetime) -> Sequence[SignIn]:
    """Where somebody is signed in, the latest first."""
    mine = select(SignIn).where(SignIn.teacher_id == teacher_id, SignIn.expires > now)
    return session.scalars(mine.order_by(SignIn.created.desc(), SignIn.id)).all()


def end_other_sign_ins(session: Session, teacher_id: UUID, but: str) -> None:
    session.execute(delete(SignIn).where(SignIn.teacher_id == teacher_id, SignIn.token_hash != but))


def end_device(session: Session, teacher_id: UUID, sign_in_id: UUID) -> bool:
    """Whether there was one."""
    gone = delete(SignIn).where(SignIn.teacher_id == teacher_id, SignIn.id == sign_in_id)
    return session.execute(gone.returning(SignIn.id)).first() is not None


def adults(session: Session, school_id: UUID) -> Sequence[Teacher]:
    """Those who may come in, by name."""
    mine = select(Teacher).where(Teacher.school_id == school_id, Teacher.removed.is_(None))
    return session.scalars(mine.order_by(Teacher.name, Teacher.id)).all()


def sections_given(session: Session, school_id: UUID) -> dict[UUID, list[UUID]]:
    """The sections that were given to each adult."""
    mine = select(AdultSection).join(Teacher, Teacher.id == AdultSection.teacher_id)
    found: dict[UUID, list[UUID]] = {}
    for row in session.scalars(mine.where(Teacher.school_id == school_id).order_by(AdultSection.section_id)):
        found.setdefault(row.teacher_id, []).append(row.section_id)
    return found


def give_sections(session: Session, school_id: UUID, teacher_id: UUID, sections: Iterable[UUID]) -> None:
    """These and no others; what is not this school's is left out."""
    session.execute(delete(AdultSection).where(AdultSection.teacher_id == teacher_id))
    here = select(Section.id).where(Section.school_id == school_id, Section.id.in_(set(sections)))
    for section_id in session.scalars(here.order_by(Section.id)).all():
        session.add(AdultSection(teacher_id=teacher_id, section_id=section_id))


def lock_adults(session: Session, school_id: UUID) -> None:
    """Two that take each other's right away at once: the second waits."""
    session.execute(select(School.id).where(School.id == school_id).with_for_update())


def invitation(session: Session, token_hash: str, now: datetime) -> Invitation | None:
    mine = select(Invitation).where(Invitation.token_hash == token_hash, Invitation.expires > now)
    return session.scalar(mine.with_for_update())


def invitations(session: Session, school_id: UUID, now: datetime) -> Sequence[Invitation]:
    mine = select(Invitation).where(Invitation.school_id == school_id, Invitation.expires > now)
    return session.scalars(mine.order_by(Invitation.expires, Invitation.id)).all()


def habits_changed(session: Session, school_id: UUID) -> None:
    """The new number is drawn by lot: what a process keeps under a number is never what another change, or
    the same school read back from a copy, means by it."""
    number = 1 + secrets.randbelow(2**31 - 1)
    session.execute(update(School).where(School.id == school_id).values(habits=number))


def schools_with_older_rules(session: Session, rules: int) -> Sequence[School]:
    return session.scalars(select(School).where(School.rules < rules)).all()


def schools(session: Session) -> Sequence[School]:
    return session.scalars(select(School).order_by(School.created)).all()
