"""Composing one lesson: an exact search over a few candidates a slot.

The full composer for lesson sets will stand behind the same `compose`. Must-rules are kept by construction;
wishes cost points; the cheapest plan wins, and ties go to the earlier candidate, so that the same question
always has the same answer. Source: docs/sources.md#composer.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from kopje.core.errors import PlanError
from kopje.core.planning.activities import Role
from kopje.core.planning.candidates import Candidate, Slots
from kopje.core.planning.catalogue import activity
from kopje.core.planning.lesson import LessonPlan, LessonQuestion, Part, Status
from kopje.core.planning.prices import beside, hearing_cost, too_still
from kopje.core.planning.template import Slot, available, slot_name
from kopje.core.reasons import Reason, because

LITTLE = 2  # to this grade a fifth of the minutes are moving
NOT_MOVING = 3  # for each part of theirs; that two are of a kind keeps it from being all movement
LONGEST_SITTING_K1 = 8
LONGEST_ACTIVITY_K1 = 7
AS_FEW_AS_CAN_BE = 40
MOST_NODES = 15_000
SPARED: tuple[Role, ...] = ("second", "play", "voice", "review", "game")  # in this order


@dataclass(frozen=True, slots=True)
class _Sofar:
    """A lesson as far as it is chosen, with what the rules and prices ask of it."""

    chosen: tuple[Candidate, ...] = ()
    things: frozenset[str] = frozenset()
    activities: frozenset[str] = frozenset()
    cost: int = 0
    minutes: int = 0
    new: int = 0
    presents: int = 0

    def allows(self, candidate: Candidate) -> bool:
        """No activity, no song and no piece twice."""
        return candidate.activity.key not in self.activities and candidate.choice.thing not in self.things

    def plus(self, candidate: Candidate, cost: int) -> _Sofar:
        thing = candidate.choice.thing
        return _Sofar(
            (*self.chosen, candidate),
            self.things | {thing} if thing else self.things,
            self.activities | {candidate.activity.key},
            cost,
            self.minutes + candidate.activity.minutes[0],
            self.new + bool(candidate.new),
            self.presents + (candidate.choice.purpose == "present"),
        )


@dataclass
class _Search:
    """Depth-first over the slots, best candidate first, cut off where the rest cannot win any more."""

    options: list[tuple[Candidate, ...]]
    budget: int
    most_new: int
    price_of_new: int = 0
    little: bool = False
    best: _Sofar | None = None
    best_cost: int | None = None
    nodes: int = 0

    def _price(self, candidate: Candidate) -> int:
        still = self.little and candidate.activity.energy != "moving"
        return candidate.cost + self.price_of_new * bool(candidate.new) + NOT_MOVING * still

    def run(self) -> Status:
        self.options = [tuple(sorted(slot, key=self._price)) for slot in self.options]
        self.rest = [0] * (len(self.options) + 1)
        self.least = [0] * (len(self.options) + 1)
        for index in range(len(self.options) - 1, -1, -1):
            self.rest[index] = self.rest[index + 1] + min(map(self._price, self.options[index]))
            self.least[index] = self.least[index + 1] + min(
                c.activity.minutes[0] for c in self.options[index]
            )
        self._descend(_Sofar())
        return "best_possible" if self.nodes < MOST_NODES else "best_found"

    def _descend(self, sofar: _Sofar) -> None:
        at = len(sofar.chosen)
        if at == len(self.options):
            total = sofar.cost + hearing_cost(sofar.chosen)
            if self.best_cost is None or total < self.best_cost:
                self.best, self.best_cost = sofar, total
            return
        for candidate in self.options[at]:
            if (
                self.best_cost is not None
                and sofar.cost + self._price(candidate) + self.rest[at + 1] >= self.best_cost
            ):
                return  # the options are sorted: none of the others can win either
            if not sofar.allows(candidate):
                continue
            self.nodes += 1
            if self.nodes >= MOST_NODES:
                return
            price = sofar.cost + self._price(candidate) + beside(sofar.chosen, candidate)
            if self.best_cost is None or price + self.rest[at + 1] < self.best_cost:
                longer = sofar.plus(candidate, price)
                if self._may_go_on(longer, at + 1):
                    self._descend(longer)

    def _may_go_on(self, sofar: _Sofar, at: int) -> bool:
        in_time = sofar.minutes + self.least[at] <= self.budget
        return in_time and sofar.new <= self.most_new and sofar.presents <= 1


@dataclass(frozen=True, slots=True)
class _Filled:
    """A slot with its candidates."""

    index: int
    slot: Slot
    options: tuple[Candidate, ...]


def compose(question: LessonQuestion) -> LessonPlan:
    """Propose the next lesson; PlanError when not even three parts can be filled."""
    slots = Slots(question)
    every = [_Filled(index, slot, slots.candidates(index)) for index, slot in enumerate(slots.slots)]
    unmet = [_empty(filled.slot, question.state.grade) for filled in every if not filled.options]
    filled = [one for one in every if one.options]
    if not filled:
        raise PlanError("plan_nothing_to_propose")
    for kept in _fewer(question, filled):
        unmet_here = unmet + [_empty(one.slot, question.state.grade) for one in filled if one not in kept]
        plan = _solved(question, kept, unmet_here)
        if plan is not None:
            return plan
    raise PlanError("plan_no_lesson_fits")


def _fewer(question: LessonQuestion, filled: list[_Filled]) -> Iterator[list[_Filled]]:
    """All slots, then without one slot after the other that can be spared."""
    yield filled
    kept = list(filled)
    for role in SPARED:
        found = next(
            (
                one
                for one in kept
                if one.slot.role == role and not one.slot.carried and one.slot.key not in question.pins
            ),
            None,
        )
        if found is not None and len(kept) > 3:
            kept = [one for one in kept if one is not found]
            yield kept


def _solved(question: LessonQuestion, filled: list[_Filled], unmet: list[Reason]) -> LessonPlan | None:
    options = [one.options for one in filled]
    budget = available(question.minutes, len(filled))
    for most_new, price_of_new in _allowances(question, options):
        search = _Search(options, budget, most_new, price_of_new, question.state.grade <= LITTLE)
        status = search.run()
        if search.best is not None:
            chosen = search.best.chosen
            minutes = spread([c.activity.minutes for c in chosen], _sitting(question, chosen), budget)
            wishes = [*unmet, *_unmet(question, chosen, budget - sum(minutes))]
            parts = tuple(
                _part(one.slot, candidate, length)
                for one, candidate, length in zip(filled, chosen, minutes, strict=True)
            )
            return LessonPlan(parts, sum(minutes), budget, status, tuple(wishes))
    return None


def _allowances(
    question: LessonQuestion, options: Sequence[Sequence[Candidate]]
) -> tuple[tuple[int, int], ...]:
    """How many parts may be new, and what each new one costs.

    Half of them; where too little is known for that, any number, but as few as can be.
    """
    few = (len(options), AS_FEW_AS_CAN_BE)
    return (few,) if ramp(question, len(options)) else ((len(options) // 2, 0), few)


def ramp(question: LessonQuestion, parts: int) -> bool:
    """A new section knows fewer than twice as many things as a lesson has parts."""
    return len(question.met) + len(question.done) < 2 * parts


def _unmet(question: LessonQuestion, chosen: Sequence[Candidate], free: int) -> list[Reason]:
    found = [
        because("no_place", "against", one.choice.activity, activity=activity(one.choice.activity).title)
        for one in question.no_place
    ]
    if ramp(question, len(chosen)):
        found.append(because("ramp", about="new"))
    elif sum(bool(c.new) for c in chosen) > len(chosen) // 2:
        found.append(because("many_new", "against", "new"))
    if hearing_cost(chosen):
        found.append(because("few_heard", "against", "hearing"))
    if question.state.grade <= LITTLE and too_still(chosen):
        found.append(because("too_still", "against", "part"))
    if free > 2:
        found.append(because("free_minutes", about="minutes", count=free))
    return found


def _empty(slot: Slot, grade: int) -> Reason:
    return because("empty_slot", "against", slot.role, slot=slot_name(slot.key, grade))


def _sitting(question: LessonQuestion, chosen: Sequence[Candidate]) -> list[bool]:
    """Which parts may not be stretched: seated ones with the smallest children."""
    return [question.state.grade <= 1 and c.activity.energy == "seated" for c in chosen]


def spread(bounds: Sequence[tuple[int, int, int]], seated: Sequence[bool], budget: int) -> list[int]:
    """Whole minutes for each part, within its bounds, their sum as near under the budget as can be.

    >>> spread([(2, 3, 5), (3, 5, 7)], [False, False], 10)
    [4, 6]
    """
    minutes = [usual for _, usual, _ in bounds]
    while sum(minutes) > budget:
        index = max(range(len(minutes)), key=lambda i: minutes[i] - bounds[i][0])
        if minutes[index] == bounds[index][0]:
            break
        minutes[index] -= 1
    while sum(minutes) < budget:
        free = [
            i
            for i in range(len(minutes))
            if minutes[i] < bounds[i][2] and not (seated[i] and minutes[i] >= 6)
        ]
        if not free:
            break
        index = max(free, key=lambda i: (bounds[i][2] - minutes[i], -i))
        minutes[index] += 1
    return minutes


def _part(slot: Slot, candidate: Candidate, minutes: int) -> Part:
    return Part(
        slot.key,
        slot.role,
        candidate.choice,
        candidate.activity,
        minutes,
        candidate.new,
        slot.carried,
        candidate.reasons,
    )


def alternatives(
    question: LessonQuestion, plan: LessonPlan, slot_key: str, most: int = 6
) -> tuple[Part, ...]:
    """What else could stand in one slot, the others kept as they are; cheapest first.

    Its minutes stay as near as its own bounds allow, and the lesson never grows beyond what is available.
    """
    slots = Slots(replace(question, left_over=(), pins={}))
    part = next(one for one in plan.parts if one.slot == slot_key)
    slot = Slot(part.slot, part.role)
    others = _Sofar()
    for other in (one for one in plan.parts if one is not part):
        others = others.plus(slots.made(other.choice), 0)
    spare = part.minutes + max(plan.available - sum(one.minutes for one in plan.parts), 0)
    found = []
    for candidate in slots.fitting(slot):
        one_present = others.presents + (candidate.choice.purpose == "present") <= 1
        fits = candidate.activity.minutes[0] <= spare and others.allows(candidate) and one_present
        if fits and candidate.choice != part.choice:
            found.append((candidate.cost + beside(others.chosen, candidate), candidate))
    found.sort(key=lambda pair: (pair[0], pair[1].activity.title, pair[1].choice.thing or ""))
    return tuple(
        _part(slot, c, min(max(part.minutes, c.activity.minutes[0]), c.activity.minutes[2]))
        for _, c in _varied(found)[:most]
    )


def _varied(found: list[tuple[int, Candidate]]) -> list[tuple[int, Candidate]]:
    """The best of each activity before the second song of any."""
    first: dict[str, tuple[int, Candidate]] = {}
    for pair in found:
        first.setdefault(pair[1].activity.key, pair)
    return [*first.values(), *(pair for pair in found if pair not in first.values())]
