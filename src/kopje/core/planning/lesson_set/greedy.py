"""A careful composer that goes from slot to slot and never looks back: a first answer, and what the
solver's answers are measured against."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass, field

from kopje.core.planning.lesson_set.candidates import SMALLEST, Cell
from kopje.core.planning.lesson_set.model import (
    HEARD,
    LONGEST_SITTING,
    SetModel,
    knows_little,
    must_return,
    wish_new,
)
from kopje.core.planning.lesson_set.prices import LITTLE, free_of, price

FORBIDDEN = 10_000


@dataclass
class Walk:
    """What was chosen so far, over the whole set and in the lesson at hand."""

    model: SetModel
    chosen: list[Cell] = field(default_factory=list)
    uses: Counter[str] = field(default_factory=Counter)
    owed: dict[str, int] = field(default_factory=dict)
    named: dict[str, int] = field(default_factory=dict)
    touched: dict[str, list[int]] = field(default_factory=dict)
    recent: dict[str, int] = field(default_factory=dict)
    pairs: Counter[tuple[str, str | None]] = field(default_factory=Counter)

    def run(self) -> list[Cell]:
        self.owed = dict(self.model.question.owed)
        for lesson in self.model.lessons:
            here: list[Cell] = []
            for index in range(len(self.model.cells.slots[lesson])):
                cells = self.model.by_slot.get((lesson, index), [])
                best = min(((self._price(cell, here), n, cell) for n, cell in enumerate(cells)), default=None)
                if best is not None and (best[0] < FORBIDDEN or best[2].settled):
                    here.append(best[2])
            for cell in here:
                self._take(cell)
        return self.chosen

    def _take(self, cell: Cell) -> None:
        self.chosen.append(cell)
        thing = cell.thing
        if thing is not None:
            if cell.unmet and not self.uses[thing]:
                self.owed[thing] = must_return(cell.lesson, len(self.model.question.lessons))
            elif self.owed.get(thing):
                self.owed[thing] -= 1
            self.uses[thing] += 1
        if cell.presents and cell.choice.concept:
            self.named[cell.choice.concept] = cell.lesson
        if cell.choice.concept:
            self.touched.setdefault(cell.choice.concept, []).append(cell.lesson)
        self.recent[cell.activity.key] = cell.lesson
        self.pairs[cell.activity.key, cell.choice.thing] += 1

    def _new(self, cell: Cell) -> bool:
        return cell.presents or (cell.unmet and cell.thing is not None and not self.uses[cell.thing])

    def _price(self, cell: Cell, here: list[Cell]) -> int:
        if cell.settled:
            return 0
        if self._forbidden(cell, here):
            return FORBIDDEN
        model, thing = self.model, cell.thing
        cost = cell.cost
        if thing is not None and self.owed.get(thing):
            left = len(model.question.lessons) - cell.lesson
            cost -= 12 if self.owed[thing] >= left else 6
        concept = cell.choice.concept
        if concept is not None and concept not in [c.choice.concept for c in here]:
            waits = cell.lesson - max(self.touched.get(concept, [-2]))
            due = concept in {item.concept.key for item in model.cells.coming[cell.lesson].wanted}
            cost -= (8 if waits >= 2 else 4) * due + 20 * cell.presents
            cost -= 30 * (
                cell.choice.purpose == "practise" and cell.lesson - self.named.get(concept, -9) <= 2
            )
            lately = model.question.named_lately.get(concept, 0)
            cost -= 30 * (cell.choice.purpose == "practise" and cell.lesson < lately)
        alike = 1 + sum(c.activity.kind == cell.activity.kind for c in here)
        cost += price("same_kind") * max(0, alike - free_of(cell.activity.kind, model.grade))
        if cell.lesson - self.recent.get(cell.activity.key, -9) == 1:
            cost += price("same_activity")
        cost += price("plain_again") * bool(thing and self.pairs[cell.activity.key, cell.choice.thing])
        if self._new(cell):
            cost += price("too_new") * (sum(map(self._new, here)) >= wish_new(model.grade)) + 2
        if model.grade <= LITTLE and cell.activity.energy != "moving":
            cost += 4 * (5 * self._moving(here) < 20)
        if sum(c.activity.hears for c in here) < HEARD and cell.activity.hears:
            cost -= 2
        return cost

    @staticmethod
    def _moving(here: list[Cell]) -> int:
        return sum(c.activity.minutes[1] for c in here if c.activity.energy == "moving")

    def _forbidden(self, cell: Cell, here: list[Cell]) -> bool:
        model, thing, concept = self.model, cell.thing, cell.choice.concept
        last = len(model.question.lessons) - 1
        slots = len(model.cells.slots[cell.lesson])
        if cell.activity.key in [c.activity.key for c in here]:
            return True
        if cell.choice.thing and cell.choice.thing in [c.choice.thing for c in here]:
            return True
        if thing is not None and (self.uses[thing] < cell.needs or (cell.opens and self.uses[thing] > 0)):
            return True
        if self._new(cell):
            few = slots if knows_little(model.question, slots) else slots // 2
            if (cell.lesson == last > 0) or sum(map(self._new, here)) >= few:
                return True
        if cell.presents and (concept in self.named or any(c.presents for c in here)):
            return True
        if cell.choice.purpose == "practise" and concept in model.cells.unnamed and concept not in self.named:
            return True
        if cell.choice.purpose == "prepare" and concept in self.named:
            return True
        frame = model.question.lessons[cell.lesson]
        room = model.template.available(frame.minutes, slots)
        least = sum(c.minutes(model.grade)[0] for c in (*here, cell)) + 2 * (slots - len(here) - 1)
        return least > room or self._sits_too_long(cell, here)

    def _sits_too_long(self, cell: Cell, here: list[Cell]) -> bool:
        if self.model.grade > SMALLEST or cell.activity.energy != "seated":
            return False
        run = cell.minutes(self.model.grade)[0]
        for other in reversed(here):
            if other.activity.energy != "seated":
                break
            run += other.minutes(self.model.grade)[0]
        return run > LONGEST_SITTING


def first_answer(model: SetModel) -> dict[int, int]:
    """Which cells the greedy composer takes, as a hint by variable."""
    taken = set(Walk(model).run())
    return {variable: int(cell in taken) for cell, variable in model.z.items()}
