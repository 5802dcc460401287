"""Proposing the next lesson of a section, and changing the proposal: swap, pin, refuse."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import asdict, replace
from uuid import UUID

from kopje.core.errors import LessonError, PlanError
from kopje.core.planning import lesson as plan_values
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.catalogue import activity
from kopje.core.planning.composer import alternatives, compose
from kopje.core.planning.lesson import Choice, LeftOver, LessonPlan, LessonQuestion
from kopje.core.planning.template import available
from kopje.core.reasons import Reason
from kopje.core.sequence.arcs import due
from kopje.core.sequence.concepts import ConceptKey
from kopje.store import lessons, sections, year
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar
from kopje.usecases.section_state import songs_met, state_of
from kopje.usecases.section_year import laid_in
from kopje.usecases.songbook import cards

OWED = {None: "not reached", "partly": "done only partly", "skipped": "skipped"}


def propose(call: Call, section_id: UUID) -> t.Lesson:
    """Propose the section's next lesson, or propose it anew around what is pinned."""
    section = sections.section(call.session, call.school_id, section_id)
    lesson = lessons.open_lesson(call.session, section_id)
    if lesson is not None and lesson.state == "running":
        raise LessonError(f"{section.name} is in its lesson now. End it first; nothing was changed.")
    if lesson is None:
        lesson = _new_lesson(call, section)
    question = question_of(call, section, lesson)
    plan = compose(question)
    pinned = set(question.pins)
    lessons.clear_cells(call.session, lesson.id)
    lesson.status, lesson.unmet = plan.status, [asdict(reason) for reason in plan.unmet]
    for cell in plan.cells:
        call.session.add(_row(call, lesson, cell, cell.index in pinned))
    call.session.flush()
    return lesson


def next_lesson_time(call: Call, section: t.Section) -> LessonTime:
    """The first lesson of the calendar from today on that was not held yet; PlanError without one."""
    cal = calendar(call)
    if not cal.meetings.get(section.id):
        raise PlanError(f"{section.name} has no meeting times yet. Add them in Set-up, then ask again.")
    held = set(year.held(call.session, section.id))
    coming = (
        one for one in cal.lessons(section.id) if one.day >= call.today and (one.day, one.starts) not in held
    )
    found = next(coming, None)
    if found is None:
        raise PlanError(
            f"{section.name} has no lesson left this year. Look at the terms in Set-up, then ask again."
        )
    return found


def _new_lesson(call: Call, section: t.Section) -> t.Lesson:
    found = next_lesson_time(call, section)
    lesson = t.Lesson(
        id=call.new_id(), school_id=call.school_id, section_id=section.id, day=found.day, starts=found.starts,
        minutes=found.minutes or section.minutes, state="planned", status="best_found", unmet=[], note="", started=None, ended=None,
    )  # fmt: skip
    call.session.add(lesson)
    call.session.flush()
    return lesson


def question_of(call: Call, section: t.Section, lesson: t.Lesson) -> LessonQuestion:
    """Everything the composer may know about this lesson."""
    last = lessons.last_done(call.session, section.id)
    before = lessons.cells(call.session, last.id) if last else ()
    state, met = state_of(call, section), songs_met(call, section.id)
    laid = laid_in(call, section.id, lesson.day, lesson.starts)
    return LessonQuestion(
        state=state,
        laid=laid,
        minutes=lesson.minutes,
        songs=cards(call, state, (item.concept for item in due(state, laid)), met),
        met=met,
        done=sections.activities_done(call.session, section.id),
        lately=frozenset(cell.activity for cell in before if cell.tick == "done"),
        left_over=_left_over(before, last),
        pins={c.position: choice_of(c) for c in lessons.cells(call.session, lesson.id) if c.pinned},
        refused=frozenset((a, str(s) if s else None) for a, s in sections.refusals(call.session, section.id)),
        today=lesson.day,
    )


def _left_over(cells: Iterable[t.Cell], lesson: t.Lesson | None) -> tuple[LeftOver, ...]:
    """What was not done last time comes to the front, once."""
    if lesson is None:
        return ()
    return tuple(
        LeftOver(choice_of(cell), cell.role, f"Left over from {lesson.day:%A}: {OWED[cell.tick]}.")  # type: ignore[arg-type]
        for cell in cells
        if cell.tick in OWED and not cell.left_over
    )


