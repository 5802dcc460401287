"""The constraints of a year and its two tiers of cost, for the solver. Source: docs/sources.md#fitting.

Optional intervals on three places of capacity one; counting cuts; of short arcs that may as well change
places one order."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from typing import Any

from kopje.core.planning.year import costs
from kopje.core.planning.year.arcs import (
    CORE,
    SHORT_PREPARE,
    Arc,
    Demand,
    YearPlan,
    YearQuestion,
    spread,
)
from kopje.core.planning.year.exchanges import Pair
from kopje.core.planning.year.greedy import BEYOND, greedy
from kopje.core.planning.year.validate import first_lesson
from kopje.core.sequence.concepts import ConceptKey


@dataclass
class Laid:
    """One demand in the model. `start` is the first lesson of all, `end` the lesson after the last."""

    demand: Demand
    on: Any
    start: Any
    new: Any
    middle_end: Any
    warm_start: Any
    warm: Any
    end: Any
    present: Any | None

    @property
    def next_free(self) -> Any:
        return self.end if self.demand.short else self.middle_end


@dataclass
class Model:
    """The constraints of a question; `must` holds demands that have to be laid (with all of core: what is
    short?)."""

    question: YearQuestion
    horizon: int
    must: bool = False
    usual_only: bool = False
    concerts_hard: bool = False
    cp: Any = None
    laid: dict[ConceptKey, Laid] = field(default_factory=dict)
    missed: list[Any] = field(default_factory=list)
    settled: frozenset[ConceptKey] = frozenset()

    def build(self) -> Model:
        from ortools.sat.python import cp_model

        self.cp = cp_model.CpModel()
        places: dict[str, list[Any]] = {"new": [], "practised": [], "warm": [], "present": []}
        for demand in self.question.demands:
            self.laid[demand.key] = self._lay(demand, places)
        for intervals in places.values():
            self.cp.add_no_overlap(intervals)
        self._go_on()
        self._order()
        self._concerts()
        self._capacity()
        return self

    def _lay(self, demand: Demand, places: dict[str, list[Any]]) -> Laid:
        cp, first = self.cp, self.question.first
        end = self.question.last + BEYOND if demand.begun else self.horizon
        name = demand.key
        on = cp.new_bool_var(f"on {name}")
        if demand.begun or (self.must and demand.priority >= CORE):
            cp.add(on == 1)
        if not demand.begun and self.question.missing(demand):
            cp.add(on == 0)
        top = max(end, first) + 2
        (least_new, _, least_warm), (new, _, warm) = demand.least, demand.usual
        if self.usual_only:
            least_new, least_warm = new, warm
        start = cp.new_int_var(first, top, f"start {name}")
        only_warm = demand.short or demand.usual[:2] == (0, 0)
        warm_start = start if only_warm else cp.new_int_var(first, top + 12, f"warm {name}")
        warm_size = cp.new_int_var(least_warm, warm, f"warm size {name}")
        warm_end = cp.new_int_var(first, top + 16, f"end {name}")
        places["warm"].append(cp.new_optional_interval_var(warm_start, warm_size, warm_end, on, f"w {name}"))
        new_size, middle_end, present = 0, start, None
        if demand.short:
            if not demand.presented:
                present = start + max(SHORT_PREPARE - demand.prepared, 0)
        else:
            new_size, new_end, middle_end = self._long_runs(demand, start, least_new, on, places)
            cp.add(warm_start >= middle_end).only_enforce_if(on)
            present = None if demand.presented else new_end - 1
        if present is not None:
            places["present"].append(cp.new_optional_fixed_size_interval_var(present, 1, on, f"name {name}"))
        if not demand.begun:
            cp.add(warm_end <= end + 1).only_enforce_if(on)
            if demand.fixed is not None:
                cp.add(start == demand.fixed).only_enforce_if(on)
            if demand.earliest is not None and present is not None:
                cp.add(present >= demand.earliest).only_enforce_if(on)
            if demand.latest is not None and present is not None:
                cp.add(present <= demand.latest).only_enforce_if(on)
        return Laid(demand, on, start, new_size, middle_end, warm_start, warm_size, warm_end, present)

    def _long_runs(
        self, demand: Demand, start: Any, least_new: int, on: Any, places: dict[str, list[Any]]
    ) -> tuple[Any, Any, Any]:
        """Intervals in the new and the practised place; (size of the new ones, their end, end of the
        practised ones)."""
        cp, name, (new, middle, _) = self.cp, demand.key, demand.usual
        after, rest = demand.rest
        if rest:  # a split arc keeps its lengths
            for place, runs in zip(("new", "practised"), spread(new, middle, after, rest), strict=True):
                for at, size in runs:
                    places[place].append(
                        cp.new_optional_fixed_size_interval_var(start + at, size, on, f"{place} {at} {name}")
                    )
            after_new = new + (rest if new - 1 >= after else 0)
            return new, start + after_new, start + new + middle + rest
        new_size = cp.new_int_var(least_new, new, f"new {name}")
        new_end = cp.new_int_var(self.question.first, self.question.last + BEYOND + 10, f"new end {name}")
        places["new"].append(cp.new_optional_interval_var(start, new_size, new_end, on, f"n {name}"))
        places["practised"].append(cp.new_optional_fixed_size_interval_var(new_end, middle, on, f"p {name}"))
        return new_size, new_end, new_end + middle

    def _go_on(self) -> None:
        """What has begun goes on at the first lessons that are free; only the teacher pauses it."""
        begun = tuple(demand for demand in self.question.demands if demand.begun)
        for arc in greedy(replace(self.question, demands=begun)).arcs:
            mine = self.laid[arc.concept]
            self.cp.add(mine.start == first_lesson(arc))
            self.cp.add(mine.warm_start == arc.warm_start)

    def _order(self) -> None:
        for chain in self.question.chains:
            for place, later in enumerate(chain):
                for earlier in chain[:place] if not later.begun else ():
                    one, other = self.laid[earlier.key], self.laid[later.key]
                    self.cp.add(other.start >= one.next_free).only_enforce_if(one.on, other.on)
        for demand in self.question.demands:
            mine = self.laid[demand.key]
            for need in self.question.needs(demand) if not demand.begun and mine.present is not None else ():
                other = self.laid[need.key]
                self.cp.add_implication(mine.on, other.on)
                self.cp.add(mine.present >= other.end).only_enforce_if(mine.on)

    def in_order(self, keys: list[ConceptKey]) -> None:
        """None of these starts before those that come before it; what has begun goes on as it can."""
        known = [self.laid[key] for key in keys if key in self.laid]
        for place, one in enumerate(known):
            for before in known[max(0, place - 4) : place] if not one.demand.begun else ():
                self.cp.add(one.start >= before.start).only_enforce_if(one.on, before.on)

    def _concerts(self) -> None:
        for concert in self.question.concerts:
            for key in sorted(concert.concepts):
                mine = self.laid.get(key)
                if mine is None or mine.present is None:
                    continue
                missed = self.cp.new_bool_var(f"{concert.name} misses {key}")
                self.cp.add(mine.present <= concert.lesson).only_enforce_if(missed.negated())
                self.cp.add_implication(mine.on.negated(), missed)
                if self.concerts_hard:
                    self.cp.add(missed == 0)
                self.missed.append(missed)

    def _capacity(self) -> None:
        """Counting cuts: what the places can hold at all, of what begins; they make the proof quick."""
        lessons = self.horizon - self.question.first + 1
        fresh = [one for one in self.laid.values() if not one.demand.begun]
        long_ones = [one for one in fresh if not one.demand.short]
        self.cp.add(sum(one.on * one.demand.least[0] for one in long_ones) <= max(lessons - 5, 0))
        self.cp.add(sum(one.on * one.demand.least[2] for one in fresh) <= max(lessons, 0))
        for chain in self.question.chains:
            line = [self.laid[d.key] for d in chain if not d.begun and not d.short]
            self.cp.add(sum(one.on * sum(one.demand.least[:2]) for one in line) <= max(lessons - 1, 0))

    def tier_1(self) -> Any:
        left = sum(one.demand.priority * (1 - one.on) for one in self.laid.values())
        return left + costs.CONCERT_MISSED * sum(self.missed)

    def which(self) -> Any:
        """Tier 1 with its ties settled: of equals the earlier in the sequence is laid. So there is one
        answer, and the wishes need not ask again which concepts there are."""
        ranks = len(self.laid)
        late = sum((ranks - n) * (1 - one.on) for n, one in enumerate(self.laid.values()))
        return ranks * (ranks + 1) * self.tier_1() + late

    def settle(self, solver: Any) -> None:
        """What tier 1 found stays: which concepts are laid, and how many a concert misses."""
        for one in self.laid.values():
            self.cp.add(one.on == solver.value(one.on))
        self.settled = frozenset(key for key, one in self.laid.items() if solver.value(one.on))
        self.cp.add(sum(self.missed) <= sum(solver.value(missed) for missed in self.missed))

    def take_turns(self, pairs: Iterable[Pair]) -> None:
        """Of short arcs that may as well stand the other way round, one order is looked at."""
        for one, other in pairs:
            self.cp.add(self.laid[other].start >= self.laid[one].end)

    def tier_2(self) -> Any:
        cp, terms, first = self.cp, [], self.question.first
        latest = cp.new_int_var(first - 1, self.question.last + BEYOND + 20, "latest")
        for one in self.laid.values():
            demand = one.demand
            new, _, warm = demand.usual
            cp.add(latest >= one.end - 1).only_enforce_if(one.on)
            if not demand.short:
                cut = cp.new_int_var(0, 60, f"cut {demand.key}")
                shorter = costs.SHORTER_PREPARE * (new - one.new) + costs.SHORTER_PRACTISE * (warm - one.warm)
                gap = cp.new_int_var(0, 200, f"gap {demand.key}")
                cp.add(cut >= shorter).only_enforce_if(one.on)
                cp.add(gap >= one.warm_start - one.middle_end - costs.IN_TOUCH).only_enforce_if(one.on)
                terms += [cut, costs.GAP * gap]
            before = self.question.before.get(demand.key)
            if before is not None:
                terms.append(costs.MOVED * self._distance(one, one.start - before, f"moved {demand.key}"))
        rhythm, melody = costs.step_lines(self.question)
        for a, b in zip(rhythm, melody, strict=False):
            one, other = self.laid[a.key], self.laid[b.key]
            far = cp.new_int_var(0, 200, f"step {a.key} {b.key}")
            for gap in (one.start - other.start, other.start - one.start):
                cp.add(far >= gap - costs.IN_STEP).only_enforce_if(one.on, other.on)
            terms.append(costs.OUT_OF_STEP * far)
        return sum(terms) + costs.LATE * (latest - first + 1)

    def _distance(self, one: Laid, gap: Any, name: str) -> Any:
        far = self.cp.new_int_var(0, 400, name)
        self.cp.add(far >= gap).only_enforce_if(one.on)
        self.cp.add(far >= -gap).only_enforce_if(one.on)
        return far

    def hint(self, plan: YearPlan) -> None:
        self.cp.clear_hints()
        for key, one in self.laid.items():
            arc = plan.by_key.get(key)
            self.cp.add_hint(one.on, arc is not None)
            if arc is not None:
                self.cp.add_hint(one.start, first_lesson(arc))
                self.cp.add_hint(one.warm, arc.warm)
                if not one.demand.short and not one.demand.rest[1]:
                    self.cp.add_hint(one.new, arc.new)
                    if one.warm_start is not one.start:
                        self.cp.add_hint(one.warm_start, arc.warm_start)

    def read(self, solver: Any) -> YearPlan:
        arcs = []
        for one in self.laid.values():
            if solver.value(one.on):
                start, short = solver.value(one.start), one.demand.short
                new = 0 if short else solver.value(one.new)
                middle = 0 if short else one.demand.usual[1]
                pause = one.demand.rest
                arcs.append(
                    Arc(
                        one.demand.key,
                        start,
                        new,
                        middle,
                        solver.value(one.warm_start),
                        solver.value(one.warm),
                        one.demand.presented,
                        short,
                        one.demand.prepared,
                        *pause,
                    )
                )
        out = tuple(d.key for d in self.question.demands if not solver.value(self.laid[d.key].on))
        return YearPlan(tuple(sorted(arcs, key=lambda arc: (first_lesson(arc), arc.concept))), out)
