"""The school's year: terms, holidays, lost and extra lessons, concerts; and the lessons each section really
has."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import date, time
from uuid import UUID

from kopje.core.errors import CalendarError
from kopje.core.planning.calendar import (
    LessonChange,
    LessonTime,
    SchoolYear,
    Span,
    assumed_term,
    lesson_times,
)
from kopje.core.planning.meetings import Meeting
from kopje.formats.ical import CalendarEvent, write_calendar
from kopje.store import sections, snapshot, songs, year
from kopje.store import tables as t
from kopje.store.snapshot import ConcertRow, LessonChangeRow
from kopje.usecases.context import Context


@dataclass(frozen=True)
class Calendar:
    """`assumed`: no terms have been entered yet."""

    year: SchoolYear
    assumed: bool
    changes: tuple[LessonChangeRow, ...]
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
        lost = [LessonChange(c.day, c.starts, c.why) for c in mine if c.kind == "lost"]
        extra = [LessonChange(c.day, c.starts, c.why) for c in mine if c.kind == "extra"]
        return lesson_times(self.year, self.meetings.get(section_id, ()), lost, extra)


def calendar(ctx: Context) -> Calendar:
    found = snapshot.calendar(ctx.session, ctx.school_id)
    year = SchoolYear(
        found.terms or (assumed_term(ctx.today, ctx.words.word("school_year")),), found.holidays, found.cycle
    )
    return Calendar(year, not found.terms, found.changes, found.concerts, found.meetings)


def set_periods(ctx: Context, terms: Sequence[Span], holidays: Sequence[Span], cycle: int) -> Calendar:
    """Replace terms, holidays and the kind of cycle as a whole; refused as a whole where they do not fit
    together."""
    if not terms:
        raise CalendarError("year_no_term")
    SchoolYear(tuple(terms), tuple(holidays), cycle)
    year.school(ctx.session, ctx.school_id).cycle = cycle
    year.clear_periods(ctx.session, ctx.school_id)
    for kind, spans in (("term", terms), ("holiday", holidays)):
        for span in spans:
            ctx.session.add(
                t.Period(
                    id=ctx.new_id(),
                    school_id=ctx.school_id,
                    kind=kind,
                    name=span.name,
                    first=span.first,
                    last=span.last,
                )
            )
    ctx.session.flush()
    return calendar(ctx)


def add_change(
    ctx: Context, kind: str, day: date, starts: time | None, why: str, section_ids: Sequence[UUID]
) -> list[t.LessonChange]:
    """A lesson lost or an extra one, for some sections or (none named) for all."""
    if kind == "extra" and (starts is None or not section_ids):
        raise CalendarError("extra_lesson_needs")
    for section_id in section_ids:
        sections.section(ctx.session, ctx.school_id, section_id)
    whom: list[UUID | None] = [*section_ids] or [None]
    rows = [
        t.LessonChange(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            section_id=section_id,
            kind=kind,
            day=day,
            starts=starts,
            why=why,
        )
        for section_id in whom
    ]
    ctx.session.add_all(rows)
    ctx.session.flush()
    return rows


def remove_change(ctx: Context, change_id: UUID) -> None:
    ctx.session.delete(year.change(ctx.session, ctx.school_id, change_id))
    ctx.session.flush()


def add_concert(
    ctx: Context,
    name: str,
    day: date,
    section_ids: Sequence[UUID],
    concepts: Sequence[str],
    song_ids: Sequence[UUID] = (),
) -> t.Concert:
    """NotFoundError for a section or a song that is not there."""
    for section_id in section_ids:
        sections.section(ctx.session, ctx.school_id, section_id)
    for key in concepts:
        ctx.sequence.concept(key)
    for song_id in song_ids:
        songs.song(ctx.session, ctx.school_id, song_id)
    row = t.Concert(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        name=name,
        day=day,
        section_ids=[str(one) for one in section_ids],
        concepts=list(concepts),
        songs=[str(one) for one in song_ids],
    )
    ctx.session.add(row)
    ctx.session.flush()
    return row


def remove_concert(ctx: Context, concert_id: UUID) -> None:
    ctx.session.delete(year.concert(ctx.session, ctx.school_id, concert_id))
    ctx.session.flush()


def as_file(ctx: Context) -> bytes:
    """Every lesson and concert of the year as an iCalendar file."""
    found = calendar(ctx)
    named = {one.id: one for one in sections.sections(ctx.session, ctx.school_id)}
    lessons = [
        CalendarEvent(
            f"lesson-{key}-{at.day}-{at.starts:%H%M}",
            ctx.words.word("calendar_lesson", section=one.name, number=at.number),
            at.day,
            at.starts,
            at.minutes or one.minutes,
        )
        for key, one in named.items()
        for at in found.lessons(key)
    ]
    concerts = [CalendarEvent(f"concert-{one.id}", one.name, one.day, None, 0) for one in found.concerts]
    return write_calendar(year.school(ctx.session, ctx.school_id).name, [*lessons, *concerts], ctx.now)
