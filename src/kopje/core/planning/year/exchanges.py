"""Which short arcs may as well come one before the other. Source: docs/sources.md#fitting.

Short arcs are alike in length and cost. Where whatever must come before A must come before B too, and
whatever waits for B waits for A too, an exchange of the two leaves every rule and every cost as it was: so A
is laid first, and a proof need not look at the same plan in a hundred orders. Each exchange moves the one
with the smaller rank forward, so all such pairs hold at once."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from graphlib import TopologicalSorter

from kopje.core.planning.year.arcs import YearPlan, YearQuestion
from kopje.core.planning.year.validate import first_lesson
from kopje.core.sequence.concepts import ConceptKey

Pair = tuple[ConceptKey, ConceptKey]


def in_turn(question: YearQuestion, laid: Iterable[ConceptKey]) -> tuple[Pair, ...]:
    """(earlier, later) for short arcs that no date, concert or earlier plan tells apart."""
    keys = set(laid)
    before = _before(question, keys)
    waiting = {key: {other for other in before if key in before[other]} for key in before}
    named = {key for concert in question.concerts for key in concert.concepts}
    plain = [
        d
        for d in question.demands
        if d.key in keys
        and d.short
        and not d.begun
        and d.key not in named
        and d.key not in question.before
        and (d.fixed, d.earliest, d.latest) == (None, None, None)
    ]
    found = []
    for rank, one in enumerate(plain):
        for other_rank, other in enumerate(plain):
            related = one.key in before[other.key] or other.key in before[one.key]
            if one is other or related or one.usual != other.usual:
                continue
            first = before[one.key] <= before[other.key] and waiting[other.key] <= waiting[one.key]
            alike = before[one.key] == before[other.key] and waiting[other.key] == waiting[one.key]
            if first and (not alike or rank < other_rank):
                found.append((one.key, other.key))
    return tuple(found)


def _before(question: YearQuestion, keys: set[ConceptKey]) -> Mapping[ConceptKey, set[ConceptKey]]:
    """What must come before each, near and far: prerequisites, and what is earlier in its strand; what has
    begun goes on."""
    mine = [demand for demand in question.demands if demand.key in keys]
    near = {d.key: set() if d.begun else {need.key for need in question.needs(d)} & keys for d in mine}
    for chain in question.chains:
        line = [demand for demand in chain if demand.key in keys]
        for place, one in enumerate(line):
            if not one.begun:
                near[one.key] |= {earlier.key for earlier in line[:place]}
    found: dict[ConceptKey, set[ConceptKey]] = {}
    for key in TopologicalSorter(near).static_order():
        found[key] = near[key].union(*(found[other] for other in near[key]))
    return found


def put_in_turn(plan: YearPlan, pairs: Iterable[Pair]) -> YearPlan:
    """The same plan with short arcs exchanged until every pair is in its order."""
    pairs = tuple(pairs)
    starts = {arc.concept: arc.start for arc in plan.arcs}
    while late := next(((a, b) for a, b in pairs if starts[b] < starts[a]), None):
        one, other = late
        starts[one], starts[other] = starts[other], starts[one]
    arcs = [
        replace(arc, start=starts[arc.concept], warm_start=starts[arc.concept]) if arc.short else arc
        for arc in plan.arcs
    ]
    return replace(plan, arcs=tuple(sorted(arcs, key=lambda arc: (first_lesson(arc), arc.concept))))
