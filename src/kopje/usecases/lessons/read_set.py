"""A lesson set as it is seen: lessons across, slots down, and what the last change did to it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.reasons import Reason, unpacked
from kopje.store import lesson_sets, plans
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons.compose_set import version_of
from kopje.usecases.lessons.read_lesson import PartView, planned_part
from kopje.usecases.lessons.set_scope import SetScope, scope_of
from kopje.usecases.snapshot import SectionNow


@dataclass(frozen=True)
class Box:
    """One section's lesson in a set; `lesson_id` None where none is planned yet."""

    section: SectionNow
    at: LessonTime
    lesson_id: UUID | None


@dataclass(frozen=True)
class SetCell:
    """A part of a set: the same for all sections named in `sections`. `times`: in how many lessons the class
    did the activity before, `sung`: sang or heard the thing before; counted over the set so far."""

    part: PartView
    sections: tuple[str, ...]
    everywhere: bool
    times: int
    sung: int
    changed: bool


@dataclass(frozen=True)
class SetColumn:
    """A lesson of the set."""

    boxes: tuple[Box, ...]
    minutes: int
    available: int
    cells: tuple[SetCell, ...]
    unmet: tuple[Reason, ...]


@dataclass(frozen=True)
class SetView:
    """`found`: what the composer said when it was last asked; None where it never was. `refused`: activity
    and song of what is not to come."""

    scope: SetScope
    columns: tuple[SetColumn, ...]
    version: int
    found: Mapping[str, Any] | None
    unmet: tuple[Reason, ...]
    last: Reason | None
    last_day: date | None
    again: Reason | None
    refused: tuple[tuple[str, str | None], ...]


def read(ctx: Context, key: str, count: int) -> SetView:
    scope = scope_of(ctx, key, count)
    lessons = [
        planned
        for number in range(len(scope.times))
        for section in range(len(scope.sections))
        if (planned := scope.planned(number, section)) is not None
    ]
    rows: dict[UUID, list[t.PlannedPart]] = {one.id: [] for one in lessons}
    for row in plans.parts_of(ctx.session, rows):
        rows[row.lesson_id].append(row)
    heads = plans.lessons_of(ctx.session, ctx.school_id, rows)
    step = lesson_sets.last_step(ctx.session, ctx.school_id, key)
    undone = lesson_sets.next_undone(ctx.session, ctx.school_id, key)
    found = lesson_sets.last_found(ctx.session, ctx.school_id, key)
    seen = _Counting(scope)
    columns = tuple(
        _column(scope, number, rows, heads, seen, _changed(step)) for number in range(len(scope.times))
    )
    refusals = lesson_sets.refusals(ctx.session, scope.ids)
    return SetView(
        scope,
        columns,
        version_of(ctx, scope),
        found.found if found else None,
        tuple(map(unpacked, found.found["unmet"])) if found and found.found else (),
        unpacked(step.says) if step else None,
        step.moment.date() if step else None,
        unpacked(undone.says) if undone else None,
        tuple(dict.fromkeys((one.activity, str(one.song_id) if one.song_id else None) for one in refusals)),
    )


def _changed(step: t.SetStep | None) -> frozenset[tuple[str, str]]:
    """Lesson and slot of what the last change put where something else, or nothing, stood."""
    if step is None:
        return frozenset()
    before = dict(_contents(step.before))
    planned = {lesson for lesson, _ in before}
    after = [(key, content) for key, content in _contents(step.after) if key[0] in planned]
    changed = frozenset(key for key, content in after if before.get(key) != content)
    return changed if 2 * len(changed) <= len(after) else frozenset()  # where all is new nothing stands out


def _contents(picture: Mapping[str, Any]) -> list[tuple[tuple[str, str], tuple[Any, ...]]]:
    names = ("activity", "material_id", "concept", "purpose", "minutes")
    return [
        ((lesson["id"], part["slot"]), tuple(part[name] for name in names))
        for lesson in picture["lessons"]
        for part in lesson["parts"]
    ]


class _Counting:
    """How often the class did and sang things before, as if the set's lessons went as planned."""

    def __init__(self, scope: SetScope) -> None:
        facts = [one.held for one in scope.sections]
        self.done = {
            key: min(f.done.get(key, 0) for f in facts) for key in {k for f in facts for k in f.done}
        }
        things = [{**one.songs, **one.pieces} for one in facts]
        keys = {key for one in things for key in one}
        self.met = {key: min(one[key].lessons if key in one else 0 for one in things) for key in keys}

    def take(self, parts: list[PartView]) -> None:
        for key in {part.choice.activity for part in parts}:
            self.done[key] = self.done.get(key, 0) + 1
        for thing in {part.choice.thing for part in parts} - {None}:
            self.met[str(thing)] = self.met.get(str(thing), 0) + 1


def _column(
    scope: SetScope,
    number: int,
    rows: Mapping[UUID, list[t.PlannedPart]],
    heads: Mapping[UUID, t.PlannedLesson],
    seen: _Counting,
    changed: frozenset[tuple[str, str]],
) -> SetColumn:
    boxes, mine = [], list[tuple[SectionNow, list[PartView]]]()
    unmet: dict[Reason, None] = {}
    marked: set[tuple[str, str]] = set()
    for section, (one, at) in enumerate(zip(scope.sections, scope.times[number], strict=True)):
        if at is None:
            continue
        planned = scope.planned(number, section)
        boxes.append(Box(one, at, planned.id if planned else None))
        if planned is not None:
            mine.append((one, [planned_part(row) for row in rows[planned.id]]))
            unmet |= dict.fromkeys(map(unpacked, heads[planned.id].unmet))
            marked |= {(slot, str(planned.id)) for lesson, slot in changed if lesson == str(planned.id)}
    cells = _cells(mine, seen, {slot for slot, _ in marked})
    seen.take([cell.part for cell in cells if cell.everywhere])
    minutes = scope.minutes(number)
    room = scope.template.available(minutes, max((len(parts) for _, parts in mine), default=0))
    return SetColumn(tuple(boxes), minutes, room, tuple(cells), tuple(unmet))


def _cells(
    mine: list[tuple[SectionNow, list[PartView]]], seen: _Counting, changed: set[str]
) -> list[SetCell]:
    """What is the same in several sections stands once; in the order of the first that has it."""
    found: dict[tuple[str, Any], tuple[PartView, list[str]]] = {}
    for section, parts in mine:
        for part in parts:
            found.setdefault((part.slot, part.choice), (part, []))[1].append(section.name)
    order = {slot: place for _, parts in reversed(mine) for place, slot in enumerate(p.slot for p in parts)}
    return [
        SetCell(
            part,
            tuple(names),
            len(names) == len(mine),
            seen.done.get(part.choice.activity, 0),
            seen.met.get(part.choice.thing or "", 0),
            part.slot in changed,
        )
        for (slot, _), (part, names) in sorted(found.items(), key=lambda one: order[one[0][0]])
    ]
