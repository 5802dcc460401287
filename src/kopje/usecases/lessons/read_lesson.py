"""A lesson as it is seen: as planned, and as far as it was held."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, datetime, time
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.ledger.events import ClassEvent
from kopje.core.ledger.held import HeldLesson, TaughtPart, told_of_class
from kopje.core.planning.beside import Beside, beside
from kopje.core.planning.facts import was_done
from kopje.core.planning.lesson import Choice
from kopje.core.planning.material import Material
from kopje.core.reasons import Reason, because, unpacked
from kopje.store import events, plans
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, snapshot


@dataclass(frozen=True)
class PartView:
    """A part of a lesson with what became of it."""

    id: UUID
    slot: str
    role: str
    choice: Choice
    material: Material
    minutes: int
    new: str | None
    left_over: bool
    pinned: bool
    tick: str | None
    rating: str | None
    why: str
    reasons: tuple[Reason, ...]


@dataclass(frozen=True)
class LessonView:
    """`state`: planned, running, done or not_held. `number` is the lesson's in the year of its section
    (counted from what was held where the calendar has no such lesson any more). `version` is 0 once it is
    planned no more. `last_note` is from the lesson before."""

    id: UUID
    section: SectionNow
    day: date
    starts: time
    minutes: int
    number: int
    state: str
    status: str
    version: int
    started: datetime | None
    note: str
    last_note: str
    unmet: tuple[Reason, ...]
    parts: tuple[PartView, ...]
    absent: frozenset[str] = frozenset()
    elapsed: int | None = None  # seconds since it began, while it runs; of them those since the last tick
    since: int | None = None
    told: tuple[ClassEvent, ...] = ()  # how the whole class did, and shows of hands

    @property
    def beside(self) -> Beside | None:
        """What a few children do beside the class; not asked of a lesson that is over."""
        return beside(self.section.state, self.number) if self.state in ("planned", "running") else None

    def done_before(self, part: PartView) -> int | None:
        """In how many lessons the class did this activity before this one; None for a lesson that is over,
        for later ones may be among them."""
        if self.state not in ("planned", "running"):
            return None
        done = self.section.facts.done.get(part.choice.activity, 0)
        return done - (self.state == "running" and was_done(part.tick))


def lesson(ctx: Context, lesson_id: UUID) -> LessonView:
    """NotFoundError for one that is neither planned nor was held in this school."""
    held = events.held(ctx.session, lesson_id)
    planned = plans.lessons_of(ctx.session, ctx.school_id, [lesson_id]).get(lesson_id)
    section_id = planned.section_id if planned else UUID(held.section) if held else None
    at = planned or held
    if section_id is None or at is None or not ctx.room.lets_in(section_id, at.day, ctx.today):
        raise NotFoundError("no_such", what=because("what_lesson"), value=str(lesson_id))
    now = snapshot(ctx, [section_id]).section(section_id)
    seen = view(now, planned, plans.parts(ctx.session, lesson_id), held)
    if held is None:
        return seen
    happened = events.of_lessons(ctx.session, [lesson_id])
    seen = replace(seen, told=told_of_class(happened))
    if seen.state != "running" or seen.started is None:
        return seen
    last = max((one.moment for one in happened if one.kind == "ticked"), default=seen.started)
    gone = [max(int((ctx.now - moment).total_seconds()), 0) for moment in (seen.started, last)]
    return replace(seen, elapsed=gone[0], since=gone[1])


def view(
    now: SectionNow, planned: t.PlannedLesson | None, rows: Iterable[t.PlannedPart], held: HeldLesson | None
) -> LessonView:
    """Where a lesson began its parts are those that were taught; why they were planned is still told."""
    by_id = {str(row.id): row for row in rows}
    at = planned or held
    if at is None:
        raise NotFoundError("no_such", what=because("what_lesson"))
    parts = (
        [_taught(part, by_id) for part in held.parts]
        if held
        else [planned_part(row) for row in by_id.values()]
    )
    before = [x for x in now.facts.over if (x.day, x.starts) < (at.day, at.starts)]
    return LessonView(
        UUID(str(at.id)),
        now,
        at.day,
        at.starts,
        at.minutes,
        now.number_of(at.day, at.starts) or len(before) + 1,
        held.state if held else "planned",
        planned.status if planned else "best_found",
        planned.version if planned else 0,
        held.started if held else None,
        held.note if held else "",
        before[-1].note if before else "",
        tuple(map(unpacked, planned.unmet)) if planned else (),
        tuple(parts),
        held.absent if held else frozenset(),
    )


def planned_part(row: t.PlannedPart) -> PartView:
    material = Material(row.material_kind, row.material_id)  # type: ignore[arg-type]  # a kind as it was stored
    return PartView(
        row.id,
        row.slot,
        row.role,
        Choice.of(row.activity, material, row.concept, row.purpose),  # type: ignore[arg-type]  # as it was stored
        material,
        row.minutes,
        row.new,
        row.left_over,
        row.pinned,
        None,
        None,
        "",
        tuple(map(unpacked, row.reasons)),
    )


def _taught(part: TaughtPart, planned: Mapping[str, t.PlannedPart]) -> PartView:
    row = planned.get(part.id)
    same = row is not None and row.activity == part.activity
    reasons = tuple(map(unpacked, row.reasons)) if row is not None and same else ()
    return PartView(
        UUID(part.id),
        part.slot,
        part.role,
        Choice.of(part.activity, part.material, part.concept, part.purpose),
        part.material,
        part.minutes,
        part.new,
        part.left_over,
        False,
        part.tick,
        part.rating,
        part.why,
        reasons,
    )


def briefs(ctx: Context, ids: Iterable[UUID]) -> dict[UUID, tuple[PartView, ...]]:
    """The parts of several lessons, to be drawn small."""
    wanted = set(ids)
    held = {UUID(one.id): one for one in events.held_lessons(ctx.session, ctx.school_id, wanted)}
    rows: dict[UUID, list[t.PlannedPart]] = {}
    for row in plans.parts_of(ctx.session, wanted):
        if row.school_id == ctx.school_id:
            rows.setdefault(row.lesson_id, []).append(row)
    return {
        key: tuple(_taught(part, {}) for part in held[key].parts)
        if key in held
        else tuple(map(planned_part, rows.get(key, ())))
        for key in wanted
    }
