"""Which lessons a section really has: meeting pattern over terms, minus holidays and losses, plus extra ones.

Source: docs/sources.md#calendar.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date, time, timedelta
from functools import cached_property, lru_cache

from kopje.core.errors import CalendarError
from kopje.core.planning.meetings import Meeting
from kopje.core.reasons import because

LONGEST_YEAR = 550  # days; a longer span is a slip of the pen
SCHOOL_WEEKDAYS = 5


@dataclass(frozen=True, slots=True, order=True)
class Span:
    """Days from `first` to `last`, both included."""

    first: date
    last: date
    name: str = ""

    def __post_init__(self) -> None:
        if self.last < self.first:
            raise CalendarError(
                "span_backwards",
                name=self.name or because("this_span"),
                first=self.first,
                last=self.last,
                value=self.name,
            )

    def holds(self, day: date) -> bool:
        return self.first <= day <= self.last


@dataclass(frozen=True, slots=True, order=True)
class LessonTime:
    """One lesson of a section, with its number in the year from 1; `minutes` None: the section's usual
    length."""

    day: date
    starts: time
    number: int = 0
    minutes: int | None = None


@dataclass(frozen=True, slots=True)
class LessonChange:
    """A one-off: a lesson lost (`starts` None: the whole day) or an extra one."""

    day: date
    starts: time | None
    why: str = ""


@dataclass(frozen=True)
class SchoolYear:
    """Terms and holidays. `cycle` 0: meetings are by weekday; n: by school day 0..n-1 of a cycle that goes
    on over holidays, counted from the first school day of the year."""

    terms: tuple[Span, ...]
    holidays: tuple[Span, ...] = ()
    cycle: int = 0

    def __post_init__(self) -> None:
        if not 0 <= self.cycle <= 20:
            raise CalendarError("cycle_days", days=self.cycle, value=self.cycle)
        for one, other in zip(sorted(self.terms), sorted(self.terms)[1:], strict=False):
            if other.first <= one.last:
                raise CalendarError("terms_overlap", one=one.name, other=other.name, value=other.name)
        if self.terms and (self.last - self.first).days > LONGEST_YEAR:
            raise CalendarError("terms_too_long")

    @cached_property
    def first(self) -> date:
        return min(term.first for term in self.terms)

    @cached_property
    def last(self) -> date:
        return max(term.last for term in self.terms)

    def is_school_day(self, day: date) -> bool:
        """In a term and in no holiday."""
        return any(term.holds(day) for term in self.terms) and not any(
            off.holds(day) for off in self.holidays
        )

    @cached_property
    def school_days(self) -> tuple[date, ...]:
        """Every school day; Saturdays and Sundays among them count only for meetings by weekday."""
        if not self.terms:
            return ()
        span = (self.last - self.first).days
        return tuple(
            day for day in (self.first + timedelta(n) for n in range(span + 1)) if self.is_school_day(day)
        )

    @cached_property
    def cycle_day(self) -> dict[date, int]:
        """Which day of the cycle each school day from Monday to Friday is."""
        days = [day for day in self.school_days if day.weekday() < SCHOOL_WEEKDAYS]
        return {day: place % self.cycle for place, day in enumerate(days)} if self.cycle else {}


def lesson_times(
    year: SchoolYear,
    meetings: Iterable[Meeting],
    lost: Iterable[LessonChange] = (),
    extra: Iterable[LessonChange] = (),
) -> tuple[LessonTime, ...]:
    """All lessons of a section in a year, in order, numbered from 1. A lost lesson that is also an extra one
    is held."""
    return _worked_out(year, tuple(meetings), tuple(lost), tuple(extra))


@lru_cache(maxsize=256)
def _worked_out(
    year: SchoolYear,
    meetings: tuple[Meeting, ...],
    lost: tuple[LessonChange, ...],
    extra: tuple[LessonChange, ...],
) -> tuple[LessonTime, ...]:
    """Kept, for every page asks for the same ones and a calendar seldom changes."""
    held: dict[tuple[date, time], int | None] = {
        (day, meeting.starts): meeting.minutes
        for day, meeting in _pattern(year, meetings)
        if not any(change.day == day and change.starts in (None, meeting.starts) for change in lost)
    }
    for change in extra:
        held.setdefault((change.day, change.starts or time(0)), None)
    return tuple(LessonTime(*moment, n, held[moment]) for n, moment in enumerate(sorted(held), 1))


def _pattern(year: SchoolYear, meetings: tuple[Meeting, ...]) -> Iterator[tuple[date, Meeting]]:
    for day in year.school_days:
        key = year.cycle_day.get(day) if year.cycle else day.weekday()
        for meeting in meetings:
            if meeting.weekday == key:
                yield day, meeting


def assumed_term(today: date, name: str) -> Span:
    """Until the teacher says: from September to June, of the school year that a day lies in.

    >>> assumed_term(date(2027, 5, 3), "School year").first
    datetime.date(2026, 9, 1)
    """
    start = today.year if (today.month, today.day) >= (8, 1) else today.year - 1
    return Span(date(start, 9, 1), date(start + 1, 6, 30), name)


def held_by(lessons: Iterable[LessonTime], day: date) -> int:
    """How many lessons lie on or before a day.

    >>> autumn = [LessonTime(date(2026, 9, day), time(9)) for day in (1, 8)]
    >>> held_by(autumn, date(2026, 9, 1))
    1
    """
    return sum(lesson.day <= day for lesson in lessons)


def available_minutes(lessons: Iterable[LessonTime], usual: int, away: int = 4) -> int:
    """Contact time of these lessons, without arriving and lining up; `usual` minutes where a lesson has none
    of its own."""
    return sum(max((lesson.minutes or usual) - away, 0) for lesson in lessons)
