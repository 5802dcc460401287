"""The week: what meets when, what is due in each lesson, what must be set up between neighbouring ones."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date, timedelta

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.facts import monday
from kopje.core.reasons import Param, because
from kopje.core.sequence.concepts import Concept
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_day import Entry, entry
from kopje.usecases.lessons.read_fetch import Needs, change_between, needs_of
from kopje.usecases.setup.school_calendar import Calendar
from kopje.usecases.snapshot import snapshot
from kopje.usecases.year.section_year import SectionYear, school_years


@dataclass(frozen=True)
class WeekLesson:
    """`needs`: what its activities need; `change`: what comes out and goes away since the lesson before."""

    entry: Entry
    time: LessonTime
    at_work: tuple[tuple[Concept, str], ...]
    needs: Needs
    change: Param | None = None


@dataclass(frozen=True)
class WeekDay:
    """`holiday`: its name, or why the day is lost to all; None on a usual day."""

    day: date
    holiday: Param | None
    lessons: tuple[WeekLesson, ...]


def week(ctx: Context, day: date) -> tuple[WeekDay, ...]:
    """Monday to Friday of the week a day lies in (and Saturday or Sunday where something meets)."""
    seen = snapshot(ctx)
    years = [one for one in school_years(ctx, seen) if ctx.room.lists(one.now.id)]
    found = []
    for offset in range(7):
        on = monday(day) + timedelta(days=offset)
        entries = [_lesson(year, time) for year in years for time in year.lessons if time.day == on]
        if entries or offset < 5:
            found.append(WeekDay(on, _holiday(seen.calendar, on), _with_changes(entries)))
    return tuple(found)


def _lesson(year: SectionYear, time: LessonTime) -> WeekLesson:
    here = entry(year.now, time.day, time.starts)
    planned = year.now.planned_at(time.day, time.starts)
    return WeekLesson(here, time, at_work(year, time.number), needs_of(year.now, planned))


def at_work(year: SectionYear, number: int) -> tuple[tuple[Concept, str], ...]:
    """What was taught in a lesson that is over, or what the plan has in one that comes."""
    concept = year.now.sequence.concept
    if number < year.next_lesson:
        return tuple(
            dict.fromkeys((concept(x.concept), x.purpose) for x in year.taught_concepts if x.lesson == number)
        )
    arcs = year.plan.arcs if year.plan else ()
    return tuple(dict.fromkeys((concept(a.concept), p) for a in arcs if (p := a.phase(number))))


def _with_changes(entries: list[WeekLesson]) -> tuple[WeekLesson, ...]:
    """What changes in the room from one lesson to the next."""
    order = sorted(entries, key=lambda one: (one.time.starts, one.entry.section.name))
    before, found = Needs(), []
    for one in order:
        found.append(replace(one, change=change_between(before, one.needs)))
        before = one.needs if one.entry.lesson_id else before
    return tuple(found)


def _holiday(cal: Calendar, day: date) -> Param | None:
    off = next((span.name for span in cal.year.holidays if span.holds(day)), "")
    lost = next(
        (c.why for c in cal.changes if c.kind == "lost" and c.section_id is None and c.day == day), ""
    )
    if off or lost:
        return off or lost
    return None if any(term.holds(day) for term in cal.year.terms) else because("no_term")
