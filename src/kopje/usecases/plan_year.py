"""Laying the year of a section, the teacher's word on it, ways out, and keeping up with facts."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date
from uuid import UUID

from kopje.core.errors import PlanError
from kopje.core.planning.year.arcs import YearPlan, YearQuestion
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.keep import keep_order
from kopje.core.planning.year.ways import WayOut, conflict_of_words, short_by, ways_out
from kopje.store import sections, year
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar
from kopje.usecases.section_year import SectionYear, section_year

LONGEST_PHASE = 12


def fit(call: Call, section_id: UUID) -> SectionYear:
    """Lay (or lay again) what is still to come. What was taught stays as it was; the plan before is kept near."""
    found = section_year(call, section_id)
    if not found.lessons:
        raise PlanError(
            f"{found.section.name} has no lessons this year. Give it meeting times in Set-up, then ask again."
        )
    question = _allowed(found.question)
    plan = fit_year(question)
    short = short_by(question)
    _keep(call, section_id, plan, short, found.reserve)
    return section_year(call, section_id)


def _allowed(question: YearQuestion) -> YearQuestion:
    """A start that lies in the past by now no longer binds."""
    demands = tuple(
        replace(d, fixed=None) if d.fixed is not None and d.fixed < question.first else d
        for d in question.demands
    )
    return replace(question, demands=demands)


def keep_up(call: Call, section_id: UUID | None = None) -> None:
    """Facts have changed: lay what is still to come over the lessons that are left, in the order it had.

    What was taught stays as it was; another order is for the teacher to ask for. Sections without a plan stay without.
    """
    cal = calendar(call)
    for one in sections.sections(call.session, call.school_id):
        if section_id in (None, one.id) and year.plan(call.session, one.id) is not None:
            found = section_year(call, one.id, cal)
            question = _allowed(found.question)
            if found.plan is not None and found.lessons:
                plan = keep_order(question, found.plan)
                _keep(call, one.id, plan, short_by(question), found.reserve)


def _keep(call: Call, section_id: UUID, plan: YearPlan, short: int, reserve: int) -> None:
    row = year.plan(call.session, section_id)
    if row is None:
        row = t.YearPlan(section_id=section_id, school_id=call.school_id)
        call.session.add(row)
    row.reserve, row.status, row.gap = reserve, plan.status, max(plan.cost - plan.bound, 0)
    row.short, row.left_out, row.made = short, list(plan.left_out), call.now
    year.clear_arcs(call.session, section_id)
    for arc in plan.arcs:
        call.session.add(
            t.Arc(id=call.new_id(), school_id=call.school_id, section_id=section_id, concept=arc.concept, start=arc.start,
                  new=arc.new, middle=arc.middle, warm_start=arc.warm_start, warm=arc.warm, presented=arc.presented,
                  short=arc.short, prepared=arc.prepared, pause_after=arc.pause_after, pause=arc.pause)
        )  # fmt: skip
    call.session.flush()


@dataclass(frozen=True, slots=True)
class NewWish:
    """The teacher's word on one concept; all None and False takes it back."""

    concept: str
    start: int | None = None
    prepare: int | None = None
    practise: int | None = None
    next_year: bool = False
    not_before: date | None = None
    not_after: date | None = None
    pause_from: int | None = None
    pause: int | None = None

    @property
    def says_something(self) -> bool:
        dates = self.not_before or self.not_after
        return bool(self.start or self.prepare or self.practise or self.next_year or dates or self.pause)


def wish(call: Call, section_id: UUID, wishes: Sequence[NewWish], reserve: int | None = None) -> SectionYear:
    """Take the teacher's word and lay the rest anew around it; a collision is refused and named, and nothing changes."""
    found = section_year(call, section_id)
    year.clear_wishes(call.session, section_id, [one.concept for one in wishes])
    for one in wishes:
        call.sequence.concept(one.concept)
        _possible(found, one)
        if one.says_something:
            call.session.add(t.Wish(id=call.new_id(), school_id=call.school_id, section_id=section_id, concept=one.concept,
                                    start=one.start, prepare=one.prepare, practise=one.practise, next_year=one.next_year,
                                    not_before=one.not_before, not_after=one.not_after, pause_from=one.pause_from,
                                    pause=one.pause))  # fmt: skip
    call.session.flush()
    if reserve is not None:
        _keep(call, section_id, found.plan or YearPlan((), ()), found.short, reserve)
    question = _allowed(section_year(call, section_id).question)
    collisions = conflict_of_words(question)
    if collisions:
        said = " ".join(reason.sentence for reason in collisions)
        raise PlanError(f"These cannot all be kept: {said} Nothing was changed.", value=said)
    return fit(call, section_id)


def _possible(found: SectionYear, one: NewWish) -> None:
    """PlanError for a word that no year can hold."""
    if one.start is not None and not found.next_lesson <= one.start <= len(found.lessons):
        raise PlanError(
            f"Lesson {one.start} is not among the lessons to come ({found.next_lesson} to {len(found.lessons)}). Nothing was changed."
        )
    lengths = (one.prepare, one.practise, one.pause)
    if any(length is not None and not 1 <= length <= LONGEST_PHASE for length in lengths):
        raise PlanError(f"A phase or a rest has 1 to {LONGEST_PHASE} lessons. Nothing was changed.")
    if (one.pause is None) != (one.pause_from is None):
        raise PlanError("A rest needs the lesson it begins with and its length. Nothing was changed.")
    if one.not_before and one.not_after and one.not_before > one.not_after:
        raise PlanError("“Not before” lies after “not after”. Nothing was changed.")


def ways(call: Call, section_id: UUID) -> tuple[WayOut, ...]:
    """Up to three ways to make a year fit that is too full; none where it fits."""
    question = _allowed(section_year(call, section_id).question)
    return ways_out(question) if short_by(question) else ()
