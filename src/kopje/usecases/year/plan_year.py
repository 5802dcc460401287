"""Laying the year of a section, the teacher's word on it, ways out, and keeping up with facts."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from contextlib import suppress
from dataclasses import asdict, dataclass, replace
from uuid import UUID

from kopje.core.errors import PlanError, StaleError
from kopje.core.planning.year.arcs import YearPlan, YearQuestion
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.keep import keep_order
from kopje.core.planning.year.ways import WayOut, conflict_of_words, short_by, ways_out
from kopje.core.reasons import Listed
from kopje.store import events, year
from kopje.store import tables as t
from kopje.store.snapshot import ArcOverrideRow, PlanRow
from kopje.usecases.context import Context, Desk
from kopje.usecases.snapshot import SectionNow, snapshot
from kopje.usecases.year.section_year import SectionYear, own_lengths, school_years, section_year, year_of
from kopje.usecases.year.undo_year import remember

LONGEST_PHASE = 12


def fit(desk: Desk, section_id: UUID) -> None:
    """Lay (or lay again) what is still to come. What was taught stays as it was; the plan before is kept
    near."""
    with desk.alone(f"year of {section_id}"):
        with desk.look() as ctx:
            found = section_year(ctx, section_id)
            if not found.lessons:
                raise PlanError("plan_no_lessons", section=found.now.name)
            question, seen = _allowed(found.question), _seen(found)
        plan, short = desk.solve(fit_year, question), desk.solve(short_by, question)
        with desk.keep() as ctx:
            _check(ctx, section_id, seen)
            remember(ctx, section_id)
            _keep(ctx, section_id, plan, short, found.reserve)


@dataclass(frozen=True)
class Seen:
    """What a year was laid from: the version of the facts, and the plan that was there."""

    facts: int
    laid: tuple[tuple[str, int], ...]
    reserve: int | None


def _seen(found: SectionYear) -> Seen:
    laid = tuple(sorted((arc.concept, arc.start) for arc in found.now.arcs))
    return Seen(found.now.row.version, laid, found.now.plan.reserve if found.now.plan else None)


def _check(ctx: Context, section_id: UUID, seen: Seen) -> None:
    """StaleError if anything has changed since it was looked at."""
    events.lock_sections(ctx.session, ctx.school_id, [section_id])
    rows, plan = year.arcs(ctx.session, section_id), year.plan(ctx.session, section_id)
    laid = tuple(sorted((arc.concept, arc.start) for arc in rows))
    facts = events.facts_version(ctx.session, section_id)
    if Seen(facts, laid, plan.reserve if plan else None) != seen:
        raise StaleError("stale_plan")


def _allowed(question: YearQuestion) -> YearQuestion:
    """A start that lies in the past by now no longer binds."""
    demands = tuple(
        replace(d, fixed=None) if d.fixed is not None and d.fixed < question.first else d
        for d in question.demands
    )
    return replace(question, demands=demands)


def keep_up(desk: Desk, section_ids: Iterable[UUID] | None = None) -> None:
    """Facts have changed: lay what is still to come over the lessons that are left, in the order it had.

    What was taught stays as it was; another order is for the teacher to ask for. Sections without a plan
    stay without. A section that changes while it is thought about is left to whoever changes it."""
    with desk.look() as ctx:
        seen = snapshot(ctx, section_ids)
        years = [one for one in school_years(ctx, seen) if one.plan is not None and one.lessons]
    for found in years:
        question = _allowed(found.question)
        plan = desk.solve(keep_order, question, found.plan)
        short = desk.solve(short_by, question)
        with suppress(StaleError), desk.keep() as ctx:
            _check(ctx, found.now.id, _seen(found))
            year.forget_steps(ctx.session, found.now.id)  # they no longer fit the facts
            _keep(ctx, found.now.id, plan, short, found.reserve)


def _keep(ctx: Context, section_id: UUID, plan: YearPlan, short: int, reserve: int) -> None:
    row = year.plan(ctx.session, section_id)
    if row is None:
        row = t.YearPlan(section_id=section_id, school_id=ctx.school_id)
        ctx.session.add(row)
    row.reserve, row.status, row.gap = reserve, plan.status, max(plan.cost - plan.bound, 0)
    row.short, row.left_out, row.made = short, list(plan.left_out), ctx.now
    year.clear_arcs(ctx.session, section_id)
    for arc in plan.arcs:
        ctx.session.add(
            t.Arc(
                id=ctx.new_id(),
                school_id=ctx.school_id,
                section_id=section_id,
                concept=arc.concept,
                start=arc.start,
                new=arc.new,
                middle=arc.middle,
                warm_start=arc.warm_start,
                warm=arc.warm,
                presented=arc.presented,
                short=arc.short,
                prepared=arc.prepared,
                pause_after=arc.pause_after,
                pause=arc.pause,
            )
        )
    ctx.session.flush()


@dataclass(frozen=True, slots=True)
class NewArcOverride(ArcOverrideRow):
    """The teacher's new word on one concept; all None and False takes it back."""

    @property
    def says_something(self) -> bool:
        dates = self.not_before or self.not_after
        return bool(self.start or self.prepare or self.practise or self.next_year or dates or self.pause)


