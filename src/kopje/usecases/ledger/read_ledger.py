"""The ledger of a section: children across concepts, and the evidence behind one stone."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from uuid import UUID

from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.readiness import Counts, Readiness, counts, judge
from kopje.core.ledger.standing import Standing, by_way, is_due, reasons_today, standing
from kopje.core.planning.facts import NO_FACTS, read
from kopje.core.reasons import Reason
from kopje.core.sequence.concepts import STRANDS, Concept, ConceptKey, Way
from kopje.core.sequence.section_state import SectionState
from kopje.engraving.ledger_paper import LedgerSheet
from kopje.store import events, ledger, sections
from kopje.store import snapshot as snapshots
from kopje.store import tables as t
from kopje.store.snapshot import SectionRow
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import value_of, words_by_pair
from kopje.usecases.snapshot import Before, state_of

EPOCH = date(1970, 1, 1)
LEVELS = {"s": "secure", "o": "once", "n": "nearly", "y": "not_yet", "p": "not_heard"}
LEVELS |= {key.upper(): level for key, level in LEVELS.items()}  # the teacher's word, never due
DUE = {"s": "d", "o": "e"}  # secure and due, shown once and due


@dataclass(frozen=True, slots=True)
class Column:
    """A concept of the grid with the section's readiness; `declared`: earlier years brought it."""

    concept: Concept
    readiness: Readiness
    named: bool
    declared: bool


@dataclass(frozen=True)
class Grid:
    """`children` is (id, name, days since 1970 when it was last heard alone in anything); `stones` in short
    by concept: place on the roll and s secure, d secure and due, o once, e once and due, n nearly, y not
    yet, p heard in one way only (`0s 2n`); a capital where the teacher said so."""

    section: SectionRow
    children: Sequence[tuple[str, str, int | None]]
    columns: tuple[Column, ...]
    stones: dict[str, str]


def grid(ctx: Context, section_id: UUID) -> Grid:
    """Concepts at work, named here or heard; what was only declared and never heard is left out. Foot and
    stones are counted from the same standings."""
    rows = ledger.grid(ctx.session, ctx.school_id, section_id, ctx.today)
    row = snapshots.section(ctx.session, ctx.school_id, section_id)
    before = Before(ctx, [row])
    limits = [before.child(key, section_id) for key, *_ in rows.children]
    days = [(limit - EPOCH).days if limit else 0 for limit in limits]
    stones, readiness = {}, {}
    for key, short in rows.stones.items():
        stones[key], counted = _today(short, days)
        readiness[ConceptKey(key)] = judge(len(rows.children), counted, ctx.rules.threshold(key))
    facts = read(row.facts) if row.facts else NO_FACTS
    state = state_of(row, facts, ctx.sequence, readiness)
    return Grid(row, rows.children, _columns(ctx, state, len(rows.children)), stones)


def sheet(ctx: Context, found: Grid) -> LedgerSheet:
    """The whole grid on paper: every child and concept, whatever the page shows."""
    words = ctx.words
    stones = {key: _letters(short) for key, short in found.stones.items()}
    children = tuple(
        (name, tuple(stones.get(column.concept.key, {}).get(place, "") for column in found.columns))
        for place, (_, name, _) in enumerate(found.children)
    )
    return LedgerSheet(
        words.word("ledger_paper_title", section=found.section.name),
        words.word("ledger_paper_lead", day=ctx.today, count=len(children)),
        tuple(column.concept.name for column in found.columns),
        children,
        tuple(f"{one.readiness.secure}/{one.readiness.heard}" for one in found.columns),
        words.word("ledger_paper_foot"),
        {letter: words.word(f"stone_{name}") for letter, name in STONE_NAMES.items()},
    )


STONE_NAMES = {
    "s": "secure",
    "d": "due",
    "o": "once",
    "e": "once_due",
    "n": "nearly",
    "y": "not_yet",
    "p": "partly",
    "": "not_heard",
    "said": "said",
}


def _letters(short: str) -> dict[int, str]:
    """`0s 2n` by place on the roll."""
    return {int(one[:-1]): one[-1] for one in short.split()}


def _today(short: str, days: Sequence[int]) -> tuple[str, Counts]:
    """Stones as they are today, and their counts; `days` are those before which a last mark makes a child
    due."""
    shown, standing_today = [], []
    for stone in short.split():
        place, letter, last = _parted(stone)
        level = LEVELS[letter]
        heard_on, limit = EPOCH + timedelta(last or 0), EPOCH + timedelta(days[place])
        due = letter.islower() and is_due(
            level, heard_on if last is not None else None, limit if days[place] else None
        )
        shown.append(f"{place}{DUE[letter] if due else letter}")
        standing_today.append((level, due))
    return " ".join(shown), counts(Counter(standing_today))


def _parted(stone: str) -> tuple[int, str, int | None]:
    """`12s20781` as (12, s, 20781)."""
    at = next(i for i, sign in enumerate(stone) if sign.isalpha())
    return int(stone[:at]), stone[at], int(stone[at + 1 :]) if stone[at + 1 :] else None


def _columns(ctx: Context, state: SectionState, roll: int) -> tuple[Column, ...]:
    shown = [c for c in ctx.sequence.concepts if c.key in state.readiness or c.key in state.taught]
    shown.sort(key=lambda concept: STRANDS.index(concept.strand))
    nobody = judge(roll, Counts())
    return tuple(
        Column(c, state.readiness.get(c.key, nobody), state.named(c.key), c.key in state.declared)
        for c in shown
    )


@dataclass(frozen=True)
class StandingToday:
    """A standing today, with its reasons."""

    standing: Standing
    due: bool
    reasons: tuple[Reason, ...]


@dataclass(frozen=True)
class Evidence:
    """One child in one concept: the standing, its ways, and every mark that counts, newest first; `by` says
    who made each, and `word` is the teacher's own, where it stands beside them."""

    child: t.Child
    concept: Concept
    standing_today: StandingToday
    ways: tuple[tuple[Way, StandingToday], ...]
    marks: tuple[ClassEvent, ...]
    by: Mapping[str, str]
    word: ClassEvent | None = None


def evidence(ctx: Context, section_id: UUID, child_id: UUID, concept_key: str) -> Evidence:
    row = snapshots.section(ctx.session, ctx.school_id, section_id)
    child = sections.child(ctx.session, ctx.school_id, child_id)
    concept = ctx.sequence.concept(concept_key)
    found = events.marks_with_backs(ctx.session, [(child.id, concept.key)], ctx.school_id)
    marks = [event for event in standing_events(found) if event.kind == "marked"]
    word = words_by_pair(found).get((str(child.id), concept.key))
    values = [value_of(event) for event in marks]
    before = Before(ctx, [row]).child(str(child.id), section_id)
    ways = tuple((way, _standing_today(one, before)) for way, one in by_way(concept, values, ctx.rules))
    told = [*marks, *([word] if word else [])]
    by = events.tellers(ctx.session, (one.id for one in told))
    found_today = _standing_today(standing(concept, values, ctx.rules), before)
    return Evidence(child, concept, found_today, ways, tuple(reversed(marks)), by, word)


def _standing_today(found: Standing, before: date | None) -> StandingToday:
    due = is_due(found.level, found.last_full, before)
    return StandingToday(found, due, reasons_today(found.reasons, found.last_full, due))
