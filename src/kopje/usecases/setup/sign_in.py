"""Signing in and out. Passwords are kept as argon2 hashes, sign-ins as hashes of random tokens."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from functools import cache
from typing import Any
from uuid import UUID

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from sqlalchemy.orm import Session

from kopje.core.errors import SignedOutError, SignInError, SignInSlowedError
from kopje.core.sign_in import seconds_to_wait
from kopje.store import people
from kopje.store.tables import FailedSignIn, SignIn

LASTS = timedelta(days=14)
WINDOW = timedelta(minutes=15)
FORGOTTEN = timedelta(days=1)  # failed tries that no rule looks at any more


@dataclass(frozen=True, slots=True)
class SignedIn:
    teacher_id: UUID
    school_id: UUID
    name: str
    role: str
    school: str
    sequence: int = 0
    wording: Mapping[str, Any] = field(default_factory=dict)
    time_zone: str | None = None
    habits: int = 0


@cache
def _hasher() -> PasswordHasher:
    return PasswordHasher()


@cache
def _nobody() -> str:
    """The hash of no password: an unknown name takes as long as a wrong password."""
    return _hasher().hash("nobody has this password")


def hashed(password: str) -> str:
    return _hasher().hash(password)


def token_hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def sign_in(session: Session, login: str, password: str, token: str, now: datetime) -> SignedIn | SignInError:
    """Start a sign-in under `token`. A failure is returned, not raised, so that it is remembered."""
    wait = seconds_to_wait(people.failures_since(session, login, now - WINDOW), now)
    if wait > 0:
        raise SignInSlowedError("sign_in_slowed", seconds=wait, value=wait)
    teacher = people.teacher_by_login(session, login)
    try:
        right = (
            _hasher().verify(teacher.password_hash if teacher else _nobody(), password)
            and teacher is not None
        )
    except (VerificationError, InvalidHashError):
        right = False
    if not right or teacher is None:
        session.add(FailedSignIn(login=login.lower(), moment=now))
        return SignInError("sign_in_failed")
    people.forget_failures(session, login)
    people.clear_expired(session, now, now - FORGOTTEN)
    school = people.school(session, teacher.school_id)
    session.add(SignIn(token_hash=token_hash(token), teacher_id=teacher.id, created=now, expires=now + LASTS))
    return SignedIn(teacher.id, teacher.school_id, teacher.name, teacher.role, school.name)


def who(session: Session, token: str | None, now: datetime) -> SignedIn:
    """The teacher of a token; SignedOutError without one."""
    teacher = people.signed_in(session, token_hash(token), now) if token else None
    if teacher is None:
        raise SignedOutError("signed_out")
    return SignedIn(*teacher)


def sign_out(session: Session, token: str | None) -> None:
    if token:
        people.end_sign_in(session, token_hash(token))


def sign_out_everywhere(session: Session, teacher_id: UUID) -> None:
    people.end_all_sign_ins(session, teacher_id)
