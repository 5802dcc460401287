"""A first plan at once: each arc at the earliest lessons that are free, in the order of the sequence, lines in turn."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from kopje.core.planning.year.arcs import Arc, Demand, Place, YearPlan, YearQuestion
from kopje.core.planning.year.costs import plan_cost
from kopje.core.planning.year.validate import first_lesson, free_after
from kopje.core.sequence.concepts import ConceptKey

SEARCH = 80  # lessons beyond the year that a begun arc may run into


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
        if not arc.short:
            self.taken["new"].update(range(arc.start, arc.start + arc.new))
            self.taken["practised"].update(range(arc.start + arc.new, arc.start + arc.new + arc.middle))
        self.taken["warm"].update(range(arc.warm_start, arc.warm_start + arc.warm))
        if arc.present is not None:
            self.presents.add(arc.present)


def greedy(question: YearQuestion, order: Iterable[Demand] | None = None) -> YearPlan:
    """Lay what fits, the begun first. Deterministic; milliseconds. `order` replaces the order of the sequence."""
    table, out = _Table(), list[ConceptKey]()
    laid: dict[ConceptKey, Arc] = {}
    waiting = list(order or question.demands)
    waiting.sort(key=lambda demand: not demand.begun)
    while waiting:
        demand = _next(question, waiting, laid)
        waiting.remove(demand)
        arc = _placed(question, demand, table, laid)
        if arc is None:
            out.append(demand.key)
        else:
            laid[demand.key] = arc
            table.take(arc)
    arcs = tuple(sorted(laid.values(), key=lambda arc: (first_lesson(arc), arc.concept)))
    plan = YearPlan(arcs, tuple(d.key for d in question.demands if d.key in out))
    return YearPlan(plan.arcs, plan.left_out, "best_found", plan_cost(question, plan))


def _next(question: YearQuestion, waiting: list[Demand], laid: dict[ConceptKey, Arc]) -> Demand:
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
            -(demand.priority >= 10),
            lines.count(demand.concept.line),
            waiting.index(demand),
        ),
    )


def _earlier_in_strand(question: YearQuestion, demand: Demand, keys: set[ConceptKey]) -> bool:
    chain = next(chain for chain in question.chains if demand in chain)
    return any(one.key in keys for one in chain[: chain.index(demand)])


def _placed(question: YearQuestion, demand: Demand, table: _Table, laid: dict[ConceptKey, Arc]) -> Arc | None:
    if question.missing(demand) and not demand.begun:
        return None
    if not demand.begun and any(need.key not in laid for need in question.needs(demand)):
        return None
    earliest, present_from = question.first, question.first
    if not demand.begun:
        chain = next(chain for chain in question.chains if demand in chain)
        before = [one for one in chain[: chain.index(demand)] if one.key in laid]
        earliest = max([earliest, *(free_after(one, laid[one.key]) for one in before)])
        present_from = max(
            [demand.earliest or 0, *(laid[need.key].assess + 1 for need in question.needs(demand))]
        )
    last = question.last + SEARCH if demand.begun else question.horizon
    starts = [demand.fixed] if demand.fixed is not None and not demand.begun else range(earliest, last + 1)
    for sizes in dict.fromkeys((demand.usual, demand.least)):
        for start in starts:
            arc = _arc_at(demand, sizes, start, table)
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


def _arc_at(demand: Demand, sizes: tuple[int, int, int], start: int, table: _Table) -> Arc | None:
    new, middle, warm = sizes
    if demand.short:
        arc = Arc(demand.key, start, 0, 0, start, warm, demand.presented, True, demand.prepared)
        fits = table.free("warm", start, warm) and arc.present not in table.presents
        return arc if fits else None
    if not (table.free("new", start, new) and table.free("practised", start + new, middle)):
        return None
    warm_start = start + new + middle
    while not table.free("warm", warm_start, warm):
        warm_start += 1
    arc = Arc(demand.key, start, new, middle, warm_start, warm, demand.presented, False, demand.prepared)
    return arc if arc.present is None or arc.present not in table.presents else None
