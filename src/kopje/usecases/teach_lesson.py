"""Running a lesson: start, tick, end."""

from __future__ import annotations

from uuid import UUID

from kopje.core.errors import LessonError
from kopje.store import lessons
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.plan_year import keep_up
from kopje.usecases.standings import refresh_section


def start(call: Call, lesson_id: UUID) -> t.Lesson:
    """Start a planned lesson; a running one stays as it is."""
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    if lesson.state == "done":
        raise LessonError("This lesson is over. Propose the next one instead.")
    if lesson.state == "planned":
        lesson.state, lesson.started = "running", call.now
    call.session.flush()
    return lesson


def tick(call: Call, lesson_id: UUID, cell_id: UUID, how: str | None) -> t.Cell:
    """Tick a cell done, partly or skipped; None takes the tick back. Also after the lesson, to put it right."""
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    if lesson.state == "planned":
        raise LessonError("The lesson has not started, so nothing can be ticked yet. Start it first.")
    cell = lessons.cell(call.session, call.school_id, lesson_id, cell_id)
    cell.tick = how
    call.session.flush()
    return cell


def end(call: Call, lesson_id: UUID, note: str) -> t.Lesson:
    """End a lesson. Nothing is ticked by itself: what was not reached stays open and is carried over."""
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    if lesson.state == "planned":
        raise LessonError("The lesson has not started. Start it first; nothing was changed.")
    if lesson.state == "running":
        lesson.state, lesson.ended = "done", call.now
    lesson.note = note
    call.session.flush()
    refresh_section(call, lesson.section_id)
    keep_up(call, lesson.section_id)
    return lesson
