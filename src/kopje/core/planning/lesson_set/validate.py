"""The must-rules of a set read once more, from the finished lessons and apart from the model that made them.

Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from kopje.core.planning.fetch import lacking
from kopje.core.planning.lesson import Part
from kopje.core.planning.lesson_set.question import SetLesson, SetPlan, SetQuestion

SHORTEST_FREE = 2
SITTING, LONGEST_FOR_SMALL = 8, 7
SMALL, LITTLE = 1, 2


@dataclass(frozen=True, slots=True)
class Broken:
    """A must-rule by its number, and where it is broken; lessons count from 0."""

    rule: int
    lesson: int
    what: str


def broken(question: SetQuestion, plan: SetPlan) -> tuple[Broken, ...]:
    """Every must-rule that a set breaks, whatever the composer says of it."""
    found: list[Broken] = []
    for number, lesson in enumerate(plan.lessons):
        found += _minutes(question, number, lesson)
        found += _choices(question, number, lesson)
        if question.state.grade <= LITTLE:
            found += _moving(number, lesson)
        if question.state.grade <= SMALL:
            found += _sitting(number, lesson)
    found += _things(question, plan)
    found += _names(question, plan)
    return tuple(found)


def _settled(question: SetQuestion, number: int, part: Part) -> bool:
    return part.slot in question.lessons[number].pins or part.left_over


def _minutes(question: SetQuestion, number: int, lesson: SetLesson) -> Iterator[Broken]:
    total = sum(part.minutes for part in lesson.parts)
    if not lesson.available - SHORTEST_FREE <= total <= lesson.available:
        yield Broken(1, number, f"{total} of {lesson.available} minutes")
    for part in lesson.parts:
        least, _, most = part.activity.minutes
        if part.slot not in question.lessons[number].lengths and not least <= part.minutes <= most:
            yield Broken(1, number, f"{part.activity.key}: {part.minutes}")


def _choices(question: SetQuestion, number: int, lesson: SetLesson) -> Iterator[Broken]:
    frame, free = question.lessons[number], [p for p in lesson.parts if not _settled(question, number, p)]
    for slot, choice in frame.pins.items():
        if choice not in [part.choice for part in lesson.parts if part.slot == slot]:
            yield Broken(2, number, f"pin of {slot}")
    for part in free:
        if part.role not in part.activity.roles:
            yield Broken(2, number, f"{part.activity.key} as {part.role}")
        least, most = part.activity.size
        if any(roll and not least <= roll <= most for roll in question.rolls):
            yield Broken(2, number, f"{part.activity.key} for {question.rolls} children")
        if lacking(part.activity, question.rolls, question.habits.room):
            yield Broken(2, number, f"{part.activity.key} needs more than the room has")
        if (part.choice.activity, part.choice.song) in question.refused:
            yield Broken(2, number, f"{part.activity.key} was refused")
    for name in ("activity", "thing"):
        keys = [getattr(part.choice, name) for part in free if getattr(part.choice, name) is not None]
        if len(keys) != len(set(keys)):
            yield Broken(3, number, f"an {name} twice")
    roles = [part.role for part in lesson.parts if not part.left_over]
    late = [at for at, part in enumerate(lesson.parts) if part.left_over]
    if late and "opening" in roles and lesson.parts[0].left_over:
        yield Broken(11, number, "left over before the opening")
    if sum(part.choice.purpose == "present" for part in free) > 1:
        yield Broken(9, number, "two names")


def _moving(number: int, lesson: SetLesson) -> Iterator[Broken]:
    moving = sum(part.minutes for part in lesson.parts if part.activity.energy == "moving")
    if 5 * moving < sum(part.minutes for part in lesson.parts):
        yield Broken(11, number, f"{moving} minutes moving")


def _sitting(number: int, lesson: SetLesson) -> Iterator[Broken]:
    run = parts = 0
    for part in lesson.parts:
        seated = part.activity.energy == "seated"
        run, parts = (run + part.minutes, parts + 1) if seated else (0, 0)
        if parts > 1 and run > SITTING:
            yield Broken(8, number, f"{run} minutes seated")
        if part.minutes > LONGEST_FOR_SMALL and not part.left_over:
            yield Broken(8, number, f"{part.activity.key}: {part.minutes} minutes")


def _thing(question: SetQuestion, part: Part) -> str | None:
    """What is met in a part, if it was not met before the set."""
    if part.choice.thing is not None:
        return None if part.choice.thing in question.met else part.choice.thing
    return None if question.done.get(part.activity.key) else part.activity.key


def _things(question: SetQuestion, plan: SetPlan) -> Iterator[Broken]:
    last = len(plan.lessons) - 1
    uses: dict[str, list[int]] = {}
    for number, lesson in enumerate(plan.lessons):
        for key in dict.fromkeys(_thing(question, part) for part in lesson.parts):
            if key is not None:
                uses.setdefault(key, []).append(number)
    for key, numbers in uses.items():
        first = numbers[0]
        if len(numbers) - 1 < min(2, last - first):
            yield Broken(5, first, f"{key} comes again {len(numbers) - 1} times")
        if first == last > 0:
            yield Broken(6, last, f"{key} is new")
    for number, lesson in enumerate(plan.lessons):
        new = sum(numbers[0] == number for numbers in uses.values())
        presents = [p for p in lesson.parts if p.choice.purpose == "present"]
        new += sum(_thing(question, part) is None for part in presents)
        if presents and number == last > 0:
            yield Broken(6, number, "a name")
        few = len(question.met) + len(question.done) < 2 * len(lesson.parts)
        if new > len(lesson.parts) // 2 and not few:
            yield Broken(7, number, f"{new} new")


def _names(question: SetQuestion, plan: SetPlan) -> Iterator[Broken]:
    named: dict[str, int] = {}
    for number, lesson in enumerate(plan.lessons):
        yield from _order(question, number, lesson.parts, named)
        for part in lesson.parts:
            if part.choice.purpose == "present" and part.choice.concept:
                named.setdefault(part.choice.concept, number)
    wanted = [(key, n) for key, at in named.items() for n in (at + 1, at + 2) if n < len(plan.lessons)]
    wanted += [(key, n) for key, left in question.named_lately.items() for n in range(left)]
    for key, number in wanted:
        if number < len(plan.lessons) and question_named(question, key, named):
            touched = [
                p
                for p in plan.lessons[number].parts
                if (p.choice.concept, p.choice.purpose) == (key, "practise")
            ]
            if not touched:
                yield Broken(10, number, f"{key} is not practised")


def question_named(question: SetQuestion, key: str, named: dict[str, int]) -> bool:
    """Whether it can be practised at all: named in the set, or by every section before it."""
    return key in named or any(one == key and question.state.named(one) for one in question.named_lately)


def _order(
    question: SetQuestion, number: int, parts: Sequence[Part], named: dict[str, int]
) -> Iterator[Broken]:
    for part in parts:
        concept, purpose = part.choice.concept, part.choice.purpose
        if concept is None or _settled(question, number, part):
            continue
        before = question.state.named(concept) or concept in named
        kept = question.state.sequence.concept(concept).named_in_music
        if purpose == "practise" and not before and kept:
            yield Broken(2, number, f"{concept} practised before it is named")
        if purpose in ("prepare", "present") and concept in named:
            yield Broken(2, number, f"{concept} {purpose} after it was named")
