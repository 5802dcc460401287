"""How the constraint solver is run: one worker, a fixed seed, limits that count work and not time, so that
the same question gives the same plan. Source: docs/sources.md#fitting."""

from __future__ import annotations

from typing import Any, Literal

Answer = Literal["optimal", "feasible", "infeasible", "unknown"]
SEED = 11
PLAIN: dict[str, Any] = {}  # which concepts find room: the lighter propagation answers sooner
SEARCH: dict[str, Any] = {  # where and how long: with the concepts settled
    "use_strong_propagation_in_disjunctive": True,
    "use_dynamic_precedence_in_disjunctive": True,
}
PROOF: dict[str, Any] = {
    **SEARCH,
    "use_objective_lb_search": True,
    "linearization_level": 2,
}  # lifts the bound instead of looking for better plans


def solve(cp: Any, work: float, how: dict[str, Any] = PLAIN) -> tuple[Any, Answer]:
    """The solver after its run over a model, and what it found. `work`: units of its own deterministic
    measure."""
    from ortools.sat.python import cp_model

    solver = cp_model.CpSolver()
    for name, value in {"num_workers": 1, "random_seed": SEED, "max_deterministic_time": work, **how}.items():
        setattr(solver.parameters, name, value)
    names: dict[Any, Answer] = {
        cp_model.OPTIMAL: "optimal",
        cp_model.FEASIBLE: "feasible",
        cp_model.INFEASIBLE: "infeasible",
    }
    return solver, names.get(solver.solve(cp), "unknown")
