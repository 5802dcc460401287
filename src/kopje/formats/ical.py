"""The calendar in and out as iCalendar: holidays from all-day events, lessons and concerts to events."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from icalendar import BrokenCalendarProperty, Calendar, Component, Event

from kopje.core.errors import CalendarError
from kopje.core.planning.calendar import Span
from kopje.formats.limits import clipped

MOST_BYTES = 1 << 20
MOST_EVENTS = 2000
MOST_LINES = 40_000
LONGEST_LINE = 10_000  # with what is folded under it
LONGEST = 120  # days; no holiday is longer
EARLIEST, LATEST = 1970, 2200  # years of which a school may speak
_FOLD = re.compile(rb"\r?\n[ \t]")
BROKEN = (ValueError, IndexError, KeyError, AttributeError, TypeError, OverflowError, BrokenCalendarProperty)


@dataclass(frozen=True, slots=True)
class CalendarEvent:
    """An event to write; `starts` None: all day. `uid` stays the same when it is written again."""

    uid: str
    title: str
    day: date
    starts: time | None
    minutes: int
    about: str = ""


def write_calendar(name: str, happenings: Iterable[CalendarEvent], made: datetime) -> bytes:
    """A calendar file; times are local, without a zone, so that they stay at their hour in the school's
    calendar."""
    calendar = Calendar()
    calendar.add("prodid", "-//Kopje//Kopje//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    for one in happenings:
        event = Event()
        event.add("uid", f"{one.uid}@kopje")
        event.add("summary", one.title)
        event.add("dtstamp", made)
        if one.about:
            event.add("description", one.about)
        if one.starts is None:
            event.add("dtstart", one.day)
            event.add("dtend", one.day + timedelta(days=1))
        else:
            start = datetime.combine(one.day, one.starts)
            event.add("dtstart", start)
            event.add("dtend", start + timedelta(minutes=one.minutes))
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def read_holidays(data: bytes) -> tuple[Span, ...]:
    """All-day events as holidays, in order; CalendarError when the file cannot be read or holds none."""
    if len(data) > MOST_BYTES:
        raise CalendarError("calendar_too_large")
    if data.count(b"\n") > MOST_LINES or max(map(len, _FOLD.sub(b"", data).split(b"\n"))) > LONGEST_LINE:
        raise CalendarError("calendar_too_many_lines", most=MOST_LINES, longest=LONGEST_LINE)
    try:
        calendar = Calendar.from_ical(data)
        events = [event for event in calendar.walk("VEVENT")][: MOST_EVENTS + 1]
    except (*BROKEN, RecursionError) as problem:
        raise CalendarError("calendar_not_ical") from problem
    if len(events) > MOST_EVENTS:
        raise CalendarError("calendar_too_many_events", most=MOST_EVENTS)
    found = [span for event in events if (span := _whole_days(event)) is not None]
    if not found:
        raise CalendarError("calendar_no_holidays")
    return tuple(sorted(dict.fromkeys(found)))


def _whole_days(event: Component) -> Span | None:
    """None for what is no holiday: it has an hour, lasts too long, or says its days twice or wrongly."""
    try:
        start, end = _day(event, "dtstart"), _day(event, "dtend")
        last = end - timedelta(days=1) if end is not None else start
    except BROKEN:
        return None
    if start is None or last is None or not EARLIEST <= start.year <= LATEST:
        return None
    if last < start or (last - start).days > LONGEST:
        return None
    summary = event.get("summary", "")
    title = summary[0] if isinstance(summary, list) and summary else summary
    return Span(start, last, clipped(str(title))[:120])


def _day(event: Component, name: str) -> date | None:
    """A day without an hour."""
    found = event.get(name)
    if found is None:
        return None
    return found.dt if isinstance(found.dt, date) and not isinstance(found.dt, datetime) else None
