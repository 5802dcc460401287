"""Composing a lesson set and keeping it: each section has its own lessons, each change can be taken back."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any
from uuid import UUID

from kopje.core.errors import StaleError
from kopje.core.planning.lesson import Part
from kopje.core.planning.lesson_set import together
from kopje.core.planning.lesson_set.compose import compose_set
from kopje.core.planning.lesson_set.question import USUAL_WORK, SetLesson, SetPlan, SetQuestion
from kopje.core.reasons import Reason, because, packed
from kopje.store import events, lesson_sets, plans, sections
from kopje.store import tables as t
from kopje.usecases.context import Context, Desk
from kopje.usecases.lessons.propose_lesson import fill, replace_parts
from kopje.usecases.lessons.set_scope import GRADE, MOST, SetScope, known_id, question_of_set, scope_of
from kopje.workers import report


def compose(
    desk: Desk, key: str, count: int, seen: int | None = None, anew: bool = False, work: float | None = None
) -> None:
    """Compose the lessons of a set around what is pinned, changing as little as can be; `anew`: as if only
    the pins stood there. StaleError when it has changed since it was seen, or while it was thought out."""
    with desk.alone(f"set {key}"):
        with desk.look() as ctx:
            scope = scope_of(ctx, key, count)
            version = version_of(ctx, scope)
            if seen is not None and seen != version:
                raise StaleError("stale_set", value=version)
            question = question_of_set(ctx, scope, keep=not anew and _whole(scope), work=work or _work(scope))
            ticket = ticket_of(ctx, key)
        plan = desk.solve(composed_and_told, question, ticket=ticket)
        with desk.keep() as ctx:
            events.lock_sections(ctx.session, ctx.school_id, list(scope.ids))
            scope = scope_of(ctx, key, count)
            if version_of(ctx, scope) != version:
                raise StaleError("stale_plan")
            with_step(ctx, scope, because("set_did_compose"), lambda: keep(ctx, scope, plan), plan)


def ticket_of(ctx: Context, key: str) -> str:
    """Under which one can look how far the composing of a set is; NotFoundError for a section that is not
    there."""
    if not key.startswith(GRADE):
        sections.section(ctx.session, ctx.school_id, known_id(key))
    return f"{ctx.school_id} set {key}"


def composed_and_told(question: SetQuestion) -> SetPlan:
    """In a worker: whoever waits may look how far it is."""
    return compose_set(question, report)


def _work(scope: SetScope) -> float:
    """A teacher waits for it: the shorter the set the less."""
    return USUAL_WORK * len(scope.times) / MOST


def _whole(scope: SetScope) -> bool:
    """Whether every lesson of it is planned already."""
    return all(
        scope.planned(number, section) is not None
        for number, times in enumerate(scope.times)
        for section, at in enumerate(times)
        if at is not None
    )


def version_of(ctx: Context, scope: SetScope) -> int:
    """Rises with every change of its lessons, its facts and its steps."""
    lessons = sum(planned.version for one in scope.sections for planned in one.planned)
    facts = sum(one.row.version for one in scope.sections)
    return lessons + facts + lesson_sets.count(ctx.session, ctx.school_id, scope.key)


def keep(ctx: Context, scope: SetScope, plan: SetPlan) -> None:
    """Put the set into each section's lessons; what a section alone left over finds its place there."""
    for number, lesson in enumerate(plan.lessons):
        for section in range(len(scope.sections)):
            _keep_lesson(ctx, scope, number, section, lesson, plan)


