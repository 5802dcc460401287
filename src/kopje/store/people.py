"""Schools, teachers and their sign-ins."""

from __future__ import annotations

import secrets
from collections.abc import Sequence
from datetime import datetime
from uuid import UUID

from sqlalchemy import delete, func, select, text, update
from sqlalchemy.orm import Session

from kopje.store.tables import FailedSignIn, Json, School, SignIn, Teacher


def any_school(session: Session) -> bool:
    return session.scalar(select(School.id).limit(1)) is not None


def lock_first_run(session: Session) -> None:
    """Two first-run pages at once: the second waits, and then finds the school."""
    session.execute(text("SELECT pg_advisory_xact_lock(7101)"))


def school(session: Session, school_id: UUID) -> School:
    return session.get_one(School, school_id)


def teacher_by_login(session: Session, login: str) -> Teacher | None:
    return session.scalar(select(Teacher).where(func.lower(Teacher.login) == login.lower()))


def signed_in(
    session: Session, token_hash: str, now: datetime
) -> tuple[UUID, UUID, str, str, str, int, Json, str | None, int] | None:
    """(teacher, school, name, role, the school's name, version of its sequence, its words, its time zone,
    version of its habits) of a sign-in that has not run out."""
    found = session.execute(
        select(Teacher.id, Teacher.name, Teacher.role, School)
        .join(SignIn, SignIn.teacher_id == Teacher.id)
        .join(School, School.id == Teacher.school_id)
        .where(SignIn.token_hash == token_hash, SignIn.expires > now)
    ).one_or_none()
    if found is None:
        return None
    teacher, name, role, school = found
    session.info["school"] = (
        school  # kept at hand: whoever needs the school in this transaction does not ask again
    )
    said = school.name, school.sequence, school.wording, school.time_zone, school.habits
    return teacher, school.id, name, role, *said


def clear_expired(session: Session, now: datetime, failures_before: datetime) -> None:
    """Take away sign-ins that have run out, and failed tries before a moment."""
    session.execute(delete(SignIn).where(SignIn.expires <= now))
    session.execute(delete(FailedSignIn).where(FailedSignIn.moment < failures_before))


def end_sign_in(session: Session, token_hash: str) -> None:
    session.execute(delete(SignIn).where(SignIn.token_hash == token_hash))


def end_all_sign_ins(session: Session, teacher_id: UUID) -> None:
    session.execute(delete(SignIn).where(SignIn.teacher_id == teacher_id))


def failures_since(session: Session, login: str, since: datetime) -> list[datetime]:
    return list(
        session.scalars(
            select(FailedSignIn.moment)
            .where(FailedSignIn.login == login.lower(), FailedSignIn.moment > since)
            .order_by(FailedSignIn.moment)
        )
    )


def forget_failures(session: Session, login: str) -> None:
    session.execute(delete(FailedSignIn).where(FailedSignIn.login == login.lower()))


def habits_changed(session: Session, school_id: UUID) -> None:
    """The new number is drawn by lot: what a process keeps under a number is never what another change, or
    the same school read back from a copy, means by it."""
    number = 1 + secrets.randbelow(2**31 - 1)
    session.execute(update(School).where(School.id == school_id).values(habits=number))


def schools_with_older_rules(session: Session, rules: int) -> Sequence[School]:
    return session.scalars(select(School).where(School.rules < rules)).all()


def schools(session: Session) -> Sequence[School]:
    return session.scalars(select(School).order_by(School.created)).all()
