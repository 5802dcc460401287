"""The week: what meets when, what is due in each lesson, what must be set up between neighbouring ones."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.catalogue import activity
from kopje.core.reasons import listed
from kopje.core.sequence.concepts import Concept
from kopje.store import lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import Calendar, calendar
from kopje.usecases.section_year import SectionYear, section_year


@dataclass(frozen=True)
class WeekLesson:
    """`fetch`: what its activities need; `change`: what comes out and goes away since the lesson before."""

    section: t.Section
    time: LessonTime
    at_work: tuple[tuple[Concept, str], ...]
    lesson: t.Lesson | None
    left_over: int
    fetch: tuple[str, ...]
    change: str


@dataclass(frozen=True)
class WeekDay:
    """`holiday`: its name, or why the day is lost to all."""

    day: date
    holiday: str
    lessons: tuple[WeekLesson, ...]


def week(call: Call, day: date) -> tuple[WeekDay, ...]:
    """Monday to Friday of the week a day lies in (and Saturday or Sunday where something meets)."""
    cal = calendar(call)
    years = [section_year(call, one.id, cal) for one in sections.sections(call.session, call.school_id)]
    planned = lessons.open_lessons(call.session, call.school_id)
    owed = lessons.left_over_counts(call.session, call.school_id)
    monday = day - timedelta(days=day.weekday())
    found = []
    for offset in range(7):
        on = monday + timedelta(days=offset)
        entries = [
            _lesson(call, year, time, planned, owed)
            for year in years
            for time in year.lessons
            if time.day == on
        ]
        if entries or offset < 5:
            found.append(WeekDay(on, _holiday(cal, on), _with_changes(entries)))
    return tuple(found)


def _lesson(
    call: Call, year: SectionYear, time: LessonTime, planned: dict[UUID, t.Lesson], owed: dict[UUID, int]
) -> WeekLesson:
    arcs = year.plan.arcs if year.plan else ()
    work: list[tuple[Concept, str]] = [
        (call.sequence.concept(a.concept), a.phase(time.number) or "") for a in arcs if a.phase(time.number)
    ]
    if time.number < year.next_lesson:
        work = [
            (call.sequence.concept(x.concept), x.purpose) for x in year.touches if x.lesson == time.number
        ]
    lesson = planned.get(year.section.id)
    here = lesson if lesson and (lesson.day, lesson.starts) == (time.day, time.starts) else None
    fetch: tuple[str, ...] = ()
    if here is not None:
        cells = lessons.cells(call.session, here.id)
        fetch = tuple(dict.fromkeys(activity(c.activity).props for c in cells if activity(c.activity).props))
    return WeekLesson(
        year.section,
        time,
        tuple(dict.fromkeys(work)),
        here,
        owed.get(year.section.id, 0) if here else 0,
        fetch,
        "",
    )


def _with_changes(entries: list[WeekLesson]) -> tuple[WeekLesson, ...]:
    """What changes in the room from one lesson to the next."""
    order = sorted(entries, key=lambda one: (one.time.starts, one.section.name))
    before: set[str] = set()
    found = []
    for one in order:
        now = set(one.fetch)
        parts = [
            f"{word}: {listed(sorted(things))}"
            for word, things in (("out", now - before), ("away", before - now))
            if things
        ]
        found.append(
            WeekLesson(
                one.section, one.time, one.at_work, one.lesson, one.left_over, one.fetch, "; ".join(parts)
            )
        )
        before = now if one.lesson else before
    return tuple(found)


def _holiday(cal: Calendar, day: date) -> str:
    off = next((span.name for span in cal.year.holidays if span.holds(day)), "")
    lost = next(
        (c.why for c in cal.changes if c.kind == "lost" and c.section_id is None and c.day == day), ""
    )
    if off or lost:
        return off or lost
    return "" if any(term.holds(day) for term in cal.year.terms) else "no term"
