"""The school's year: terms, holidays, lost and extra lessons, concerts; and the lessons each section really has."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import date, time
from uuid import UUID

from kopje.core.errors import CalendarError
from kopje.core.planning.calendar import Change, LessonTime, SchoolYear, Span, lesson_times
from kopje.core.planning.meetings import Meeting
from kopje.formats.ical import Happening, write_calendar
from kopje.store import sections, snapshot, year
from kopje.store import tables as t
from kopje.store.snapshot import ChangeRow, ConcertRow
from kopje.usecases.call import Call

ASSUMED_START, ASSUMED_END = (9, 1), (6, 30)  # until the teacher says: from September to June


@dataclass(frozen=True)
class Calendar:
    """`assumed`: no terms have been entered yet."""

    year: SchoolYear
    assumed: bool
    changes: tuple[ChangeRow, ...]
    concerts: tuple[ConcertRow, ...]
    meetings: dict[UUID, tuple[Meeting, ...]]
    _lessons: dict[UUID, tuple[LessonTime, ...]] = field(default_factory=dict)

    def lessons(self, section_id: UUID) -> tuple[LessonTime, ...]:
        """All lessons of a section in the year, worked out once."""
        if section_id not in self._lessons:
            self._lessons[section_id] = self._worked_out(section_id)
        return self._lessons[section_id]

    def _worked_out(self, section_id: UUID) -> tuple[LessonTime, ...]:
        mine = [c for c in self.changes if c.section_id in (None, section_id)]
        lost = [Change(c.day, c.starts, c.why) for c in mine if c.kind == "lost"]
        extra = [Change(c.day, c.starts, c.why) for c in mine if c.kind == "extra"]
        return lesson_times(self.year, self.meetings.get(section_id, ()), lost, extra)


def calendar(call: Call) -> Calendar:
    found = snapshot.calendar(call.session, call.school_id)
    year = SchoolYear(found.terms or (_assumed(call),), found.holidays, found.cycle)
    return Calendar(year, not found.terms, found.changes, found.concerts, found.meetings)


def _assumed(call: Call) -> Span:
    today = call.today
    start = today.year if (today.month, today.day) >= (8, 1) else today.year - 1
    return Span(date(start, *ASSUMED_START), date(start + 1, *ASSUMED_END), call.words.word("school_year"))


def set_periods(call: Call, terms: Sequence[Span], holidays: Sequence[Span], cycle: int) -> Calendar:
    """Replace terms, holidays and the kind of cycle as a whole; refused as a whole where they do not fit together."""
    if not terms:
        raise CalendarError("year_no_term")
    SchoolYear(tuple(terms), tuple(holidays), cycle)
    year.school(call.session, call.school_id).cycle = cycle
    year.clear_periods(call.session, call.school_id)
    for kind, spans in (("term", terms), ("holiday", holidays)):
        for span in spans:
            call.session.add(t.Period(id=call.new_id(), school_id=call.school_id, kind=kind, name=span.name,
                                      first=span.first, last=span.last))  # fmt: skip
    call.session.flush()
    return calendar(call)


def add_change(
    call: Call, kind: str, day: date, starts: time | None, why: str, section_ids: Sequence[UUID]
) -> list[t.Change]:
    """A lesson lost or an extra one, for some sections or (none named) for all."""
    if kind == "extra" and (starts is None or not section_ids):
        raise CalendarError("extra_lesson_needs")
    for section_id in section_ids:
        sections.section(call.session, call.school_id, section_id)
    whom: list[UUID | None] = [*section_ids] or [None]
    rows = [
        t.Change(
            id=call.new_id(),
            school_id=call.school_id,
            section_id=section_id,
            kind=kind,
            day=day,
            starts=starts,
            why=why,
        )
        for section_id in whom
    ]
    call.session.add_all(rows)
    call.session.flush()
    return rows


def remove_change(call: Call, change_id: UUID) -> None:
    call.session.delete(year.change(call.session, call.school_id, change_id))
    call.session.flush()


def add_concert(
    call: Call, name: str, day: date, section_ids: Sequence[UUID], concepts: Sequence[str]
) -> t.Concert:
    for section_id in section_ids:
        sections.section(call.session, call.school_id, section_id)
    for key in concepts:
        call.sequence.concept(key)
    row = t.Concert(id=call.new_id(), school_id=call.school_id, name=name, day=day,
                    section_ids=[str(one) for one in section_ids], concepts=list(concepts))  # fmt: skip
    call.session.add(row)
    call.session.flush()
    return row


def remove_concert(call: Call, concert_id: UUID) -> None:
    call.session.delete(year.concert(call.session, call.school_id, concert_id))
    call.session.flush()


def as_file(call: Call) -> bytes:
    """Every lesson and concert of the year as an iCalendar file."""
    found = calendar(call)
    named = {one.id: one for one in sections.sections(call.session, call.school_id)}
    lessons = [
        Happening(
            f"lesson-{key}-{at.day}-{at.starts:%H%M}",
            call.words.word("calendar_lesson", section=one.name, number=at.number),
            at.day,
            at.starts,
            at.minutes or one.minutes,
        )
        for key, one in named.items()
        for at in found.lessons(key)
    ]
    concerts = [Happening(f"concert-{one.id}", one.name, one.day, None, 0) for one in found.concerts]
    return write_calendar(year.school(call.session, call.school_id).name, [*lessons, *concerts], call.now)
