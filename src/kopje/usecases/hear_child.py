"""Hearing single children: whom to hear, one mark a tap, undo, absent."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from kopje.core.errors import LessonError, MarkError, NotFoundError
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.core.ledger.rota import Place, Waiting, queue
from kopje.core.ledger.standing import NOT_HEARD, Standing
from kopje.core.planning.catalogue import activity
from kopje.core.sequence.arcs import due
from kopje.core.sequence.concepts import Concept, Way
from kopje.store import ledger, lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.section_state import state_of
from kopje.usecases.standings import refresh

SAME = ("child_id", "lesson_id", "concept", "way", "voices", "help", "result")


@dataclass(frozen=True, slots=True)
class Hearing:
    """What is listened for in a cell, and the whole roll in the order to hear it."""

    concept: Concept
    way: Way
    voices: Voices
    help: Help
    queue: tuple[Place, ...]


def listening_for(call: Call, lesson: t.Lesson, cell: t.Cell) -> Hearing | None:
    """Concept, way and help are set by the activity; without a concept of its own, by what is due."""
    section = sections.section(call.session, call.school_id, lesson.section_id)
    concept = call.sequence.by_key.get(cell.concept or "")
    if concept is None:
        first = next(iter(due(state_of(call, section))), None)
        concept = first.concept if first else None
    if concept is None:
        return None
    item = activity(cell.activity)
    return Hearing(concept, item.way, item.voices, item.help, _queue(call, lesson, concept))


def _queue(call: Call, lesson: t.Lesson, concept: Concept) -> tuple[Place, ...]:
    """The whole roll, four by four, so that the next name is up at once."""
    roll = sections.roll(call.session, lesson.section_id, lesson.day)
    ids = [child.id for child in roll]
    last = ledger.last_heard_alone(call.session, ids)
    standings = {
        row.child_id: Standing(row.level, row.flag, row.sentence)  # type: ignore[arg-type]
        for row in ledger.standings_of(call.session, lesson.section_id, lesson.day)
        if row.concept == concept.key
    }
    days = lessons.days_done(call.session, lesson.section_id)
    waiting = [
        Waiting(
            str(c.id),
            c.name,
            last.get(c.id),
            standings.get(c.id, NOT_HEARD),
            _waited(c, last.get(c.id), days),
        )
        for c in roll
    ]
    heard = {str(mark.child_id) for mark in ledger.lesson_marks(call.session, lesson.id)}
    absent = {str(child) for child in lessons.absent(call.session, lesson.id)}
    order: list[Place] = []
    while four := queue(waiting, absent, heard | {place.child for place in order}):
        order += four
    return tuple(order)


def _waited(child: t.Child, last: datetime | None, days: Sequence[date]) -> int:
    """Lessons of the section since the child was last heard alone, or since it joined."""
    since = last.astimezone().date() if last else child.joined
    return sum(day > since for day in days)


@dataclass(frozen=True, slots=True)
class MarkCommand:
    """One mark as the browser sends it; `help` None means what the activity gives."""

    id: UUID
    lesson_id: UUID
    cell_id: UUID
    child_id: UUID
    concept: str
    result: Result
    help: Help | None
    moment: datetime


def mark(call: Call, command: MarkCommand) -> t.Mark:
    """Keep a mark. The same mark sent again changes nothing; an id is never used for another mark."""
    lesson = lessons.lesson(call.session, call.school_id, command.lesson_id)
    cell = lessons.cell(call.session, call.school_id, lesson.id, command.cell_id)
    child = sections.child(call.session, call.school_id, command.child_id)
    if lesson.state == "planned":
        raise LessonError("The lesson has not started, so nobody can be marked yet. Start it first.")
    if not sections.belongs(call.session, child, lesson.section_id):
        raise MarkError(f"{child.name} is not in this section. The mark was not kept.", value=str(child.id))
    call.sequence.concept(command.concept)
    item = activity(cell.activity)
    row = t.Mark(
        id=command.id, school_id=call.school_id, child_id=child.id, lesson_id=lesson.id, activity=item.key,
        concept=command.concept, way=item.way, voices=item.voices, help=command.help or item.help,
        result=command.result, moment=_plausible(command.moment, call.now), received=call.now,
        teacher_id=call.teacher_id, withdrawn=None,
    )  # fmt: skip
    there = ledger.mark_anywhere(call.session, command.id)
    if there is not None:
        return _sent_again(call, there, row)
    call.session.add(row)
    absence = lessons.absence(call.session, lesson.id, child.id)
    if absence is not None:
        call.session.delete(absence)
    call.session.flush()
    refresh(call, lesson.section_id, [child.id], [command.concept])
    return row


def _plausible(moment: datetime, now: datetime) -> datetime:
    """A tablet's clock may be wrong; a mark from the future is dated now."""
    return min(moment, now)


def _sent_again(call: Call, there: t.Mark, again: t.Mark) -> t.Mark:
    if there.school_id != call.school_id:
        raise NotFoundError("There is no such mark in your school.", value=str(there.id))
    if any(getattr(there, name) != getattr(again, name) for name in SAME):
        raise MarkError(
            "This mark was kept already with other contents. The first one stands.", value=str(there.id)
        )
    return there


def withdraw(call: Call, mark_id: UUID) -> t.Mark:
    """Take a mark back. The row stays, with the moment it was taken back."""
    row = ledger.mark(call.session, call.school_id, mark_id)
    if row.withdrawn is None:
        row.withdrawn = call.now
        call.session.flush()
        lesson = lessons.lesson(call.session, call.school_id, row.lesson_id)
        refresh(call, lesson.section_id, [row.child_id], [row.concept])
    return row


def absent(call: Call, lesson_id: UUID, child_id: UUID, is_absent: bool) -> None:
    """Absent is not a mark: the queue passes over the child, and nothing else changes."""
    lesson = lessons.lesson(call.session, call.school_id, lesson_id)
    child = sections.child(call.session, call.school_id, child_id)
    if not sections.belongs(call.session, child, lesson.section_id):
        raise MarkError(f"{child.name} is not in this section. Nothing was changed.", value=str(child.id))
    there = lessons.absence(call.session, lesson_id, child_id)
    if is_absent and there is None:
        call.session.add(t.Absence(lesson_id=lesson_id, child_id=child_id, school_id=call.school_id))
    elif not is_absent and there is not None:
        call.session.delete(there)
    call.session.flush()
