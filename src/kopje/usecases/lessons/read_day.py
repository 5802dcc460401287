"""The strip: who comes through the door today, or on the next day with lessons."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, time
from uuid import UUID

from kopje.usecases.context import Context
from kopje.usecases.snapshot import Planned, SectionNow, snapshot


@dataclass(frozen=True, slots=True)
class Entry:
    """One section at its time; `lesson_id` and `state` of the lesson then, if one is planned or began:
    planned, running, done, not_held. `left_over`: how many parts come again in it."""

    section: SectionNow
    starts: time
    lesson_id: UUID | None
    state: str | None
    left_over: int


@dataclass(frozen=True, slots=True)
class Day:
    day: date
    entries: tuple[Entry, ...]
    never: tuple[str, ...]  # sections without meeting times


def day(ctx: Context) -> Day:
    """Today, or the next day on which anybody has a lesson; of the sections that are theirs who ask."""
    found = snapshot(ctx, judged=False)
    mine = [one for one in found.sections if ctx.room.lists(one.id)]
    coming = [(at, one) for one in mine for at in one.lessons if at.day >= ctx.today]
    shown = ctx.today if ctx.room.walled else min((at.day for at, _ in coming), default=ctx.today)
    entries = [entry(one, at.day, at.starts) for at, one in coming if at.day == shown]
    never = tuple(one.name for one in mine if not found.calendar.meetings.get(one.id))
    return Day(shown, tuple(sorted(entries, key=lambda one: (one.starts, one.section.name))), never)


def lessons_on(ctx: Context, day: date) -> list[UUID]:
    """The lessons of a day that are planned or began, by time."""
    found = snapshot(ctx, judged=False)
    if ctx.room.walled and day != ctx.today:
        return []
    mine = [one for one in found.sections if ctx.room.lists(one.id)]
    entries = [entry(one, at.day, at.starts) for one in mine for at in one.lessons if at.day == day]
    entries.sort(key=lambda one: (one.starts, one.section.name))
    return [one.lesson_id for one in entries if one.lesson_id is not None and one.state != "not_held"]


def entry(now: SectionNow, day: date, starts: time) -> Entry:
    """What is known of a section's lesson at a time."""
    held = next((x for x in now.facts.lessons if (x.day, x.starts) == (day, starts)), None)
    planned = now.planned_at(day, starts)
    if held is not None:
        return Entry(
            now, starts, UUID(held.id), held.state, owed_in(planned) if held.state == "running" else 0
        )
    if planned is not None:
        return Entry(now, starts, planned.id, "planned", owed_in(planned))
    first = now.next_time is not None and (now.next_time.day, now.next_time.starts) == (day, starts)
    return Entry(now, starts, None, None, len(now.facts.carried) if first else 0)


def owed_in(planned: Planned | None) -> int:
    """The parts of a planned lesson that were left over."""
    return sum(part.left_over for part in planned.parts) if planned else 0
