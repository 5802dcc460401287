"""From the solver's answer to lessons with minutes and reasons. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from datetime import date

from kopje.core.planning.candidates import Candidate, Slots
from kopje.core.planning.lesson import Choice, LessonQuestion, Part
from kopje.core.planning.lesson_set.candidates import SMALLEST, Cell, length_of
from kopje.core.planning.lesson_set.linear import Answer
from kopje.core.planning.lesson_set.model import LONGEST_SITTING, SetModel, knows_little
from kopje.core.planning.lesson_set.prices import LITTLE, PRICES
from kopje.core.planning.lesson_set.question import SetLesson, SetPlan, SetQuestion, SetStatus
from kopje.core.planning.minutes import spread
from kopje.core.planning.template import Slot, due_in
from kopje.core.reasons import Reason, because, listed
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.suitability import Met

TOLD_ONCE = frozenset(
    {
        "few_songs",
        "new_song_due",
        "song_worn",
        "plain_again",
        "activity_often",
        "song_often",
        "owed",
        "concert_song",
    }
)
BEYOND_PINS = frozenset({"minutes", "empty"})
UNSAID = frozenset(
    {
        "idle_slot",
        "same_kind",
        "still_sitting",
        "set_up",
        "in_turn",
        "warm_again",
        "changed",
        "same_activity",
        "falling",
        "too_new",
    }
)


@dataclass
class _Sofar:
    """What the class knows when a lesson begins, if those before it went as planned."""

    met: dict[str, Met]
    done: dict[str, int]
    lately: frozenset[str]

    def after(self, cells: Sequence[Cell], day: date) -> _Sofar:
        met, done = dict(self.met), dict(self.done)
        for cell in cells:
            thing = cell.choice.thing
            if thing is not None:
                met[thing] = Met((met[thing].lessons if thing in met else 0) + 1, day)
            done[cell.activity.key] = done.get(cell.activity.key, 0) + 1
        return _Sofar(met, done, frozenset(cell.activity.key for cell in cells))


@dataclass
class Explained:
    """A set as it is told."""

    model: SetModel
    answer: Answer
    chosen: Sequence[Cell]
    broken: dict[int, list[str]] = field(default_factory=dict)

    def plan(self, status: SetStatus, relaxed: tuple[int, ...]) -> SetPlan:
        for variable, (key, lesson) in self.model.linear.elastic.items():
            if self.answer.values and self.answer.values[variable]:
                self.broken.setdefault(-1 if key in TOLD_ONCE else lesson, []).append(key)
        question = self.model.question
        sofar = _Sofar(dict(question.met), dict(question.done), question.lately)
        lessons = []
        for number, frame in enumerate(question.lessons):
            cells = sorted((c for c in self.chosen if c.lesson == number), key=lambda cell: cell.slot)
            lessons.append(self._lesson(number, cells, sofar))
            sofar = sofar.after(cells, frame.day)
        unmet = tuple(
            because(f"set_{key}", "against", "set") for key in dict.fromkeys(self.broken.get(-1, ()))
        )
        cost, gap = self.answer.cost, self.answer.cost - self.answer.bound
        if any(self._collides(number) for number in self.model.lessons):
            status = "impossible"
        return SetPlan(tuple(lessons), status, cost, gap, relaxed, unmet, len(self.model.cells.cells))

    def _lesson(self, number: int, cells: Sequence[Cell], sofar: _Sofar) -> SetLesson:
        model, frame = self.model, self.model.question.lessons[number]
        slots, grade = model.cells.slots[number], model.grade
        room = model.template.available(frame.minutes, len(cells))
        minutes = spread(
            [length_of(cell, frame, slots, grade) for cell in cells],
            room,
            [cell.activity.energy == "seated" for cell in cells],
            LONGEST_SITTING if grade <= SMALLEST else None,
            [grade <= LITTLE and cell.activity.energy == "moving" for cell in cells],
        )
        parts = tuple(
            self._part(number, slots[cell.slot], cell, length, sofar)
            for cell, length in zip(cells, minutes, strict=True)
        )
        unmet = (*self._not_in_turn(number, cells, slots), *self._unmet(number, room - sum(minutes), slots))
        return SetLesson(frame.day, parts, room, unmet)

    def _not_in_turn(self, number: int, cells: Sequence[Cell], slots: Sequence[Slot]) -> Iterator[Reason]:
        """What would have its turn in a slot and does not fit there."""
        question = self.model.question
        for cell in cells:
            due = due_in(slots[cell.slot], question.held + number)
            if due is not None and due != cell.activity.key and not cell.settled:
                title = question.habits.repertoire.activity(due).title
                yield because("turn_missed", "against", "lesson", activity=title)

    def _part(self, number: int, slot: Slot, cell: Cell, minutes: int, sofar: _Sofar) -> Part:
        made = why(self.model, number, slot, cell, sofar)
        return Part(
            slot.key, slot.role, cell.choice, cell.activity, minutes, made.new, slot.carried, made.reasons
        )

    def _unmet(self, number: int, free: int, slots: Sequence[Slot]) -> tuple[Reason, ...]:
        frame = self.model.question.lessons[number]
        said = [
            because(f"set_{key}", "against", "lesson")
            for key in dict.fromkeys(self.broken.get(number, ()))
            if key not in UNSAID
        ]
        said += self._because_of_pins(number)
        if knows_little(self.model.question, len(slots)):
            said.append(because("ramp", about="new"))
        if free > 2:
            said.append(because("free_minutes", about="minutes", count=free))
        said += [
            because("no_place", "against", one.choice.activity, activity=self._title(one.choice))
            for one in frame.no_place
        ]
        return tuple(said)

    def _collides(self, number: int) -> bool:
        """Whether what is pinned in a lesson leaves it no way to keep its minutes or to fill its slots."""
        broken = set(self.broken.get(number, ()))
        return bool(broken & BEYOND_PINS) and bool(self.model.question.lessons[number].pins)

    def _because_of_pins(self, number: int) -> Iterator[Reason]:
        """Which pins stand against each other where a must-rule is given up in their lesson."""
        frame, broken = self.model.question.lessons[number], self.broken.get(number, ())
        if frame.pins and any(PRICES[key].tier == "must" for key in broken):
            titles = [self._title(choice) for choice in frame.pins.values()]
            minutes = sum(self._least(slot, choice) for slot, choice in frame.pins.items())
            yield because("set_pins", "against", "lesson", pins=listed(titles), minutes=minutes)

    def _least(self, slot: str, choice: Choice) -> int:
        frame = next(f for f in self.model.question.lessons if f.pins.get(slot) == choice)
        item = self.model.question.habits.repertoire.activity(choice.activity)
        return frame.lengths.get(slot, item.minutes[0])

    def _title(self, choice: Choice) -> str:
        return self.model.question.habits.repertoire.activity(choice.activity).title


def why(model: SetModel, number: int, slot: Slot, cell: Cell, sofar: _Sofar) -> Candidate:
    """The cell once more, with the reasons that hold on its day."""
    question, frame = model.question, model.question.lessons[number]
    asked = _of_day(question, number, model.cells.coming[number].state, cell, sofar)
    slots = Slots(asked, model.cells.coming[number].wanted)
    if slot.key in frame.pins:
        said: tuple[Reason, ...] = (because("pinned", about="part"),)
    elif slot.carried:
        item = frame.left_over[int(slot.key.rsplit("-", 1)[1]) - 1]
        said = (because("left_over", "for", "part", day=item.day, state=item.tick or "not_reached"),)
    else:
        found = next((one for one in slots.fitting(slot) if one.choice == cell.choice), None)
        if found is not None:
            return found
        said = ()
    made = slots.made(cell.choice)
    return replace(made, reasons=(*said, *made.reasons))


def _of_day(
    question: SetQuestion, number: int, state: SectionState, cell: Cell, sofar: _Sofar
) -> LessonQuestion:
    """What the composer of one lesson would be asked, with this cell's song only."""
    frame, thing = question.lessons[number], cell.choice.thing
    return LessonQuestion(
        state=state,
        minutes=frame.minutes,
        songs=tuple(song for song in question.songs if song.id == thing),
        pieces=tuple(piece for piece in question.pieces if piece.id == thing),
        met=sofar.met,
        done=sofar.done,
        lately=sofar.lately,
        laid=frame.laid,
        refused=question.refused,
        today=frame.day,
        habits=question.habits,
        rolls=question.rolls,
        rated=question.rated,
    )


def explained(
    model: SetModel, answer: Answer, chosen: Sequence[Cell], status: SetStatus, relaxed: tuple[int, ...]
) -> SetPlan:
    return Explained(model, answer, chosen).plan(status, relaxed)
