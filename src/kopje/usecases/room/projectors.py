"""A projector on another device: it shows a code, the teacher types it, and from then on it gets the frame
that it shows and nothing else. Source: docs/sources.md#projectors."""

from __future__ import annotations

import secrets
from collections.abc import Callable, Sequence
from datetime import datetime, timedelta
from typing import Any
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError, SignInSlowedError
from kopje.core.reasons import because
from kopje.store import projectors
from kopje.store import tables as t
from kopje.store.notices import say_changed
from kopje.usecases.context import Context
from kopje.usecases.setup.sign_in import token_hash

CODE_LASTS, PAIRED_FOR = timedelta(minutes=10), timedelta(hours=12)
DIGITS = 6
MOST_OF_A_CLIENT, MOST_WAITING = 20, 500  # of a million codes: one that is mistyped hardly ever fits


def begin(
    session: Session, address: str, token: str, new_id: Callable[[], UUID], now: datetime
) -> t.Projector:
    """A device that wants to show: what it asks under is known by its hash. SignInSlowedError where too many
    wait already."""
    client = token_hash(f"projector at {address}")
    alike, every = projectors.waiting(session, client, now)
    if alike >= MOST_OF_A_CLIENT or every >= MOST_WAITING:
        seconds = int(CODE_LASTS.total_seconds())
        raise SignInSlowedError("projectors_wait", minutes=seconds // 60, value=seconds)
    row = t.Projector(
        id=new_id(),
        token_hash=token_hash(token),
        code=_new_code(projectors.codes(session)),
        client=client,
        expires=now + CODE_LASTS,
    )
    session.add(row)
    return row


def _new_code(taken: set[str]) -> str:
    while (code := f"{secrets.randbelow(10**DIGITS):0{DIGITS}}") in taken:
        pass
    return code


def of_token(session: Session, token: str, now: datetime) -> t.Projector:
    """NotFoundError for one that nobody knows any more: it asks for a new code then."""
    row = projectors.by_token(session, token_hash(token), now)
    if row is None:
        raise NotFoundError("no_such", what=because("what_projector"), value="")
    return row


def pair(ctx: Context, code: str) -> t.Projector:
    """The code has done its work: nobody else can type it."""
    row = projectors.by_code(ctx.session, code, ctx.now)
    if row is None:
        raise NotFoundError("projector_code", code=code, value=code)
    row.code, row.teacher_id, row.expires = None, ctx.teacher_id, ctx.now + PAIRED_FOR
    say_changed(ctx.session, topic(row.id))
    return row


def show(ctx: Context, projector_id: UUID, frame: dict[str, Any]) -> None:
    mine(ctx, projector_id).frame = frame
    say_changed(ctx.session, topic(projector_id))


def end(ctx: Context, projector_id: UUID) -> None:
    ctx.session.delete(mine(ctx, projector_id))
    say_changed(ctx.session, topic(projector_id))


def topic(projector_id: UUID) -> str:
    """Under which it is told that a projector shows something else."""
    return f"projector {projector_id}"


def paired(ctx: Context) -> Sequence[t.Projector]:
    return projectors.of_adult(ctx.session, ctx.teacher_id, ctx.now)


def mine(ctx: Context, projector_id: UUID) -> t.Projector:
    row = next((one for one in paired(ctx) if one.id == projector_id), None)
    if row is None:
        raise NotFoundError("no_such", what=because("what_projector"), value=projector_id)
    return row
