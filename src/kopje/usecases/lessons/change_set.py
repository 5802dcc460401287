"""Changing a lesson set by hand: pin, swap, write, move, lengthen, refuse, lift; and taking it back."""

from __future__ import annotations

import json
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, time
from typing import Any, Literal
from uuid import UUID

from kopje.core.errors import LessonError, PlanError, StaleError
from kopje.core.planning.candidates import Slots
from kopje.core.planning.composer import alternatives
from kopje.core.planning.lesson import Choice, LessonQuestion, Part
from kopje.core.reasons import Reason, because, unpacked
from kopje.store import events, lesson_sets, plans, recordings, songs
from kopje.store import tables as t
from kopje.usecases.context import Context, Desk
from kopje.usecases.lessons import compose_set
from kopje.usecases.lessons.compose_set import picture, put_part, version_of, with_step
from kopje.usecases.lessons.propose_lesson import choice_of, make_room, plan_of, question_of
from kopje.usecases.lessons.set_scope import SetScope, scope_of
from kopje.usecases.snapshot import Planned, PlannedPart

CONTENT = ("activity", "material_kind", "material_id", "concept", "purpose", "minutes", "new", "reasons")
Act = Literal["pin", "unpin", "put", "move", "longer", "shorter", "refuse", "lift"]


@dataclass(frozen=True)
class Change:
    """What is done: `lesson` and `slot` say where; `choice` what is put there or lifted; `to` where it is
    moved."""

    act: Act
    lesson: int = 0
    slot: str = ""
    choice: Choice | None = None
    to: tuple[int, str] | None = None


def change(desk: Desk, key: str, count: int, seen: int, asked: Change) -> None:
    """Do it in every section of the set that has the lesson. After a refusal the rest is composed again."""
    with desk.keep() as ctx:
        scope = _locked(ctx, key, count, seen)
        with_step(ctx, scope, _says(ctx, asked), lambda: _act(ctx, scope, asked))
    if asked.act == "refuse":
        compose_set.compose(desk, key, count)


def _locked(ctx: Context, key: str, count: int, seen: int) -> SetScope:
    scope = scope_of(ctx, key, count)
    events.lock_sections(ctx.session, ctx.school_id, list(scope.ids))
    version = version_of(ctx, scope)
    if version != seen:
        raise StaleError("stale_set", value=version)
    return scope


def _says(ctx: Context, asked: Change) -> Reason:
    title = ctx.habits.repertoire.activity(asked.choice.activity).title if asked.choice else ""
    return because(f"set_did_{asked.act}", lesson=asked.lesson + 1, activity=title)


def _act(ctx: Context, scope: SetScope, asked: Change) -> None:
    if asked.act == "lift" and asked.choice is not None:
        song = UUID(asked.choice.song) if asked.choice.song else None
        lesson_sets.lift(ctx.session, scope.ids, asked.choice.activity, song)
        return
    if not 0 <= asked.lesson < len(scope.times):
        raise PlanError("set_no_such_part", value=asked.lesson)
    done = [_in_section(ctx, scope, section, asked) for section in range(len(scope.sections))]
    if not any(done):
        raise PlanError("set_no_such_part", value=asked.slot)


def _in_section(ctx: Context, scope: SetScope, section: int, asked: Change) -> bool:
    """False where the section has no such part."""
    planned = scope.planned(asked.lesson, section)
    part = _part(planned, asked.slot)
    if planned is None or (part is None and asked.act != "put"):
        return False
    row = plans.lesson(ctx.session, ctx.school_id, planned.id)
    if events.held(ctx.session, planned.id) is not None:
        raise LessonError("lesson_over")
    if asked.act == "put":
        return _put(ctx, scope, section, row, planned, asked)
    if part is None:
        return False
    mine = plans.part(ctx.session, ctx.school_id, planned.id, part.id)
    row.version += 1
    if asked.act in ("pin", "unpin"):
        mine.pinned = asked.act == "pin"
    elif asked.act in ("longer", "shorter"):
        _lengthen(ctx, mine, 1 if asked.act == "longer" else -1)
        make_room(ctx, row)
    elif asked.act == "move" and asked.to is not None:
        return _move(ctx, scope, section, row, mine, asked.to)
    elif asked.act == "refuse":
        _refuse(ctx, scope, section, mine)
    return True


