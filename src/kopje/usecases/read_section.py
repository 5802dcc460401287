"""A section at a glance: what it is secure in, what is due, which songs serve it."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.sequence.arcs import Due, SectionState, due
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.songs.fit import Fit, Met, fit, ranked
from kopje.store import lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar
from kopje.usecases.section_state import songs_met, state_of
from kopje.usecases.section_year import laid_in
from kopje.usecases.songbook import cards


@dataclass(frozen=True)
class Overview:
    section: t.Section
    meetings: tuple[t.Meeting, ...]
    roll: int
    lessons_done: int
    state: SectionState
    secure: tuple[Concept, ...]
    due: tuple[Due, ...]
    open_lesson: t.Lesson | None
    last_lesson: t.Lesson | None


def overview(call: Call, section_id: UUID) -> Overview:
    section = sections.section(call.session, call.school_id, section_id)
    state = state_of(call, section)
    return Overview(
        section,
        tuple(sections.meetings_of(call.session, section_id)),
        len(sections.roll(call.session, section_id, call.today)),
        lessons.done_count(call.session, section_id),
        state,
        tuple(c for c in call.sequence.concepts if state.named(c.key) and state.ready(c.key)),
        due(state, _laid_next(call, section)),
        lessons.open_lesson(call.session, section_id),
        lessons.last_done(call.session, section_id),
    )


def _laid_next(call: Call, section: t.Section) -> tuple[ConceptKey, ...]:
    """What the plan has in the open lesson, or else in the next one of the calendar."""
    lesson = lessons.open_lesson(call.session, section.id)
    at = lesson or next((one for one in calendar(call).lessons(section.id) if one.day >= call.today), None)
    return laid_in(call, section.id, at.day, at.starts) if at else ()


def songs_for(call: Call, section_id: UUID, concept_key: str, purpose: Purpose) -> tuple[Fit, ...]:
    """Every song of the songbook against one concept and purpose, best first, barred ones last."""
    section = sections.section(call.session, call.school_id, section_id)
    concept, state = call.sequence.concept(concept_key), state_of(call, section)
    met = songs_met(call, section_id)
    return ranked(
        fit(song, concept, purpose, state, met.get(song.id, Met()), call.today)
        for song in cards(call, state, [concept], met)
    )
