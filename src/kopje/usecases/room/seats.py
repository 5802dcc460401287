"""Who sits where, and who works with whom."""

from __future__ import annotations

from collections import Counter
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from random import Random
from typing import Any
from uuid import UUID

from kopje.core.errors import RosterError
from kopje.core.groups import LEAST, MOST, Group, How, draw, pairs
from kopje.core.music.degree import Degree
from kopje.store import ledger, sections
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.snapshot import Before, snapshot

REMEMBERED = 8  # draws whose pairs are not put together again where it can be helped
ACROSS = 6


@dataclass(frozen=True)
class Room:
    """`places` in rows of `across`, in rows with gaps (a plan), or around a circle: a child's id, or None
    where nobody sits. Who is on the roll and has no place yet is put behind. `tones` have their names in the
    class, from below."""

    kind: str
    across: int
    places: tuple[str | None, ...]
    roll: tuple[t.Child, ...]
    tones: tuple[str, ...]


def room(ctx: Context, section_id: UUID) -> Room:
    sections.section(ctx.session, ctx.school_id, section_id)
    roll = tuple(sections.roll(ctx.session, section_id, ctx.today))
    here = {str(one.id) for one in roll}
    kept = sections.seating(ctx.session, section_id)
    places = [child if child in here else None for child in kept.places] if kept else []
    while places and places[-1] is None:
        places.pop()
    placed = {child for child in places if child}
    more = [str(one.id) for one in roll if str(one.id) not in placed]
    kind, across = (kept.kind, kept.across) if kept else ("rows", ACROSS)
    return Room(kind, across, (*places, *more), roll, _tones(ctx, section_id))


def _tones(ctx: Context, section_id: UUID) -> tuple[str, ...]:
    state = snapshot(ctx, [section_id]).section(section_id).state
    named = {Degree.parse(one) for c in ctx.sequence.concepts if state.named(c.key) for one in c.degrees}
    return tuple(
        ctx.sequence.wording.tone(one.marked) for one in sorted(named, key=lambda one: one.semitones)
    )


def seat(ctx: Context, section_id: UUID, kind: str, across: int, places: Sequence[str | None]) -> Room:
    """RosterError for a child that is not on the roll, or sits twice."""
    now = room(ctx, section_id)
    here = {str(one.id) for one in now.roll}
    seated = [child for child in places if child]
    strange = next((child for child in seated if child not in here), None)
    if strange is not None:
        raise RosterError("seat_nobody", value=strange)
    twice = next((child for child, n in Counter(seated).items() if n > 1), None)
    if twice is not None:
        raise RosterError("seat_twice", name=_name(now, twice), value=twice)
    row = _row(ctx, section_id)
    row.kind, row.across, row.places = kind, across, list(places)
    ctx.session.flush()
    return room(ctx, section_id)


def _name(now: Room, child: str) -> str:
    return next(one.name for one in now.roll if str(one.id) == child)


def _row(ctx: Context, section_id: UUID) -> t.Seating:
    row = sections.seating(ctx.session, section_id)
    if row is None:
        row = t.Seating(
            section_id=section_id, school_id=ctx.school_id, kind="rows", across=ACROSS, places=[], draws=[]
        )
        ctx.session.add(row)
    return row


@dataclass(frozen=True, slots=True)
class Wanted:
    """Groups `of` so many. With a concept its standings mix or match them and say who can help; `tasks` go
    round; `without` are not here."""

    of: int
    how: How
    concept: str | None
    tasks: tuple[str, ...]
    without: frozenset[str]


def draw_groups(ctx: Context, section_id: UUID, wanted: Wanted) -> tuple[Group, ...]:
    """Drawn and remembered, so that the next draw brings other partners."""
    if not LEAST <= wanted.of <= MOST:
        raise RosterError("group_size", least=LEAST, most=MOST, value=wanted.of)
    now = room(ctx, section_id)
    here = [str(one.id) for one in now.roll if str(one.id) not in wanted.without]
    row = _row(ctx, section_id)
    levels = _levels(ctx, section_id, wanted.concept) if wanted.concept else {}
    how = wanted.how if wanted.concept else "chance"
    helped = Counter(one for drawn in row.draws for one in drawn["helpers"])
    groups = draw(
        here, wanted.of, how, levels, _together(row.draws), helped, wanted.tasks, Random(ctx.new_id().int)
    )
    drawn = {
        "groups": [list(one.children) for one in groups],
        "helpers": [one.helper for one in groups if one.helper],
    }
    row.draws = [*row.draws, drawn][-REMEMBERED:]
    ctx.session.flush()
    return groups


def _together(draws: Sequence[dict[str, Any]]) -> Collection[frozenset[str]]:
    return {pair for drawn in draws for pair in pairs(drawn["groups"])}


def _levels(ctx: Context, section_id: UUID, concept: str) -> dict[str, str]:
    """What was sure and is due helps nobody."""
    ctx.sequence.concept(concept)
    before = Before(ctx, [snapshot(ctx, [section_id], judged=False).section(section_id).row])
    found = {}
    for child, row in ledger.standings_in(ctx.session, section_id, concept, ctx.today).items():
        found[str(child)] = "nearly" if before.due(row, section_id) else row.counts
    return found
