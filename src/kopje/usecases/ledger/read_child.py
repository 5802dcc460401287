"""A child: how far it is in each strand over the year, what shows it, what comes next, what nobody heard."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.growth import Stratum, Word, growth
from kopje.core.ledger.marks import Mark
from kopje.core.ledger.next_step import NextStep, StandsNow, next_step
from kopje.core.ledger.rules import LedgerRules
from kopje.core.ledger.standing import Standing, is_due, standing
from kopje.core.planning.facts import monday
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.section_state import due
from kopje.store import events, sections
from kopje.store import tables as t
from kopje.store.snapshot import SectionRow
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import value_of, words_by_pair
from kopje.usecases.snapshot import Before, SectionNow, snapshot

MOST_WEEKS = 60


@dataclass(frozen=True, slots=True)
class ChildStands:
    """One concept: the standing from its marks, the teacher's word beside it, what counts today."""

    concept: Concept
    standing: Standing
    word: ClassEvent | None
    due: bool

    @property
    def level(self) -> str:
        return self.word.body["level"] if self.word else self.standing.level


@dataclass(frozen=True)
class ChildNow:
    """`standings` of everything that was heard or has a name in its class; `days` are the ends of the weeks
    that `strata` count; `marks` that count, newest first, with who made them; `never`: what has a name here
    and in which nobody listened to the child; `singing`: choirs it is in."""

    child: t.Child
    section: SectionNow
    singing: tuple[SectionRow, ...]
    standings: tuple[ChildStands, ...]
    days: tuple[date, ...]
    strata: tuple[Stratum, ...]
    marks: tuple[ClassEvent, ...]
    by: Mapping[str, str]
    never: tuple[Concept, ...]
    step: NextStep | None


def child_now(ctx: Context, child_id: UUID) -> ChildNow:
    child = sections.child(ctx.session, ctx.school_id, child_id)
    inside = sections.members(ctx.session, [child_id]).get(child_id, set())
    found = snapshot(ctx, inside)
    home = found.section(child.section_id)
    told = events.of_child(ctx.session, ctx.school_id, child_id)
    marks = [event for event in standing_events(told) if event.kind == "marked"]
    words = {key: event for (_, key), event in words_by_pair(told).items()}
    before = Before(ctx, [one.row for one in found.sections]).child(str(child_id), child.section_id)
    # What earlier years brought was not heard by us and is not waited for.
    named = [c.key for c in ctx.sequence.concepts if any(_named_here(one, c.key) for one in found.sections)]
    by_concept: dict[str, list[Mark]] = {}
    for mark in marks:
        by_concept.setdefault(mark.body["concept"], []).append(value_of(mark))
    standings = tuple(
        _stands(concept, by_concept.get(concept.key, []), words.get(concept.key), before, ctx.rules)
        for concept in ctx.sequence.concepts
        if concept.key in by_concept or concept.key in words or concept.key in named
    )
    days = _weeks(child, found.sections, ctx.today)
    said = {key: Word(event.body["level"], event.day) for key, event in words.items()}
    strata = growth(ctx.sequence.concepts, by_concept, said, days, ctx.rules)
    never = tuple(one.concept for one in standings if one.level == "not_heard" and not one.standing.partly)
    return ChildNow(
        child,
        home,
        tuple(one.row for one in found.sections if one.id != home.id),
        standings,
        days,
        strata,
        tuple(reversed(marks)),
        events.tellers(ctx.session, (mark.id for mark in marks)),
        never,
        _next(ctx, home, named, standings),
    )


def _named_here(now: SectionNow, key: ConceptKey) -> bool:
    return now.state.taught_counts(key).presented > 0


def _stands(
    concept: Concept, marks: Sequence[Mark], word: ClassEvent | None, before: date | None, rules: LedgerRules
) -> ChildStands:
    found = standing(concept, marks, rules)
    return ChildStands(concept, found, word, word is None and is_due(found.level, found.last_full, before))


def _weeks(child: t.Child, inside: Sequence[SectionNow], today: date) -> tuple[date, ...]:
    """The Mondays of the weeks in which any of its sections met since it joined, and today."""
    since = monday(child.joined)
    mondays = sorted({week for one in inside for week in one.held.weeks if since <= week < today})
    return (*mondays[-MOST_WEEKS:], today)


def _next(
    ctx: Context, home: SectionNow, named: Sequence[ConceptKey], standings: Sequence[ChildStands]
) -> NextStep | None:
    at_work = [one.concept.key for one in due(home.state) if home.state.named(one.concept.key)]
    now = {one.concept.key: StandsNow(one.level, one.due) for one in standings}
    return next_step(ctx.sequence, at_work, reversed(named), now)


def find(ctx: Context, text: str, most: int = 8) -> Sequence[tuple[t.Child, str]]:
    """Children who are here, by the letters of their names, with their class."""
    return sections.children_named(ctx.session, ctx.school_id, text, ctx.today, most)


def everybody(ctx: Context) -> Sequence[tuple[t.Child, str]]:
    """Who is on a roll today, with their class, by class and name."""
    return sections.every_child(ctx.session, ctx.school_id, ctx.today)


def care(ctx: Context, child_id: UUID, say: str, without: Sequence[str]) -> t.Child:
    """How the name is said, and the kinds of games it is left out of; no reason is kept."""
    child = sections.child(ctx.session, ctx.school_id, child_id)
    child.say, child.without = say.strip(), sorted(set(without))
    ctx.session.flush()
    return child
