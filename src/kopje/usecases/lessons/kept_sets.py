"""Lesson sets kept under a name, and laid again: in another grade, or next year."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from kopje.core.errors import PlanError, StaleError
from kopje.core.planning.candidates import Slots
from kopje.core.planning.focus_song import FocusStep, as_lessons, focus_steps, to_learn
from kopje.core.planning.lesson import Choice, LessonQuestion, Part
from kopje.core.planning.lesson_set.laid_again import KeptPart, Laid, There, laid_again
from kopje.core.planning.lesson_set.question import first_lesson
from kopje.core.reasons import Reason, because
from kopje.core.sequence.section_state import due
from kopje.store import events, lesson_sets, plans
from kopje.store import tables as t
from kopje.usecases.context import Context, Desk
from kopje.usecases.lessons import compose_set
from kopje.usecases.lessons.compose_set import new_lesson, put_part, version_of, with_step
from kopje.usecases.lessons.propose_lesson import make_room, question_of
from kopje.usecases.lessons.set_scope import SetScope, question_of_set, scope_of
from kopje.usecases.songs.look import analysis_of
from kopje.usecases.songs.recordings import piece_cards
from kopje.usecases.songs.songbook import cards, in_book


def keep_set(ctx: Context, key: str, count: int, name: str) -> t.KeptSet:
    """Keep the next lessons of a set under a name, without dates; PlanError where nothing is planned. The
    same name again replaces what was kept."""
    scope = scope_of(ctx, key, count)
    lessons = [[_values(part) for part in _first_plan(scope, n)] for n in range(len(scope.times))]
    if not any(lessons):
        raise PlanError("set_nothing_planned")
    row = lesson_sets.kept_named(ctx.session, ctx.school_id, name)
    if row is None:
        row = t.KeptSet(id=ctx.new_id(), school_id=ctx.school_id, name=name)
        ctx.session.add(row)
    row.grade, row.lessons, row.made = scope.state.grade, [{"parts": one} for one in lessons], ctx.now
    ctx.session.flush()
    return row


def _first_plan(scope: SetScope, number: int) -> list[KeptPart]:
    """Of the first section that has the lesson; what was left over belongs to nobody else."""
    for section in range(len(scope.sections)):
        planned = scope.planned(number, section)
        if planned is not None:
            return [
                KeptPart(part.slot, part.role, part.choice, part.minutes)
                for part in planned.parts
                if not part.left_over
            ]
    return []


def _values(part: KeptPart) -> dict[str, Any]:
    choice = part.choice
    return {
        "slot": part.slot,
        "role": part.role,
        "minutes": part.minutes,
        "choice": [choice.activity, choice.song, choice.concept, choice.purpose, choice.piece],
    }


def _part(values: dict[str, Any]) -> KeptPart:
    return KeptPart(values["slot"], values["role"], Choice(*values["choice"]), values["minutes"])


def kept_sets(ctx: Context) -> Sequence[t.KeptSet]:
    return lesson_sets.kept_sets(ctx.session, ctx.school_id)


def forget_set(ctx: Context, kept_id: UUID) -> None:
    ctx.session.delete(lesson_sets.kept_set(ctx.session, ctx.school_id, kept_id))
    ctx.session.flush()


def lay_set(desk: Desk, key: str, count: int, kept_id: UUID, seen: int) -> Laid:
    """Lay a kept set over the next lessons: what holds for this class stands there pinned, the rest is
    composed around it. What was dropped is told with its reasons. StaleError as in composing."""
    with desk.keep() as ctx:
        scope = _as_seen(ctx, key, count, seen)
        row = lesson_sets.kept_set(ctx.session, ctx.school_id, kept_id)
        lessons = [[_part(one) for one in lesson["parts"]] for lesson in row.lessons]
        found = laid_again(lessons, _there(ctx, scope))
        with_step(ctx, scope, because("set_did_lay", name=row.name), lambda: _lay(ctx, scope, found))
    compose_set.compose(desk, key, count)
    return found


@dataclass(frozen=True)
class FocusPlan:
    """A plan for one song: what must be learned of it, and what is done with it in each lesson."""

    song: t.Song
    learn: tuple[Reason, ...]
    steps: tuple[FocusStep, ...]


def focus_plan(ctx: Context, key: str, count: int, song_id: UUID) -> FocusPlan:
    """For the classes of a set; nothing is kept."""
    return _focus(ctx, scope_of(ctx, key, count), song_id)


def _focus(ctx: Context, scope: SetScope, song_id: UUID) -> FocusPlan:
    song = in_book(ctx, song_id)
    asked = question_of_set(ctx, scope, keep=False, work=0)
    card = next((one for one in asked.songs if one.id == str(song_id)), None)
    if card is None:
        raise PlanError("focus_song_out", title=song.title, value=str(song_id))
    steps = focus_steps(first_lesson(asked), card, len(asked.lessons))
    return FocusPlan(song, to_learn(analysis_of(song)), steps)


def lay_focus(desk: Desk, key: str, count: int, song_id: UUID, seen: int) -> None:
    """Its steps stand pinned in the next lessons, the rest is composed around them."""
    with desk.keep() as ctx:
        scope = _as_seen(ctx, key, count, seen)
        plan = _focus(ctx, scope, song_id)
        laid = Laid(tuple(map(tuple, as_lessons(plan.steps, len(scope.times)))), ())
        with_step(ctx, scope, because("set_did_focus", title=plan.song.title), lambda: _lay(ctx, scope, laid))
    compose_set.compose(desk, key, count)


def _as_seen(ctx: Context, key: str, count: int, seen: int) -> SetScope:
    scope = scope_of(ctx, key, count)
    events.lock_sections(ctx.session, ctx.school_id, list(scope.ids))
    if version_of(ctx, scope) != seen:
        raise StaleError("stale_set", value=version_of(ctx, scope))
    return scope


def _there(ctx: Context, scope: SetScope) -> There:
    state = scope.state
    book = cards(ctx, state, [item.concept for item in due(state, ())], {})
    return There(
        state,
        ctx.habits,
        tuple(one.roll for one in scope.sections),
        {song.id: song for song in book},
        frozenset(piece.id for piece in piece_cards(ctx)),
    )


def _lay(ctx: Context, scope: SetScope, found: Laid) -> None:
    for number, lesson in enumerate(found.lessons[: len(scope.times)]):
        for section, now in enumerate(scope.sections):
            at = scope.times[number][section]
            if at is None:
                continue
            row = plans.lesson_at(ctx.session, now.id, at.day, at.starts)
            if row is None:
                row = new_lesson(ctx, now.id, at.day, at.starts, at.minutes or now.minutes)
                ctx.session.flush()
            planned = scope.planned(number, section)
            asked = question_of(ctx, now, at, row.minutes, planned)
            for part in lesson:
                put_part(ctx, row, part.slot, _pinned(asked, part), pinned=True)
            make_room(ctx, row)


def _pinned(asked: LessonQuestion, part: KeptPart) -> Part:
    made = Slots(asked).made(part.choice)
    least, _, most = made.activity.minutes
    minutes = min(max(part.minutes, least), most)
    said = (because("laid_by_you", "for", "part"), *made.reasons)
    return Part(part.slot, part.role, part.choice, made.activity, minutes, made.new, False, said)  # type: ignore[arg-type]
