"""The rules and wishes of a set as a linear model. Source: docs/sources.md#composer.

One yes-or-no for each cell; for each thing that was never met the lesson of its first meeting; a count for
each wish that is not kept, at its price."""

from __future__ import annotations

from collections import Counter, defaultdict
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from functools import cached_property
from itertools import accumulate

from kopje.core.planning.lesson_set.candidates import SMALLEST, Cell, Cells, length_of
from kopje.core.planning.lesson_set.linear import Linear, Term
from kopje.core.planning.lesson_set.prices import LITTLE, price
from kopje.core.planning.lesson_set.question import RETURNS, SetQuestion
from kopje.core.planning.template import Template

LONGEST_SITTING = 8
SITTING_LOSES = 6  # two longest seated parts in a row, kept to that
HEARD = 4
FREE = 2


def must_return(lesson: int, lessons: int) -> int:
    """How often a thing first met in a lesson comes again in the set.

    >>> [must_return(n, 6) for n in range(6)]
    [2, 2, 2, 2, 1, 0]
    """
    return min(RETURNS, lessons - 1 - lesson)


def knows_little(question: SetQuestion, slots: int) -> bool:
    """Fewer than twice as many known things as a lesson has slots."""
    return len(question.met) + len(question.done) < 2 * slots


def wish_new(grade: int) -> int:
    return 2 if grade <= LITTLE else 3


def _fewest(longest: list[tuple[Cell, int]], part: int, room: int) -> int:
    """How many cells it takes at least, one in a slot, until so many times their minutes fill the room."""
    best: dict[int, int] = {}
    for cell, minutes in longest:
        best[cell.slot] = max(best.get(cell.slot, 0), minutes)
    sums = accumulate(sorted(best.values(), reverse=True))
    return next((n for n, total in enumerate(sums, 1) if part * total >= room), len(best))


