"""Gathering what a section brings, was taught and has shown."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from uuid import UUID

from kopje.core.ledger.readiness import Readiness, judge
from kopje.core.sequence.arcs import SectionState, Taught
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.songs.fit import Met
from kopje.store import ledger, sections, tables
from kopje.usecases.call import Call


def state_of(call: Call, section: tables.Section) -> SectionState:
    """Everything that judgements about a section are made from."""
    return state_from(
        call,
        section.name,
        section.grade,
        sections.declared(call.session, section.id),
        sections.taught(call.session, section.id),
        readiness_of(call, section.id),
    )


def state_from(
    call: Call,
    name: str,
    grade: int,
    declared: Iterable[str],
    taught: Iterable[tuple[str, str, int]],
    readiness: Mapping[ConceptKey, Readiness],
) -> SectionState:
    """The same from rows that are there already; `taught` is (concept, purpose, lessons)."""
    counts: dict[ConceptKey, dict[str, int]] = {}
    for concept, purpose, count in taught:
        counts.setdefault(ConceptKey(concept), {})[purpose] = count
    return SectionState(
        name,
        grade,
        call.sequence,
        frozenset(map(ConceptKey, declared)),
        {
            key: Taught(n.get("prepare", 0), n.get("present", 0), n.get("practise", 0))
            for key, n in counts.items()
        },
        readiness,
    )


def readiness_of(call: Call, section_id: UUID) -> Mapping[ConceptKey, Readiness]:
    """For every concept in which anybody on the roll was heard."""
    roll = len(sections.roll(call.session, section_id, call.today))
    counts = ledger.secure_counts(call.session, section_id, call.today)
    return {ConceptKey(key): judge(roll, heard, secure) for key, (heard, secure) in counts.items()}


def songs_met(call: Call, section_id: UUID) -> dict[str, Met]:
    return {str(song): Met(count, day) for song, count, day in sections.songs_met(call.session, section_id)}
