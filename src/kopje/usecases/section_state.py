"""Gathering what a section brings, was taught and has shown."""

from __future__ import annotations

from collections.abc import Mapping
from uuid import UUID

from kopje.core.ledger.readiness import Readiness, judge
from kopje.core.sequence.arcs import SectionState, Taught
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.songs.fit import Met
from kopje.store import ledger, sections, tables
from kopje.usecases.call import Call


def state_of(call: Call, section: tables.Section) -> SectionState:
    taught: dict[ConceptKey, dict[str, int]] = {}
    for concept, purpose, count in sections.taught(call.session, section.id):
        taught.setdefault(ConceptKey(concept), {})[purpose] = count
    return SectionState(
        section.name,
        section.grade,
        call.sequence,
        frozenset(ConceptKey(key) for key in sections.declared(call.session, section.id)),
        {
            key: Taught(n.get("prepare", 0), n.get("present", 0), n.get("practise", 0))
            for key, n in taught.items()
        },
        readiness_of(call, section.id),
    )


def readiness_of(call: Call, section_id: UUID) -> Mapping[ConceptKey, Readiness]:
    """For every concept in which anybody on the roll was heard."""
    roll = len(sections.roll(call.session, section_id, call.today))
    counts = ledger.secure_counts(call.session, section_id, call.today)
    return {ConceptKey(key): judge(roll, heard, secure) for key, (heard, secure) in counts.items()}


def songs_met(call: Call, section_id: UUID) -> dict[str, Met]:
    return {str(song): Met(count, day) for song, count, day in sections.songs_met(call.session, section_id)}
