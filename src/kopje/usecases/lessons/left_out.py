"""Who is kept out of kinds of games, and how today's lessons go for them."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import time
from uuid import UUID

from kopje.core.planning.left_out import GameKind, goes_without
from kopje.core.reasons import Reason
from kopje.store import sections
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_day import lessons_on
from kopje.usecases.lessons.read_lesson import LessonView, lesson


@dataclass(frozen=True, slots=True)
class GameToday:
    """A part of a lesson today that needs another form for a child, and that form."""

    lesson_id: UUID
    starts: time
    title: str
    kind: GameKind
    form: Reason


@dataclass(frozen=True, slots=True)
class LeftOut:
    """A child, its class, the kinds of games it is kept out of, and where today that matters."""

    child_id: UUID
    section: str
    name: str
    kinds: tuple[str, ...]
    games: tuple[GameToday, ...]


def left_out(ctx: Context) -> tuple[LeftOut, ...]:
    """In the whole school, by class and name."""
    children = sections.children_without(ctx.session, ctx.school_id, ctx.today)
    inside = sections.members(ctx.session, [child.id for child, _ in children])
    concerned = {key for keys in inside.values() for key in keys}
    seen = [lesson(ctx, one) for one in lessons_on(ctx, ctx.today)] if children else []
    today = [one for one in seen if one.section.id in concerned]
    return tuple(
        LeftOut(
            child.id,
            section,
            child.name,
            tuple(child.without),
            tuple(
                game
                for one in today
                if one.section.id in inside[child.id]
                for game in _games(one, child.without)
            ),
        )
        for child, section in children
    )


def _games(seen: LessonView, kinds: list[str]) -> list[GameToday]:
    return [
        GameToday(seen.id, seen.starts, item.title, kind, form)
        for part in seen.parts
        if (item := seen.section.school.repertoire.known(part.choice.activity)) is not None
        for kind, form in goes_without(item, kinds)
    ]
