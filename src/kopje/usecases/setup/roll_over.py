"""Into the next school year: sections go up a grade with their children and evidence, the oldest leave, new
ones begin.

Standings come along as something to check again: what was secure is due to be heard.
"""

from __future__ import annotations

from collections.abc import Sequence

from kopje.core.errors import SetUpError
from kopje.core.planning.meetings import Meeting
from kopje.core.planning.next_year import ClassNow, Step, steps
from kopje.store import plans, sections, year
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.setup.set_up_school import meeting_row

APART = 120  # days; nobody goes up a grade twice in one school year


def preview(ctx: Context) -> tuple[Step, ...]:
    """What rolling over would do, youngest first; nothing is changed."""
    rows = sections.sections(ctx.session, ctx.school_id)
    return steps(
        ClassNow(one.name, one.grade, one.upper, len(sections.roll(ctx.session, one.id, ctx.today)))
        for one in rows
    )


def roll_over(ctx: Context) -> tuple[Step, ...]:
    """Do what `preview` says. A section takes over the times and minutes of the one whose name it gets."""
    _refuse_twice(ctx)
    found = preview(ctx)
    rows = {one.name: one for one in sections.sections(ctx.session, ctx.school_id)}
    times = {name: _times(ctx, one) for name, one in rows.items()}
    minutes = {name: one.minutes for name, one in rows.items()}
    for step in sorted((s for s in found if s.was), key=lambda s: (bool(s.becomes), -s.grade)):
        section = rows[step.was]
        if not step.becomes:
            _leave(ctx, section)
            continue
        section.name, section.rolled = step.becomes, ctx.today
        section.grade, section.upper = step.grade, step.upper
        section.minutes = minutes.get(step.becomes, section.minutes)
        _set_times(ctx, section, times.get(step.becomes, times[step.was]))
        _forget_plans(ctx, section)
        ctx.session.flush()
    for step in (s for s in found if not s.was):
        fresh = t.Section(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            name=step.becomes,
            grade=step.grade,
            upper=step.upper,
            minutes=minutes[step.becomes],
            rolled=ctx.today,
        )
        ctx.session.add(fresh)
        ctx.session.flush()
        _set_times(ctx, fresh, times[step.becomes])
    ctx.session.flush()
    return found


def _refuse_twice(ctx: Context) -> None:
    """A second press must not send everybody up another grade."""
    rolled = [one.rolled for one in sections.sections(ctx.session, ctx.school_id) if one.rolled]
    last = max(rolled, default=None)
    if last is not None and (ctx.today - last).days < APART:
        raise SetUpError("rolled_over_already", day=last, value=last.isoformat())


def _times(ctx: Context, section: t.Section) -> tuple[Meeting, ...]:
    return tuple(
        Meeting(m.weekday, m.starts, m.minutes) for m in sections.meetings_of(ctx.session, section.id)
    )


def _set_times(ctx: Context, section: t.Section, times: Sequence[Meeting]) -> None:
    for row in sections.meetings_of(ctx.session, section.id):
        ctx.session.delete(row)
    for one in times:
        ctx.session.add(meeting_row(ctx, section.id, one))


def _leave(ctx: Context, section: t.Section) -> None:
    """The section ends; its name is free again, and it is kept with everything that was taught and heard."""
    for child in sections.roll(ctx.session, section.id, ctx.today):
        child.left = ctx.today
    section.ended = ctx.today
    section.name = f"{section.name[:9]} {ctx.today.isoformat()}"
    _forget_plans(ctx, section)
    ctx.session.flush()


def _forget_plans(ctx: Context, section: t.Section) -> None:
    """Plans of the old year; lessons that were held stay."""
    year.clear_arcs(ctx.session, section.id)
    year.clear_overrides(
        ctx.session, section.id, [override.concept for override in year.overrides(ctx.session, section.id)]
    )
    kept = year.plan(ctx.session, section.id)
    if kept is not None:
        ctx.session.delete(kept)
    plans.drop_ahead(ctx.session, section.id, ctx.today)
