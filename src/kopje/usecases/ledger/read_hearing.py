"""Whom to hear in a part of a lesson, and what is listened for."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.marks import Help, Voices
from kopje.core.ledger.rota import Place, Waiting, queue
from kopje.core.ledger.standing import NOT_HEARD, Standing, is_due
from kopje.core.reasons import unpacked
from kopje.core.sequence.concepts import Concept, Way
from kopje.core.sequence.section_state import due
from kopje.store import events, ledger, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_lesson import LessonView, PartView, lesson
from kopje.usecases.snapshot import Before, SectionNow


@dataclass(frozen=True, slots=True)
class Hearing:
    """What is listened for in a part, the whole roll in the order to hear it, and the marks that were made
    in the lesson."""

    concept: Concept
    way: Way
    voices: Voices
    help: Help
    queue: tuple[Place, ...]
    marks: tuple[ClassEvent, ...]


def hearing(ctx: Context, lesson_id: UUID, part_id: UUID) -> Hearing:
    """Concept, way and help are set by the activity; without a concept of its own, by what is due."""
    return hearing_in(ctx, lesson(ctx, lesson_id), part_id)


def hearing_in(ctx: Context, seen: LessonView, part_id: UUID) -> Hearing:
    """The same for a lesson that was read before."""
    part = next((one for one in seen.parts if one.id == part_id), None)
    if part is None:
        raise NotFoundError("no_such_part", value=str(part_id))
    concept, item = _listened_for(seen, part), seen.section.school.repertoire.known(part.choice.activity)
    if concept is None or item is None:
        raise NotFoundError("nothing_to_hear")
    counting = standing_events(events.of_lessons(ctx.session, [seen.id]))
    marks = tuple(event for event in counting if event.kind == "marked")
    order = _queue(ctx, seen, concept, {mark.child or "" for mark in marks}, set(seen.absent))
    return Hearing(concept, item.way, item.voices, item.help, order, marks)


def _listened_for(seen: LessonView, part: PartView) -> Concept | None:
    now = seen.section
    own = now.sequence.by_key.get(part.choice.concept or "")
    if own is not None:
        return own
    first = next(iter(due(now.state, now.laid_in(seen.day, seen.starts))), None)
    return first.concept if first else None


def _queue(
    ctx: Context, seen: LessonView, concept: Concept, heard: set[str], absent: set[str]
) -> tuple[Place, ...]:
    """The whole roll, four by four, so that the next name is up at once."""
    now = seen.section
    roll = sections.roll(ctx.session, now.id, seen.day)
    last = ledger.last_heard_alone(ctx.session, now.id, seen.day)
    standings = ledger.standings_in(ctx.session, now.id, concept.key, seen.day)
    before = Before(ctx, [now.row])
    days = [x.day for x in now.facts.over]
    waiting = [
        _waiting(now, child, last.get(child.id), standings.get(child.id), before, days) for child in roll
    ]
    order: list[Place] = []
    while four := queue(waiting, absent, heard | {place.child for place in order}):
        order += four
    return tuple(order)


def _waiting(
    now: SectionNow,
    child: t.Child,
    last: date | None,
    row: t.StandingRow | None,
    before: Before,
    days: Sequence[date],
) -> Waiting:
    found = standing_of(row)
    due_now = is_due(found.level, found.last_full, before.child(str(child.id), now.id))
    since = last or child.joined
    return Waiting(str(child.id), child.name, last, found, due_now, sum(day > since for day in days))


def standing_of(row: t.StandingRow | None) -> Standing:
    """A standing as it is kept."""
    if row is None:
        return NOT_HEARD
    return Standing(row.level, tuple(map(unpacked, row.reasons)), row.partly, row.last_full)  # type: ignore[arg-type]  # a level as it was stored
