"""Where a choir stands on its ladder of reading: by level, and by rung of each strand."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.choir.ladders import ladder_of
from kopje.core.choir.located import newest_break, rung_standing
from kopje.core.choir.rungs import PARTS, PITCH, RHYTHM, Rung, is_level, rungs_of
from kopje.core.ledger.marks import Mark
from kopje.core.ledger.readiness import Readiness, counts, judge
from kopje.core.ledger.standing import Standing, is_due, standing
from kopje.core.sequence.concepts import Concept
from kopje.store import events, sections
from kopje.store import snapshot as snapshots
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import marks_by_pair
from kopje.usecases.snapshot import Before


@dataclass(frozen=True, slots=True)
class StepNow:
    """A step with the choir's readiness; `broke`: how many children's newest reading broke in each strand;
    `declared`: earlier years brought it."""

    concept: Concept
    readiness: Readiness
    broke: Mapping[str, int]
    declared: bool


@dataclass(frozen=True, slots=True)
class RungNow:
    rung: Rung
    readiness: Readiness


@dataclass(frozen=True, slots=True)
class LadderNow:
    steps: tuple[StepNow, ...]
    rungs: tuple[RungNow, ...]


Marks = Mapping[str, list[Mark]]  # by child


def ladder_now(ctx: Context, section_id: UUID) -> LadderNow:
    """Levels that are no steps any more count for their rungs too: a mark keeps its meaning."""
    row = snapshots.section(ctx.session, ctx.school_id, section_id)
    children = [str(child.id) for child in sections.roll(ctx.session, section_id, ctx.today)]
    before = Before(ctx, [row])
    limits = {child: before.child(child, section_id) for child in children}
    keys = [c.key for c in ctx.sequence.concepts if rungs_of(c.key)]
    pairs = [(UUID(child), key) for child in children for key in keys]
    found = marks_by_pair(events.marks_with_backs(ctx.session, pairs, ctx.school_id))
    marks = {child: [m for key in keys for m in found.get((child, key), ())] for child in children}
    brought = set(sections.declared(ctx.session, section_id))
    steps = tuple(
        StepNow(
            step,
            _judged((standing(step, marks[c], ctx.rules), limits[c]) for c in children),
            _broke(step, marks),
            step.key in brought,
        )
        for step in ladder_of(ctx.sequence)
    )
    rungs = tuple(
        RungNow(rung, _judged((rung_standing(rung, marks[c], ctx.rules), limits[c]) for c in children))
        for rung in (*PITCH, *RHYTHM, *PARTS[1:])
    )
    return LadderNow(steps, rungs)


def _judged(found: Iterable[tuple[Standing, date | None]]) -> Readiness:
    every = [(one.level, is_due(one.level, one.last_full, limit)) for one, limit in found]
    return judge(len(every), counts(Counter(every)))


def _broke(step: Concept, marks: Marks) -> Mapping[str, int]:
    if not is_level(step.key):
        return {}
    newest = (newest_break(m for m in mine if m.concept == step.key) for mine in marks.values())
    return Counter(strand for broke in newest for strand in broke)
