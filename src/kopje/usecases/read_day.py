"""The strip: who comes through the door today, or on the next day with lessons."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, time

from kopje.store import lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar


@dataclass(frozen=True, slots=True)
class Entry:
    """One section at its time; `lesson` is its open lesson if that falls on the day."""

    section: t.Section
    starts: time
    lesson: t.Lesson | None
    left_over: int


@dataclass(frozen=True, slots=True)
class Day:
    day: date
    entries: tuple[Entry, ...]
    never: tuple[str, ...]  # sections without meeting times


def day(call: Call) -> Day:
    """Today, or the next day on which anybody has a lesson."""
    by_id = {section.id: section for section in sections.sections(call.session, call.school_id)}
    cal = calendar(call)
    coming = [(at, key) for key in by_id for at in cal.lessons(key) if at.day >= call.today]
    shown = min((at.day for at, _ in coming), default=call.today)
    open_lessons = lessons.open_lessons(call.session, call.school_id)
    owed = lessons.left_over_counts(call.session, call.school_id)
    entries = []
    for at, key in coming:
        if at.day == shown:
            lesson = open_lessons.get(key)
            here = lesson if lesson and (lesson.day, lesson.starts) == (shown, at.starts) else None
            entries.append(Entry(by_id[key], at.starts, here, owed.get(key, 0)))
    never = tuple(one.name for key, one in by_id.items() if not cal.meetings.get(key))
    return Day(shown, tuple(sorted(entries, key=lambda entry: (entry.starts, entry.section.name))), never)
