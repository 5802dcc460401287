"""A first plan at once: each arc at the earliest lessons that are free, in the order of the sequence, lines
in turn."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from types import MappingProxyType

from kopje.core.planning.year.arcs import CORE, PRACTISED, Arc, Demand, Place, YearPlan, YearQuestion, spread
from kopje.core.planning.year.costs import plan_cost, tier
from kopje.core.planning.year.validate import first_lesson, free_after
from kopje.core.sequence.concepts import ConceptKey

BEYOND = 80  # lessons beyond the year that a begun arc may run into


@dataclass
class _Table:
    """Which lessons are taken in each place, and which present something."""

    taken: dict[Place, set[int]] = field(
        default_factory=lambda: {"new": set(), "practised": set(), "warm": set()}
    )
    presents: set[int] = field(default_factory=set)

    def free(self, place: Place, start: int, length: int) -> bool:
        return not any(n in self.taken[place] for n in range(start, start + length))

    def take(self, arc: Arc) -> None:
        for place, runs in _runs(arc):
            for start, length in runs:
                self.taken[place].update(range(start, start + length))
        self.taken["warm"].update(range(arc.warm_start, arc.warm_start + arc.warm))
        if arc.present is not None:
            self.presents.add(arc.present)


def kept_in_order(question: YearQuestion, old: YearPlan) -> YearPlan:
    """The old plan over what lessons are left now: the same order and lengths as far as they fit, at once.

    Whatever the old plan left out comes last, shorter phases where the old ones no longer fit; the optional
    ones give way where that saves a core one."""
    demands = tuple(_as_long_as(demand, old.by_key.get(demand.key)) for demand in question.demands)
    asked = replace(question, demands=demands)
    starts = {key: first_lesson(arc) for key, arc in old.by_key.items()}
    order = sorted(demands, key=lambda d: starts.get(d.key, question.last + 1))
    laid = [demand for demand in order if demand.begun or demand.key in starts]
    core = [demand for demand in laid if demand.begun or demand.priority >= CORE]
    plans = [greedy(asked, some, strict=True) for some in (order, laid, core)]
    plans += [greedy(asked, some, strict=True, old=old.by_key) for some in (laid, core)]
    plan = min(plans, key=lambda one: tier(question, one))
    return replace(plan, cost=plan_cost(question, plan), bound=plan_cost(question, plan), status="kept")


def _as_long_as(demand: Demand, arc: Arc | None) -> Demand:
    """Not longer than the arc was."""
    if arc is None or demand.begun or demand.short or demand.rest[1]:
        return demand
    own = demand.lengths
    prepare = min(max(arc.new - 1, own.least_prepare), own.prepare)
    practise = min(max(PRACTISED + arc.warm - 1, own.least_practise), own.practise)
    return replace(demand, lengths=replace(own, prepare=prepare, practise=practise))


def greedy(
    question: YearQuestion,
    order: Iterable[Demand] | None = None,
    strict: bool = False,
    old: Mapping[ConceptKey, Arc] = MappingProxyType({}),
) -> YearPlan:
    """Lay what fits, the begun first. Deterministic; milliseconds. `order` replaces the order of the
    sequence; `strict`: lines do not take turns, and nothing starts before what comes before it, nor before
    its place in `old`."""
    table = _Table()
    laid: dict[ConceptKey, Arc] = {}
    waiting = list(order or question.demands)
    waiting.sort(key=lambda demand: not demand.begun)
    while waiting:
        demand = _next(question, waiting, laid, strict)
        waiting.remove(demand)
        not_before = max(
            (arc.start for arc in laid.values() if strict and arc.short == demand.short), default=0
        )
        arc = _placed(question, demand, table, laid, not_before, old.get(demand.key))
        if arc is not None:
            laid[demand.key] = arc
            table.take(arc)
    arcs = tuple(sorted(laid.values(), key=lambda arc: (first_lesson(arc), arc.concept)))
    plan = YearPlan(arcs, tuple(d.key for d in question.demands if d.key not in laid))
    return YearPlan(plan.arcs, plan.left_out, "best_found", plan_cost(question, plan))


def _next(question: YearQuestion, waiting: list[Demand], laid: dict[ConceptKey, Arc], strict: bool) -> Demand:
    """The first that nothing waiting must come before; of several, the line with the fewest laid."""
    keys = {demand.key for demand in waiting}
    able = [
        demand
        for demand in waiting
        if demand.begun
        or not (
            any(need.key in keys for need in question.needs(demand))
            or _earlier_in_strand(question, demand, keys)
        )
    ]
    begun = [demand for demand in able if demand.begun]
    if begun:
        return begun[0]
    lines = [question.by_key[key].concept.line for key in laid if key in question.by_key]
    return min(
        able or waiting,
        key=lambda demand: (
            0 if strict else -(demand.priority >= CORE),
            0 if strict else lines.count(demand.concept.line),
            waiting.index(demand),
        ),
    )


def _earlier_in_strand(question: YearQuestion, demand: Demand, keys: set[ConceptKey]) -> bool:
    chain = next(chain for chain in question.chains if demand in chain)
    return any(one.key in keys for one in chain[: chain.index(demand)])


def _placed(
    question: YearQuestion,
    demand: Demand,
    table: _Table,
    laid: dict[ConceptKey, Arc],
    not_before: int,
    old: Arc | None,
) -> Arc | None:
    if question.missing(demand) and not demand.begun:
        return None
    if not demand.begun and any(need.key not in laid for need in question.needs(demand)):
        return None
    not_before = max(not_before, first_lesson(old) if old else 0)
    warm_from = old.warm_start if old else 0
    earliest, present_from = question.first, question.first
    if not demand.begun:
        chain = next(chain for chain in question.chains if demand in chain)
        before = [one for one in chain[: chain.index(demand)] if one.key in laid]
        earliest = max([earliest, not_before, *(free_after(one, laid[one.key]) for one in before)])
        present_from = max(
            [demand.earliest or 0, *(laid[need.key].assess + 1 for need in question.needs(demand))]
        )
    last = question.last + BEYOND if demand.begun else question.horizon
    starts = [demand.fixed] if demand.fixed is not None and not demand.begun else range(earliest, last + 1)
    for sizes in dict.fromkeys((demand.usual, demand.least)):
        for start in starts:
            arc = _arc_at(demand, sizes, start, table, warm_from)
            late = demand.latest is not None and arc is not None and (arc.present or 0) > demand.latest
            if (
                arc is not None
                and start >= earliest
                and arc.end <= last
                and not late
                and (arc.present or present_from) >= present_from
            ):
                return arc
    return None


def _arc_at(
    demand: Demand, sizes: tuple[int, int, int], start: int, table: _Table, warm_from: int
) -> Arc | None:
    new, middle, warm = sizes
    if demand.short:
        arc = Arc(demand.key, start, 0, 0, start, warm, demand.presented, True, demand.prepared)
        fits = table.free("warm", start, warm) and arc.present not in table.presents
        return arc if fits else None
    arc = Arc(demand.key, start, new, middle, 0, warm, False, False, 0, *demand.rest)
    if not all(table.free(place, *run) for place, runs in _runs(arc) for run in runs):
        return None
    warm_start = max(arc.middle_end, warm_from)
    while not table.free("warm", warm_start, warm):
        warm_start += 1
    arc = replace(arc, warm_start=warm_start, presented=demand.presented, prepared=demand.prepared)
    return arc if arc.present is None or arc.present not in table.presents else None


def _runs(arc: Arc) -> tuple[tuple[Place, list[tuple[int, int]]], ...]:
    """(place, (first lesson, lessons)) of preparing and practising; nothing of a short arc."""
    if arc.short:
        return ()
    new, middle = spread(arc.new, arc.middle, arc.pause_after, arc.pause)
    return ("new", [(arc.start + at, n) for at, n in new]), (
        "practised",
        [(arc.start + at, n) for at, n in middle],
    )
