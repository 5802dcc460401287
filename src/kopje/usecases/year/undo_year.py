"""Taking back a change of a section's year: the plan and the teacher's word are as they were before it.

Only what the teacher did herself is remembered. Once facts have moved a plan, an older one no longer fits
them, and there is nothing to take back any more.
"""

from __future__ import annotations

from dataclasses import asdict
from datetime import date
from typing import Any
from uuid import UUID

from kopje.core.errors import PlanError
from kopje.store import events, sections, year
from kopje.store import tables as t
from kopje.store.snapshot import ArcOverrideRow
from kopje.usecases.context import Context

MOST_STEPS = 50
ARC = tuple(
    column.name for column in t.Arc.__table__.columns if column.name not in ("id", "school_id", "section_id")
)
PLAN = ("reserve", "status", "gap", "short", "left_out")


def remember(ctx: Context, section_id: UUID) -> None:
    """Keep the year as it is now, before it is changed; a year that was not laid yet is kept as such."""
    plan = year.plan(ctx.session, section_id)
    before = {
        "plan": {name: getattr(plan, name) for name in PLAN} if plan else None,
        "arcs": [{name: getattr(arc, name) for name in ARC} for arc in year.arcs(ctx.session, section_id)],
        "overrides": [_plain(row) for row in year.overrides(ctx.session, section_id)],
    }
    last = year.last_step(ctx.session, section_id)
    number = last.number + 1 if last else 1
    mine = {"school_id": ctx.school_id, "section_id": section_id}
    ctx.session.add(t.YearStep(id=ctx.new_id(), number=number, before=before, **mine))
    ctx.session.flush()
    year.forget_steps(ctx.session, section_id, MOST_STEPS)


def undo(ctx: Context, section_id: UUID) -> None:
    """Take the last change back; PlanError where there is none."""
    sections.section(ctx.session, ctx.school_id, section_id)
    events.lock_sections(ctx.session, ctx.school_id, [section_id])
    step = year.last_step(ctx.session, section_id)
    if step is None:
        raise PlanError("plan_nothing_to_undo")
    before: dict[str, Any] = step.before
    plan = year.plan(ctx.session, section_id)
    year.clear_arcs(ctx.session, section_id)
    year.clear_overrides(ctx.session, section_id)
    mine = {"school_id": ctx.school_id, "section_id": section_id}
    if before["plan"] is None:
        if plan is not None:
            ctx.session.delete(plan)
    else:
        if plan is None:
            plan = t.YearPlan(**mine)
            ctx.session.add(plan)
        for name, value in before["plan"].items():
            setattr(plan, name, value)
        plan.made = ctx.now
    ctx.session.add_all(t.Arc(id=ctx.new_id(), **mine, **arc) for arc in before["arcs"])
    ctx.session.add_all(
        t.ArcOverride(id=ctx.new_id(), **mine, **asdict(_override(row))) for row in before["overrides"]
    )
    ctx.session.delete(step)
    ctx.session.flush()


def _plain(row: t.ArcOverride) -> dict[str, Any]:
    values = {name: getattr(row, name) for name in ArcOverrideRow.__dataclass_fields__}
    return {name: value.isoformat() if isinstance(value, date) else value for name, value in values.items()}


def _override(values: dict[str, Any]) -> ArcOverrideRow:
    days = {
        name: date.fromisoformat(values[name]) if values[name] else None
        for name in ("not_before", "not_after")
    }
    return ArcOverrideRow(**{**values, **days})
