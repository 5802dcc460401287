"""The calendar in and out as iCalendar: holidays from all-day events, lessons and concerts to events."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from icalendar import Calendar, Component, Event

from kopje.core.errors import CalendarError
from kopje.core.planning.calendar import Span

MOST_BYTES = 2 << 20
MOST_EVENTS = 2000
LONGEST = 120  # days; no holiday is longer


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
    try:
        calendar = Calendar.from_ical(data)
        events = [event for event in calendar.walk("VEVENT")][: MOST_EVENTS + 1]
    except (ValueError, IndexError, KeyError, AttributeError) as problem:
        raise CalendarError("calendar_not_ical") from problem
    if len(events) > MOST_EVENTS:
        raise CalendarError("calendar_too_many_events", most=MOST_EVENTS)
    found = [span for event in events if (span := _whole_days(event)) is not None]
    if not found:
        raise CalendarError("calendar_no_holidays")
    return tuple(sorted(dict.fromkeys(found)))


def _whole_days(event: Component) -> Span | None:
    start, end = event.get("dtstart"), event.get("dtend")
    if start is None or isinstance(start.dt, datetime) or not isinstance(start.dt, date):
        return None
    last = end.dt - timedelta(days=1) if end is not None and not isinstance(end.dt, datetime) else start.dt
    if last < start.dt or (last - start.dt).days > LONGEST:
        return None
    return Span(start.dt, last, str(event.get("summary", "")).strip()[:120])
