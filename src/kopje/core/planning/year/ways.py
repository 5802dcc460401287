"""When a year is too full: how many lessons are short, the cheapest ways out, and which wishes collide.

Source: docs/sources.md#ways-out.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Literal

from kopje.core.planning.year import costs
from kopje.core.planning.year.arcs import CORE, Concert, Demand, Lengths, YearPlan, YearQuestion
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.model import Model
from kopje.core.planning.year.solver import solve
from kopje.core.reasons import Named, Reason, because, listed
from kopje.core.sequence.concepts import ConceptKey

Kind = Literal["shorten", "reserve", "next_year", "both"]
EXTRA = 60
WORK = 0.25


@dataclass(frozen=True, slots=True)
class WayOut:
    """One way to make the year fit, with its plan to look at before it is taken."""

    kind: Kind
    reason: Reason
    question: YearQuestion
    plan: YearPlan


def core(question: YearQuestion) -> tuple[Demand, ...]:
    return tuple(demand for demand in question.demands if demand.priority >= CORE)


def short_by(question: YearQuestion) -> int:
    """The fewest extra lessons with which every core concept fits at its usual lengths, the reserve kept; 0
    if all fit.

    Where the proof takes too long the answer is the best found, so never too low by more than the solver's
    gap."""
    wanted = replace(question, demands=core(question), concerts=())
    able = tuple(d for d in wanted.demands if d.begun or not wanted.missing(d))
    wanted = replace(
        wanted, demands=tuple(replace(d, earliest=None, latest=None, fixed=None, pause=0) for d in able)
    )
    model = Model(wanted, question.horizon + EXTRA, must=True, usual_only=True).build()
    latest = model.cp.new_int_var(question.first - 1, question.last + 200, "latest")
    for one in model.laid.values():
        if not one.demand.begun:
            model.cp.add(latest >= one.end - 1)
    model.cp.minimize(latest)
    solver, answer = solve(model.cp, WORK)
    if answer not in ("optimal", "feasible"):
        return EXTRA
    return max(int(solver.objective_value) - question.horizon, 0)


def ways_out(question: YearQuestion) -> tuple[WayOut, ...]:
    """At most three different ways, cheapest first: shorter phases, the reserve, or something moved to next
    year."""
    as_it_is = fit_year(question, quick=True)
    found = [
        way
        for way in (
            _shorten(question, as_it_is),
            _reserve(question),
            _next_year(question),
            _both(question, as_it_is),
        )
        if way
    ]
    kept: list[WayOut] = []
    for way in found:
        same = any(
            set(way.plan.left_out) == set(k.plan.left_out)
            and way.question.reserve == k.question.reserve
            and way.question.demands == k.question.demands
            for k in kept
        )
        if not same:
            kept.append(way)
    return tuple(kept[:3])


def _all_core(question: YearQuestion, plan: YearPlan) -> bool:
    left = set(plan.left_out)
    return not any(d.key in left and not question.missing(d) for d in core(question))


def _shorten(question: YearQuestion, plan: YearPlan) -> WayOut | None:
    if not _all_core(question, plan):
        return None
    cut = [(question.by_key[a.concept], a) for a in plan.arcs if not a.short]
    prepare = sum(max(d.usual[0] - a.new, 0) for d, a in cut)
    practise = sum(max(d.usual[2] - a.warm, 0) for d, a in cut)
    names = [Named(d.key) for d, a in cut if a.new < d.usual[0] or a.warm < d.usual[2]]
    if not names:
        return None
    parts = [
        because(code, count=n)
        for code, n in (("lessons_of_practice", practise), ("lessons_of_preparation", prepare))
        if n
    ]
    said = because("way_shorten", parts=listed(parts), concepts=listed(names, 4))
    return WayOut("shorten", said, question, plan)


def _reserve(question: YearQuestion) -> WayOut | None:
    if question.reserve == 0:
        return None
    without = replace(question, reserve=0)
    plan = fit_year(without, quick=True)
    if not _all_core(without, plan):
        return None
    return WayOut("reserve", because("way_reserve", count=question.reserve), without, plan)


def _next_year(question: YearQuestion) -> WayOut | None:
    """Keep usual lengths; move what matters least."""
    usual = replace(question, demands=tuple(_unshortened(d) for d in question.demands))
    plan = fit_year(usual, quick=True)
    return _moved(usual, plan, "next_year")


def _both(question: YearQuestion, plan: YearPlan) -> WayOut | None:
    return None if _all_core(question, plan) else _moved(question, plan, "both")


def _moved(question: YearQuestion, plan: YearPlan, kind: Kind) -> WayOut | None:
    names = [Named(key) for key in plan.left_out if question.by_key[key].priority >= CORE]
    if not names:
        return None
    return WayOut(kind, because(f"way_{kind}", concepts=listed(names, 4)), question, plan)


def _unshortened(demand: Demand) -> Demand:
    lengths = demand.lengths
    return replace(
        demand, lengths=Lengths(lengths.prepare, lengths.practise, lengths.prepare, lengths.practise)
    )


@dataclass(frozen=True, slots=True)
class Constraint:
    """One thing the teacher asked for that may collide with others."""

    kind: Literal["fixed", "earliest", "latest", "concert", "core"]
    subject: str
    reason: Reason


def conflict(question: YearQuestion) -> tuple[Reason, ...]:
    """A smallest set of wishes that cannot all be kept; empty where they can. Found by leaving out one after
    the other."""
    constraints = _constraints(question)
    if not constraints or _possible(question, constraints):
        return ()
    kept = list(constraints)
    for constraint in constraints:
        fewer = [one for one in kept if one is not constraint]
        if not _possible(question, fewer):
            kept = fewer
    return tuple(replace(one.reason, weight="bars", about=one.subject) for one in kept)


def conflict_of_words(question: YearQuestion) -> tuple[Reason, ...]:
    """As `conflict`, but what a concert cannot have even with no other wish was lost before and is no reason
    to refuse one."""
    if not conflict(question):
        return ()
    free = tuple(replace(d, fixed=None, earliest=None, latest=None) for d in question.demands)
    concerts = tuple(
        replace(c, concepts=frozenset(key for key in c.concepts if _alone(question, free, c, key)))
        for c in question.concerts
    )
    found = conflict(replace(question, concerts=concerts))
    named = {reason.about for reason in found}
    if found and named <= {concert.name for concert in concerts}:  # they collide among themselves
        return conflict_of_words(
            replace(question, concerts=tuple(c for c in concerts if c.name not in named))
        )
    return found


def _alone(question: YearQuestion, free: tuple[Demand, ...], concert: Concert, key: ConceptKey) -> bool:
    """Whether a concert could have this one concept if nothing else were asked."""
    one = replace(concert, concepts=frozenset((key,)))
    return conflict(replace(question, demands=free, concerts=(one,))) == ()


def _constraints(question: YearQuestion) -> list[Constraint]:
    found = []
    for d in question.demands:
        if d.begun:
            continue
        if d.fixed is not None:
            found.append(
                Constraint("fixed", d.key, because("wish_begins", concept=Named(d.key), lesson=d.fixed))
            )
        if d.latest is not None:
            found.append(
                Constraint("latest", d.key, because("wish_named_by", concept=Named(d.key), lesson=d.latest))
            )
        if d.earliest is not None:
            said = because("wish_not_before", concept=Named(d.key), lesson=d.earliest)
            found.append(Constraint("earliest", d.key, said))
    for concert in question.concerts:
        names = [Named(key) for key in sorted(concert.concepts) if key in question.by_key]
        if names:
            said = because(
                "wish_concert", concert=concert.name, concepts=listed(names), lesson=concert.lesson
            )
            found.append(Constraint("concert", concert.name, said))
    return found


def _possible(question: YearQuestion, constraints: Iterable[Constraint]) -> bool:
    """Whether everything that the wishes speak of can be laid with all of them kept; what they need comes
    along."""
    kept = {(constraint.kind, constraint.subject) for constraint in constraints}
    concerts = tuple(c for c in question.concerts if ("concert", c.name) in kept)
    named = {subject for kind, subject in kept if kind in ("fixed", "latest", "earliest")} | {
        k for c in concerts for k in c.concepts
    }
    demands = tuple(
        replace(
            d,
            fixed=d.fixed if ("fixed", d.key) in kept else None,
            latest=d.latest if ("latest", d.key) in kept else None,
            earliest=d.earliest if ("earliest", d.key) in kept else None,
            priority=20 if d.key in named else 1,
        )
        for d in question.demands
    )
    model = Model(
        replace(question, demands=demands, concerts=concerts), question.horizon, must=True, concerts_hard=True
    ).build()
    _, answer = solve(model.cp, WORK)
    return answer != "infeasible"


def slack(question: YearQuestion, plan: YearPlan, short: int) -> int:
    """Lessons left after the last arc; below zero, by how many the year is short, where a core concept finds
    no room even with shorter phases. Every page that says whether a year fits says this."""
    if short and any(demand.key in plan.left_out for demand in core(question)):
        return -short
    end = max((arc.end for arc in plan.arcs), default=question.first - 1)
    return question.last - max(end, question.first - 1)


def verdict(question: YearQuestion, plan: YearPlan, short: int) -> Reason:
    """Does it fit? With what to do about it."""
    left = [d for d in core(question) if d.key in plan.left_out]
    missed = costs.missed(question, plan)
    if missed:
        name, key = missed[0]
        return because("year_concert_missed", concert=name, concept=Named(key), others=len(missed) - 1)
    if short and left:
        names = listed([Named(d.key) for d in left], 3)
        return because("year_short", count=short, concepts=names, left=len(left))
    if short:
        return because("year_fits_shortened", count=short)
    return because(
        "year_fits", concepts=len(plan.arcs), lessons=question.lessons, spare=slack(question, plan, short)
    )
