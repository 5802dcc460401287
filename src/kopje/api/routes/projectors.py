"""A projector on another device: a code, then the frame that it shows and nothing else."""

from __future__ import annotations

import asyncio
import secrets
import uuid
from collections.abc import AsyncIterator
from contextlib import suppress
from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Depends, Header, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.sse import EventSourceResponse

from kopje.api.deps import Provided, Services, Transaction, Work
from kopje.api.schemas.lesson_parts import Things
from kopje.api.schemas.lessons import LessonRead
from kopje.api.schemas.projectors import (
    FrameRead,
    NewProjectorRead,
    PairBody,
    ProjectedRead,
    ProjectorRead,
    ShowBody,
)
from kopje.core.errors import NotFoundError
from kopje.usecases.context import Context
from kopje.usecases.lessons import read_lesson
from kopje.usecases.practice import in_lesson
from kopje.usecases.practice.exercises import mei_of, score_of
from kopje.usecases.practice.lines import line_at
from kopje.usecases.room import projectors
from kopje.usecases.songs import songbook
from kopje.usecases.songs.look import Variant, seen
from kopje.usecases.songs.print_song import engraved, under

router = APIRouter(tags=["projectors"])
Token = Annotated[str, Header(alias="x-kopje-projector", min_length=8, max_length=80)]
LOOK_AGAIN = 30.0  # seconds: also without a word, since a code and a pairing run out
READ, READ_PARTS = 1000, 2000  # an exercise is short, and is read from the last row
WALL, WALL_OF_PARTS = 1450, 2600  # several staves are high: more bars a line, so that they fill the wall


@router.post(
    "/projectors", status_code=201, operation_id="newProjector", summary="Ask for a code to be typed"
)
def post_projector(request: Request, session: Transaction, services: Provided) -> NewProjectorRead:
    """Anybody may: what comes of it is nothing until an adult types the code."""
    token = secrets.token_urlsafe(24)
    address = request.client.host if request.client else ""
    row = projectors.begin(session, address, token, uuid.uuid4, services.settings.now())
    return NewProjectorRead(token=token, code=row.code or "")


@router.get("/projector", operation_id="projectorFrame", summary="What this projector shows now")
def get_frame(token: Token, session: Transaction, services: Provided) -> ProjectedRead:
    return ProjectedRead.of(projectors.of_token(session, token, services.settings.now()))


def known(token: Token, session: Transaction, services: Provided) -> UUID:
    """Asked before anything streams: one that nobody knows gets an answer of its own."""
    return projectors.of_token(session, token, services.settings.now()).id


Known = Annotated[UUID, Depends(known, scope="function")]


@router.get(
    "/projector/frames",
    operation_id="projectorFrames",
    summary="What this projector shows, again whenever it changes",
    response_class=EventSourceResponse,
)
async def get_frames(token: Token, known: Known, services: Provided) -> AsyncIterator[ProjectedRead]:
    """Server-sent events: one at once, one for each change. It ends when nobody knows the projector any
    more."""

    def look() -> ProjectedRead | None:
        with services.work.read() as session, suppress(NotFoundError):
            return ProjectedRead.of(projectors.of_token(session, token, services.settings.now()))
        return None

    with services.notices.on(projectors.topic(known)) as changed:
        shown: ProjectedRead | None = None
        while now := await run_in_threadpool(look):
            if now != shown:
                yield now
                shown = now
            with suppress(TimeoutError):
                await asyncio.wait_for(changed.wait(), LOOK_AGAIN)
            changed.clear()


@router.post(
    "/projectors/pair", status_code=201, operation_id="pairProjector", summary="Show on another device"
)
def post_pair(body: PairBody, ctx: Work, services: Provided) -> ProjectorRead:
    frame = _frame(ctx, services, body)
    row = projectors.pair(ctx, body.code)
    row.frame = frame.model_dump()
    return ProjectorRead(id=row.id)


@router.get("/projectors", operation_id="projectors", summary="One's projectors on other devices")
def get_projectors(ctx: Work) -> list[ProjectorRead]:
    return [ProjectorRead(id=one.id) for one in projectors.paired(ctx)]


@router.put(
    "/projectors/{projector_id}", status_code=204, operation_id="showFrame", summary="Show something else"
)
def put_frame(projector_id: UUID, body: ShowBody, ctx: Work, services: Provided) -> None:
    projectors.mine(ctx, projector_id)
    projectors.show(ctx, projector_id, _frame(ctx, services, body).model_dump())


@router.delete(
    "/projectors/{projector_id}", status_code=204, operation_id="endProjector", summary="Show no more there"
)
def delete_projector(projector_id: UUID, ctx: Work) -> None:
    projectors.end(ctx, projector_id)


def _frame(ctx: Context, services: Services, body: ShowBody) -> FrameRead:
    found = read_lesson.lesson(ctx, body.lesson_id)
    read = LessonRead.of(found, Things.of(ctx, (one.material for one in found.parts)), ctx.words)
    part = next((one for one in read.parts if one.id == body.part_id), None)
    if part is None:
        raise NotFoundError("no_such_part", value=str(body.part_id))
    if body.exercise is not None:
        row = in_lesson.shown(ctx, body.lesson_id, body.exercise)
        width = READ_PARTS if len(score_of(row).parts) > 1 else READ
        piecewise = part.reads in ("cards", "change")
        mei = line_at(ctx, row.id, part.reads, body.at, "notes") if piecewise else mei_of(ctx, row)
        return FrameRead(title=part.title, svg=services.engraver.svg(mei, width, wall=True))
    if part.piece is not None:
        return FrameRead(title=part.piece.title, question=part.piece.question)
    if part.song is None:
        wall = part.opened if body.open else part.wall
        return FrameRead(title=part.title, **wall.model_dump(exclude={"waits"}))
    several = len(part.song.parts) > 1 and not body.alone
    song, variant = songbook.in_book(ctx, part.song.id), Variant(part=body.part)
    a = seen(song, variant, ctx.sequence.wording.minor)
    lines = any(bar.line_end for bar in a.tune.bars)
    music = engraved(song, variant, under(a, [], True, ctx.sequence.wording), body.alone)
    svg = services.engraver.svg(music, WALL_OF_PARTS if several else WALL, lines, True)
    return FrameRead(title=part.song.title, svg=svg)
