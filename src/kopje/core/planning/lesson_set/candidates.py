"""Everything that could stand in a set: for each lesson and slot the choices, over the way the concepts are
expected to go. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import groupby

from kopje.core.planning.activities import Activity
from kopje.core.planning.candidates import Candidate, Slots
from kopje.core.planning.catalogue.song_needs import SONG_NEEDS
from kopje.core.planning.lesson import Choice, LessonQuestion
from kopje.core.planning.lesson_set.question import LessonFrame, SetQuestion
from kopje.core.planning.offers import far_from
from kopje.core.planning.template import Slot, due_in
from kopje.core.planning.timely import suiting
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import Due, SectionState, Taught, due
from kopje.core.songs.contents import SongCard
from kopje.core.songs.suitability import Met

CELLS_A_SLOT = 44
NEW_SONGS = 10
SMALLEST = 1  # to this grade the rules of sitting hold
LONGEST_SMALL = 7  # minutes of a part of theirs


@dataclass(frozen=True, slots=True, eq=False)  # each is itself: they are keys by the thousand
class Cell:
    """One choice for one slot. `thing`: what is met and comes again; `unmet`: not met before this set;
    `opens`: only as the first meeting; `needs`: meetings in this set that must lie before it."""

    lesson: int
    slot: int
    choice: Choice
    activity: Activity
    cost: int
    thing: str | None
    unmet: bool
    opens: bool
    needs: int
    settled: bool = False
    asked: int | None = None  # the minutes that the template gives its slot

    @property
    def presents(self) -> bool:
        return self.choice.purpose == "present"

    def minutes(self, grade: int) -> tuple[int, int, int]:
        """Least, usual, most."""
        least, usual, most = self.activity.minutes
        top = LONGEST_SMALL if grade <= SMALLEST else most
        if self.asked is not None:
            length = min(max(self.asked, least), top, most)
            return length, length, length
        return min(least, top), min(usual, top), min(most, top)


@dataclass(frozen=True)
class Coming:
    """How a lesson finds the class, if all goes as expected. `may_name`: concepts that may be named from this
    lesson on, and were not before the set."""

    state: SectionState
    wanted: tuple[Due, ...]
    may_name: frozenset[ConceptKey]


def slot_by_slot(cells: Iterable[Cell]) -> Iterator[list[Cell]]:
    """Cells of one lesson by their slot: of each only one is taken."""
    for _, group in groupby(sorted(cells, key=_slot), key=_slot):
        yield list(group)


def _slot(cell: Cell) -> int:
    return cell.slot


def thing_of(choice: Choice, done: Mapping[str, int]) -> str | None:
    """The song or piece; of what goes without one the activity, as long as they never did it."""
    return choice.thing or (None if done.get(choice.activity) else f"activity {choice.activity}")


@dataclass(frozen=True)
class Cells:
    """The cells of a question, lesson by lesson."""

    question: SetQuestion

    @cached_property
    def coming(self) -> tuple[Coming, ...]:
        """Lesson by lesson what is due, taking it that each due concept is touched."""
        found: list[Coming] = []
        state, may_name = self.question.state, frozenset[ConceptKey]()
        last = len(self.question.lessons) - 1
        for number, frame in enumerate(self.question.lessons):
            items = [self._not_at_the_end(item, number == last > 0) for item in due(state, frame.laid)]
            slots = Slots(self._asked(frame, state), tuple(items))
            names = {i.concept.key for i in items if i.purpose == "present" and slots.can_present(i)}
            again = self._again(items, may_name, number == last > 0)
            found.append(Coming(state, (*items, *again), may_name | names))
            may_name |= names
            state = _touched(state, items, names)
        return tuple(found)

    @staticmethod
    def _not_at_the_end(item: Due, end: bool) -> Due:
        """A name that would fall into the last lesson waits for the first of the next set."""
        return replace(item, purpose="prepare") if end and item.purpose == "present" else item

    def _again(self, items: list[Due], may_name: frozenset[ConceptKey], end: bool) -> Iterator[Due]:
        """What may be named in an earlier lesson of the set may be named or prepared here instead."""
        for item in items:
            if item.concept.key in may_name and item.purpose == "practise":
                yield replace(item, purpose="prepare")
                if not end:
                    yield replace(item, purpose="present")

    @cached_property
    def unnamed(self) -> frozenset[ConceptKey]:
        """Concepts at work that they cannot name when the set begins."""
        state = self.question.state
        every = {item.concept.key for one in self.coming for item in one.wanted}
        return frozenset(key for key in every if not state.named(key))

    @cached_property
    def frames(self) -> tuple[Slots, ...]:
        return tuple(
            Slots(self._asked(frame, one.state), one.wanted)
            for frame, one in zip(self.question.lessons, self.coming, strict=True)
        )

    @cached_property
    def slots(self) -> tuple[tuple[Slot, ...], ...]:
        return tuple(one.slots for one in self.frames)

    def _asked(self, frame: LessonFrame, state: SectionState) -> LessonQuestion:
        q = self.question
        return LessonQuestion(
            state=state,
            minutes=frame.minutes,
            songs=q.songs,
            pieces=q.pieces,
            met=q.met,
            done=q.done,
            lately=frozenset(),
            left_over=frame.left_over,
            laid=frame.laid,
            pins=frame.pins,
            refused=q.refused,
            today=frame.day,
            habits=q.habits,
            rolls=q.rolls,
            warm=frozenset(q.warm),
            rated=q.rated,
            why=q.why,
        )

    @cached_property
    def cells(self) -> tuple[Cell, ...]:
        return tuple(
            cell
            for number in range(len(self.frames))
            for index in range(len(self.slots[number]))
            for cell in self._of_slot(number, index)
        )

    def _of_slot(self, number: int, index: int) -> Iterator[Cell]:
        slots, slot = self.frames[number], self.slots[number][index]
        frame = self.question.lessons[number]
        if slot.key in frame.pins or slot.carried:
            (only,) = slots.candidates(index)
            yield self._cell(number, index, only, settled=True)
            return
        every = [*slots.fitting(slot), *self._with_new_songs(number, slot)]
        every = _long_enough(_in_turn(every, slot, self.question.held + number), slot)
        every.sort(key=lambda c: (c.cost, c.activity.title, c.choice.thing or ""))
        there = frame.there.get(slot.key)
        kept = _shortlist(every, there)
        yield from (self._cell(number, index, candidate) for candidate in kept)

    def _with_new_songs(self, number: int, slot: Slot) -> Iterator[Candidate]:
        """What goes with a song they know, with a song that they may meet earlier in this set."""
        if number == 0:
            return
        for one in self._later[number].fitting(slot):
            if one.activity.song == "known":
                yield one

    @cached_property
    def _later(self) -> tuple[Slots, ...]:
        """The lessons as if they had met what they may meet earlier in this set."""
        met = {one.id: Met(1) for one in self.pool}
        return tuple(
            Slots(replace(one.question, songs=self.pool, met=met, pieces=()), one.asked_for)
            for one in self.frames
        )

    @cached_property
    def pool(self) -> tuple[SongCard, ...]:
        """Songs they have not met and that may be learned now: what serves a due concept first."""
        state, met = self.question.state, self.question.met
        wanted = {item.concept.key for one in self.coming for item in one.wanted}
        found = []
        days = frozenset[str]().union(*(one.question.day for one in self.frames))
        suits = suiting(self.question.songs, days)
        for song in self.question.songs:
            if song.id in met:
                continue
            serves = sum(1 for key in wanted if song.content(key) is not None)
            far = far_from(song, state)
            asked = song.id not in self.question.warm and song.id not in suits
            far_off = (asked, far.outside + far.alone, -min(serves, 2), far.strange, song.title)
            found.append((*far_off, song))
        return tuple(one[-1] for one in sorted(found, key=lambda one: one[:5])[:NEW_SONGS])

    def _cell(self, number: int, index: int, candidate: Candidate, settled: bool = False) -> Cell:
        choice, item = candidate.choice, candidate.activity
        thing = thing_of(choice, self.question.done)
        known = self._lessons_before(choice)
        unmet = thing is not None and known == 0
        least = SONG_NEEDS.get(item.key, 0) if choice.song else 0
        opens = item.song == "new" and choice.song is not None and unmet
        with_friend = int(item.song == "known" and unmet)
        needs = 0 if opens or settled else max(max(least, with_friend) - known, 0)
        asked = self.slots[number][index].minutes
        return Cell(number, index, choice, item, candidate.cost, thing, unmet, opens, needs, settled, asked)

    def _lessons_before(self, choice: Choice) -> int:
        met = self.question.met.get(choice.thing or "")
        return met.lessons if met else 0


def _in_turn(every: list[Candidate], slot: Slot, lesson: int) -> list[Candidate]:
    """Where activities take turns in a slot the one that is due; else another of them; else all."""
    due = due_in(slot, lesson)
    mine = [one for one in every if one.activity.key == due]
    return mine or [one for one in every if one.activity.key in slot.named] or every


def _long_enough(every: list[Candidate], slot: Slot) -> list[Candidate]:
    """Where the template gives a slot its minutes what can last so long; else all, as near as they can."""
    asked = slot.minutes
    if asked is None:
        return every
    return [one for one in every if one.activity.minutes[0] <= asked <= one.activity.minutes[2]] or every


def _shortlist(every: list[Candidate], there: Choice | None) -> list[Candidate]:
    """The best of each activity and purpose first, then the next songs of each, and what stands there."""
    first: dict[object, Candidate] = {}
    rest: list[Candidate] = []
    for one in every:
        kind = (one.activity.key, one.choice.concept, one.choice.purpose)
        if kind in first:
            rest.append(one)
        else:
            first[kind] = one
    leading = list(first.values())[: CELLS_A_SLOT * 3 // 4]
    kept = [*leading, *rest[: CELLS_A_SLOT - len(leading)]]
    if there is not None and there not in [one.choice for one in kept]:
        kept += [one for one in every if one.choice == there][:1]
    unique = {one.choice: one for one in reversed(kept)}
    return sorted(unique.values(), key=lambda c: (c.cost, c.activity.title, c.choice.thing or ""))


def _touched(state: SectionState, items: list[Due], names: set[ConceptKey]) -> SectionState:
    """The state after a lesson in which everything due was touched; nothing is named that cannot be."""
    taught = dict(state.taught)
    for item in items:
        key, had = item.concept.key, state.taught_counts(item.concept.key)
        named = item.purpose == "present" and key in names
        taught[key] = Taught(
            had.prepared + (item.purpose == "prepare" or (item.purpose == "present" and not named)),
            had.presented + named,
            had.practised + (item.purpose == "practise"),
        )
    return replace(state, taught=taught)


def length_of(cell: Cell, frame: LessonFrame, slots: tuple[Slot, ...], grade: int) -> tuple[int, int, int]:
    """Least, usual and most minutes; what the teacher made longer or shorter is as long as that."""
    fixed = frame.lengths.get(slots[cell.slot].key) if cell.settled else None
    return cell.minutes(grade) if fixed is None else (fixed, fixed, fixed)
