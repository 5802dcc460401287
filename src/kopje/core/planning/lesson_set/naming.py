"""Naming in a set: what is prepared, named once, practised in the next two lessons, and touched often enough.

Source: docs/sources.md#composer."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator

from kopje.core.planning.lesson_set.candidates import Cell, slot_by_slot
from kopje.core.planning.lesson_set.linear import Term
from kopje.core.planning.lesson_set.model import SetModel
from kopje.core.sequence.concepts import ConceptKey

WINDOW = 3
TOUCHES = 2  # in so many of three lessons running a due concept is touched


def add_naming(model: SetModel) -> None:
    """Naming, and what follows it; each due concept comes often enough."""
    touching: dict[tuple[str, int], list[Cell]] = defaultdict(list)
    for cell in model.cells.cells:
        if cell.choice.concept is not None:
            touching[cell.choice.concept, cell.lesson].append(cell)
    for key in sorted(model.cells.unnamed):
        _named(model, key, touching)
    for lesson in model.lessons:
        presents = [cell for cell in model.by_lesson[lesson] if cell.presents]
        if presents:
            model.linear.at_most(model.sum_of(presents), max(1, len([c for c in presents if c.settled])))
    for key, left in model.question.named_lately.items():
        if not model.question.state.named(key):
            continue  # not every section can name it yet
        for lesson in list(model.lessons)[:left]:
            _practised(model, key, lesson, touching, [], 1)
    due = {item.concept.key for one in model.cells.coming for item in one.wanted}
    for key in sorted(due):
        _touched(model, key, touching)


def _named(model: SetModel, key: ConceptKey, touching: dict[tuple[str, int], list[Cell]]) -> None:
    """Once; prepared before it, practised after it, and in the next two lessons for certain."""
    named: list[Term] = []
    may = [n for n in model.lessons if key in model.cells.coming[n].may_name]
    for lesson in model.lessons:
        here = touching.get((key, lesson), [])
        presents = model.sum_of(c for c in here if c.presents)
        for group in _free(here, "practise"):
            model.linear.at_most([*model.sum_of(group), *((-w, v) for w, v in named)], 0)
        named = [*named, *presents]
        for group in _free(here, "prepare") if named else ():
            model.linear.at_most([*model.sum_of(group), *named], 1)
        if presents:
            for after in [n for n in model.lessons if lesson < n <= lesson + 2]:
                _practised(model, key, after, touching, presents, 0)
        if lesson in may and lesson < len(model.question.lessons) - 1:
            late = model.miss("naming_waits", lesson)
            model.linear.at_least([*named, (1, late)], 1)
    if named:
        model.linear.at_most(named, 1)


def _free(cells: list[Cell], purpose: str) -> Iterator[list[Cell]]:
    """The cells with a purpose that are not settled, slot by slot."""
    return slot_by_slot(c for c in cells if c.choice.purpose == purpose and not c.settled)


def _practised(
    model: SetModel,
    key: str,
    lesson: int,
    touching: dict[tuple[str, int], list[Cell]],
    presents: list[Term],
    low: int,
) -> None:
    cells = [c for c in touching.get((key, lesson), []) if c.choice.purpose == "practise"]
    miss = model.miss("practised_next", lesson)
    model.linear.at_least([*model.sum_of(cells), (1, miss), *((-w, v) for w, v in presents)], low)


def _touched(model: SetModel, key: str, touching: dict[tuple[str, int], list[Cell]]) -> None:
    """In any three lessons running in which it is due it is touched in two; in a shorter set in each."""
    due = [n for n in model.lessons if key in {i.concept.key for i in model.cells.coming[n].wanted}]
    touched: dict[int, int] = {}
    for lesson in due:
        touched[lesson] = model.linear.var()
        here = touching.get((key, lesson), [])
        model.linear.at_most([(1, touched[lesson]), *model.sum_of(here, -1)], 0)
    count = len(model.question.lessons)
    if count < WINDOW:
        windows = [([n], 1) for n in due]
    else:
        windows = [(list(range(n, n + WINDOW)), TOUCHES) for n in range(count - WINDOW + 1)]
    for window, asked in windows:
        inside = [n for n in window if n in touched]
        wanted = asked if len(inside) == len(window) else len(inside) - 1
        if wanted > 0:
            miss = model.miss("untouched", window[0], wanted)
            model.linear.at_least([*((1, touched[n]) for n in inside), (1, miss)], wanted)
