"""Proposing lessons that lie ahead, and changing a proposal: swap, pin, refuse.

Whoever changes a lesson says which version of it was seen; a change of a stale view is refused, and nothing
is kept."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, time
from uuid import UUID

from kopje.core.errors import LessonError, NotFoundError, PlanError, StaleError
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.composer import alternatives, compose
from kopje.core.planning.facts import CARRIED
from kopje.core.planning.lesson import Choice, LeftOver, LessonPlan, LessonQuestion, Part
from kopje.core.planning.lesson_set.together import kept_warm, named_lately, still_owed
from kopje.core.planning.material import Material
from kopje.core.planning.minutes import made_room
from kopje.core.reasons import because, packed
from kopje.core.sequence.section_state import due
from kopje.store import events, plans, sections
from kopje.store import tables as t
from kopje.usecases.context import Context, Desk
from kopje.usecases.snapshot import Planned, SectionNow, snapshot
from kopje.usecases.songs.recordings import piece_cards
from kopje.usecases.songs.songbook import cards


@dataclass(frozen=True)
class Asked:
    """A question to the composer, and what it was made from: the version of the lesson (0: there was none)
    and of the facts."""

    at: LessonTime
    minutes: int
    question: LessonQuestion
    lesson_version: int
    facts_version: int


def propose(
    desk: Desk, section_id: UUID, when: tuple[date, time] | None = None, seen: int | None = None
) -> UUID:
    """Propose a section's next lesson, or the one at a time of the calendar; propose it anew around what is
    pinned.

    It is thought out outside any transaction; if the lesson or what happened in the section has changed
    meanwhile, nothing is kept (StaleError). `seen`: the version the teacher looked at."""
    with desk.alone(f"lessons of {section_id}"):
        with desk.look() as ctx:
            asked = _asked(ctx, section_id, when, seen)
        plan = desk.solve(compose, asked.question)
        with desk.keep() as ctx:
            return _keep(ctx, section_id, asked, plan)


def _asked(ctx: Context, section_id: UUID, when: tuple[date, time] | None, seen: int | None = None) -> Asked:
    now = snapshot(ctx, [section_id]).section(section_id)
    at = _time(now, when)
    there = now.planned_at(at.day, at.starts)
    version = there.version if there else 0
    if seen is not None and seen != version:
        raise StaleError("stale_lesson", value=version)
    minutes = at.minutes or now.row.minutes
    return Asked(at, minutes, question_of(ctx, now, at, minutes, there), version, now.row.version)


def _time(now: SectionNow, when: tuple[date, time] | None) -> LessonTime:
    """A lesson time of the calendar that was not held yet; PlanError without one."""
    running = now.facts.running
    if running is not None and when in (None, (running.day, running.starts)):
        raise LessonError("lesson_running", section=now.name)
    if not now.calendar.meetings.get(now.id):
        raise PlanError("plan_no_meetings", section=now.name)
    if when is None:
        if now.next_time is None:
            raise PlanError("plan_no_lesson_left", section=now.name)
        return now.next_time
    found = next((x for x in now.lessons if (x.day, x.starts) == when and x.day >= now.today), None)
    if found is None or when in now.held_at:
        raise PlanError("plan_no_such_lesson", section=now.name, day=when[0], value=when[0].isoformat())
    return found


def question_of(
    ctx: Context, now: SectionNow, at: LessonTime, minutes: int, there: Planned | None
) -> LessonQuestion:
    """Everything the composer may know about a lesson. What is left over goes into the next lesson only."""
    state, facts = now.state, now.facts
    laid = now.laid_in(at.day, at.starts)
    first = now.next_time is None or (at.day, at.starts) == (now.next_time.day, now.next_time.starts)
    last_day = facts.over[-1].day if facts.over else at.day
    owed = [LeftOver.of(part, last_day) for part in facts.left_over] if first else []
    carried, no_place = split_owed(owed)
    return LessonQuestion(
        state=state,
        laid=laid,
        minutes=minutes,
        songs=cards(ctx, state, (item.concept for item in due(state, laid)), facts.songs),
        pieces=piece_cards(ctx),
        met={**facts.songs, **facts.pieces},
        done=facts.done,
        lately=facts.lately,
        left_over=carried,
        no_place=no_place,
        pins={part.slot: part.choice for part in there.parts if part.pinned} if there else {},
        refused=now.row.refused,
        today=at.day,
        named_lately=named_lately([facts]),
        owed=still_owed([facts]),
        recent=facts.recent,
        held=len(facts.over),
        habits=now.habits,
        rolls=(now.roll,),
        warm=frozenset(kept_warm(now.concert_songs, at.day, 1)),
        rated=facts.rated,
        why=facts.why,
    )


def split_owed(owed: Sequence[LeftOver]) -> tuple[tuple[LeftOver, ...], tuple[LeftOver, ...]]:
    """What of it is carried into a lesson, and what is too much for one."""
    return tuple(owed[:CARRIED]), tuple(owed[CARRIED:])


def _keep(ctx: Context, section_id: UUID, asked: Asked, plan: LessonPlan) -> UUID:
    """Put a proposal in place, unless what it was made from has changed."""
    events.lock_sections(ctx.session, ctx.school_id, [section_id])
    row = plans.lesson_at(ctx.session, section_id, asked.at.day, asked.at.starts)
    if (row.version if row else 0) != asked.lesson_version:
        raise StaleError("stale_plan")
    if events.facts_version(ctx.session, section_id) != asked.facts_version:
        raise StaleError("stale_plan")
    if row is None:
        row = t.PlannedLesson(
            id=ctx.new_id(),
            school_id=ctx.school_id,
            section_id=section_id,
            day=asked.at.day,
            starts=asked.at.starts,
            minutes=asked.minutes,
            status=plan.status,
            unmet=[],
            version=0,
            made=ctx.now,
        )
        ctx.session.add(row)
    row.version += 1
    row.minutes, row.status, row.made = asked.minutes, plan.status, ctx.now
    row.unmet = [packed(reason) for reason in plan.unmet]
    ctx.session.flush()
    replace_parts(ctx, row, plan.parts, frozenset(asked.question.pins))
    return row.id


def replace_parts(
    ctx: Context, lesson: t.PlannedLesson, parts: Sequence[Part], pinned: frozenset[str]
) -> None:
    """New parts in the slots; a part whose slot holds the same as before keeps its id."""
    there = {row.slot: row for row in plans.parts(ctx.session, lesson.id)}
    for position, part in enumerate(parts):
        row = there.pop(part.slot, None)
        if row is not None and choice_of(row) != part.choice:
            ctx.session.delete(row)
            row = None
        if row is None:
            row = t.PlannedPart(id=ctx.new_id(), school_id=ctx.school_id, lesson_id=lesson.id, slot=part.slot)
            ctx.session.add(row)
        row.position, row.left_over, row.pinned = position, part.left_over, part.slot in pinned
        fill(row, part)
    for gone in there.values():
        ctx.session.delete(gone)
    ctx.session.flush()


def choice_of(row: t.PlannedPart) -> Choice:
    material = Material(row.material_kind, row.material_id)  # type: ignore[arg-type]  # a kind as it was stored
    return Choice.of(row.activity, material, row.concept, row.purpose)  # type: ignore[arg-type]


def fill(row: t.PlannedPart, part: Part) -> None:
    material = part.choice.material
    row.role, row.activity = part.role, part.choice.activity
    row.material_kind, row.material_id = material.kind, material.id
    row.concept, row.purpose, row.minutes, row.new = (
        part.choice.concept,
        part.choice.purpose,
        part.minutes,
        part.new,
    )
    row.reasons = [packed(reason) for reason in part.reasons]


def plan_of(lesson: Planned, now: SectionNow) -> LessonPlan:
    """The planned lesson as the composer's value; why its parts are there is not told."""
    parts = tuple(
        Part(
            row.slot,
            row.role,  # type: ignore[arg-type]
            row.choice,
            now.habits.repertoire.activity(row.choice.activity),
            row.minutes,
            row.new,  # type: ignore[arg-type]
            row.left_over,
            (),
        )
        for row in lesson.parts
    )
    total = sum(part.minutes for part in parts)
    return LessonPlan(parts, total, now.template.available(lesson.minutes, len(parts)), "best_found", ())


