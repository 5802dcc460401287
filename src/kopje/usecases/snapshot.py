"""The state of a grade or of the school at one moment, from which Today, week, year, sections, proposals and
the ledger read.

Loading it takes a fixed number of queries, however many sections there are; what is shown is a projection of
it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field, replace
from datetime import date, time
from functools import cached_property
from typing import Any
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.ledger.readiness import Readiness, counts, judge
from kopje.core.ledger.standing import due_before, is_due
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.facts import NO_FACTS, SectionFacts, read
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.planning.lesson import Choice
from kopje.core.planning.material import Material
from kopje.core.planning.template import Template
from kopje.core.planning.year.arcs import Arc, laid_in
from kopje.core.reasons import because
from kopje.core.sequence.concepts import ConceptKey, Sequence
from kopje.core.sequence.section_state import SectionState, Taught
from kopje.core.songs.suitability import SAID_KNOWN
from kopje.store import snapshot as store
from kopje.store.event_tables import StandingRow
from kopje.store.snapshot import ArcOverrideRow, PlannedRow, PlanRow, SectionRow
from kopje.usecases.context import Context
from kopje.usecases.setup.school_calendar import Calendar, calendar


@dataclass(frozen=True)
class PlannedPart:
    """A planned activity as it lies in a lesson that is planned."""

    id: UUID
    slot: str
    role: str
    choice: Choice
    material: Material
    minutes: int
    new: str | None
    left_over: bool
    pinned: bool


@dataclass(frozen=True)
class Planned:
    """A lesson that lies ahead."""

    id: UUID
    day: date
    starts: time
    minutes: int
    status: str
    version: int
    parts: tuple[PlannedPart, ...]


@dataclass(frozen=True)
class SectionNow:
    """Everything that judgements about a section are made from. `planned` lies ahead in order, or
    is running."""

    row: SectionRow
    sequence: Sequence
    calendar: Calendar
    today: date
    roll: int
    readiness: Mapping[ConceptKey, Readiness]
    arcs: tuple[Arc, ...]
    planned: tuple[Planned, ...]
    overrides: tuple[ArcOverrideRow, ...] = ()
    school: Habits = AS_SHIPPED

    @property
    def id(self) -> UUID:
        return self.row.id

    @property
    def name(self) -> str:
        return self.row.name

    @property
    def grade(self) -> int:
        return self.row.grade

    @property
    def upper(self) -> int:
        return self.row.upper

    @property
    def minutes(self) -> int:
        return self.row.minutes

    @property
    def plan(self) -> PlanRow | None:
        return self.row.plan

    @cached_property
    def held(self) -> SectionFacts:
        """What happened here."""
        return read(self.row.facts) if self.row.facts else NO_FACTS

    @cached_property
    def facts(self) -> SectionFacts:
        """What happened here, and the songs that the teacher says they know."""
        if not self.row.songs:
            return self.held
        told = {key: SAID_KNOWN for key in self.row.songs if key not in self.held.songs}
        return replace(self.held, songs={**self.held.songs, **told})

    @cached_property
    def habits(self) -> Habits:
        """The school's, with the minutes that activities really took here."""
        return self.school.lasting(self.held.usual_minutes)

    @property
    def template(self) -> Template:
        return self.school.template(self.grade)

    @cached_property
    def state(self) -> SectionState:
        return state_of(self.row, self.facts, self.sequence, self.readiness)

    @cached_property
    def lessons(self) -> tuple[LessonTime, ...]:
        """The lessons of its year."""
        return self.calendar.lessons(self.id)

    @property
    def concert_songs(self) -> tuple[tuple[date, tuple[str, ...]], ...]:
        """Days of this section's concerts with the songs that are kept warm for them."""
        return tuple((one.day, one.songs) for one in self.calendar.concerts if self.id in one.section_ids)

    def number_of(self, day: date, starts: time) -> int:
        """Which lesson of the year begins then; 0 for one that the calendar does not have."""
        return next((x.number for x in self.lessons if (x.day, x.starts) == (day, starts)), 0)

    def planned_at(self, day: date, starts: time) -> Planned | None:
        return next((one for one in self.planned if (one.day, one.starts) == (day, starts)), None)

    @cached_property
    def held_at(self) -> frozenset[tuple[date, time]]:
        """When lessons began that are not running any more."""
        return frozenset((x.day, x.starts) for x in self.facts.lessons if x.state != "running")

    @cached_property
    def next_time(self) -> LessonTime | None:
        """The first lesson of the calendar from today on that was not held yet."""
        coming = (one for one in self.lessons if one.day >= self.today)
        return next((one for one in coming if (one.day, one.starts) not in self.held_at), None)

    @cached_property
    def open(self) -> Planned | None:
        """The lesson that is running, or the first that lies ahead."""
        running = self.facts.running
        if running is not None:
            return next((one for one in self.planned if str(one.id) == running.id), None)
        ahead = (one for one in self.planned if self.number_of(one.day, one.starts))
        return next((one for one in ahead if (one.day, one.starts) not in self.held_at), None)

    def laid_in(self, day: date, starts: time) -> tuple[ConceptKey, ...]:
        """What the section's plan has in one lesson; empty without a plan."""
        return laid_in(self.arcs, self.number_of(day, starts) if self.arcs else 0)


def state_of(
    row: SectionRow, facts: SectionFacts, sequence: Sequence, readiness: Mapping[ConceptKey, Readiness]
) -> SectionState:
    """What the rules of the sequence ask of a section."""
    taught = {
        key: Taught(n.get("prepare", 0), n.get("present", 0), n.get("practise", 0))
        for key, n in facts.taught.items()
    }
    declared = frozenset(map(ConceptKey, row.declared))
    return SectionState(row.name, row.grade, sequence, declared, taught, readiness, row.upper)


