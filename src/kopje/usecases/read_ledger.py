"""The ledger of a section: children across concepts, and the evidence behind one stone."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import UUID

from kopje.core.ledger.readiness import Readiness, judge
from kopje.core.ledger.standing import Standing, of_one_way, standing
from kopje.core.sequence.concepts import STRAND_NAMES, Concept, ConceptKey, Way
from kopje.store import ledger, sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.section_state import state_from
from kopje.usecases.standings import YOUNG, value_of, weeks_met


@dataclass(frozen=True, slots=True)
class Column:
    """A concept of the grid with the section's readiness; `declared`: earlier years brought it."""

    concept: Concept
    readiness: Readiness
    named: bool
    declared: bool


@dataclass(frozen=True, slots=True)
class GridSection:
    id: UUID
    name: str
    grade: int
    minutes: int


@dataclass(frozen=True)
class Grid:
    """`children` is (id, name); `stones` in short by concept (see `store.ledger.GridColumn`)."""

    section: GridSection
    children: Sequence[tuple[str, str]]
    columns: tuple[Column, ...]
    stones: dict[str, str]


def grid(call: Call, section_id: UUID) -> Grid:
    """Concepts at work, named here or heard; what was only declared and never heard is left out."""
    rows = ledger.grid(call.session, call.school_id, section_id, call.today)
    name, grade, minutes = rows.section
    roll = len(rows.children)
    readiness = {ConceptKey(key): judge(roll, one.heard, one.secure) for key, one in rows.columns.items()}
    state = state_from(call, name, grade, rows.declared, rows.taught, readiness)
    strands = list(STRAND_NAMES)
    shown = [c for c in call.sequence.concepts if c.key in state.readiness or c.key in state.taught]
    shown.sort(key=lambda concept: strands.index(concept.strand))
    columns = tuple(
        Column(
            c,
            state.readiness.get(c.key) or judge(roll, 0, 0),
            state.named(c.key),
            c.key in state.declared,
        )
        for c in shown
    )
    return Grid(
        GridSection(section_id, name, grade, minutes),
        rows.children,
        columns,
        {key: one.stones for key, one in rows.columns.items()},
    )


@dataclass(frozen=True)
class Evidence:
    """One child in one concept: the standing, its ways, and every mark that counts, newest first."""

    child: t.Child
    concept: Concept
    standing: Standing
    ways: tuple[tuple[Way, Standing], ...]
    marks: tuple[t.Mark, ...]


def evidence(call: Call, section_id: UUID, child_id: UUID, concept_key: str) -> Evidence:
    section = sections.section(call.session, call.school_id, section_id)
    child = sections.child(call.session, call.school_id, child_id)
    concept = call.sequence.concept(concept_key)
    rows = ledger.marks_of(call.session, [child.id], [concept.key])
    values, weeks = [value_of(row) for row in rows], weeks_met(call, section.id)
    heard = dict.fromkeys([*concept.ways, *(mark.way for mark in values)])
    ways = tuple(
        (way, of_one_way([m for m in values if m.way == way], weeks, section.rolled)) for way in heard
    )
    found = standing(concept, values, any_way=section.grade <= YOUNG, weeks_met=weeks, since=section.rolled)
    return Evidence(child, concept, found, ways, tuple(reversed(rows)))
