"""The must-rules of a year's plan, checked from its arcs alone; knows nothing of how they were found."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import pairwise

from kopje.core.planning.year.arcs import PLACES, PRACTISED, Arc, Demand, YearPlan, YearQuestion


def breaches(question: YearQuestion, plan: YearPlan) -> tuple[str, ...]:
    """Every must-rule that a plan breaks, in words; none for a sound plan."""
    return tuple(
        [
            *_places(question, plan),
            *_one_present(plan),
            *_inside(question, plan),
            *_lengths(question, plan),
            *_prerequisites(question, plan),
            *_strands(question, plan),
            *_dates(question, plan),
        ]
    )


def _places(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for lesson in range(question.first, max((arc.end for arc in plan.arcs), default=0) + 1):
        for place in PLACES:
            there = [arc.concept for arc in plan.arcs if arc.place(lesson) == place]
            if len(there) > 1:
                yield f"lesson {lesson} holds {there} in its {place} place"


def _one_present(plan: YearPlan) -> Iterator[str]:
    seen: dict[int, str] = {}
    for arc in plan.arcs:
        if arc.present is not None:
            if arc.present in seen:
                yield f"lesson {arc.present} presents {seen[arc.present]} and {arc.concept}"
            seen[arc.present] = arc.concept


def _inside(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for arc in plan.arcs:
        demand = question.by_key[arc.concept]
        if min(arc.start, arc.warm_start) < question.first:
            yield f"{arc.concept} starts before lesson {question.first}"
        if not demand.begun and arc.end > question.horizon:
            yield f"{arc.concept} ends after lesson {question.horizon}"
    laid = {arc.concept for arc in plan.arcs}
    if laid & set(plan.left_out) or laid | set(plan.left_out) != set(question.by_key):
        yield "laid and left out do not make up what was asked"


def _lengths(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for arc in plan.arcs:
        demand = question.by_key[arc.concept]
        least, usual = demand.least, demand.usual
        for name, value, low, high in zip(
            ("new", "practised", "warm"), (arc.new, arc.middle, arc.warm), least, usual, strict=True
        ):
            if not low <= value <= high:
                yield f"{arc.concept}: {value} lessons in its {name} place, {low} to {high} are usual"
        if not demand.short and arc.warm_start < arc.middle_end:
            yield f"{arc.concept} is kept warm before it is practised"
        if (arc.pause_after, arc.pause) != demand.rest:
            yield f"{arc.concept} does not rest where the teacher split it"


def _prerequisites(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for arc in plan.arcs:
        demand = question.by_key[arc.concept]
        if demand.begun or arc.present is None:
            continue  # facts are exempt
        if question.missing(demand):
            yield f"{arc.concept} needs {question.missing(demand)[0]}, which nobody teaches"
        for need in question.needs(demand):
            earlier = plan.by_key.get(need.key)
            if earlier is None or earlier.assess >= arc.present:
                yield f"{arc.concept} is named before {need.key} is assessed"


def _strands(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for chain in question.chains:
        laid = [(demand, plan.by_key[demand.key]) for demand in chain if demand.key in plan.by_key]
        for (one, earlier), (other, later) in pairwise(laid):
            if not other.begun and first_lesson(later) < free_after(one, earlier):
                yield f"{later.concept} starts before {earlier.concept} was practised {PRACTISED} times"


def _dates(question: YearQuestion, plan: YearPlan) -> Iterator[str]:
    for arc in plan.arcs:
        demand = question.by_key[arc.concept]
        if demand.begun:
            continue
        if demand.fixed is not None and first_lesson(arc) != demand.fixed:
            yield f"{arc.concept} starts in lesson {first_lesson(arc)}, you chose {demand.fixed}"
        if demand.earliest is not None and arc.present is not None and arc.present < demand.earliest:
            yield f"{arc.concept} is named before lesson {demand.earliest}"
        if demand.latest is not None and arc.present is not None and arc.present > demand.latest:
            yield f"{arc.concept} is named after lesson {demand.latest}"


def first_lesson(arc: Arc) -> int:
    return arc.warm_start if arc.short or arc.new + arc.middle == 0 else arc.start


def free_after(demand: Demand, arc: Arc) -> int:
    """From which lesson the next of its strand may start: a short arc must be over."""
    return arc.end + 1 if demand.short else arc.middle_end
