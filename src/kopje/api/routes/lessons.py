"""Lessons: proposing, changing, teaching, hearing."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter
from pydantic import Field

from kopje.api.deps import Work
from kopje.api.schemas.ledger import HearingRead, MarkBody, MarkRead
from kopje.api.schemas.lessons import (
    AlternativeRead,
    EndBody,
    LessonRead,
    PinBody,
    SwapBody,
    TickBody,
    lesson_read,
)
from kopje.core.errors import NotFoundError
from kopje.store import ledger, lessons, sections, songs
from kopje.store import tables as t
from kopje.usecases import hear_child, propose_lesson, teach_lesson
from kopje.usecases.call import Call

router = APIRouter(tags=["lessons"])
MarkId = Annotated[UUID, Field(description="Made in the browser.")]


def _read(call: Call, lesson: t.Lesson) -> LessonRead:
    section = sections.section(call.session, call.school_id, lesson.section_id)
    cells = list(lessons.cells(call.session, lesson.id))
    by_id = songs.by_id(call.session, call.school_id, (cell.song_id for cell in cells if cell.song_id))
    last = lessons.last_done(call.session, section.id)
    number = lessons.done_count(call.session, section.id) + (lesson.state != "done")
    return lesson_read(
        call, lesson, section, cells, by_id, number, last.note if last and last.id != lesson.id else ""
    )


@router.post("/sections/{section_id}/lesson", status_code=201, operation_id="proposeLesson")
def post_lesson(section_id: UUID, call: Work) -> LessonRead:
    return _read(call, propose_lesson.propose(call, section_id))


@router.get("/lessons/{lesson_id}", operation_id="lesson")
def get_lesson(lesson_id: UUID, call: Work) -> LessonRead:
    return _read(call, lessons.lesson(call.session, call.school_id, lesson_id))


@router.get("/lessons/{lesson_id}/cells/{cell_id}/alternatives", operation_id="alternatives")
def get_alternatives(lesson_id: UUID, cell_id: UUID, call: Work) -> list[AlternativeRead]:
    found = propose_lesson.alternatives_for(call, lesson_id, cell_id)
    by_id = songs.by_id(
        call.session, call.school_id, (UUID(cell.choice.song) for cell in found if cell.choice.song)
    )
    return [AlternativeRead.of(cell, by_id, call) for cell in found]


@router.post("/lessons/{lesson_id}/cells/{cell_id}/swap", operation_id="swapCell")
def post_swap(lesson_id: UUID, cell_id: UUID, body: SwapBody, call: Work) -> LessonRead:
    propose_lesson.swap(call, lesson_id, cell_id, body.value())
    return get_lesson(lesson_id, call)


@router.put("/lessons/{lesson_id}/cells/{cell_id}/pin", operation_id="pinCell")
def put_pin(lesson_id: UUID, cell_id: UUID, body: PinBody, call: Work) -> LessonRead:
    propose_lesson.pin(call, lesson_id, cell_id, body.pinned)
    return get_lesson(lesson_id, call)


@router.post("/lessons/{lesson_id}/cells/{cell_id}/refuse", operation_id="refuseCell")
def post_refuse(lesson_id: UUID, cell_id: UUID, call: Work) -> LessonRead:
    propose_lesson.refuse(call, lesson_id, cell_id)
    return get_lesson(lesson_id, call)


@router.post("/lessons/{lesson_id}/start", operation_id="startLesson")
def post_start(lesson_id: UUID, call: Work) -> LessonRead:
    return _read(call, teach_lesson.start(call, lesson_id))


@router.put("/lessons/{lesson_id}/cells/{cell_id}/tick", operation_id="tickCell")
def put_tick(lesson_id: UUID, cell_id: UUID, body: TickBody, call: Work) -> LessonRead:
    teach_lesson.tick(call, lesson_id, cell_id, body.tick)
    return get_lesson(lesson_id, call)


@router.post("/lessons/{lesson_id}/end", operation_id="endLesson")
def post_end(lesson_id: UUID, body: EndBody, call: Work) -> LessonRead:
    return _read(call, teach_lesson.end(call, lesson_id, body.note))


@router.get("/lessons/{lesson_id}/cells/{cell_id}/hearing", operation_id="hearing")
def get_hearing(lesson_id: UUID, cell_id: UUID, call: Work) -> HearingRead:
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    cell = lessons.cell(call.session, call.school_id, lesson_id, cell_id)
    hearing = hear_child.listening_for(call, lesson, cell)
    if hearing is None:
        raise NotFoundError("There is nothing due that could be heard now.")
    marks = [MarkRead.model_validate(mark) for mark in ledger.lesson_marks(call.session, lesson_id)]
    return HearingRead.of(hearing, marks)


@router.put("/marks/{mark_id}", operation_id="markChild")
def put_mark(mark_id: MarkId, body: MarkBody, call: Work) -> MarkRead:
    return MarkRead.model_validate(hear_child.mark(call, body.command(mark_id)))


@router.delete("/marks/{mark_id}", operation_id="withdrawMark")
def delete_mark(mark_id: UUID, call: Work) -> MarkRead:
    return MarkRead.model_validate(hear_child.withdraw(call, mark_id))


@router.put("/lessons/{lesson_id}/absences/{child_id}", status_code=204, operation_id="markAbsent")
def put_absence(lesson_id: UUID, child_id: UUID, call: Work) -> None:
    hear_child.absent(call, lesson_id, child_id, True)


@router.delete("/lessons/{lesson_id}/absences/{child_id}", status_code=204, operation_id="markPresent")
def delete_absence(lesson_id: UUID, child_id: UUID, call: Work) -> None:
    hear_child.absent(call, lesson_id, child_id, False)
