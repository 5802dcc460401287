"""Whether the minutes that are left of a running lesson are enough, and what it does without if not."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from kopje.core.planning.late import Running, gives_way, left_out
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_lesson import PartView, lesson


@dataclass(frozen=True, slots=True)
class Late:
    """`left`: minutes to teach from now on, without lining up; `without`: parts to leave out."""

    left: int
    without: tuple[PartView, ...]


def late(ctx: Context, lesson_id: UUID) -> Late:
    """Counted by the clock of the calendar; of a lesson that is not running, or lies on another day, nothing
    is left out."""
    seen = lesson(ctx, lesson_id)
    template = seen.section.template
    ends = datetime.combine(seen.day, seen.starts, ctx.now.tzinfo) + timedelta(minutes=seen.minutes)
    left = int((ends - ctx.now).total_seconds() // 60) - template.line_up
    if seen.state != "running" or seen.day != ctx.today or left <= 0:
        return Late(max(left, 0), ())
    still = [
        Running(
            str(part.id),
            part.slot,
            part.role,
            part.choice.purpose,
            part.minutes,
            bool(part.new),
            part.left_over,
            part.pinned,
        )
        for part in seen.parts
        if part.tick is None
    ]
    gone = left_out(still, gives_way(still, template), left, template)
    return Late(left, tuple(part for part in seen.parts if str(part.id) in gone))
