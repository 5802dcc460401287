"""The exercise of a part of a lesson: made for class and day when it is opened, kept with the part."""

from __future__ import annotations

from uuid import UUID

from kopje.core.errors import NotFoundError, PracticeError
from kopje.core.planning.to_read import to_read
from kopje.core.practice.reading.given import Wish
from kopje.store import practice
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons import read_lesson
from kopje.usecases.practice.exercises import Asked, NextExercise, next_exercise


def for_part(
    ctx: Context, lesson_id: UUID, part_id: UUID, fresh: bool = False, asked: Asked = "same"
) -> NextExercise | None:
    """The one that was opened last, or where it is to be `fresh` another one like it; None where the part
    reads nothing new. PracticeError where nothing new is left."""
    seen = read_lesson.lesson(ctx, lesson_id)
    part = next((one for one in seen.parts if one.id == part_id), None)
    if part is None:
        raise NotFoundError("no_such_part", value=str(part_id))
    activity = ctx.habits.repertoire.activity(part.choice.activity)
    found = to_read(activity, ctx.sequence.by_key.get(part.choice.concept)) if part.choice.concept else None
    if found is None:
        return None
    last = practice.of_part(ctx.session, part_id)
    if last is not None and not fresh and asked == "same":
        return NextExercise(last)
    wish = Wish(**last.wish) if last is not None else Wish(*found)
    made = next_exercise(ctx, seen.section.id, wish, asked)
    made.exercise.part_id = part_id
    return made


def opened(ctx: Context, lesson_id: UUID, part_id: UUID) -> t.Exercise | None:
    """The one that was opened last; None where none was."""
    if all(one.id != part_id for one in read_lesson.lesson(ctx, lesson_id).parts):
        raise NotFoundError("no_such_part", value=str(part_id))
    return practice.of_part(ctx.session, part_id)


def shown(ctx: Context, lesson_id: UUID, exercise_id: UUID) -> t.Exercise:
    """An exercise as a screen of the lesson may show it: of the lesson's own class."""
    row = practice.exercise(ctx.session, ctx.school_id, exercise_id)
    if row.section_id != read_lesson.lesson(ctx, lesson_id).section.id:
        raise PracticeError("exercise_elsewhere", value=str(exercise_id))
    return row
