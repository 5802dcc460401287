"""How the solver's work is shared out: the greedy answer, bettered in neighbourhoods (a few lessons whole,
or a few slots through all lessons), then a last look that tries to prove it.

Source: docs/sources.md#composer."""

from __future__ import annotations

import math
from collections.abc import Callable, Collection, Iterator
from dataclasses import dataclass, replace

from kopje.core.planning.lesson_set.candidates import Cell
from kopje.core.planning.lesson_set.greedy import first_answer
from kopje.core.planning.lesson_set.linear import Answer, Relaxed, relaxed, solve, solve_part
from kopje.core.planning.lesson_set.model import SetModel

EACH, LAST = 0.1, 0.3  # shares of the work
PATIENCE = 14  # neighbourhoods that better nothing
MORE = (5, 25)  # times the work, where it found nothing
SMALL = 2  # a set of so many lessons is asked whole
TRIPLES = ((0, 1, 2), (2, 3, 4), (4, 5, 6), (1, 3, 5), (0, 2, 5))
FOURS = ((0, 1, 2, 3), (3, 4, 5, 6), (0, 2, 4, 6), (1, 3, 5))


@dataclass(frozen=True)
class Around:
    """What is thought out anew: some lessons whole or some slots through all of them, with choices that make
    the relaxed answer dearer by no more than that."""

    lessons: Collection[int] | None = None
    slots: Collection[int] | None = None
    dearer: float = math.inf

    def __contains__(self, cell: Cell) -> bool:
        return (self.lessons is None or cell.lesson in self.lessons) and (
            self.slots is None or cell.slot in self.slots
        )


NOWHERE = Around(lessons=())
# Is told how far it is (0 to 1), what the best so far costs, what no answer undercuts; says whether to stop.
Told = Callable[[float, int, int], bool]


def best_answer(model: SetModel, work: float, told: Told | None = None) -> Answer:
    """The best that is found, at most until whoever is `told` says stop; its bound holds for the whole
    question."""
    start = _kept(model, work) if model.question.keep else None
    if start is not None and start.values is not None:
        return start
    walked = _bettered(model, _as(model, first_answer(model)), NOWHERE, work)
    if walked is None or len(model.lessons) <= SMALL:
        return _any(model, work)
    loose = relaxed(model.linear)
    answer = replace(walked, bound=min(loose.bound, walked.cost), proven=False)
    answer, spent, stop = _walk(model, answer, loose, work * (1 - LAST), _Told(told, work))
    if answer.cost > answer.bound and not stop and spent < work * (1 - LAST) / 2:
        # There is time to come from the other side: another order ends in another place.
        again = replace(walked, bound=answer.bound, proven=False)
        other, more, stop = _walk(
            model, again, loose, work * (1 - LAST) - spent, _Told(told, work, spent, answer.cost), True
        )
        spent += more
        answer = min(answer, other, key=lambda one: one.cost)
    if answer.cost > answer.bound and not stop:
        answer = _proven(model, answer, loose, max(work - spent, work * LAST))
    return replace(answer, proven=answer.cost <= answer.bound)


@dataclass(frozen=True)
class _Told:
    """Whoever listens, with what was spent and found before."""

    told: Told | None
    work: float
    spent: float = 0.0
    best: int | None = None

    def stops(self, spent: float, answer: Answer) -> bool:
        if self.told is None:
            return False
        cost = answer.cost if self.best is None else min(self.best, answer.cost)
        return self.told(min((self.spent + spent) / self.work, 0.99), cost, answer.bound)


def _walk(
    model: SetModel, answer: Answer, loose: Relaxed, work: float, told: _Told, turned: bool = False
) -> tuple[Answer, float, bool]:
    """From neighbourhood to neighbourhood: what was found, what it took, and whether somebody said stop."""
    spent, idle = 0.0, 0
    for around in _neighbourhoods(len(model.lessons), turned):
        if told.stops(spent, answer):
            return answer, spent, True
        if answer.cost <= answer.bound or spent > work or idle == PATIENCE:
            break
        better = _bettered(model, answer, around, told.work * EACH, loose)
        spent += better.took if better is not None else told.work * EACH
        if better is not None and better.cost < answer.cost:
            answer, idle = replace(better, bound=answer.bound, proven=False), 0
        else:
            idle += 1
    return answer, spent, False


