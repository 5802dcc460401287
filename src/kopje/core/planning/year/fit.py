"""Laying the arcs as well as can be, with a constraint solver. Source: docs/sources.md#fitting.

First the fewest concerts missed and the highest priority laid, then the wishes, in two runs: one looks for
good plans, one proves that there is no better."""

from __future__ import annotations

from dataclasses import replace

from kopje.core.planning.year import costs
from kopje.core.planning.year.arcs import Status, YearPlan, YearQuestion
from kopje.core.planning.year.exchanges import in_turn, put_in_turn
from kopje.core.planning.year.greedy import greedy
from kopje.core.planning.year.model import Model
from kopje.core.planning.year.solver import PROOF, SEARCH, solve

TIER_1, WISHES, BOUND = 0.5, 0.2, 0.4  # units of the solver's deterministic work
QUICK = 0.025  # for a look at a way out; taking it lays the year with all care


def fit_year(question: YearQuestion, quick: bool = False) -> YearPlan:
    """The best plan that a bounded amount of work finds; never worse than the greedy one. `quick` looks a
    moment only."""
    first = greedy(question)
    if not question.demands:
        return replace(first, status="best_possible")
    model = Model(question, question.horizon).build()
    model.hint(first)
    model.cp.minimize(model.which())
    solver, answer = solve(model.cp, QUICK if quick else TIER_1)
    if answer not in ("optimal", "feasible"):
        return first
    best = model.read(solver)
    model.settle(solver)
    begin = first if set(first.left_out) == set(best.left_out) else best
    wished, bound = _wished(model, begin, quick)
    best = wished or best
    cost = costs.plan_cost(question, best)
    if costs.tier(question, best) > costs.tier(question, first):
        return first
    proven = answer == "optimal" and costs.wish_cost(question, best) <= bound
    status: Status = "best_possible" if proven else "best_found"
    return replace(
        best, status=status, cost=cost, bound=costs.LARGE * costs.priority_cost(question, best) + bound
    )


def _wished(model: Model, begin: YearPlan, quick: bool) -> tuple[YearPlan | None, int]:
    """The best plan with the concepts settled, and what no plan can cost less than. First good plans are
    looked for, then the bound is lifted."""
    question = model.question
    pairs = in_turn(question, model.settled)
    model.take_turns(pairs)
    model.cp.minimize(model.tier_2())
    best, bound = None, 0
    for work, how in ((QUICK, SEARCH),) if quick else ((WISHES, SEARCH), (BOUND, PROOF)):
        model.hint(put_in_turn(best or begin, pairs))
        solver, answer = solve(model.cp, work, how)
        bound = max(bound, round(solver.best_objective_bound))
        if answer in ("optimal", "feasible"):
            found = model.read(solver)
            if best is None or costs.wish_cost(question, found) < costs.wish_cost(question, best):
                best = found
        if best is not None and costs.wish_cost(question, best) <= bound:
            break
    return best, bound
