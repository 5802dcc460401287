"""What could not be taken waits aside, whole; the teacher settles it: once more, or let it go."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from kopje.core.reasons import Reason, unpacked
from kopje.store import events, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.room.take_events import Answer, ReportedEvent, take


@dataclass(frozen=True)
class Aside:
    """An event that waits to be settled, with the name of the child it speaks of."""

    id: UUID
    reported: ReportedEvent
    child: str | None
    reason: Reason
    received: datetime


def aside(ctx: Context) -> tuple[Aside, ...]:
    """What of this teacher's could not be taken, oldest first."""
    found = events.aside(ctx.session, ctx.school_id, ctx.teacher_id)
    reported = {row.id: _reported(row) for row in found}
    names = sections.names(
        ctx.session, ctx.school_id, {one.child_id for one in reported.values() if one.child_id}
    )
    every = (
        Aside(
            row.id, one, names.get(one.child_id) if one.child_id else None, unpacked(row.reason), row.received
        )
        for row, one in zip(found, reported.values(), strict=True)
    )
    return tuple(
        sorted(every, key=lambda one: (one.received, str(one.reported.device), one.reported.sequence))
    )


def _reported(row: t.AsideEvent) -> ReportedEvent:
    v = row.event
    ids = {name: UUID(v[name]) if v[name] else None for name in ("child_id", "part_id", "target_id")}
    return ReportedEvent(
        row.id,
        v["kind"],
        UUID(v["section_id"]),
        UUID(v["lesson_id"]),
        datetime.fromisoformat(v["clock"]),
        UUID(v["device"]),
        v["sequence"],
        body=v["body"],
        **ids,
    )


def try_again(ctx: Context, event_id: UUID) -> Answer:
    """Try once more to take an event that was kept aside; it stays aside where nothing has changed."""
    row = events.one_aside(ctx.session, ctx.school_id, event_id)
    if row.settled is not None:
        return Answer(event_id, "known")
    reported = _reported(row)
    ctx.session.delete(row)
    ctx.session.flush()
    return take(ctx, ctx.now, [reported]).answers[0]


def drop(ctx: Context, event_id: UUID) -> None:
    """The teacher settles it: it is not to count. The row stays, settled."""
    row = events.one_aside(ctx.session, ctx.school_id, event_id)
    row.settled = row.settled or ctx.now
    ctx.session.flush()