@dataclass(frozen=True)
class Snapshot:
    """Sections in order of grade and name."""

    sections: tuple[SectionNow, ...]
    calendar: Calendar
    by_id: Mapping[UUID, SectionNow] = field(default_factory=dict)

    def section(self, section_id: UUID) -> SectionNow:
        found = self.by_id.get(section_id)
        if found is None:
            raise NotFoundError("no_such", what=because("what_section"), value=str(section_id))
        return found


class _NotRead(Mapping[Any, Any]):
    """Stands where something was left out: to ask for it is a mistake in the program, not an empty answer."""

    def __getitem__(self, key: object) -> Any:
        raise RuntimeError("this snapshot was taken without what is judged")

    def __iter__(self) -> Iterator[Any]:
        raise RuntimeError("this snapshot was taken without what is judged")

    def __len__(self) -> int:
        raise RuntimeError("this snapshot was taken without what is judged")


def snapshot(ctx: Context, only: Iterable[UUID] | None = None, judged: bool = True) -> Snapshot:
    """Of these sections, or of the whole school. Without `judged` for what shows only when something meets:
    neither arcs nor readiness are read."""
    ids = None if only is None else tuple(only)
    session, school = ctx.session, ctx.school_id
    cal = calendar(ctx)
    rows = store.sections(session, school, ids)
    rolls = store.rolls(session, school, ids, ctx.today)
    arcs = store.arcs(session, school, ids) if judged else {}
    planned = store.planned(session, school, ids, ctx.today)
    readiness = _readiness(ctx, rows, rolls, ids) if judged else {}
    found = tuple(
        SectionNow(
            row,
            ctx.sequence,
            cal,
            ctx.today,
            rolls.get(row.id, 0),
            readiness.get(row.id, {}) if judged else _NotRead(),
            tuple(Arc(ConceptKey(key), *numbers) for key, *numbers in arcs.get(row.id, ())),
            tuple(map(_planned, planned.get(row.id, ()))),
            row.overrides,
            ctx.habits,
        )
        for row in rows
    )
    return Snapshot(found, cal, {one.id: one for one in found})


def _part(
    key: str, slot: str, role: str, activity: str, kind: Any, material_id: str | None, concept: str | None,
    purpose: Any, minutes: int, new: str | None, left_over: bool, pinned: bool,
) -> PlannedPart:  # fmt: skip
    """From the columns of its row, in their order."""
    material = Material(kind, material_id)
    choice = Choice.of(activity, material, concept, purpose)
    return PlannedPart(UUID(key), slot, role, choice, material, minutes, new, left_over, pinned)


def _planned(row: PlannedRow) -> Planned:
    parts = tuple(_part(*one) for one in row.parts)
    return Planned(row.id, row.day, row.starts, row.minutes, row.status, row.version, parts)


def _readiness(
    ctx: Context, rows: Iterable[SectionRow], rolls: Mapping[UUID, int], only: tuple[UUID, ...] | None
) -> dict[UUID, dict[ConceptKey, Readiness]]:
    """By section, for every concept in which anybody on the roll was heard."""
    stones = store.stones(ctx.session, ctx.school_id, only, ctx.today)
    before = Before(ctx, rows)
    return {
        section: {
            ConceptKey(key): judge(rolls.get(section, 0), counts(children), ctx.rules.threshold(key))
            for key, children in _by_concept(found, section, before).items()
        }
        for section, found in stones
    }


def _by_concept(
    found: Iterable[store.Stones], section: UUID, before: Before
) -> dict[str, Counter[tuple[str, bool]]]:
    """The number of a section's children by concept, and by (level, due)."""
    by_concept: dict[str, Counter[tuple[str, bool]]] = {}
    for concept, level, children, last, singer in found:
        since = before.child(str(singer), section) if last else None
        due = is_due(level, date.fromisoformat(last), since) if last else False
        by_concept.setdefault(concept, Counter())[level, due] += children
    return by_concept


class Before:
    """The day before which a child's last mark makes it due: from the weeks in which any of its
    sections met."""

    def __init__(self, ctx: Context, rows: Iterable[SectionRow]) -> None:
        self._context = ctx
        self._rows = {row.id: row for row in rows}
        self._weeks: dict[UUID, tuple[date, ...]] = {}
        self._known: dict[tuple[UUID, ...], date | None] = {}

    @cached_property
    def _singers(self) -> dict[str, list[UUID]]:
        return store.sections_of_singers(self._context.session, self._context.school_id)

    @cached_property
    def _others(self) -> dict[UUID, SectionRow]:
        """Sections that were not asked for but that some child of theirs is in too."""
        return {row.id: row for row in store.sections(self._context.session, self._context.school_id, None)}

    def child(self, child: str, section: UUID) -> date | None:
        mine = tuple(self._singers.get(child, [section]))
        if mine not in self._known:
            rows = [self._rows.get(one) or self._others.get(one) for one in mine]
            there = [row for row in rows if row is not None]
            weeks = (week for row in there for week in self._met(row))
            self._known[mine] = due_before(
                weeks, max((r.rolled for r in there if r.rolled), default=None), self._context.rules.weeks
            )
        return self._known[mine]

    def due(self, row: StandingRow, section: UUID) -> bool:
        """Whether a standing as it is kept is to be heard again; the teacher's word never is."""
        return is_due(row.counts, row.fades_from, self.child(str(row.child_id), section))

    def _met(self, row: SectionRow) -> tuple[date, ...]:
        if row.id not in self._weeks:
            self._weeks[row.id] = read(row.facts).weeks if row.facts else ()
        return self._weeks[row.id]