def alternatives_for(ctx: Context, lesson_id: UUID, part_id: UUID) -> tuple[Part, ...]:
    """What else could stand in one slot, best first, each with its reasons."""
    lesson = plans.lesson(ctx.session, ctx.school_id, lesson_id)
    now = snapshot(ctx, [lesson.section_id]).section(lesson.section_id)
    at = LessonTime(lesson.day, lesson.starts, 0, lesson.minutes)
    there = next((one for one in now.planned if one.id == lesson_id), None)
    if there is None:  # it lies behind; nothing is changed in it any more
        plans.part(ctx.session, ctx.school_id, lesson_id, part_id)
        return ()
    slot = next((one.slot for one in there.parts if one.id == part_id), None)
    if slot is None:
        raise NotFoundError("no_such_part", value=str(part_id))
    return alternatives(question_of(ctx, now, at, lesson.minutes, there), plan_of(there, now), slot)


def swap(ctx: Context, lesson_id: UUID, part_id: UUID, choice: Choice, seen: int) -> None:
    """Put an offered alternative into a slot. It is the teacher's choice now, so it is pinned."""
    lesson = _to_change(ctx, lesson_id, seen)
    offered = alternatives_for(ctx, lesson_id, part_id)
    found = next((part for part in offered if part.choice == choice), None)
    if found is None:
        raise PlanError("plan_no_longer_offered")
    row = plans.part(ctx.session, ctx.school_id, lesson.id, part_id)
    chosen = because("chosen", "for", "part")
    fill(row, replace(found, reasons=(chosen, *found.reasons)))
    row.pinned, row.left_over = True, False
    make_room(ctx, lesson)
    ctx.session.flush()


