"""The linear model apart from lessons: a part of it, and the relaxed answer, against every answer."""

from __future__ import annotations

from itertools import product

from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.planning.lesson_set.linear import Linear, relaxed, solve, solve_part

TERMS = st.lists(st.tuples(st.integers(-3, 4), st.integers(0, 6)), min_size=1, max_size=5)
ROWS = st.lists(st.tuples(TERMS, st.integers(-3, 5), st.booleans()), max_size=6)
COSTS = st.lists(st.integers(-2, 9), min_size=7, max_size=7)


def made(costs: list[int], rows: list[tuple[list[tuple[int, int]], int, bool]]) -> Linear:
    model = Linear()
    for cost in costs:
        model.var(cost)
    for terms, bound, below in rows:
        once = list({variable: (weight, variable) for weight, variable in terms}.values())
        if below:
            model.at_most(once, bound)
        else:
            model.at_least(once, bound)
    return model


def every(model: Linear) -> list[tuple[int, tuple[int, ...]]]:
    """All answers with what they cost."""
    found = []
    for values in product((0, 1), repeat=len(model.tops)):
        sums = [(sum(w * values[v] for w, v in terms), low, high) for terms, low, high in model.rows]
        if all((low is None or s >= low) and (high is None or s <= high) for s, low, high in sums):
            found.append((sum(c * v for c, v in zip(model.costs, values, strict=True)), values))
    return found


@settings(max_examples=60, deadline=None)
@given(COSTS, ROWS, st.dictionaries(st.integers(0, 6), st.integers(0, 1), max_size=5))
def test_a_part_is_answered_as_the_whole_would_be(
    costs: list[int], rows: list[tuple[list[tuple[int, int]], int, bool]], known: dict[int, int]
) -> None:
    model = made(costs, rows)
    able = [one for one in every(model) if all(one[1][n] == value for n, value in known.items())]
    found = solve_part(model, known, 5.0, [0] * 7)
    assert (found.values is None) is (not able)
    if found.values is not None:
        assert found.proven
        assert (found.cost, found.values) in able, "it keeps the rows, what is known, and says what it costs"
        assert found.cost == found.bound == min(cost for cost, _ in able)


@settings(max_examples=60, deadline=None)
@given(COSTS.map(lambda costs: [abs(cost) for cost in costs]), ROWS)
def test_what_the_relaxed_answer_calls_useless_is_in_no_better_answer(
    costs: list[int], rows: list[tuple[list[tuple[int, int]], int, bool]]
) -> None:
    model = made(costs, rows)
    able = every(model)
    loose = relaxed(model)
    if not able:
        return
    best = min(cost for cost, _ in able)
    assert loose.bound <= best == solve(model, 5.0).cost
    for below in (best, best + 1, best + 3):
        useless = set(loose.useless(below))
        for cost, values in able:
            assert cost >= below or not any(values[n] for n in useless)
