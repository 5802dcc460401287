"""One lesson, composed as a set of one; and what else could stand in one of its slots.

Source: docs/sources.md#composer.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date

from kopje.core.planning.candidates import Candidate, Slots
from kopje.core.planning.lesson import LessonPlan, LessonQuestion, Part, Status
from kopje.core.planning.lesson_set.compose import compose_set
from kopje.core.planning.lesson_set.prices import free_of, price
from kopje.core.planning.lesson_set.question import LessonFrame, SetQuestion
from kopje.core.planning.template import Slot

WORK = 2.5  # a single lesson is proven in far less


def compose(question: LessonQuestion) -> LessonPlan:
    """Propose a lesson; PlanError when nothing can be proposed."""
    plan = compose_set(as_set(question))
    (lesson,) = plan.lessons
    status: Status = "best_possible" if plan.status == "best_possible" else "best_found"
    minutes = sum(part.minutes for part in lesson.parts)
    return LessonPlan(lesson.parts, minutes, lesson.available, status, (*plan.unmet, *lesson.unmet))


def as_set(question: LessonQuestion) -> SetQuestion:
    """The question for one lesson as one for a set of one."""
    frame = LessonFrame(
        day=question.today or date.min,
        minutes=question.minutes,
        laid=question.laid,
        pins=question.pins,
        left_over=question.left_over,
        no_place=question.no_place,
    )
    return SetQuestion(
        state=question.state,
        lessons=(frame,),
        songs=question.songs,
        pieces=question.pieces,
        met=question.met,
        done=question.done,
        lately=question.lately,
        named_lately=question.named_lately,
        owed=question.owed,
        recent=question.recent,
        held=question.held,
        habits=question.habits,
        rolls=question.rolls,
        warm=dict.fromkeys(sorted(question.warm), 1),
        rated=question.rated,
        why=question.why,
        refused=question.refused,
        work=WORK,
    )


@dataclass(frozen=True, slots=True)
class _Others:
    """The other parts of a lesson, with what they forbid."""

    chosen: tuple[Candidate, ...]
    grade: int

    def allow(self, candidate: Candidate) -> bool:
        """No activity, no song and no piece twice, and one name a lesson."""
        thing = candidate.choice.thing
        return (
            candidate.activity.key not in {c.activity.key for c in self.chosen}
            and (thing is None or thing not in {c.choice.thing for c in self.chosen})
            and not (candidate.choice.purpose == "present" and any(self._presents(c) for c in self.chosen))
        )

    @staticmethod
    def _presents(candidate: Candidate) -> bool:
        return candidate.choice.purpose == "present"

    def cost(self, candidate: Candidate) -> int:
        alike = 1 + sum(c.activity.kind == candidate.activity.kind for c in self.chosen)
        kinds = max(0, alike - free_of(candidate.activity.kind, self.grade))
        concept = candidate.choice.concept
        twice = sum(c.choice.concept == concept for c in self.chosen) if concept else 0
        return candidate.cost + price("same_kind") * kinds + price("concept_often") * max(twice - 1, 0)


def alternatives(
    question: LessonQuestion, plan: LessonPlan, slot_key: str, most: int = 6
) -> tuple[Part, ...]:
    """What else could stand in one slot, the others kept as they are; cheapest first.

    Its minutes stay as near as its own bounds allow; where it needs more than there is, the others can be
    shortened for it.
    """
    slots = Slots(replace(question, left_over=(), pins={}))
    part = next(one for one in plan.parts if one.slot == slot_key)
    slot = Slot(part.slot, part.role)
    others = _Others(
        tuple(slots.made(other.choice) for other in plan.parts if other is not part), question.state.grade
    )
    least = sum(one.activity.minutes[0] for one in plan.parts if one is not part)
    spare = max(plan.available - least, part.minutes)
    found = [
        (others.cost(candidate), candidate)
        for candidate in slots.fitting(slot)
        if candidate.activity.minutes[0] <= spare
        and others.allow(candidate)
        and candidate.choice != part.choice
    ]
    found.sort(key=lambda pair: (pair[0], pair[1].activity.title, pair[1].choice.thing or ""))
    return tuple(_part(slot, c, part.minutes) for _, c in _varied(found)[:most])


def _part(slot: Slot, candidate: Candidate, minutes: int) -> Part:
    least, _, most = candidate.activity.minutes
    length = min(max(minutes, least), most)
    return Part(
        slot.key,
        slot.role,
        candidate.choice,
        candidate.activity,
        length,
        candidate.new,
        slot.carried,
        candidate.reasons,
    )


def _varied(found: list[tuple[int, Candidate]]) -> list[tuple[int, Candidate]]:
    """The best of each activity before the second song of any."""
    first: dict[str, tuple[int, Candidate]] = {}
    for pair in found:
        first.setdefault(pair[1].activity.key, pair)
    return [*first.values(), *(pair for pair in found if pair not in first.values())]
