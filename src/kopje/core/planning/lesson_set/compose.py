"""Composing a set: the cells, the model, the solver, and what is said of its answer.

The same question gives the same set: limits count work, one worker, a fixed seed."""

from __future__ import annotations

from kopje.core.errors import PlanError
from kopje.core.planning.lesson_set.candidates import Cells
from kopje.core.planning.lesson_set.explain import explained
from kopje.core.planning.lesson_set.linear import Answer, Linear, solve
from kopje.core.planning.lesson_set.prices import PRICES
from kopje.core.planning.lesson_set.question import SetPlan, SetQuestion, SetStatus
from kopje.core.planning.lesson_set.search import Told, best_answer
from kopje.core.planning.lesson_set.wishes import whole_model

TEACHING_SHARE = 4  # of the work a quarter goes into the question whether teaching could be served better


def compose_set(question: SetQuestion, told: Told | None = None) -> SetPlan:
    """The best set that is found in the given work, or until whoever is `told` says stop;
    PlanError when nothing can be proposed at all."""
    cells = Cells(question)
    if not cells.cells:
        raise PlanError("plan_nothing_to_propose")
    model = whole_model(cells)
    answer = best_answer(model, question.work, told)
    if answer.values is None:
        raise PlanError("plan_no_lesson_fits")
    chosen = [cell for cell, variable in model.z.items() if answer.values[variable]]
    status = _status(model.linear, answer, question)
    return explained(model, answer, chosen, status, _relaxed(model.linear, answer.values))


def _status(linear: Linear, answer: Answer, question: SetQuestion) -> SetStatus:
    """Where the best is not proven, it is at least asked whether teaching could be served better; not after a
    pin, where an answer in a second is worth more."""
    if answer.proven:
        return "best_possible"
    if question.keep:
        return "best_found"
    grave = _teaching(linear)
    only = Linear(linear.tops, grave, linear.rows, linear.elastic)
    best = solve(only, question.work / TEACHING_SHARE, dict(enumerate(answer.values or ())))
    mine = sum(cost * value for cost, value in zip(grave, answer.values or (), strict=True))
    return "teaching_best" if best.bound >= mine else "best_found"


def _teaching(linear: Linear) -> list[int]:
    """The costs of rules and teaching wishes alone."""
    taste = {n for n, (key, _) in linear.elastic.items() if PRICES[key].tier == "taste"}
    return [
        cost if variable in linear.elastic and variable not in taste else 0
        for variable, cost in enumerate(linear.costs)
    ]


def _relaxed(linear: Linear, values: tuple[int, ...]) -> tuple[int, ...]:
    """The numbers of the must-rules that were given up."""
    broken = {key for variable, (key, _) in linear.elastic.items() if values[variable]}
    return tuple(sorted({PRICES[key].rule for key in broken if PRICES[key].rule}))