def _part(planned: Planned | None, slot: str) -> PlannedPart | None:
    return next((one for one in planned.parts if one.slot == slot), None) if planned else None


def _lengthen(ctx: Context, row: t.PlannedPart, by: int) -> None:
    """By a minute, within what the activity bears; it is the teacher's word then."""
    least, _, most = ctx.habits.repertoire.activity(row.activity).minutes
    length = row.minutes + by
    if not least <= length <= most:
        raise PlanError("set_length", least=least, most=most, value=length)
    row.minutes, row.pinned = length, True


def _refuse(ctx: Context, scope: SetScope, section: int, row: t.PlannedPart) -> None:
    row.pinned = False
    song = choice_of(row).song
    refusal = t.Refusal(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        section_id=scope.sections[section].id,
        activity=row.activity,
        song_id=UUID(song) if song else None,
        moment=ctx.now,
    )
    ctx.session.add(refusal)


def _put(
    ctx: Context, scope: SetScope, section: int, row: t.PlannedLesson, planned: Planned, asked: Change
) -> bool:
    """An activity of the teacher's choice. It is pinned."""
    if asked.choice is None:
        return False
    _must_be_there(ctx, asked.choice)
    there = _part(planned, asked.slot)
    slots = Slots(_question(ctx, scope, section, asked.lesson, planned))
    made = slots.made(asked.choice)
    least, usual, most = made.activity.minutes
    minutes = min(max(there.minutes, least), most) if there else usual
    said = (because("chosen", "for", "part"), *made.reasons)
    role = there.role if there else made.activity.roles[0]
    part = Part(asked.slot, role, asked.choice, made.activity, minutes, made.new, False, said)  # type: ignore[arg-type]
    put_part(ctx, row, asked.slot, part, pinned=True)
    make_room(ctx, row)
    return True


def _must_be_there(ctx: Context, choice: Choice) -> None:
    """Song and piece are the school's, the concept is of its sequence, and what is to be sung has a song."""
    item = ctx.habits.repertoire.activity(choice.activity)
    if choice.song:
        songs.song(ctx.session, ctx.school_id, UUID(choice.song))
    if choice.piece:
        recordings.one(ctx.session, ctx.school_id, UUID(choice.piece))
    if choice.concept is not None:
        ctx.sequence.concept(choice.concept)
    if (item.song != "none" and not choice.song) or (item.plays and not choice.piece):
        raise PlanError("set_needs_a_thing", activity=item.title, value=choice.activity)


def _move(
    ctx: Context,
    scope: SetScope,
    section: int,
    row: t.PlannedLesson,
    mine: t.PlannedPart,
    to: tuple[int, str],
) -> bool:
    """Two parts change places, in one lesson or between two; both stay where they are put."""
    other_lesson = scope.planned(to[0], section) if 0 <= to[0] < len(scope.times) else None
    there = _part(other_lesson, to[1])
    if other_lesson is None or there is None:
        raise PlanError("set_no_such_part", value=to[1])
    other = plans.part(ctx.session, ctx.school_id, other_lesson.id, there.id)
    lesson = plans.lesson(ctx.session, ctx.school_id, other_lesson.id)
    lesson.version += 1
    for name in CONTENT:
        one, two = getattr(mine, name), getattr(other, name)
        setattr(mine, name, two)
        setattr(other, name, one)
    mine.pinned = other.pinned = True
    make_room(ctx, row)
    make_room(ctx, lesson)
    return True


def _question(ctx: Context, scope: SetScope, section: int, number: int, planned: Planned) -> LessonQuestion:
    at = scope.times[number][section]
    if at is None:
        raise PlanError("set_no_such_part", value=number)
    return question_of(ctx, scope.sections[section], at, planned.minutes, planned)


def offers(ctx: Context, key: str, count: int, lesson: int, slot: str) -> tuple[Part, ...]:
    """What else could stand in a slot, for the first section that has the lesson."""
    scope = scope_of(ctx, key, count)
    for section in range(len(scope.sections)):
        planned = scope.planned(lesson, section) if lesson < len(scope.times) else None
        if planned is not None and _part(planned, slot) is not None:
            asked = _question(ctx, scope, section, lesson, planned)
            return alternatives(asked, plan_of(planned, scope.sections[section]), slot, 8)
    raise PlanError("set_no_such_part", value=slot)


