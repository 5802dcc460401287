"""A linear model over yes-or-no and whole numbers, as plain values, and the solver that answers it.

Built once as rows, so that the same model can be relaxed, fixed in part, or given to brute force in tests."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

Term = tuple[int, int]  # coefficient, variable
EXACT = 1e-6
SECONDS = 2.5  # that the solver needs for one unit of its own measure, as we saw it
HANDING = 5e-6  # seconds for handing over a term


@dataclass
class Linear:
    """Variables by number with their upper bound and cost; rows `low <= sum <= high`, None for no bound."""

    tops: list[int] = field(default_factory=list)
    costs: list[int] = field(default_factory=list)
    rows: list[tuple[tuple[Term, ...], int | None, int | None]] = field(default_factory=list)
    elastic: dict[int, tuple[str, int]] = field(default_factory=dict)  # price and lesson of a wish not kept

    def var(self, cost: int = 0, top: int = 1) -> int:
        self.tops.append(top)
        self.costs.append(cost)
        return len(self.tops) - 1

    def slack(self, key: str, cost: int, lesson: int = -1, top: int = 1) -> int:
        """How often a wish is not kept."""
        found = self.var(cost, top)
        self.elastic[found] = (key, lesson)
        return found

    def row(self, terms: Iterable[Term], low: int | None = None, high: int | None = None) -> None:
        self.rows.append((tuple(terms), low, high))

    def at_most(self, terms: Iterable[Term], high: int) -> None:
        self.row(terms, None, high)

    def at_least(self, terms: Iterable[Term], low: int) -> None:
        self.row(terms, low, None)


@dataclass(frozen=True)
class Answer:
    """`values` by variable; None where nothing was found. `bound`: no answer is cheaper. `took`: work."""

    values: tuple[int, ...] | None
    cost: int
    bound: int
    proven: bool
    impossible: bool = False
    took: float = 0.0


def solve(model: Linear, work: float, hint: Mapping[int, int] | None = None, prepared: bool = True) -> Answer:
    """By one worker with a fixed seed; `work` is counted, not timed, and near to seconds of a quiet machine.
    A small model is not worth being `prepared` by it first."""
    from ortools.sat.python import cp_model

    handing = HANDING * sum(len(terms) for terms, _, _ in model.rows)
    cp = cp_model.CpModel()
    every: list[Any] = [cp.new_int_var(0, top, "") for top in model.tops]
    low_end, high_end = cp_model.INT32_MIN, cp_model.INT32_MAX
    for terms, low, high in model.rows:
        chosen = [every[variable] for _, variable in terms]
        weights = [weight for weight, _ in terms]
        total = cp_model.LinearExpr.weighted_sum(chosen, weights)
        cp.add_linear_constraint(total, low_end if low is None else low, high_end if high is None else high)
    cp.minimize(cp_model.LinearExpr.weighted_sum(every, model.costs))
    for variable, value in (hint or {}).items():
        cp.add_hint(every[variable], value)
    solver = cp_model.CpSolver()
    parameters: dict[str, Any] = {
        "num_workers": 1,
        "random_seed": 11,
        "max_deterministic_time": work / SECONDS,
        "linearization_level": 2,
        "cp_model_presolve": prepared,
        "cp_model_probing_level": 2 * prepared,
        "symmetry_level": 2 * prepared,
    }
    for name, value in parameters.items():
        setattr(solver.parameters, name, value)
    status = solver.solve(cp)
    took = solver.response_proto.deterministic_time * SECONDS + handing
    if status == cp_model.INFEASIBLE:
        return Answer(None, 0, 0, True, True, took)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return Answer(None, 0, 0, False, took=took)
    values = tuple(int(solver.value(one)) for one in every)
    bound = -int(-solver.best_objective_bound // 1)
    cost = round(solver.objective_value)
    return Answer(values, cost, min(bound, cost), status == cp_model.OPTIMAL, took=took)


def solve_part(
    model: Linear, known: Mapping[int, int], work: float, hint: Sequence[int], prepared: bool = False
) -> Answer:
    """The answer with some variables known: only what is left of the model is handed to the solver."""
    part = _part(model, known)
    if part is None:
        return Answer(None, 0, 0, True, True)
    small, left, spent = part
    found = solve(small, work, {new: hint[old] for new, old in enumerate(left)}, prepared)
    if found.values is None:
        return found
    values = [known.get(variable, 0) for variable in range(len(model.tops))]
    for old, value in zip(left, found.values, strict=True):
        values[old] = value
    return replace(found, values=tuple(values), cost=found.cost + spent, bound=found.bound + spent)


def _part(model: Linear, known: Mapping[int, int]) -> tuple[Linear, list[int], int] | None:
    """What is left of a model, which variables are in it, and what the known ones cost; None where they
    break a rule. Rows that can no longer be broken are left out, and so is what only they had in them."""
    rows: list[tuple[tuple[Term, ...], int | None, int | None]] = []
    for terms, low, high in model.rows:
        open_terms = tuple(one for one in terms if one[1] not in known)
        if len(open_terms) < len(terms):
            fixed = sum(weight * known[variable] for weight, variable in terms if variable in known)
            low = None if low is None else low - fixed
            high = None if high is None else high - fixed
        least = sum(weight * model.tops[variable] for weight, variable in open_terms if weight < 0)
        most = sum(weight * model.tops[variable] for weight, variable in open_terms if weight > 0)
        if (low is not None and most < low) or (high is not None and least > high):
            return None
        if (low is not None and least < low) or (high is not None and most > high):
            rows.append((open_terms, low, high))
    used = {variable for terms, _, _ in rows for _, variable in terms}
    cheap = {variable for variable, cost in enumerate(model.costs) if cost < 0 and variable not in known}
    left = sorted(used | cheap)
    place = {old: new for new, old in enumerate(left)}
    small = Linear([model.tops[old] for old in left], [model.costs[old] for old in left])
    for terms, low, high in rows:
        small.row([(weight, place[variable]) for weight, variable in terms], low, high)
    return small, left, sum(model.costs[variable] * value for variable, value in known.items())


@dataclass(frozen=True)
class Relaxed:
    """What it would cost if halves and thirds of choices were allowed, and by how much more it costs at
    least with each variable that is not chosen there."""

    value: float = 0.0
    dearer: tuple[float, ...] = ()

    @property
    def bound(self) -> int:
        """No answer is cheaper."""
        return max(0, math.ceil(self.value - EXACT))

    def more(self, variable: int) -> float:
        """By how much it is dearer with this; 0 where that is not known."""
        return self.dearer[variable] if self.dearer else 0.0

    def useless(self, below: int) -> list[int]:
        """What is in no answer that costs less than this."""
        return [n for n, more in enumerate(self.dearer) if self.value + more > below - 1 + EXACT]


def relaxed(model: Linear) -> Relaxed:
    """By the simplex method."""
    from ortools.linear_solver import pywraplp

    solver = pywraplp.Solver.CreateSolver("GLOP")
    endless = solver.infinity()
    every = [solver.NumVar(0, top, "") for top in model.tops]
    for terms, low, high in model.rows:
        row = solver.Constraint(-endless if low is None else low, endless if high is None else high)
        weights = {variable: weight for weight, variable in terms}
        if len(weights) < len(terms):  # some variable twice
            weights = dict.fromkeys(weights, 0)
            for weight, variable in terms:
                weights[variable] += weight
        for variable, weight in weights.items():
            row.SetCoefficient(every[variable], weight)
    total = solver.Objective()
    for one, cost in zip(every, model.costs, strict=True):
        total.SetCoefficient(one, cost)
    total.SetMinimization()
    if solver.Solve() != pywraplp.Solver.OPTIMAL:
        return Relaxed()
    return Relaxed(total.Value(), tuple(one.reduced_cost() for one in every))
