"""What routes are given: a transaction, the signed-in teacher, the engraver."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any

from fastapi import Depends, Request, Response
from sqlalchemy.orm import Session

from kopje.api import versions
from kopje.core.errors import BusyError, FileTooLargeError, ForgedRequestError, NotAllowedError
from kopje.core.ledger.rules import rules_of
from kopje.core.reasons import because
from kopje.core.rights import may
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.formats.limits import SMALL
from kopje.settings import Settings
from kopje.store.notices import Notices
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Answer, Context, Desk
from kopje.usecases.setup import sign_in
from kopje.usecases.setup import versions as kept_versions
from kopje.usecases.setup.backups import Backups
from kopje.usecases.setup.school_habits import habits_for
from kopje.usecases.setup.school_sequence import sequence_for
from kopje.words import catalogue
from kopje.workers import Worker, WorkerLimitError

COOKIE = "kopje_sign_in"
DEVICE = "kopje_device"
HEADER = "x-kopje-request"
SAFE = ("GET", "HEAD", "OPTIONS")


@dataclass(frozen=True)
class Services:
    """What the application is made of, wired once in main.py."""

    settings: Settings
    work: UnitOfWork
    engraver: Engraver
    printer: Printer
    solver: Worker
    backups: Backups
    reader: Worker
    notices: Notices
    first_code: str | None = None

    def read(self, reader: Callable[..., Answer], data: bytes, *more: Any) -> Answer:
        """What a reader makes of a foreign file: in a process of its own that is ended when it takes too
        long or too much memory. A small one is read here: the readers' own budgets hold it."""
        if len(data) <= SMALL:
            return reader(data, *more)
        try:
            return self.reader.run(reader, data, *more)
        except WorkerLimitError as problem:
            raise FileTooLargeError("file_too_hard", value=len(data)) from problem


def _services(request: Request) -> Services:
    found: Services = request.app.state.services
    return found


# What only looks something up is `async`: FastAPI then needs no thread for it.
async def services(request: Request) -> Services:
    return _services(request)


async def same_origin(request: Request) -> None:
    """A changing request must carry our header and come from our own page: no other site can send that."""
    if request.method in SAFE:
        return
    origin = request.headers.get("origin")
    foreign = origin is not None and origin.split("://")[-1] != request.headers.get("host")
    if foreign or HEADER not in request.headers:
        raise ForgedRequestError("request_forged")


def transaction(request: Request) -> Iterator[Session]:
    with _services(request).work.begin() as session:
        yield session


# The transaction ends before the answer leaves: what the browser hears is kept is kept.
Transaction = Annotated[Session, Depends(transaction, scope="function")]


def _who(request: Request, session: Session) -> sign_in.SignedIn:
    """Who is signed in, and may do what is asked for."""
    here = _services(request)
    teacher = sign_in.who(session, request.cookies.get(COOKIE), here.settings.now())
    if not may(teacher.role, request.scope["route"].operation_id):
        raise NotAllowedError("not_allowed", role=because(f"role_{teacher.role}"))
    return teacher


def signed_in(request: Request, session: Transaction) -> sign_in.SignedIn:
    return _who(request, session)


Teacher = Annotated[sign_in.SignedIn, Depends(signed_in, scope="function")]


def _context(request: Request, response: Response, session: Session) -> Context:
    """Who is signed in, on a transaction."""
    here = _services(request)
    teacher = _who(request, session)
    now = here.settings.now(teacher.time_zone)
    _versioned(request, response, session, teacher, now)
    sequence = sequence_for(session, teacher.school_id, teacher.sequence, teacher.wording)
    request.state.sequence = sequence  # refusals are said in the school's words too
    words = catalogue(here.settings.language, here.settings.locales)
    habits = habits_for(session, teacher.school_id, teacher.habits)
    return Context(
        session,
        teacher.school_id,
        teacher.teacher_id,
        now,
        uuid.uuid4,
        sequence,
        words,
        habits,
        teacher.room,
        rules_of(teacher.rules),
    )


def _versioned(
    request: Request, response: Response, session: Session, teacher: sign_in.SignedIn, now: datetime
) -> None:
    """What is read as a whole goes out with its version; what is written as a whole must not have been
    written since it was looked at. A desk that keeps twice goes on from its own first version."""
    operation, path = request.scope["route"].operation_id, request.path_params
    if pattern := versions.READS.get(operation):
        name = versions.named(pattern, path)
        number = kept_versions.version(session, teacher.school_id, name)
    elif (pattern := versions.WRITES.get(operation)) and kept_versions.can_write(session):
        name = versions.named(pattern, path)
        seen = getattr(request.state, "version", versions.seen(request.headers.get("if-match"), name))
        number = kept_versions.written(session, teacher.school_id, teacher.teacher_id, name, seen, now)
        request.state.version = number
    else:
        return
    response.headers["ETag"] = versions.tag(name, number)


def context(request: Request, response: Response) -> Iterator[Context]:
    """A transaction and who is signed in, in one step: each step of its own would cost a thread."""
    work = _services(request).work
    with work.read() if request.method in SAFE else work.begin() as session:
        yield _context(request, response, session)


def desk(request: Request, response: Response) -> Desk:
    """For what takes thought: its transactions are its own."""
    here = _services(request)

    def solve(think: Callable[..., Answer], *question: Any, ticket: str = "") -> Answer:
        try:
            return here.solver.run(think, *question, ticket=ticket)
        except WorkerLimitError as problem:
            raise BusyError("solver_ended") from problem

    found = Desk(here.work, lambda session: _context(request, response, session), solve)
    with found.look():  # signed out is said before anything is thought about
        return found


Work = Annotated[Context, Depends(context, scope="function")]
AtDesk = Annotated[Desk, Depends(desk, scope="function")]
Provided = Annotated[Services, Depends(services)]


def keep_cookies(request: Request, response: Response, token: str, device: str) -> None:
    """Of the sign-in, and of the device it was made on; no script and no other site sees them."""
    secure = request.url.scheme == "https"
    for name, value, lasts in ((COOKIE, token, sign_in.LASTS), (DEVICE, device, sign_in.KNOWN_FOR)):
        seconds = int(lasts.total_seconds())
        response.set_cookie(
            name, value, max_age=seconds, httponly=True, samesite="strict", secure=secure, path="/"
        )