def _keep_lesson(
    ctx: Context, scope: SetScope, number: int, section: int, lesson: SetLesson, plan: SetPlan
) -> None:
    at, now = scope.times[number][section], scope.sections[section]
    if at is None:
        return
    there = scope.planned(number, section)
    pinned = frozenset(part.slot for part in there.parts if part.pinned) if there else frozenset[str]()
    pinned |= frozenset(slot for slot in _pins(scope, number))
    parts, said = lesson.parts, tuple[Reason, ...]()
    if len(scope.sections) > 1 and number == scope.first(section):
        parts, said = together.caught_up(parts, scope.owed(section), pinned, now.habits)
    row = plans.lesson_at(ctx.session, now.id, at.day, at.starts)
    if row is None:
        row = new_lesson(ctx, now.id, at.day, at.starts, at.minutes or now.minutes)
    row.version += 1
    row.minutes, row.made = at.minutes or now.minutes, ctx.now
    row.status = "best_possible" if plan.status == "best_possible" else "best_found"
    row.unmet = [packed(reason) for reason in (*lesson.unmet, *said)]
    ctx.session.flush()
    replace_parts(ctx, row, parts, pinned)


def _pins(scope: SetScope, number: int) -> frozenset[str]:
    """Slots that are pinned in any of the sections."""
    return frozenset(part.slot for part in scope.parts(number) if part.pinned)


def new_lesson(ctx: Context, section_id: UUID, day: Any, starts: Any, minutes: int) -> t.PlannedLesson:
    row = t.PlannedLesson(
        id=ctx.new_id(),
        school_id=ctx.school_id,
        section_id=section_id,
        day=day,
        starts=starts,
        minutes=minutes,
        status="best_found",
        unmet=[],
        version=0,
        made=ctx.now,
    )
    ctx.session.add(row)
    return row


def with_step(
    ctx: Context, scope: SetScope, says: Reason, act: Callable[[], None], plan: SetPlan | None = None
) -> None:
    """Do something to a set and remember how it was before and after."""
    before = picture(ctx, scope)
    act()
    ctx.session.flush()
    after = picture(ctx, scope)
    number = lesson_sets.count(ctx.session, ctx.school_id, scope.key) + 1
    lesson_sets.forget_undone(ctx.session, ctx.school_id, scope.key)
    ctx.session.add(
        t.SetStep(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            scope=scope.key,
            number=number,
            says=packed(says),
            before=before,
            after=after,
            found=_found(plan) if plan else None,
            undone=False,
            moment=ctx.now,
        )
    )
    ctx.session.flush()


def _found(plan: SetPlan) -> dict[str, Any]:
    return {
        "status": plan.status,
        "cost": plan.cost,
        "gap": plan.gap,
        "looked_at": plan.looked_at,
        "relaxed": list(plan.relaxed),
        "unmet": [packed(reason) for reason in plan.unmet],
    }


def picture(ctx: Context, scope: SetScope) -> dict[str, Any]:
    """The lessons of a set and its refusals as plain values, from which `restore` makes them again."""
    lessons = lesson_sets.ahead(ctx.session, scope.ids, ctx.today)
    parts: dict[UUID, list[t.PlannedPart]] = {row.id: [] for row in lessons}
    for part in plans.parts_of(ctx.session, parts):
        parts[part.lesson_id].append(part)
    refusals = lesson_sets.refusals(ctx.session, scope.ids)
    return {
        "lessons": [
            {
                "id": str(row.id),
                "section": str(row.section_id),
                "day": row.day.isoformat(),
                "starts": row.starts.isoformat(),
                "minutes": row.minutes,
                "status": row.status,
                "unmet": row.unmet,
                "parts": [{"id": str(part.id), **lesson_sets.part_columns(part)} for part in parts[row.id]],
            }
            for row in lessons
        ],
        "refused": [
            [str(one.section_id), one.activity, str(one.song_id) if one.song_id else None] for one in refusals
        ],
    }


def put_part(ctx: Context, lesson: t.PlannedLesson, slot: str, part: Part, pinned: bool) -> None:
    """One part in a slot of a lesson, in the place of what stood there."""
    there = {row.slot: row for row in plans.parts(ctx.session, lesson.id)}
    row = there.get(slot)
    if row is None:
        row = t.PlannedPart(id=ctx.new_id(), school_id=ctx.school_id, lesson_id=lesson.id, slot=slot)
        row.position = len(there)
        ctx.session.add(row)
    row.left_over, row.pinned = part.left_over, pinned
    fill(row, part)
    lesson.version += 1
