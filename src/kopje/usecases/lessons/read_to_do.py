"""What waits for the teacher's word: lessons that were never opened, and what helps most next."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.next_thing import Brief, NextThing, next_thing
from kopje.store import people, plans, songs
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, snapshot

ASKED_FOR = timedelta(days=14)  # a lesson that lies further back is not asked about any more


@dataclass(frozen=True, slots=True)
class Unopened:
    """A lesson that is over by the clock and that nobody opened; `lesson_id` None where none was planned."""

    section: SectionNow
    at: LessonTime
    minutes: int
    lesson_id: UUID | None


@dataclass(frozen=True, slots=True)
class ToDo:
    """`unopened`: the latest first."""

    unopened: tuple[Unopened, ...]
    next: NextThing | None


def to_do(ctx: Context) -> ToDo:
    seen = snapshot(ctx, judged=False)
    since = max(people.school(ctx.session, ctx.school_id).created, ctx.now - ASKED_FOR)
    planned = plans.between(ctx.session, ctx.school_id, since.date(), ctx.today)
    found = [
        Unopened(one, at, at.minutes or one.minutes, planned.get((one.id, at.day, at.starts)))
        for one in seen.sections
        if ctx.room.lists(one.id)
        for at in one.lessons
        if since.date() <= at.day <= ctx.today and _over(ctx, one, at, since)
    ]
    found.sort(key=lambda one: (one.at.day, one.at.starts, one.section.name), reverse=True)
    count = songs.count(ctx.session, ctx.school_id)
    return ToDo(
        tuple(found), next_thing(count, [_brief(one) for one in seen.sections if ctx.room.lists(one.id)])
    )


def _over(ctx: Context, section: SectionNow, at: LessonTime, since: datetime) -> bool:
    """It began after this school was here, it has ended, and nothing is known of it."""
    begins = datetime.combine(at.day, at.starts, ctx.now.tzinfo)
    known = {(one.day, one.starts) for one in section.facts.lessons}
    ended = begins + timedelta(minutes=at.minutes or section.minutes) <= ctx.now
    return ended and begins >= since and (at.day, at.starts) not in known


def _brief(now: SectionNow) -> Brief:
    return Brief(
        str(now.id),
        now.name,
        now.grade,
        bool(now.calendar.meetings.get(now.id)),
        len(now.facts.songs) + len(now.row.declared),
        len(now.facts.over),
        len(now.planned),
        now.plan is not None,
    )
