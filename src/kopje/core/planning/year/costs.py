"""What a year's plan costs: first what is missed, then what is cut short, out of step, or moved. One table
for all.

The solver's objective and the greedy plan are priced by the same numbers.
"""

from __future__ import annotations

from kopje.core.planning.year.arcs import Arc, Demand, YearPlan, YearQuestion
from kopje.core.planning.year.validate import first_lesson

CONCERT_MISSED = 400
SHORTER_PREPARE = 6  # each lesson; cut practise before prepare
SHORTER_PRACTISE = 3
GAP = 1  # each lesson between practising and keeping warm beyond what a short arc takes
IN_TOUCH = 4
OUT_OF_STEP = 1  # each lesson beyond five between the nth rhythm and the nth melody concept
IN_STEP = 5
LATE = 1  # each lesson of the last arc's end: slack at the end of the year is worth having
MOVED = 2  # each lesson away from the plan before
LARGE = 1000  # one point of priority against all the wishes


def priority_cost(question: YearQuestion, plan: YearPlan) -> int:
    """Tier 1: concerts missed and priority left out."""
    left = sum(question.by_key[key].priority for key in plan.left_out)
    return left + sum(CONCERT_MISSED for _ in missed(question, plan))


def tier(question: YearQuestion, plan: YearPlan) -> tuple[int, int, int]:
    """What plans are compared by: tier 1; of equals the earlier in the sequence is laid; then the wishes."""
    out = set(plan.left_out)
    late = sum(len(question.demands) - n for n, demand in enumerate(question.demands) if demand.key in out)
    return priority_cost(question, plan), late, wish_cost(question, plan)


def missed(question: YearQuestion, plan: YearPlan) -> tuple[tuple[str, str], ...]:
    """(concert, concept) for each concept that a concert wants and that is not named by then."""
    found = []
    for concert in question.concerts:
        for key in sorted(concert.concepts):
            if key in question.ready or key not in question.by_key or question.by_key[key].presented:
                continue
            arc = plan.by_key.get(key)
            if arc is None or (arc.present or 0) > concert.lesson:
                found.append((concert.name, key))
    return tuple(found)


def wish_cost(question: YearQuestion, plan: YearPlan) -> int:
    """Tier 2: lengths, gaps, interleaving, slack, stability."""
    cost = sum(_arc_cost(question, question.by_key[arc.concept], arc) for arc in plan.arcs)
    cost += LATE * max((arc.end - question.first + 1 for arc in plan.arcs), default=0)
    return cost + sum(OUT_OF_STEP * max(abs(a - b) - IN_STEP, 0) for a, b in pairs(question, plan))


def _arc_cost(question: YearQuestion, demand: Demand, arc: Arc) -> int:
    new, _, warm = demand.usual
    cost = 0 if arc.short else SHORTER_PREPARE * (new - arc.new) + SHORTER_PRACTISE * (warm - arc.warm)
    if not arc.short:
        cost += GAP * max(arc.warm_start - arc.middle_end - IN_TOUCH, 0)
    before = question.before.get(arc.concept)
    return cost + (MOVED * abs(first_lesson(arc) - before) if before is not None else 0)


def pairs(question: YearQuestion, plan: YearPlan) -> list[tuple[int, int]]:
    """Starts of the nth rhythm and the nth melody concept that are asked for, where both are laid."""
    rhythm, melody = step_lines(question)
    return [
        (plan.by_key[a.key].start, plan.by_key[b.key].start)
        for a, b in zip(rhythm, melody, strict=False)
        if a.key in plan.by_key and b.key in plan.by_key
    ]


def step_lines(question: YearQuestion) -> tuple[list[Demand], list[Demand]]:
    long_ones = [demand for demand in question.demands if not demand.short and not demand.begun]
    return (
        [demand for demand in long_ones if demand.concept.line == "rhythm"],
        [demand for demand in long_ones if demand.concept.line == "melody"],
    )


def plan_cost(question: YearQuestion, plan: YearPlan) -> int:
    return LARGE * priority_cost(question, plan) + wish_cost(question, plan)
