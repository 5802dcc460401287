"""What is known of lessons when events of them arrive: as they were when they began, else as they are
planned."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date, time
from typing import Any
from uuid import UUID

from kopje.core.ledger.held import part_values
from kopje.store import events, plans
from kopje.store import tables as t
from kopje.usecases.context import Context


@dataclass(frozen=True)
class KnownLesson:
    """What is known of a lesson: its place in the calendar, its parts as they were or are planned, and
    whether it has begun."""

    section_id: UUID
    day: date
    starts: time
    minutes: int
    parts: Mapping[str, Mapping[str, Any]]
    begun: bool = False
    absent: frozenset[str] = frozenset()

    @property
    def place(self) -> dict[str, Any]:
        return {"starts": f"{self.starts:%H:%M}", "minutes": self.minutes}


def known_lessons(ctx: Context, ids: Iterable[UUID]) -> dict[UUID, KnownLesson]:
    """What is known of the lessons of a batch: as they were when they began, else as they are planned."""
    wanted = set(ids)
    found: dict[UUID, KnownLesson] = {}
    for held in events.held_lessons(ctx.session, ctx.school_id, wanted):
        parts = {part.id: part_values(part) for part in held.parts}
        found[UUID(held.id)] = KnownLesson(
            UUID(held.section), held.day, held.starts, held.minutes, parts, True, held.absent
        )
    planned = plans.lessons_of(ctx.session, ctx.school_id, wanted)
    parts_by_lesson: dict[UUID, dict[str, dict[str, Any]]] = {}
    for part in plans.parts_of(ctx.session, planned):
        parts_by_lesson.setdefault(part.lesson_id, {})[str(part.id)] = _planned_values(part)
    for key, row in planned.items():
        parts = parts_by_lesson.get(key, {})
        there = found.get(key)
        if there is None:
            found[key] = KnownLesson(row.section_id, row.day, row.starts, row.minutes, parts)
        else:
            found[key] = replace(there, parts={**parts, **there.parts})
    return found


def _planned_values(part: t.PlannedPart) -> dict[str, Any]:
    return {
        "id": str(part.id),
        "slot": part.slot,
        "role": part.role,
        "activity": part.activity,
        "material": {"kind": part.material_kind, "id": part.material_id},
        "concept": part.concept,
        "purpose": part.purpose,
        "minutes": part.minutes,
        "new": part.new,
        "left_over": part.left_over,
    }
