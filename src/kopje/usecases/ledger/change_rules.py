"""The school's own numbers in the rules of the ledger; what a change would do is shown before it is taken."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any
from uuid import UUID

from kopje.core.ledger.rules import LedgerRules, rules_of, values_of
from kopje.store import events, ledger, people
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import keep_standings
from kopje.usecases.snapshot import Before, snapshot

MOST_SAID = 40


@dataclass(frozen=True, slots=True)
class Turned:
    """A section's answer on a concept that a change would turn."""

    section: str
    concept: str
    before: str
    after: str


@dataclass(frozen=True)
class WouldChange:
    """What other rules would do: standings of children that would be other ones, and answers on sections."""

    standings: int
    turned: tuple[Turned, ...]


@dataclass(frozen=True)
class _Judged:
    children: Mapping[tuple[UUID, str], tuple[str, bool]]
    answers: Mapping[tuple[str, str], str]


def preview(ctx: Context, values: Mapping[str, Any]) -> WouldChange:
    """Nothing is kept: it is worked out as if, and taken back."""
    new = _checked(ctx, values)
    now = _judged(ctx)
    trial = ctx.session.begin_nested()
    try:
        then = _judged(_under(ctx, new))
    finally:
        trial.rollback()
        ctx.session.expire_all()
    pairs = {*now.children, *then.children}
    changed = sum(now.children.get(pair) != then.children.get(pair) for pair in pairs)
    keys = sorted({*now.answers, *then.answers})
    turned = tuple(
        Turned(*key, before, after)
        for key in keys
        if (before := now.answers.get(key, "nobody_heard"))
        != (after := then.answers.get(key, "nobody_heard"))
    )
    return WouldChange(changed, turned[:MOST_SAID])


def change(ctx: Context, values: Mapping[str, Any]) -> LedgerRules:
    """From now on; every standing is worked out anew from the same marks."""
    new = _checked(ctx, values)
    _under(ctx, new)
    people.school(ctx.session, ctx.school_id).ledger_rules = values_of(new)
    ctx.session.flush()
    return new


def _checked(ctx: Context, values: Mapping[str, Any]) -> LedgerRules:
    new = rules_of(values)
    for key in new.by_concept:
        ctx.sequence.concept(key)
    return new


def _under(ctx: Context, rules: LedgerRules) -> Context:
    """The same under other rules. Only how many marks count touches what is kept."""
    other = replace(ctx, rules=rules)
    if (rules.good, rules.newest) != (ctx.rules.good, ctx.rules.newest):
        keep_standings(other, events.marked_pairs(ctx.session, ctx.school_id))
    return other


def _judged(ctx: Context) -> _Judged:
    found = snapshot(ctx)
    before = Before(ctx, [one.row for one in found.sections])
    children: dict[tuple[UUID, str], tuple[str, bool]] = {}
    for section in found.sections:
        for child, _, row in ledger.standings_of_section(ctx.session, section.id, ctx.today):
            children[child, row.concept] = (row.counts, before.due(row, section.id))
    name = {concept.key: concept.name for concept in ctx.sequence.concepts}
    answers = {
        (section.name, name[key]): one.answer
        for section in found.sections
        for key, one in section.readiness.items()
        if key in name
    }
    return _Judged(children, answers)
