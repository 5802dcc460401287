"""What could not be taken waits aside, whole; the teacher settles it: once more, or let it go."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from kopje.core.reasons import Reason, unpacked
from kopje.store import events, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.room.take_events import Answer, Told, take


@dataclass(frozen=True)
class Aside:
    """An event that waits to be settled, with the name of the child it speaks of."""

    id: UUID
    told: Told
    child: str | None
    reason: Reason
    received: datetime


def aside(call: Call) -> tuple[Aside, ...]:
    """What of this teacher's could not be taken, oldest first."""
    found = events.aside(call.session, call.school_id, call.teacher_id)
    told = {row.id: _told(row) for row in found}
    names = sections.names(
        call.session, call.school_id, {one.child_id for one in told.values() if one.child_id}
    )
    every = (
        Aside(
            row.id, one, names.get(one.child_id) if one.child_id else None, unpacked(row.reason), row.received
        )
        for row, one in zip(found, told.values(), strict=True)
    )
    return tuple(sorted(every, key=lambda one: (one.received, str(one.told.device), one.told.sequence)))


def _told(row: t.AsideEvent) -> Told:
    v = row.event
    ids = {name: UUID(v[name]) if v[name] else None for name in ("child_id", "part_id", "target_id")}
    return Told(row.id, v["kind"], UUID(v["section_id"]), UUID(v["lesson_id"]), datetime.fromisoformat(v["clock"]),
                UUID(v["device"]), v["sequence"], body=v["body"], **ids)  # fmt: skip


def try_again(call: Call, event_id: UUID) -> Answer:
    """Try once more to take an event that was kept aside; it stays aside where nothing has changed."""
    row = events.one_aside(call.session, call.school_id, event_id)
    if row.settled is not None:
        return Answer(event_id, "known")
    told = _told(row)
    call.session.delete(row)
    call.session.flush()
    return take(call, call.now, [told]).answers[0]


def drop(call: Call, event_id: UUID) -> None:
    """The teacher settles it: it is not to count. The row stays, settled."""
    row = events.one_aside(call.session, call.school_id, event_id)
    row.settled = row.settled or call.now
    call.session.flush()
