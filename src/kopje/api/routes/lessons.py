"""Lessons: proposing, changing, looking, whom to hear."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Body, Query, Response

from kopje.api.deps import AtDesk, Provided, Work
from kopje.api.problems import answers
from kopje.api.schemas.base import Day
from kopje.api.schemas.ledger import HearingRead
from kopje.api.schemas.lesson_parts import Things
from kopje.api.schemas.lessons import (
    AlternativeRead,
    LateRead,
    LessonRead,
    PinBody,
    ProposeBody,
    SeenBody,
    SwapBody,
)
from kopje.engraving.printing import Paper
from kopje.usecases.context import Context
from kopje.usecases.ledger import read_hearing
from kopje.usecases.lessons import print_lessons, propose_lesson, read_late, read_lesson

router = APIRouter(tags=["lessons"])
Asked = Annotated[str | None, Query(min_length=1, max_length=60, examples=["re"])]


def _read(ctx: Context, lesson_id: UUID) -> LessonRead:
    found = read_lesson.lesson(ctx, lesson_id)
    return LessonRead.of(found, Things.of(ctx, (part.material for part in found.parts)), ctx.words)


@router.post(
    "/sections/{section_id}/lesson", status_code=201, operation_id="proposeLesson", summary="Propose a lesson"
)
def post_lesson(
    section_id: UUID,
    desk: AtDesk,
    body: Annotated[ProposeBody, Body()] = ProposeBody(),  # noqa: B008  # FastAPI wants the default here
) -> LessonRead:
    """Propose the next lesson, or the one at a time; anew where it was proposed already, around what is
    pinned."""
    lesson_id = propose_lesson.propose(desk, section_id, body.when, body.version)
    with desk.look() as ctx:
        return _read(ctx, lesson_id)


@router.get("/lessons/{lesson_id}", operation_id="lesson", summary="One lesson with its parts")
def get_lesson(lesson_id: UUID, ctx: Work) -> LessonRead:
    return _read(ctx, lesson_id)


@router.get(
    "/lessons/{lesson_id}/parts/{part_id}/alternatives",
    operation_id="alternatives",
    summary="What would fit instead of a part",
)
def get_alternatives(lesson_id: UUID, part_id: UUID, ctx: Work) -> list[AlternativeRead]:
    found = propose_lesson.alternatives_for(ctx, lesson_id, part_id)
    things = Things.of(ctx, (part.choice.material for part in found))
    return [AlternativeRead.of(part, things, ctx.words) for part in found]


@router.post(
    "/lessons/{lesson_id}/parts/{part_id}/swap",
    operation_id="swapPart",
    summary="Put something else in the place of a part",
)
def post_swap(lesson_id: UUID, part_id: UUID, body: SwapBody, ctx: Work) -> LessonRead:
    propose_lesson.swap(ctx, lesson_id, part_id, body.value(), body.version)
    return _read(ctx, lesson_id)


@router.put(
    "/lessons/{lesson_id}/parts/{part_id}/pin", operation_id="pinPart", summary="Pin a part, or let it go"
)
def put_pin(lesson_id: UUID, part_id: UUID, body: PinBody, ctx: Work) -> LessonRead:
    propose_lesson.pin(ctx, lesson_id, part_id, body.pinned, body.version)
    return _read(ctx, lesson_id)


@router.post(
    "/lessons/{lesson_id}/parts/{part_id}/refuse",
    operation_id="refusePart",
    summary="Refuse a part: it does not come back for this section",
)
def post_refuse(lesson_id: UUID, part_id: UUID, body: SeenBody, desk: AtDesk) -> LessonRead:
    propose_lesson.refuse(desk, lesson_id, part_id, body.version)
    with desk.look() as ctx:
        return _read(ctx, lesson_id)


@router.get(
    "/lessons/{lesson_id}/parts/{part_id}/hearing", operation_id="hearing", summary="Whom to hear in a part"
)
def get_hearing(
    lesson_id: UUID, part_id: UUID, ctx: Work, concept: Asked = None, order: read_hearing.Order = "rota"
) -> HearingRead:
    """By the rota or as they sit; `concept`: another one than the part's own."""
    found = read_hearing.hearing(ctx, lesson_id, part_id, concept, order)
    return HearingRead.of(found, ctx.words, ctx.room)


@router.get(
    "/lessons/{lesson_id}/late",
    operation_id="lateLesson",
    summary="What a lesson does without when its minutes have become too few",
)
def get_late(lesson_id: UUID, ctx: Work) -> LateRead:
    """Of the lesson that is running, by the school's clock."""
    return LateRead.of(read_late.late(ctx, lesson_id), ctx.habits.repertoire, ctx.words)


@router.get(
    "/lessons/{lesson_id}/print",
    operation_id="printLesson",
    summary="A lesson as PDF, to be run from paper",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_lesson_print(lesson_id: UUID, ctx: Work, services: Provided, paper: Paper = "A4") -> Response:
    sheet = print_lessons.lesson_sheet(ctx, lesson_id)
    return Response(services.printer.pdf([sheet], paper), media_type="application/pdf")


@router.get(
    "/day/print",
    operation_id="printDay",
    summary="All lessons of a day as PDF, for a substitute",
    response_class=Response,
    responses=answers("application/pdf"),
)
def get_day_print(
    ctx: Work, services: Provided, day: Annotated[Day | None, Query()] = None, paper: Paper = "A4"
) -> Response:
    """Of today, or of the day asked for."""
    sheets = print_lessons.day_sheets(ctx, day or ctx.today)
    return Response(services.printer.pdf(sheets, paper), media_type="application/pdf")
