"""The first run on an empty database, and adding sections later."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID
from zoneinfo import available_timezones

from sqlalchemy.orm import Session

from kopje.core.errors import ConceptError, RosterError, SetUpError
from kopje.core.planning.meetings import Meeting
from kopje.core.roster import cleaned_names
from kopje.core.sequence.grades import CHOIR, grade_name, may_span
from kopje.store import people, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.setup.sign_in import hashed


@dataclass(frozen=True, slots=True)
class NewSection:
    """`names`: children as they are to be displayed. `upper`: the second grade of a split class. The
    concepts of earlier grades are declared on wish."""

    name: str
    grade: int
    minutes: int
    names: tuple[str, ...]
    meetings: tuple[Meeting, ...]
    declare_earlier: bool = True
    upper: int | None = None


def first_run(
    session: Session,
    ids: tuple[UUID, UUID],
    school: str,
    teacher: str,
    login: str,
    password: str,
    now: datetime,
    time_zone: str | None = None,
) -> tuple[UUID, UUID]:
    """Create the school and its first teacher; SetUpError when there already is a school."""
    people.lock_first_run(session)
    if people.any_school(session):
        raise SetUpError("school_there")
    school_id, teacher_id = ids
    session.add(t.School(id=school_id, name=school, created=now, time_zone=known_zone(time_zone)))
    session.flush()
    session.add(
        t.Teacher(
            id=teacher_id,
            school_id=school_id,
            login=login,
            name=teacher,
            role="owner",
            password_hash=hashed(password),
        )
    )
    session.flush()
    return school_id, teacher_id


def known_zone(name: str | None) -> str | None:
    """SetUpError for a time zone that this machine does not know."""
    if name is not None and name not in available_timezones():
        raise SetUpError("time_zone_unknown", name=name, value=name)
    return name


def school(ctx: Context) -> t.School:
    return people.school(ctx.session, ctx.school_id)


def first_run_needed(session: Session) -> bool:
    return not people.any_school(session)


def set_bar_colours(ctx: Context, colours: Mapping[str, str]) -> None:
    """The room's own colours of its bars, by the letter of its pitch."""
    school(ctx).bar_colours = dict(colours)
    ctx.session.flush()


def set_school(ctx: Context, name: str, time_zone: str | None) -> t.School:
    """Its name, and where its days are counted."""
    row = people.school(ctx.session, ctx.school_id)
    row.name, row.time_zone = name, known_zone(time_zone)
    ctx.session.flush()
    return row


def checked_upper(grade: int, upper: int | None) -> int:
    """The grade a section reaches up to; RosterError for grades that no class can hold."""
    found = grade if upper is None else upper
    if not may_span(grade, found):
        raise RosterError("grades_apart", low=grade_name(grade), high=grade_name(found), value=found)
    return found


def add_section(ctx: Context, new: NewSection) -> t.Section:
    """Add a section with its roll and meetings; its name must be free."""
    if any(section.name == new.name for section in sections.sections(ctx.session, ctx.school_id)):
        raise RosterError("section_there", section=new.name, value=new.name)
    upper = checked_upper(new.grade, new.upper)
    section = t.Section(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        name=new.name,
        grade=new.grade,
        upper=upper,
        minutes=new.minutes,
    )
    ctx.session.add(section)
    ctx.session.flush()
    for meeting in new.meetings:
        ctx.session.add(meeting_row(ctx, section.id, meeting))
    for name in cleaned_names(new.names):
        enrol(ctx, section, name)
    if new.declare_earlier:
        declare(ctx, section.id, [c.key for c in ctx.sequence.concepts if c.grade < new.grade])
    return section


def enrol(ctx: Context, section: t.Section, name: str) -> None:
    """Put a child on a roll. In a choir sings the child of that name from the classes; where there is not
    just one, one of the choir's own."""
    if section.grade != CHOIR:
        add_child(ctx, section.id, name, ctx.today)
        return
    found = [
        child
        for child, _ in sections.children(ctx.session, ctx.school_id, range(CHOIR), ctx.today)
        if child.name == name
    ]
    if len(found) == 1:
        ctx.session.add(t.Membership(section_id=section.id, child_id=found[0].id, school_id=ctx.school_id))
    else:
        add_child(ctx, section.id, name, ctx.today)


def set_singers(ctx: Context, section_id: UUID, child_ids: Sequence[UUID]) -> None:
    """Who of the classes sings in a choir; it replaces what was said before. Marks stay with the children."""
    sections.section(ctx.session, ctx.school_id, section_id)
    for child_id in child_ids:
        sections.child(ctx.session, ctx.school_id, child_id)
    sections.clear_singers(ctx.session, section_id)
    ctx.session.add_all(
        t.Membership(section_id=section_id, child_id=one, school_id=ctx.school_id)
        for one in dict.fromkeys(child_ids)
    )
    ctx.session.flush()


def may_sing(ctx: Context, section_id: UUID) -> list[dict[str, object]]:
    """Every child of the classes, and whether it sings in this choir."""
    sections.section(ctx.session, ctx.school_id, section_id)
    singing = set(sections.singers(ctx.session, section_id))
    every = sections.children(ctx.session, ctx.school_id, range(CHOIR), ctx.today)
    return [{"id": c.id, "name": c.name, "section": name, "sings": c.id in singing} for c, name in every]


def meeting_row(ctx: Context, section_id: UUID, meeting: Meeting) -> t.Meeting:
    return t.Meeting(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        section_id=section_id,
        weekday=meeting.weekday,
        starts=meeting.starts,
        minutes=meeting.minutes,
    )


def add_child(ctx: Context, section_id: UUID, name: str, joined: date) -> t.Child:
    child = t.Child(
        id=ctx.new_id(), school_id=ctx.school_id, section_id=section_id, name=name, joined=joined, left=None
    )
    ctx.session.add(child)
    return child


def sections_of_school(ctx: Context) -> Sequence[t.Section]:
    """In order of grade and name; to whoever has nothing but the sections given, those."""
    found = sections.sections(ctx.session, ctx.school_id)
    return [one for one in found if ctx.room.lists(one.id)] if ctx.room.walled else found


def declared(ctx: Context, section_id: UUID) -> list[str]:
    """What earlier years brought, by the keys of concepts."""
    section = sections.section(ctx.session, ctx.school_id, section_id)
    return list(sections.declared(ctx.session, section.id))


def declare(ctx: Context, section_id: UUID, concepts: Sequence[str]) -> None:
    """Set what earlier years brought, as the teacher says; it replaces what was declared before."""
    sections.section(ctx.session, ctx.school_id, section_id)
    unknown = [key for key in concepts if key not in ctx.sequence.by_key]
    if unknown:
        raise ConceptError("concept_unknown", key=unknown[0], value=unknown)
    sections.clear_declared(ctx.session, section_id)
    for key in dict.fromkeys(concepts):
        ctx.session.add(
            t.Declared(
                id=ctx.new_id(),
                school_id=ctx.school_id,
                section_id=section_id,
                concept=key,
                declared_on=ctx.today,
            )
        )
    ctx.session.flush()