def _proven(model: SetModel, answer: Answer, loose: Relaxed, work: float) -> Answer:
    """Asked whole, but for what is in no better answer."""
    cells = set(model.z.values())
    useless = {variable: 0 for variable in loose.useless(answer.cost) if variable in cells}
    last = solve_part(model.linear, useless, work, answer.values or (), prepared=True)
    if last.impossible:  # the best so far is not among what is left, and nothing better is
        return replace(answer, bound=answer.cost)
    bound = max(answer.bound, min(last.bound, answer.cost))
    best = last if last.values is not None and last.cost < answer.cost else answer
    return replace(best, bound=min(bound, best.cost))


def _any(model: SetModel, work: float) -> Answer:
    """Asked whole; where the work is too little to find anything at all, as much more as it takes."""
    answer = solve(model.linear, work, first_answer(model))
    for more in MORE:
        if answer.values is not None or answer.impossible:
            break
        answer = solve(model.linear, work * more, first_answer(model))
    return answer


def _neighbourhoods(lessons: int, turned: bool = False) -> Iterator[Around]:
    """Each is thought out from what the one before it found; the wider, the fewer the choices. `turned`:
    from the last lesson to the first, slots before lessons."""
    some = (
        _windows(lessons, 3 if lessons > 3 else 2, 2),
        [Around(slots=one) for one in TRIPLES],
        _windows(lessons, 4, 2),
        [Around(slots=one, dearer=3) for one in FOURS],
    )
    if turned:
        first, second, third, fourth = some
        yield from (*first[::-1], *third[::-1], *fourth, *second)
        return
    for one in some:
        yield from one
    yield from (*_windows(lessons, 2), *_windows(lessons, 3))
    yield from (Around(slots=one) for one in (*TRIPLES, *FOURS))


def _windows(lessons: int, width: int, dearer: float = math.inf) -> list[Around]:
    if width >= lessons:
        return []
    return [Around(range(n, n + width), None, dearer) for n in range(lessons - width + 1)]


def _kept(model: SetModel, work: float) -> Answer | None:
    """What stands there, thought out anew only around the lessons in which something has changed."""
    there: dict[int, int] = dict.fromkeys(model.z.values(), 0)
    changed: set[int] = set()
    for (lesson, index), cells in model.by_slot.items():
        was = model.question.lessons[lesson].there.get(model.cells.slots[lesson][index].key)
        same = next((cell for cell in cells if cell.choice == was), None)
        if same is None:
            changed.add(lesson)
        else:
            there[model.z[same]] = 1
            if same.settled:
                changed.add(lesson)
    near = {n for n in model.lessons if any(abs(n - one) <= 1 for one in changed)}
    answer = _bettered(model, _as(model, there), Around(near), work)
    if answer is None:
        return None
    bound = min(relaxed(model.linear).bound, answer.cost)
    return replace(answer, bound=bound, proven=answer.cost <= bound)


def _as(model: SetModel, hint: dict[int, int]) -> Answer:
    return Answer(tuple(hint.get(variable, 0) for variable in range(len(model.linear.tops))), 0, 0, False)


def _bettered(
    model: SetModel, answer: Answer, around: Around, work: float, loose: Relaxed | None = None
) -> Answer | None:
    """The answer with these cells thought out anew, all others as they are; None where that cannot be."""
    values = answer.values or ()
    known: dict[int, int] = {}
    for cell, variable in model.z.items():
        if cell.settled:
            continue
        if cell not in around:
            known[variable] = values[variable]
        elif loose is not None and not values[variable] and loose.more(variable) > around.dearer:
            known[variable] = 0
    found = solve_part(model.linear, known, work, values)
    return found if found.values is not None else None
