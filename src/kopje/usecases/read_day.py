"""The strip: who comes through the door today, or on the next day with lessons."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, time

from kopje.core.planning.meetings import next_school_day
from kopje.store import lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call


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


def day(call: Call) -> Day:
    by_id = {section.id: section for section in sections.sections(call.session, call.school_id)}
    every = sections.meetings(call.session, call.school_id)
    shown = next_school_day({meeting.weekday for meeting in every}, call.today)
    open_lessons = lessons.open_lessons(call.session, call.school_id)
    owed = lessons.left_over_counts(call.session, call.school_id)
    entries = []
    for meeting in every:
        if meeting.weekday == shown.weekday():
            lesson = open_lessons.get(meeting.section_id)
            here = lesson if lesson and (lesson.day, lesson.starts) == (shown, meeting.starts) else None
            entries.append(
                Entry(by_id[meeting.section_id], meeting.starts, here, owed.get(meeting.section_id, 0))
            )
    return Day(shown, tuple(sorted(entries, key=lambda entry: (entry.starts, entry.section.name))))
