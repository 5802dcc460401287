"""Signing in and out. Passwords are kept as argon2 hashes, sign-ins and devices as hashes of their tokens."""

from __future__ import annotations

import hashlib
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from functools import cache
from threading import BoundedSemaphore
from typing import Any
from uuid import UUID

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from sqlalchemy.orm import Session

from kopje.core.errors import SignedOutError, SignInError, SignInSlowedError
from kopje.core.rights import Room
from kopje.core.sign_in import FREE_TRIES_OF_CLIENT, seconds_to_wait
from kopje.store import people
from kopje.store.tables import FailedSignIn, KnownDevice, SignIn
from kopje.store.work import UnitOfWork

LASTS = timedelta(days=14)
KNOWN_FOR = timedelta(days=180)  # a device on which somebody has signed in
WINDOW = timedelta(minutes=15)
FORGOTTEN = timedelta(days=1)  # failed tries that no rule looks at any more
# A hash takes 64 MB and a good part of a second: so many at once, so many more may wait for their turn.
AT_ONCE, WAITING = BoundedSemaphore(2), BoundedSemaphore(6)
BUSY = 2  # seconds


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
    sections: frozenset[UUID] = frozenset()
    rules: Mapping[str, Any] = field(default_factory=dict)

    @property
    def room(self) -> Room:
        return Room(self.role, self.sections)


@dataclass(frozen=True, slots=True)
class Knock:
    """Who tries to get in, and from where. `address`: of the machine; `device`: the token that this browser
    was given when somebody signed in on it; `agent`: what it calls itself."""

    login: str
    password: str
    address: str = ""
    device: str | None = None
    agent: str = ""
    ends_others: bool = False


@cache
def _hasher() -> PasswordHasher:
    return PasswordHasher()


@cache
def _nobody() -> str:
    """The hash of no password: an unknown name takes as long as a wrong password."""
    return _hasher().hash("nobody has this password")


@contextmanager
def _in_turn() -> Iterator[None]:
    """Few hashes are worked out at once; SignInSlowedError where too many wait already."""
    if not WAITING.acquire(blocking=False):
        raise SignInSlowedError("sign_in_slowed", seconds=BUSY, value=BUSY)
    try:
        with AT_ONCE:
            yield
    finally:
        WAITING.release()


def hashed(password: str) -> str:
    with _in_turn():
        return _hasher().hash(password)


def token_hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def sign_in(work: UnitOfWork, knock: Knock, token: str, device: str, now: datetime) -> SignedIn:
    """Start a sign-in under `token`, and know the browser by `device` from now on. SignInError for a wrong
    name or password, SignInSlowedError after too many.

    A try counts before its password is looked at, so that a hundred at once are a hundred tries."""
    with work.begin() as session:
        client, password_hash = _counted(session, knock, now)
    right = fits(password_hash, knock.password)
    with work.begin() as session:
        teacher = people.teacher_by_login(session, knock.login)
        last = teacher is not None and teacher.until is not None and now.date() > teacher.until
        if not right or teacher is None or last:
            raise SignInError("sign_in_failed")
        people.forget_tries(session, client, knock.login)
        people.clear_expired(session, now, now - FORGOTTEN)
        if knock.ends_others:
            people.end_all_sign_ins(session, teacher.id)
        begin(session, teacher.id, token, device, knock.agent, now)
        school = people.school(session, teacher.school_id)
        return SignedIn(teacher.id, teacher.school_id, teacher.name, teacher.role, school.name)


def begin(session: Session, teacher_id: UUID, token: str, device: str, agent: str, now: datetime) -> None:
    """Signed in from now on, in a browser that is known from now on."""
    expires = now + LASTS
    session.add(
        SignIn(
            token_hash=token_hash(token),
            teacher_id=teacher_id,
            created=now,
            expires=expires,
            agent=agent[:200],
        )
    )
    session.merge(KnownDevice(token_hash=token_hash(device), teacher_id=teacher_id, expires=now + KNOWN_FOR))


def _counted(session: Session, knock: Knock, now: datetime) -> tuple[str, str]:
    """By what these tries are counted, and the hash that the password has to fit. A device on which this
    very login has succeeded is counted for itself."""
    teacher = people.teacher_by_login(session, knock.login)
    client = f"at {token_hash(knock.address)}"
    if teacher is not None and knock.device:
        device = token_hash(knock.device)
        if people.knows_device(session, device, teacher.id, now):
            client = f"on {device}"
    people.lock_tries(session, client)
    waits = [seconds_to_wait(people.tries_since(session, now - WINDOW, client, knock.login), now)]
    if client.startswith("at "):
        every = people.tries_since(session, now - WINDOW, client)
        waits.append(seconds_to_wait(every, now, FREE_TRIES_OF_CLIENT))
    if max(waits) > 0:
        raise SignInSlowedError("sign_in_slowed", seconds=max(waits), value=max(waits))
    session.add(FailedSignIn(login=knock.login.lower(), client=client, moment=now))
    return client, teacher.password_hash if teacher is not None else _nobody()


def fits(password_hash: str, password: str) -> bool:
    with _in_turn():
        try:
            return _hasher().verify(password_hash, password)
        except (VerificationError, InvalidHashError):
            return False


def who(session: Session, token: str | None, now: datetime) -> SignedIn:
    """The adult of a token; SignedOutError without one, and for somebody whose last day is over."""
    found = people.signed_in(session, token_hash(token), now) if token else None
    if found is None:
        raise SignedOutError("signed_out")
    teacher, school, sections = found
    if teacher.until is not None and now.date() > teacher.until:
        raise SignedOutError("signed_out")
    return SignedIn(
        teacher.id,
        school.id,
        teacher.name,
        teacher.role,
        school.name,
        school.sequence,
        school.wording,
        school.time_zone,
        school.habits,
        sections,
        school.ledger_rules,
    )


def sign_out(session: Session, token: str | None) -> None:
    if token:
        people.end_sign_in(session, token_hash(token))


def sign_out_everywhere(session: Session, teacher_id: UUID) -> None:
    people.end_all_sign_ins(session, teacher_id)
