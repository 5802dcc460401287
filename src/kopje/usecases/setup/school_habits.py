"""The school's own templates and activities: which ones count, and changing the order of its lessons."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import date, timedelta
from uuid import UUID

from sqlalchemy.orm import Session

from kopje.core.errors import PlanError
from kopje.core.planning.fetch import THINGS
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.planning.own_activity import activity_from
from kopje.core.planning.repertoire import Repertoire
from kopje.core.planning.template import (
    BANDS,
    Band,
    Template,
    Templates,
    checked,
    template_from,
    template_values,
)
from kopje.core.songs.times import ASKED, HEMISPHERES, Hemisphere
from kopje.store import activities, people
from kopje.usecases.context import Context

KEPT_DAYS = 366  # before and after today
_KEPT: dict[tuple[UUID, int], Habits] = {}


def habits_for(session: Session, school_id: UUID, number: int) -> Habits:
    """The habits of a school; number 0 is as shipped. They are read anew when it is another."""
    if number == 0:
        return AS_SHIPPED
    known = (school_id, number)
    found = _KEPT.get(known)
    if found is None:
        found = read(session, school_id)
        if len(_KEPT) > 200:
            _KEPT.clear()
        _KEPT[known] = found
    return found


def forget() -> None:
    """Read every school's habits anew: after rows were taken away behind this process's back."""
    _KEPT.clear()


def read(session: Session, school_id: UUID) -> Habits:
    rows = activities.own(session, school_id)
    offered = [activity_from(row.key, row.told) for row in rows if row.removed is None]
    gone = [activity_from(row.key, row.told) for row in rows if row.removed is not None]
    school = people.school(session, school_id)
    told = school.templates
    own: dict[Band, Template] = {band: template_from(band, told[band]) for band in BANDS if band in told}
    return Habits(
        Repertoire.with_own(offered, gone),
        Templates(own),
        {date.fromisoformat(day): frozenset(said) for day, said in school.days.items()},
        next((one for one in HEMISPHERES if one == school.hemisphere), None),
        dict(school.room),
        school.voice,
    )


def changed(ctx: Context) -> Habits:
    """To be called after a change; the habits as they are now."""
    ctx.session.flush()
    people.habits_changed(ctx.session, ctx.school_id)
    return read(ctx.session, ctx.school_id)


def set_template(ctx: Context, band: Band, template: Template) -> Habits:
    """From now on lessons of this band are proposed so; PlanError where none could be."""
    checked(template, ctx.habits.repertoire.activity)
    school = people.school(ctx.session, ctx.school_id)
    school.templates = {**school.templates, band: template_values(template)}
    return changed(ctx)


def as_shipped(ctx: Context, band: Band) -> Habits:
    """The order that Kopje comes with counts again."""
    school = people.school(ctx.session, ctx.school_id)
    school.templates = {key: value for key, value in school.templates.items() if key != band}
    return changed(ctx)


def set_room(
    ctx: Context, counts: Mapping[str, int], voice: int | None, hemisphere: Hemisphere | None = None
) -> Habits:
    """How many of each thing the room has; what is not named is not counted. `voice`: minutes a day that the
    teacher's voice should do at most. `hemisphere`: by which seasons the school lives; None: songs are sung
    in any."""
    unknown = sorted(set(counts) - set(THINGS))
    if unknown:
        raise PlanError("room_thing", value=unknown[0])
    school = people.school(ctx.session, ctx.school_id)
    school.room, school.voice, school.hemisphere = dict(counts), voice, hemisphere
    return changed(ctx)


def set_day(ctx: Context, day: date, times: Iterable[str]) -> Habits:
    """What a day is like, beside its season; no times take back what was said. PlanError for what we have no
    word for, and for a day that is more than a year away."""
    said = frozenset(times)
    unknown = sorted(said - set(ASKED))
    if unknown:
        raise PlanError("day_unknown", value=unknown[0])
    oldest = ctx.today - timedelta(days=KEPT_DAYS)
    if not oldest <= day <= ctx.today + timedelta(days=KEPT_DAYS):
        raise PlanError("day_far", value=day.isoformat())
    school = people.school(ctx.session, ctx.school_id)
    rest = {one: told for one, told in school.days.items() if date.fromisoformat(one) >= oldest}
    rest.pop(day.isoformat(), None)
    school.days = rest | ({day.isoformat(): sorted(said)} if said else {})
    return changed(ctx)
