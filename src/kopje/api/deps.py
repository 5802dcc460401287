"""What routes are given: a transaction, the signed-in teacher, the engraver."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import Depends, Request, Response
from sqlalchemy.orm import Session

from kopje.core.errors import BusyError, ForgedRequestError
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.settings import Settings
from kopje.store.work import UnitOfWork
from kopje.usecases.call import Answer, Call, Desk
from kopje.usecases.setup import sign_in
from kopje.usecases.setup.school_sequence import sequence_for
from kopje.words import catalogue
from kopje.workers import Worker, WorkerLimitError

COOKIE = "kopje_sign_in"
HEADER = "x-kopje-request"
SAFE = ("GET", "HEAD", "OPTIONS")


@dataclass(frozen=True)
class House:
    """What the application is made of, wired once in main.py."""

    settings: Settings
    work: UnitOfWork
    engraver: Engraver
    printer: Printer
    solver: Worker


def _house(request: Request) -> House:
    found: House = request.app.state.house
    return found


# What only looks something up is `async`: FastAPI then needs no thread for it.
async def house(request: Request) -> House:
    return _house(request)


async def same_origin(request: Request) -> None:
    """A changing request must carry our header and come from our own page: no other site can send that."""
    if request.method in SAFE:
        return
    origin = request.headers.get("origin")
    foreign = origin is not None and origin.split("://")[-1] != request.headers.get("host")
    if foreign or HEADER not in request.headers:
        raise ForgedRequestError("request_forged")


def transaction(request: Request) -> Iterator[Session]:
    with _house(request).work.begin() as session:
        yield session


# The transaction ends before the answer leaves: what the browser hears is kept is kept.
Transaction = Annotated[Session, Depends(transaction, scope="function")]


def signed_in(request: Request, session: Transaction) -> sign_in.SignedIn:
    return sign_in.who(session, request.cookies.get(COOKIE), _house(request).settings.now())


Teacher = Annotated[sign_in.SignedIn, Depends(signed_in, scope="function")]


def _call(request: Request, session: Session) -> Call:
    """Who is signed in, on a transaction."""
    here = _house(request)
    teacher = sign_in.who(session, request.cookies.get(COOKIE), here.settings.now())
    now = here.settings.now(teacher.time_zone)
    sequence = sequence_for(session, teacher.school_id, teacher.sequence, teacher.wording)
    request.state.sequence = sequence  # refusals are said in the school's words too
    words = catalogue(here.settings.language, here.settings.locales)
    return Call(session, teacher.school_id, teacher.teacher_id, now, uuid.uuid4, sequence, words)


def call(request: Request) -> Iterator[Call]:
    """A transaction and who is signed in, in one step: each step of its own would cost a thread."""
    work = _house(request).work
    with work.read() if request.method in SAFE else work.begin() as session:
        yield _call(request, session)


def desk(request: Request) -> Desk:
    """For what takes thought: its transactions are its own."""
    here = _house(request)

    def solve(think: Callable[..., Answer], *question: Any) -> Answer:
        try:
            return here.solver.run(think, *question)
        except WorkerLimitError as problem:
            raise BusyError("solver_ended") from problem

    found = Desk(here.work, lambda session: _call(request, session), solve)
    with found.look():  # signed out is said before anything is thought about
        return found


Work = Annotated[Call, Depends(call, scope="function")]
AtDesk = Annotated[Desk, Depends(desk, scope="function")]
OurHouse = Annotated[House, Depends(house)]


def keep_cookie(request: Request, response: Response, token: str) -> None:
    seconds = int(sign_in.LASTS.total_seconds())
    secure = request.url.scheme == "https"
    response.set_cookie(
        COOKIE, token, max_age=seconds, httponly=True, samesite="strict", secure=secure, path="/"
    )