def override(
    desk: Desk, section_id: UUID, overrides: Sequence[NewArcOverride], reserve: int | None = None
) -> None:
    """Take the teacher's word and lay the rest anew around it; a collision is refused and named, and nothing
    changes."""
    with desk.alone(f"year of {section_id}"):
        with desk.look() as ctx:
            found = section_year(ctx, section_id)
            for one in overrides:
                ctx.sequence.concept(one.concept)
                _possible(found, one)
            seen = _seen(found)
            meant = year_of(_with_overrides(found.now, overrides, reserve), own_lengths(ctx))
        question = _allowed(meant.question)
        collisions = desk.solve(conflict_of_words, question)
        if collisions:
            raise PlanError("plan_collides", wishes=Listed(tuple(collisions), by="space"))
        plan, short = desk.solve(fit_year, question), desk.solve(short_by, question)
        with desk.keep() as ctx:
            _check(ctx, section_id, seen)
            remember(ctx, section_id)
            year.clear_overrides(ctx.session, section_id, [one.concept for one in overrides])
            for one in (one for one in overrides if one.says_something):
                ctx.session.add(_wish_row(ctx, section_id, one))
            _keep(ctx, section_id, plan, short, found.reserve if reserve is None else reserve)


def _with_overrides(now: SectionNow, overrides: Sequence[NewArcOverride], reserve: int | None) -> SectionNow:
    """The section as it would be with the teacher's new word."""
    gone = {one.concept for one in overrides}
    kept = [row for row in now.overrides if row.concept not in gone]
    new = [one for one in overrides if one.says_something]
    plan = now.plan
    if reserve is not None:
        plan = replace(plan, reserve=reserve) if plan else PlanRow(reserve, "best_found", 0, 0, [])
    return replace(now, row=replace(now.row, plan=plan), overrides=(*kept, *new))


def _wish_row(ctx: Context, section_id: UUID, one: NewArcOverride) -> t.ArcOverride:
    return t.ArcOverride(id=ctx.new_id(), school_id=ctx.school_id, section_id=section_id, **asdict(one))


def _possible(found: SectionYear, one: NewArcOverride) -> None:
    """PlanError for a word that no year can hold."""
    if one.start is not None and not found.next_lesson <= one.start <= len(found.lessons):
        raise PlanError(
            "plan_lesson_not_to_come", lesson=one.start, first=found.next_lesson, last=len(found.lessons)
        )
    lengths = (one.prepare, one.practise, one.pause)
    if any(length is not None and not 1 <= length <= LONGEST_PHASE for length in lengths):
        raise PlanError("plan_phase_length", most=LONGEST_PHASE)
    if (one.pause is None) != (one.pause_from is None):
        raise PlanError("plan_rest_needs")
    if one.not_before and one.not_after and one.not_before > one.not_after:
        raise PlanError("plan_dates_crossed")


def ways(desk: Desk, section_id: UUID) -> tuple[WayOut, ...]:
    """Up to three ways to make a year fit that is too full; none where it fits."""
    with desk.look() as ctx:
        question = _allowed(section_year(ctx, section_id).question)
    if not desk.solve(short_by, question):
        return ()
    return desk.solve(ways_out, question)
