"""Changing a section: its name, its grades, how long and when it meets. Children and marks stay with it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import UUID

from kopje.core.errors import RosterError
from kopje.core.planning.meetings import Meeting
from kopje.store import sections
from kopje.usecases.context import Context, Desk
from kopje.usecases.setup.set_up_school import checked_upper, meeting_row
from kopje.usecases.year.plan_year import keep_up


@dataclass(frozen=True)
class SectionNow:
    """What can be changed of a section. `upper`: its second grade, in a split class, else the same."""

    id: UUID
    name: str
    grade: int
    upper: int
    minutes: int
    meetings: tuple[Meeting, ...]


def read(ctx: Context, section_id: UUID) -> SectionNow:
    row = sections.section(ctx.session, ctx.school_id, section_id)
    met = sections.meetings_of(ctx.session, section_id)
    meetings = tuple(Meeting(m.weekday, m.starts, m.minutes) for m in met)
    return SectionNow(row.id, row.name, row.grade, row.upper, row.minutes, meetings)


def change(
    desk: Desk,
    section_id: UUID,
    name: str,
    grades: tuple[int, int | None],
    minutes: int,
    meetings: Sequence[Meeting],
) -> SectionNow:
    """Replace all of it; lessons to come and the plan of the year follow. RosterError for a name that is
    taken and for grades no class can hold."""
    with desk.keep() as ctx:
        row = sections.section(ctx.session, ctx.school_id, section_id)
        others = sections.sections(ctx.session, ctx.school_id)
        if any(other.name == name and other.id != section_id for other in others):
            raise RosterError("section_there", section=name, value=name)
        row.name, row.minutes = name, minutes
        row.grade, row.upper = grades[0], checked_upper(*grades)
        for meeting in sections.meetings_of(ctx.session, section_id):
            ctx.session.delete(meeting)
        ctx.session.flush()
        ctx.session.add_all(meeting_row(ctx, section_id, one) for one in dict.fromkeys(meetings))
        ctx.session.flush()
        found = read(ctx, section_id)
    keep_up(desk, [section_id])
    return found
