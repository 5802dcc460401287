"""Questions with blanks, answered exactly from what is kept; nothing is guessed, and nothing is written."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.ledger.asked import Refresher, fewest
from kopje.core.ledger.readiness import Readiness, judge
from kopje.core.ledger.readiness import counts as counted
from kopje.core.ledger.standing import ORDER, counts_as_secure
from kopje.core.reasons import Named, Reason, because, listed
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.store import ledger, sections, songs
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.snapshot import Before, SectionNow, snapshot
from kopje.usecases.songs.songbook import cards


@dataclass(frozen=True, slots=True)
class NotHeard:
    """A child of a class that nobody listened to alone since a day, and when somebody last did."""

    child: str
    section: str
    name: str
    last: date | None


def not_heard_since(ctx: Context, day: date) -> tuple[NotHeard, ...]:
    """Of everybody on a roll today: no mark made alone, with help or without, on this day or after it. Those
    who wait longest first."""
    rows = ledger.last_heard_of_all(ctx.session, ctx.school_id, ctx.today)
    found = [NotHeard(*row) for row in rows if row[3] is None or row[3] < day]
    return tuple(sorted(found, key=lambda one: (one.last or date.min, one.section, one.name, one.child)))


@dataclass(frozen=True, slots=True)
class Fading:
    """A concept, and the children who had it and were not heard alone in it for long."""

    concept: Concept
    children: tuple[str, ...]


def fading(ctx: Context, section_id: UUID) -> tuple[Fading, ...]:
    """In the order of the sequence."""
    return _fading(ctx, section_now(ctx, section_id))


def section_now(ctx: Context, section_id: UUID) -> SectionNow:
    return snapshot(ctx, [section_id]).section(section_id)


def _fading(ctx: Context, now: SectionNow) -> tuple[Fading, ...]:
    before = Before(ctx, [now.row])
    names: dict[str, list[str]] = {}
    for _, name, row in ledger.standings_of_section(ctx.session, now.id, ctx.today):
        if before.due(row, now.id):
            names.setdefault(row.concept, []).append(name)
    return tuple(Fading(c, tuple(sorted(names[c.key]))) for c in ctx.sequence.concepts if c.key in names)


@dataclass(frozen=True)
class Refreshed:
    """The fewest songs, and what no song that they know has."""

    songs: tuple[Refresher, ...]
    without: tuple[Concept, ...]


def refresh(ctx: Context, section_id: UUID) -> Refreshed:
    """Songs that the section has sung, or is said to know, for everything that fades there."""
    now = section_now(ctx, section_id)
    wanted = [one.concept for one in _fading(ctx, now)]
    keys = [concept.key for concept in wanted]
    known = now.facts.songs
    found = [
        Refresher(one.id, one.title, frozenset(c.concept for c in one.contents if c.concept is not None))
        for one in cards(ctx, now.state, wanted, known)
        if one.id in known
    ]
    chosen = fewest(found, keys)
    had = {key for one in chosen for key in one.concepts}
    return Refreshed(chosen, tuple(concept for concept in wanted if concept.key not in had))


@dataclass(frozen=True, slots=True)
class Missing:
    """A concept that is needed first and is not ready, and the children who were heard and do not have it."""

    concept: Concept
    readiness: Readiness
    children: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class MissingFor:
    """What keeps a section from naming a concept; nothing where it may be named."""

    named: bool
    missing: tuple[Missing, ...]


def missing_for(ctx: Context, section_id: UUID, concept_key: str) -> MissingFor:
    now = section_now(ctx, section_id)
    concept = ctx.sequence.concept(concept_key)
    nobody = judge(now.roll, counted({}))
    missing = tuple(
        Missing(ctx.sequence.concept(key), now.state.readiness.get(key, nobody), without_it(ctx, now, key))
        for key in concept.needs
        if not now.state.ready(key)
    )
    return MissingFor(now.state.named(concept.key), missing)


def without_it(ctx: Context, now: SectionNow, key: ConceptKey) -> tuple[str, ...]:
    """The children who were heard in a concept and do not have it, by name: the group to teach again."""
    before = Before(ctx, [now.row])
    rows = ledger.standings_in(ctx.session, now.id, key, ctx.today)
    names = sections.names(ctx.session, ctx.school_id, rows.keys())
    return tuple(sorted(names[child] for child, row in rows.items() if _lacks(row, before, now)))


def _lacks(row: t.StandingRow, before: Before, now: SectionNow) -> bool:
    return row.counts != "not_heard" and not counts_as_secure(row.counts, before.due(row, now.id))


@dataclass(frozen=True, slots=True)
class Group:
    """Whom to teach a concept again, and what is really missing: what it rests on and most of them lack
    too."""

    concept: Concept
    children: tuple[str, ...]
    behind: Concept | None
    reason: Reason


def group(ctx: Context, section_id: UUID, concept_key: str) -> Group:
    now = section_now(ctx, section_id)
    concept = ctx.sequence.concept(concept_key)
    children = without_it(ctx, now, concept.key)
    behind = _behind(ctx, now, concept, frozenset(children))
    said = listed(children)
    name = Named(concept.key)
    if not children:
        return Group(concept, (), None, because("group_nobody", concept=name))
    if behind is None:
        return Group(concept, children, None, because("group", concept=name, count=len(children), names=said))
    reason = because("group_behind", concept=name, count=len(children), names=said, behind=Named(behind.key))
    return Group(concept, children, behind, reason)


def _behind(ctx: Context, now: SectionNow, concept: Concept, lacking: frozenset[str]) -> Concept | None:
    """The first thing below it, what it rests on before what that rests on, that at least half of them
    lack."""
    waiting, seen = list(concept.needs), set[str]()
    while waiting and lacking:
        key = waiting.pop(0)
        if key in seen:
            continue
        seen.add(key)
        if 2 * len(lacking & set(without_it(ctx, now, ConceptKey(key)))) >= len(lacking):
            return ctx.sequence.concept(key)
        waiting += ctx.sequence.concept(key).needs
    return None


@dataclass(frozen=True, slots=True)
class LeftOver:
    """Something that was planned for the last lesson and is still owed: the activity's key and name.
    `state`: partly, skipped, not_reached."""

    date: date
    activity: str
    name: str
    song: str | None
    state: str


def left_over(ctx: Context, section_id: UUID) -> tuple[LeftOver, ...]:
    facts = section_now(ctx, section_id).held
    if not facts.over:
        return ()
    sung = {UUID(one.material.song) for one in facts.left_over if one.material.song}
    titles = {str(key): one for key, one in songs.titles(ctx.session, ctx.school_id, sung).items()}
    day = facts.over[-1].day
    return tuple(
        LeftOver(
            day,
            one.activity,
            _title(ctx, one.activity),
            titles.get(one.material.song or ""),
            one.tick or "not_reached",
        )
        for one in facts.left_over
    )


def _title(ctx: Context, key: str) -> str:
    known = ctx.habits.repertoire.known(key)
    return known.title if known else key


def section_named(ctx: Context, name: str) -> UUID:
    """A section by its name or its id. NotFoundError where there is none."""
    found = {one.name: one.id for one in sections.sections(ctx.session, ctx.school_id)}
    by_id = {str(one): one for one in found.values()}
    key = found.get(name) or by_id.get(name)
    if key is None:
        raise NotFoundError("no_such", what=because("what_section"), value=name)
    return key


@dataclass(frozen=True, slots=True)
class Needs:
    """A child that was heard in a concept and does not have it, or is to be heard in it again, under its
    class."""

    child_id: UUID
    section: str
    name: str
    level: str
    due: bool


def who_needs(ctx: Context, concept_key: str) -> tuple[Needs, ...]:
    """In the whole school, by class; those who are furthest from it first."""
    concept = ctx.sequence.concept(concept_key)
    rows = ledger.standings_of_concept(ctx.session, ctx.school_id, concept.key, ctx.today)
    before = Before(ctx, [one.row for one in snapshot(ctx, judged=False).sections])
    found = []
    for child, section_id, section, name, row in rows:
        due = before.due(row, section_id)
        if row.counts != "not_heard" and (due or not counts_as_secure(row.counts, due)):
            found.append(Needs(child, section, name, row.counts, due))
    return tuple(sorted(found, key=lambda one: (one.section, ORDER.index(one.level), one.name)))