def undo(ctx: Context, key: str, count: int, seen: int) -> Reason:
    """Take the last change back; says which one it was. PlanError where there is none."""
    scope = _locked(ctx, key, count, seen)
    step = lesson_sets.last_step(ctx.session, ctx.school_id, key)
    if step is None:
        raise PlanError("set_nothing_to_undo")
    _restore(ctx, scope, step.before, step.after)
    step.undone = True
    ctx.session.flush()
    return unpacked(step.says)


def redo(ctx: Context, key: str, count: int, seen: int) -> Reason:
    """Do again what was taken back last."""
    scope = _locked(ctx, key, count, seen)
    step = lesson_sets.next_undone(ctx.session, ctx.school_id, key)
    if step is None:
        raise PlanError("set_nothing_to_redo")
    _restore(ctx, scope, step.after, step.before)
    step.undone = False
    ctx.session.flush()
    return unpacked(step.says)


def _restore(ctx: Context, scope: SetScope, to: Mapping[str, Any], since: Mapping[str, Any]) -> None:
    """Lessons and refusals as they were. PlanError where one was changed elsewhere since, or began."""
    if _told(picture(ctx, scope)) != _told(since):
        raise PlanError("set_changed_since")
    there = {str(row.id): row for row in lesson_sets.ahead(ctx.session, scope.ids, ctx.today)}
    wanted = {one["id"]: one for one in to["lessons"]}
    for key, row in there.items():
        if key not in wanted:
            ctx.session.delete(row)
    for key, one in wanted.items():
        lesson = there.get(key)
        if lesson is None:
            lesson = compose_set.new_lesson(
                ctx,
                UUID(one["section"]),
                date.fromisoformat(one["day"]),
                time.fromisoformat(one["starts"]),
                one["minutes"],
            )
            lesson.id = UUID(key)
        lesson.version += 1
        lesson.status, lesson.unmet, lesson.minutes = one["status"], one["unmet"], one["minutes"]
        ctx.session.flush()
        _restore_parts(ctx, lesson, one["parts"])
    _restore_refusals(ctx, scope, to["refused"])
    ctx.session.flush()


def _told(what: Mapping[str, Any]) -> Any:
    """What a picture shows, without the order in which it came."""
    lessons = [{**one, "parts": sorted(one["parts"], key=lambda p: p["id"])} for one in what["lessons"]]
    plain = {
        "lessons": sorted(lessons, key=lambda one: one["id"]),
        "refused": sorted(map(str, what["refused"])),
    }
    return json.dumps(plain, sort_keys=True)


def _restore_parts(ctx: Context, lesson: t.PlannedLesson, wanted: list[Mapping[str, Any]]) -> None:
    there = {str(row.id): row for row in plans.parts(ctx.session, lesson.id)}
    for key, row in there.items():
        if key not in {one["id"] for one in wanted}:
            ctx.session.delete(row)
    ctx.session.flush()
    for one in wanted:
        found = there.get(one["id"])
        if found is None:
            found = t.PlannedPart(id=UUID(one["id"]), school_id=ctx.school_id, lesson_id=lesson.id)
            ctx.session.add(found)
        for name in lesson_sets.PART:
            setattr(found, name, one[name])
    ctx.session.flush()


def _restore_refusals(ctx: Context, scope: SetScope, wanted: list[list[Any]]) -> None:
    rows = lesson_sets.refusals(ctx.session, scope.ids)
    there = [(str(r.section_id), r.activity, str(r.song_id) if r.song_id else None) for r in rows]
    for key, row in zip(there, rows, strict=True):
        if list(key) not in wanted:
            ctx.session.delete(row)
    for section, key, song in wanted:
        if (section, key, song) not in there:
            ctx.session.add(
                t.Refusal(
                    id=ctx.new_id(),
                    school_id=ctx.school_id,
                    section_id=UUID(section),
                    activity=key,
                    song_id=UUID(song) if song else None,
                    moment=ctx.now,
                )
            )
