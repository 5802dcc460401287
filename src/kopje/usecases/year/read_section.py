"""A section at a glance: what it is secure in, what is due, which songs serve it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.facts import LessonHeld
from kopje.core.planning.template import slot_name
from kopje.core.reasons import Reason, because, listed
from kopje.core.sequence.concepts import Concept
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import Due, due
from kopje.core.songs.suitability import Fit, Met, fit, ranked
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_day import Entry, entry
from kopje.usecases.snapshot import SectionNow, snapshot
from kopje.usecases.songs.songbook import cards

AHEAD = 4  # lessons to come that are shown


@dataclass(frozen=True)
class Overview:
    """`ahead`: the next lessons of the calendar, planned or not; `last`: the one that was held last;
    `dropped`: what is never to be dropped and was."""

    now: SectionNow
    secure: tuple[Concept, ...]
    due: tuple[Due, ...]
    ahead: tuple[tuple[LessonTime, Entry], ...]
    last: LessonHeld | None
    dropped: tuple[Reason, ...] = ()


def overview(ctx: Context, section_id: UUID) -> Overview:
    now = snapshot(ctx, [section_id]).section(section_id)
    state = now.state
    at = now.open or now.next_time
    laid = now.laid_in(at.day, at.starts) if at else ()
    coming = [x for x in now.lessons if x.day >= now.today and (x.day, x.starts) not in now.held_at]
    return Overview(
        now,
        tuple(c for c in ctx.sequence.concepts if state.named(c.key) and state.ready(c.key)),
        due(state, laid),
        tuple((x, entry(now, x.day, x.starts)) for x in coming[:AHEAD]),
        now.facts.over[-1] if now.facts.over else None,
        tuple(_dropped(now)),
    )


def _dropped(now: SectionNow) -> Iterator[Reason]:
    """What is never to be dropped and was not done in the last lessons, with their days."""
    for slot in now.template.keyed():
        days = [day for day, key in now.facts.open if slot.always and key == slot.key]
        if days:
            yield because(
                "dropped", "against", "lesson", slot=slot_name(slot.key, now.grade), days=listed(days, 3)
            )


def songs_for(ctx: Context, section_id: UUID, concept_key: str, purpose: Purpose) -> tuple[Fit, ...]:
    """Every song of the songbook against one concept and purpose, best first, barred ones last."""
    now = snapshot(ctx, [section_id]).section(section_id)
    concept, met = ctx.sequence.concept(concept_key), now.facts.songs
    return ranked(
        fit(song, concept, purpose, now.state, met.get(song.id, Met()), ctx.today)
        for song in cards(ctx, now.state, [concept], met)
    )
