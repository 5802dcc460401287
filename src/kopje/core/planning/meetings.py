"""When a section meets: the weekly pattern laid over real days."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from datetime import date, time, timedelta


@dataclass(frozen=True, slots=True, order=True)
class Meeting:
    """A weekly meeting; weekday 0 is Monday."""

    weekday: int
    starts: time


def next_meeting(
    meetings: Iterable[Meeting], first_day: date, taken: Collection[tuple[date, time]] = ()
) -> tuple[date, time] | None:
    """The first meeting on or after a day that is not taken yet; None for a section that never meets."""
    pattern = sorted(meetings)
    if not pattern:
        return None
    for offset in range(7 * (len(taken) // len(pattern) + 2)):
        day = first_day + timedelta(days=offset)
        for meeting in pattern:
            if meeting.weekday == day.weekday() and (day, meeting.starts) not in taken:
                return day, meeting.starts
    return None


def next_school_day(weekdays: Collection[int], day: date) -> date:
    """That day, or the next one on which anybody meets.

    >>> next_school_day({0, 2}, date(2026, 11, 24)).isoformat()
    '2026-11-25'
    """
    for offset in range(7):
        candidate = day + timedelta(days=offset)
        if candidate.weekday() in weekdays:
            return candidate
    return day