def make_room(ctx: Context, lesson: t.PlannedLesson) -> None:
    """Shorten what is not pinned where the parts need more minutes than there are."""
    ctx.session.flush()
    rows = plans.parts(ctx.session, lesson.id)
    grade = sections.section(ctx.session, ctx.school_id, lesson.section_id).grade
    bounds = [ctx.habits.repertoire.activity(row.activity).minutes for row in rows]
    room = ctx.habits.template(grade).available(lesson.minutes, len(rows))
    fixed = {index for index, row in enumerate(rows) if row.pinned}
    found = made_room([row.minutes for row in rows], bounds, fixed, room)
    for row, minutes in zip(rows, found, strict=True):
        row.minutes = minutes


def pin(ctx: Context, lesson_id: UUID, part_id: UUID, pinned: bool, seen: int) -> None:
    _to_change(ctx, lesson_id, seen)
    plans.part(ctx.session, ctx.school_id, lesson_id, part_id).pinned = pinned
    ctx.session.flush()


def refuse(desk: Desk, lesson_id: UUID, part_id: UUID, seen: int) -> None:
    """Refuse what a part holds, for this section; the lesson is proposed anew without it."""
    with desk.keep() as ctx:
        lesson = _to_change(ctx, lesson_id, seen)
        part = plans.part(ctx.session, ctx.school_id, lesson_id, part_id)
        part.pinned = False
        material = choice_of(part).song
        ctx.session.add(
            t.Refusal(
                id=ctx.new_id(),
                school_id=ctx.school_id,
                section_id=lesson.section_id,
                activity=part.activity,
                song_id=UUID(material) if material else None,
                moment=ctx.now,
            )
        )
        ctx.session.flush()
        section, when = lesson.section_id, (lesson.day, lesson.starts)
    propose(desk, section, when)


def _to_change(ctx: Context, lesson_id: UUID, seen: int) -> t.PlannedLesson:
    """A lesson as it was seen; what began is no plan any more."""
    lesson = plans.lesson_as_seen(ctx.session, ctx.school_id, lesson_id, seen)
    if events.held(ctx.session, lesson_id) is not None:
        raise LessonError("lesson_over")
    return lesson