@dataclass
class SetModel:
    """The model of a question."""

    cells: Cells
    linear: Linear = field(default_factory=Linear)
    z: dict[Cell, int] = field(default_factory=dict)
    first: dict[tuple[str, int], int] = field(default_factory=dict)

    @property
    def question(self) -> SetQuestion:
        return self.cells.question

    @property
    def lessons(self) -> range:
        return range(len(self.question.lessons))

    @property
    def grade(self) -> int:
        return self.question.state.grade

    @property
    def template(self) -> Template:
        return self.question.habits.template(self.grade)

    def with_rules(self) -> SetModel:
        """With what keeps the must-rules, but for those of naming."""
        for cell in self.cells.cells:
            self.z[cell] = self.linear.var(cell.cost)
        self._slots()
        self._once()
        self._things()
        for lesson in self.lessons:
            self._minutes(lesson)
            self._new(lesson)
            self._hearing(lesson)
            if self.grade <= LITTLE:
                self._moving(lesson)
            if self.grade <= SMALLEST:
                self._sitting(lesson)
        return self

    # Cells by what they have

    @cached_property
    def by_lesson(self) -> list[list[Cell]]:
        return [[cell for cell in self.cells.cells if cell.lesson == lesson] for lesson in self.lessons]

    @cached_property
    def by_slot(self) -> dict[tuple[int, int], list[Cell]]:
        return self._grouped(lambda cell: (cell.lesson, cell.slot))

    @cached_property
    def by_thing(self) -> dict[str, list[Cell]]:
        every: dict[str, list[Cell]] = defaultdict(list)
        for cell in self.cells.cells:
            if cell.thing is not None:
                every[cell.thing].append(cell)
        return every

    def _grouped(self, key: Callable[[Cell], tuple[int, int]]) -> dict[tuple[int, int], list[Cell]]:
        every: dict[tuple[int, int], list[Cell]] = defaultdict(list)
        for cell in self.cells.cells:
            every[key(cell)].append(cell)
        return every

    def sum_of(self, cells: Iterable[Cell], weight: int = 1) -> list[Term]:
        return [(weight, self.z[cell]) for cell in cells]

    def miss(self, key: str, lesson: int, top: int = 1) -> int:
        return self.linear.slack(key, price(key), lesson, top)

    # Rules

    def _slots(self) -> None:
        """Every slot holds one cell, or stays empty at a price."""
        for lesson in self.lessons:
            for index in range(len(self.cells.slots[lesson])):
                here = self.by_slot.get((lesson, index), [])
                empty = [] if any(c.settled for c in here) else [(1, self.miss("empty", lesson))]
                self.linear.row([*self.sum_of(here), *empty], 1, 1)

    def _once(self) -> None:
        """No activity and no song or piece twice in a lesson; pins may."""
        for lesson in self.lessons:
            for key in ("activity", "thing"):
                groups: dict[str, list[Cell]] = defaultdict(list)
                for cell in self.by_lesson[lesson]:
                    name = cell.activity.key if key == "activity" else cell.choice.thing
                    if name is not None:
                        groups[name].append(cell)
                for group in groups.values():
                    settled = len([c for c in group if c.settled])
                    if len({c.slot for c in group}) > 1:
                        self.linear.at_most(self.sum_of(group), max(1, settled))

    def _uses(self, thing: str, lesson: int) -> list[Cell]:
        return [cell for cell in self.by_thing[thing] if cell.lesson == lesson]

    def _things(self) -> None:
        """First meetings, what they bring with them, and how well a song is known before it is used so."""
        last = len(self.question.lessons) - 1
        for thing, cells in self.by_thing.items():
            if cells[0].unmet:
                self._meet(thing, last)
            for lesson in self.lessons:
                self._known_well(thing, lesson)
            for wish, asked in (("owed", self.question.owed), ("concert_song", self.question.warm)):
                times = min(asked.get(thing, 0), last + 1)
                if times:
                    miss = self.miss(wish, -1, times)
                    self.linear.at_least([*self.sum_of(cells), (1, miss)], times)

    def _known_well(self, thing: str, lesson: int) -> None:
        """What opens stands where the thing is met; what asks that it is known comes after as many uses.
        Used once in a lesson at most, so that cells can be held to it together."""
        here = self._uses(thing, lesson)
        before = [c for earlier in range(lesson) for c in self._uses(thing, earlier)]
        opening = [c for c in here if c.opens]
        if opening:
            self.linear.at_most([*self.sum_of(opening), (-1, self.first[thing, lesson])], 0)
        for needs in sorted({c.needs for c in here if c.needs}):
            mine = [c for c in here if c.needs == needs]
            self.linear.at_most([*self.sum_of(mine, needs), *self.sum_of(before, -1)], 0)
            if mine[0].unmet and not any(c.settled for c in before):
                early = [(-1, self.first[thing, n]) for n in range(max(lesson - needs + 1, 0))]
                self.linear.at_most([*self.sum_of(mine), *early], 0)

    def _meet(self, thing: str, last: int) -> None:
        sofar: list[Term] = []
        for lesson in self.lessons:
            uses = self._uses(thing, lesson)
            one = self.linear.var()
            self.first[thing, lesson] = one
            self.linear.at_most([(1, one), *self.sum_of(uses, -1)], 0)
            sofar = [*sofar, (1, one)]
            met = [(-w, v) for w, v in sofar]
            self.linear.at_most([*self.sum_of(c for c in uses if not c.settled), *met], 0)
            for cell in (c for c in uses if c.settled):  # a pin may stand beside another
                self.linear.at_most([(1, self.z[cell]), *met], 0)
        self.linear.at_most(sofar, 1)
        self._return(thing, last)
        if last > 0:
            self.linear.at_most([(1, self.first[thing, last]), (-1, self.miss("new_last", last))], 0)

    def _return(self, thing: str, last: int) -> None:
        """From each lesson on a thing is used as often as its first meeting asks, wherever that lies: what
        the lessons between could hold, one use each, is taken off. Said of all first meetings together, so
        that thirds of them cannot share the same uses."""
        again = {lesson: must_return(lesson, last + 1) for lesson in self.lessons}
        misses = [(1, self.miss("returns", n, times)) for n, times in again.items() if times > 0]
        held = {n: max(1, len([c for c in self._uses(thing, n) if c.settled])) for n in self.lessons}
        for start in self.lessons:
            later = [c for n in range(start, last + 1) for c in self._uses(thing, n)]
            asked = []
            for n in self.lessons:
                between = sum(held[one] for one in range(n + 1, start))
                times = 1 + again[n] if n >= start else max(0, again[n] - between)
                asked.append((-times, self.first[thing, n]))
            self.linear.at_least([*self.sum_of(later), *misses, *asked], 0)

    def _minutes(self, lesson: int) -> None:
        """What is least fits in, and what is most fills all but two minutes."""
        slots, frame = self.cells.slots[lesson], self.question.lessons[lesson]
        room = self.template.available(frame.minutes, len(slots))
        bounds = [(cell, length_of(cell, frame, slots, self.grade)) for cell in self.by_lesson[lesson]]
        over, under = self.miss("minutes", lesson, 60), self.miss("minutes", lesson, 60)
        self.linear.at_most([*((low, self.z[c]) for c, (low, _, _) in bounds), (-1, over)], room)
        most = [(high, self.z[c]) for c, (_, _, high) in bounds]
        loses = SITTING_LOSES if self.grade <= SMALLEST else 0
        lost = [(-loses, pair) for pair in self._seated_pairs(lesson)]
        self.linear.at_least([*most, *lost, (1, under)], room - FREE)

    def _seated_pairs(self, lesson: int) -> list[int]:
        """How often two seated parts follow each other."""
        found = []
        for index in range(len(self.cells.slots[lesson]) - 1):
            both = (*self.by_slot.get((lesson, index), []), *self.by_slot.get((lesson, index + 1), []))
            seated = [cell for cell in both if cell.activity.energy == "seated"]
            pair = self.miss("still_sitting", lesson)
            self.linear.at_most([*self.sum_of(seated), (-1, pair)], 1)
            found.append(pair)
        return found

    def _news(self, lesson: int) -> list[Term]:
        firsts = [(1, one) for (_, n), one in self.first.items() if n == lesson]
        known = [c for c in self.by_lesson[lesson] if c.presents and not c.unmet]
        return [*firsts, *self.sum_of(known)]

    def _new(self, lesson: int) -> None:
        news = self._news(lesson)
        slots = len(self.cells.slots[lesson])
        if knows_little(self.question, slots):
            before = self._news(lesson - 1) if lesson else []
            self.linear.at_most([*news, (-1, self.miss("falling", lesson, slots * 4))], 0)
            if before:
                rise = self.miss("falling", lesson, slots)
                self.linear.at_most([*news, *((-w, v) for w, v in before), (-1, rise)], 0)
            return
        self.linear.at_most([*news, (-1, self.miss("half_new", lesson, slots))], slots // 2)
        self.linear.at_most([*news, (-1, self.miss("too_new", lesson, slots))], wish_new(self.grade))

    def _hearing(self, lesson: int) -> None:
        heard = [
            (min(c.activity.hears, HEARD), self.z[c]) for c in self.by_lesson[lesson] if c.activity.hears
        ]
        self.linear.at_least([*heard, (HEARD, self.miss("few_heard", lesson))], HEARD)

    def _moving(self, lesson: int) -> None:
        usual = [(cell, cell.minutes(self.grade)[1]) for cell in self.by_lesson[lesson]]
        most = Counter[int]()
        for cell, n in usual:
            most[cell.slot] = max(most[cell.slot], n)
        room = self.template.available(self.question.lessons[lesson].minutes, len(self.cells.slots[lesson]))
        longest = [
            (c, c.minutes(self.grade)[2]) for c in self.by_lesson[lesson] if c.activity.energy == "moving"
        ]
        for part, key in ((5, "a_fifth_moving"), (3, "a_third_moving")):
            miss = self.miss(key, lesson)
            terms = [((part - 1 if c.activity.energy == "moving" else -1) * n, self.z[c]) for c, n in usual]
            self.linear.at_least([*terms, (sum(most.values()), miss)], 0)
            self.linear.at_least([*((part * n, self.z[c]) for c, n in longest), (room, miss)], room)
            few = _fewest(longest, part, room)  # follows from the row above, and keeps halves of parts out
            self.linear.at_least([*self.sum_of(c for c, _ in longest), (few, miss)], few)

    def _sitting(self, lesson: int) -> None:
        """Seated parts in a row last at most eight minutes, counted by the least they need."""
        count = len(self.cells.slots[lesson])
        for start in range(count):
            for end in range(start + 1, min(start + 5, count)):
                self._run(lesson, range(start, end + 1))

    def _run(self, lesson: int, places: range) -> None:
        """One that stands or moves breaks a run: its coefficient is the least that releases the row."""
        seated, others, longest = list[Term](), list[Cell](), 0
        for index in places:
            here = self.by_slot.get((lesson, index), [])
            leasts = [(c.minutes(self.grade)[0], c) for c in here if c.activity.energy == "seated"]
            seated += [(least, self.z[c]) for least, c in leasts]
            longest += max((least for least, _ in leasts), default=0)
            others += [c for c in here if c.activity.energy != "seated"]
        over = longest - LONGEST_SITTING
        if over > 0:
            miss = self.miss("sitting", lesson)
            self.linear.at_most([*seated, *self.sum_of(others, -over), (-over, miss)], LONGEST_SITTING)