def choice_of(cell: t.Cell) -> Choice:
    return Choice(
        cell.activity,
        str(cell.song_id) if cell.song_id else None,
        ConceptKey(cell.concept) if cell.concept else None,
        cell.purpose,  # type: ignore[arg-type]
    )


def _row(call: Call, lesson: t.Lesson, cell: plan_values.Cell, pinned: bool) -> t.Cell:
    return t.Cell(
        id=call.new_id(), school_id=call.school_id, lesson_id=lesson.id, position=cell.index, tick=None,
        left_over=cell.left_over, pinned=pinned, **_filling(cell),
    )  # fmt: skip


def _filling(cell: plan_values.Cell) -> dict[str, object]:
    return {
        "slot": cell.slot,
        "role": cell.role,
        "activity": cell.choice.activity,
        "song_id": UUID(cell.choice.song) if cell.choice.song else None,
        "concept": cell.choice.concept,
        "purpose": cell.choice.purpose,
        "minutes": cell.minutes,
        "new": cell.new,
        "reasons": [asdict(reason) for reason in cell.reasons],
    }


def plan_of(lesson: t.Lesson, cells: Iterable[t.Cell]) -> LessonPlan:
    """The stored lesson as the composer's value."""
    values = tuple(
        plan_values.Cell(
            c.position, c.slot, c.role, choice_of(c), activity(c.activity), c.minutes, c.new, c.left_over,  # type: ignore[arg-type]
            tuple(Reason(**reason) for reason in c.reasons),
        )
        for c in cells
    )  # fmt: skip
    total = sum(cell.minutes for cell in values)
    return LessonPlan(values, total, available(lesson.minutes, len(values)), "best_found", ())


def alternatives_for(call: Call, lesson_id: UUID, cell_id: UUID) -> tuple[plan_values.Cell, ...]:
    """What else could stand in one cell, best first, each with its reasons."""
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    cell = lessons.cell(call.session, call.school_id, lesson_id, cell_id)
    section = sections.section(call.session, call.school_id, lesson.section_id)
    cells = lessons.cells(call.session, lesson_id)
    place = next(i for i, c in enumerate(cells) if c.id == cell.id)
    return alternatives(question_of(call, section, lesson), plan_of(lesson, cells), place)


def swap(call: Call, lesson_id: UUID, cell_id: UUID, choice: Choice) -> None:
    """Put an offered alternative into a cell. It is the teacher's choice now, so it is pinned."""
    offered = alternatives_for(call, lesson_id, cell_id)
    found = next((cell for cell in offered if cell.choice == choice), None)
    if found is None:
        raise PlanError("That is no longer offered here. Nothing was changed; open the alternatives again.")
    row = _planned_cell(call, lesson_id, cell_id)
    chosen = Reason("chosen", "cell", "You chose it.", "for")
    for name, value in _filling(replace(found, reasons=(chosen, *found.reasons))).items():
        setattr(row, name, value)
    row.pinned, row.left_over = True, False
    call.session.flush()


def pin(call: Call, lesson_id: UUID, cell_id: UUID, pinned: bool) -> None:
    _planned_cell(call, lesson_id, cell_id).pinned = pinned
    call.session.flush()


def refuse(call: Call, lesson_id: UUID, cell_id: UUID) -> None:
    """Refuse what a cell holds, for this section; the lesson is proposed anew without it."""
    cell = _planned_cell(call, lesson_id, cell_id)
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    cell.pinned = False
    call.session.add(
        t.Refusal(id=call.new_id(), school_id=call.school_id, section_id=lesson.section_id, activity=cell.activity,
                  song_id=cell.song_id, moment=call.now)
    )  # fmt: skip
    call.session.flush()
    propose(call, lesson.section_id)


def _planned_cell(call: Call, lesson_id: UUID, cell_id: UUID) -> t.Cell:
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    if lesson.state == "done":
        raise LessonError("This lesson is over and stays as it was taught. Change the next one instead.")
    return lessons.cell(call.session, call.school_id, lesson_id, cell_id)
