"""Bringing in the school's sections from a table: looked at first, kept when the teacher agrees."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.errors import RosterError
from kopje.core.names import look, shown
from kopje.core.planning.meetings import Meeting
from kopje.core.roster import cleaned_names
from kopje.store import sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.setup.set_up_school import NewSection, add_section, enrol, meeting_row

MOST_SECTIONS = 120


@dataclass(frozen=True, slots=True)
class Kept:
    """What became of one section of a table."""

    name: str
    new: bool
    children: int
    already: int


def bring(ctx: Context, wanted: Sequence[NewSection]) -> tuple[Kept, ...]:
    """Add new sections, and to sections that are there the children and meetings they do not have yet.

    A name that is on the roll already is taken for the same child, so bringing the same table twice changes
    nothing."""
    if len(wanted) > MOST_SECTIONS:
        raise RosterError("too_many_sections", count=len(wanted))
    there = {one.name: one for one in sections.sections(ctx.session, ctx.school_id)}
    return tuple(_more(ctx, there[new.name], new) if new.name in there else _new(ctx, new) for new in wanted)


def _new(ctx: Context, new: NewSection) -> Kept:
    add_section(ctx, new)
    return Kept(new.name, True, len(cleaned_names(new.names)), 0)


def _more(ctx: Context, section: t.Section, new: NewSection) -> Kept:
    on_roll = {look(child.name) for child in sections.roll(ctx.session, section.id, ctx.today)}
    fresh = [name for name in cleaned_names(new.names) if look(name) not in on_roll]
    for name in fresh:
        enrol(ctx, section, name)
    met = {Meeting(m.weekday, m.starts, m.minutes) for m in sections.meetings_of(ctx.session, section.id)}
    for meeting in new.meetings:
        if meeting not in met:
            ctx.session.add(meeting_row(ctx, section.id, meeting))
    ctx.session.flush()
    return Kept(section.name, False, len(fresh), len(new.names) - len(fresh))


def gone(ctx: Context, section_id: UUID) -> Sequence[t.Child]:
    """Who left out of a section; each can be taken back, and its marks are still there."""
    sections.section(ctx.session, ctx.school_id, section_id)
    return sections.gone(ctx.session, section_id, ctx.today)


def change_child(ctx: Context, child_id: UUID, name: str, section_id: UUID, left: date | None) -> t.Child:
    """Rename a child, move it to another section, or note that it left; its evidence stays with it."""
    child = sections.child(ctx.session, ctx.school_id, child_id)
    sections.section(ctx.session, ctx.school_id, section_id)
    if left is not None and left < child.joined:
        raise RosterError("left_before_joined", name=child.name, day=child.joined)
    child.name, child.section_id, child.left = shown(name) or child.name, section_id, left
    ctx.session.flush()
    return child
