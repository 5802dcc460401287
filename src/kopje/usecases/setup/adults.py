"""The adults of a school: invited, changed, removed; their devices; their passwords."""

from __future__ import annotations

import secrets
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError, SetUpError, SignInError
from kopje.core.names import shown
from kopje.core.reasons import because
from kopje.core.rights import Role
from kopje.store import people
from kopje.store import tables as t
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Context
from kopje.usecases.setup.sign_in import fits, hashed, token_hash

LINK_LASTS = timedelta(days=7)
LEAST_PASSWORD = 8


@dataclass(frozen=True, slots=True)
class Given:
    """What an adult is to be. `until`: the last day. `sections`: those given; to a teacher none means all."""

    name: str
    role: Role
    until: date | None = None
    sections: tuple[UUID, ...] = ()


@dataclass(frozen=True, slots=True)
class Adults:
    """Those who may come in, with the sections that each was given, and links that wait."""

    there: Sequence[t.Teacher]
    given: Mapping[UUID, Sequence[UUID]]
    waiting: Sequence[t.Invitation]


def adults(ctx: Context) -> Adults:
    return Adults(
        people.adults(ctx.session, ctx.school_id),
        people.sections_given(ctx.session, ctx.school_id),
        people.invitations(ctx.session, ctx.school_id, ctx.now),
    )


def invite(ctx: Context, given: Given) -> str:
    """A link's token; it works once, within a week. Only its hash is kept."""
    return _link(ctx, given, None)


def new_password_for(ctx: Context, teacher_id: UUID) -> str:
    """A link's token, by which somebody who is there sets a new password."""
    one = _adult(ctx, teacher_id)
    return _link(ctx, Given(one.name, one.role), one.id)  # type: ignore[arg-type]  # the table holds no other


def _link(ctx: Context, given: Given, teacher_id: UUID | None) -> str:
    token = secrets.token_urlsafe(24)
    ctx.session.add(
        t.Invitation(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            teacher_id=teacher_id,
            name=shown(given.name) or "?",
            role=given.role,
            until=given.until,
            sections=[str(one) for one in given.sections],
            token_hash=token_hash(token),
            expires=ctx.now + LINK_LASTS,
        )
    )
    return token


def withdraw(ctx: Context, invitation_id: UUID) -> None:
    row = ctx.session.get(t.Invitation, invitation_id)
    if row is None or row.school_id != ctx.school_id:
        raise NotFoundError("no_such", what=because("what_invitation"), value=invitation_id)
    ctx.session.delete(row)


def change(ctx: Context, teacher_id: UUID, given: Given) -> None:
    """SetUpError where nobody would own the school any more."""
    people.lock_adults(ctx.session, ctx.school_id)
    one = _adult(ctx, teacher_id)
    if one.role == "owner" and given.role != "owner":
        _another_owner(ctx, one)
    one.name, one.role, one.until = shown(given.name) or one.name, given.role, given.until
    people.give_sections(ctx.session, ctx.school_id, one.id, given.sections)


def remove(ctx: Context, teacher_id: UUID) -> None:
    """At once, on every device. Marks go on saying who made them; the login is free again."""
    people.lock_adults(ctx.session, ctx.school_id)
    one = _adult(ctx, teacher_id)
    if one.role == "owner":
        _another_owner(ctx, one)
    one.removed, one.login = ctx.now, f"{one.login} {one.id}"
    people.end_all_sign_ins(ctx.session, one.id)


def _another_owner(ctx: Context, one: t.Teacher) -> None:
    others = people.adults(ctx.session, ctx.school_id)
    if not any(other.role == "owner" and other.id != one.id for other in others):
        raise SetUpError("last_owner")


def _adult(ctx: Context, teacher_id: UUID) -> t.Teacher:
    row = ctx.session.get(t.Teacher, teacher_id)
    if row is None or row.school_id != ctx.school_id or row.removed is not None:
        raise NotFoundError("no_such", what=because("what_adult"), value=teacher_id)
    return row


@dataclass(frozen=True, slots=True)
class Invited:
    name: str
    school: str
    role: str
    login: str | None


def invited(session: Session, token: str, now: datetime) -> Invited:
    """To whom a link is given; NotFoundError for one that was used or has run out."""
    row = _invitation(session, token, now)
    there = session.get(t.Teacher, row.teacher_id) if row.teacher_id else None
    school = people.school(session, row.school_id)
    return Invited(row.name, school.name, row.role, there.login if there else None)


def accept(
    work: UnitOfWork, token: str, login: str, password: str, new_id: Callable[[], UUID], now: datetime
) -> None:
    """The link is used up: a new adult with this login, or a new password for one who is there."""
    with work.begin() as session:
        _invitation(session, token, now)  # nobody without a link has a hash worked out
    password_hash = hashed(password)
    with work.begin() as session:
        row = _invitation(session, token, now)
        there = session.get(t.Teacher, row.teacher_id) if row.teacher_id else None
        if there is not None:
            there.password_hash = password_hash
            people.end_all_sign_ins(session, there.id)
        else:
            if people.login_is_taken(session, login):
                raise SetUpError("login_taken", text=login)
            new = t.Teacher(
                id=new_id(),
                school_id=row.school_id,
                login=login,
                name=row.name,
                role=row.role,
                password_hash=password_hash,
                until=row.until,
            )
            session.add(new)
            session.flush()
            people.give_sections(session, row.school_id, new.id, map(UUID, row.sections))
        session.delete(row)


def _invitation(session: Session, token: str, now: datetime) -> t.Invitation:
    row = people.invitation(session, token_hash(token), now)
    if row is None:
        raise NotFoundError("no_such", what=because("what_invitation"), value="")
    return row


def change_password(ctx: Context, old: str, new: str, token: str) -> None:
    """Every other device is signed out. SignInError where the old one is not right."""
    one = _adult(ctx, ctx.teacher_id)
    if not fits(one.password_hash, old):
        raise SignInError("password_wrong")
    one.password_hash = hashed(new)
    people.end_other_sign_ins(ctx.session, one.id, token_hash(token))


def reset_password(session: Session, login: str, new: str) -> None:
    """By whoever has the machine. NotFoundError for a login that nobody has."""
    one = people.teacher_by_login(session, login)
    if one is None:
        raise NotFoundError("no_such", what=because("what_adult"), value=login)
    one.password_hash = hashed(new)
    people.end_all_sign_ins(session, one.id)


def end_device(ctx: Context, sign_in_id: UUID) -> None:
    if not people.end_device(ctx.session, ctx.teacher_id, sign_in_id):
        raise NotFoundError("no_such", what=because("what_device"), value=sign_in_id)


@dataclass(frozen=True, slots=True)
class Device:
    """`here`: the device that asks."""

    id: UUID
    agent: str
    created: datetime
    expires: datetime
    here: bool


def devices(ctx: Context, token: str) -> list[Device]:
    """Where one is signed in: the device that asks, whose token it is, then the latest first."""
    here = token_hash(token)
    found = [
        Device(one.id, one.agent, one.created, one.expires, one.token_hash == here)
        for one in people.devices(ctx.session, ctx.teacher_id, ctx.now)
    ]
    return sorted(found, key=lambda one: not one.here)


def new_code() -> str:
    """For the first run: short enough to be typed, too long to be guessed; no sign looks like another."""
    letters = "".join(secrets.choice("ABCDEFGHJKMNPQRSTUVWXYZ23456789") for _ in range(8))
    return f"{letters[:4]}-{letters[4:]}"
