"""The year of a section as it stands: what is to be laid, the plan as fitted, and facts beside it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.year.arcs import (
    PRACTISED,
    Concert,
    Demand,
    Lengths,
    YearPlan,
    YearQuestion,
    learned,
    lengths_of,
    levels_in,
)
from kopje.core.planning.year.ways import slack, verdict
from kopje.core.reasons import Reason, because
from kopje.core.sequence.concepts import Concept, ConceptKey, day_in
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.section_state import SectionState, belongs
from kopje.store import snapshot as store
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, Snapshot, snapshot

CORE, OPTIONAL = 20, 2
RESERVE = 2


@dataclass(frozen=True)
class TaughtThen:
    """What was really taught in a lesson of the year, by its number."""

    lesson: int
    concept: ConceptKey
    purpose: str


@dataclass(frozen=True)
class SectionYear:
    """`held` lessons are over; `next_lesson` is the number of the one to come (beyond the last when the year
    is over)."""

    now: SectionNow
    held: int
    next_lesson: int
    taught_concepts: tuple[TaughtThen, ...]
    question: YearQuestion
    plan: YearPlan | None
    short: int
    reserve: int
    reason: Reason

    @property
    def lessons(self) -> tuple[LessonTime, ...]:
        return self.now.lessons

    @property
    def concerts(self) -> tuple[tuple[store.ConcertRow, int], ...]:
        """Concerts of this section, with the number of the last lesson before each."""
        mine = [c for c in self.now.calendar.concerts if self.now.id in c.section_ids]
        return tuple((c, sum(lesson.day < c.day for lesson in self.lessons)) for c in mine)

    @property
    def until_concert(self) -> Reason | None:
        """How many lessons until the next concert."""
        coming = [(c, last) for c, last in self.concerts if last >= self.next_lesson - 1]
        if not coming:
            return None
        concert, last = min(coming, key=lambda pair: pair[0].day)
        left = last - self.next_lesson + 1
        return because("year_until_concert", count=left, concert=concert.name, day=concert.day)


def section_year(ctx: Context, section_id: UUID) -> SectionYear:
    """Everything the ridge shows; nothing is fitted here."""
    found = snapshot(ctx, [section_id])
    return year_of(found.section(section_id), own_lengths(ctx))


def school_years(ctx: Context, found: Snapshot) -> tuple[SectionYear, ...]:
    """The years of all sections of a snapshot."""
    usual = own_lengths(ctx)
    return tuple(year_of(one, usual) for one in found.sections)


def year_of(now: SectionNow, usual: Lengths) -> SectionYear:
    """The year of a section, from its state; `usual`: how long arcs take in this school."""
    number = {(one.day, one.starts): one.number for one in now.lessons}
    done = [number[x.day, x.starts] for x in now.facts.over if (x.day, x.starts) in number]
    past = sum(one.day < now.today for one in now.lessons)
    next_lesson = max(past, max(done, default=0)) + 1
    taught_concepts = tuple(
        TaughtThen(number[x.day, x.starts], x.concept, x.purpose)
        for x in now.facts.taught_concepts
        if (x.day, x.starts) in number and x.concept in now.sequence.by_key
    )
    reserve = now.plan.reserve if now.plan else RESERVE
    question = _question(now, next_lesson, reserve, usual)
    plan = _kept_plan(now, question) if now.plan else None
    short = now.plan.short if now.plan else 0
    said = verdict(question, plan, short) if plan else because("year_not_laid")
    return SectionYear(now, len(done), next_lesson, taught_concepts, question, plan, short, reserve, said)


def _question(now: SectionNow, next_lesson: int, reserve: int, usual: Lengths) -> YearQuestion:
    state, lessons = now.state, now.lessons
    said = {override.concept: override for override in now.overrides}
    concepts = [c for c in now.sequence.concepts if belongs(c, state)]
    if now.grade == CHOIR:
        waiting = [c for c in concepts if c.core and not _known(c, state)]
        later = waiting[levels_in(len(lessons) - next_lesson + 1 - reserve, usual) :]
        concepts = [c for c in concepts if c not in later]
    known = frozenset(c.key for c in now.sequence.concepts if _known(c, state))
    demands = tuple(
        _demand(c, state, Word(c, said.get(c.key), lessons, next_lesson), usual)
        for c in concepts
        if c.key not in known and not (c.key in said and said[c.key].next_year)
    )
    last = len(lessons)
    concerts = tuple(
        Concert(c.name, sum(one.day < c.day for one in lessons), frozenset(map(ConceptKey, c.concepts)))
        for c in now.calendar.concerts
        if now.id in c.section_ids and c.day >= now.today
    )
    before = {arc.concept: arc.warm_start if arc.short else arc.start for arc in now.arcs}
    return YearQuestion(demands, min(next_lesson, last + 1), last, reserve, known, concerts, before)


def own_lengths(ctx: Context) -> Lengths:
    """How long arcs usually take in this school: from those that were prepared, named and practised at least
    four times."""
    done = [pair for pair in store.named(ctx.session, ctx.school_id) if pair[1] >= PRACTISED]
    return learned(done, lengths_of(ctx.sequence.wording.phases))


def _known(concept: Concept, state: SectionState) -> bool:
    """Declared, or carried through its practice here."""
    taught = state.taught_counts(concept.key)
    if concept.key in state.declared and not taught.presented:
        return True
    return taught.presented > 0 and (state.carried(concept.key) or state.ready(concept.key))


@dataclass(frozen=True)
class Word:
    """The teacher's word on one arc, and the sequence's on when it is named, against the lessons of
    the year."""

    concept: Concept
    override: store.ArcOverrideRow | None
    lessons: Sequence[LessonTime]
    next_lesson: int

    @property
    def earliest(self) -> int | None:
        """The first lesson on or after the day before which it must not be named."""
        day = (self.override.not_before if self.override else None) or self._said(self.concept.not_before)
        return sum(one.day < day for one in self.lessons) + 1 if day else None

    @property
    def latest(self) -> int | None:
        day = (self.override.not_after if self.override else None) or self._said(self.concept.not_after)
        return sum(one.day <= day for one in self.lessons) if day else None

    def _said(self, month_day: str) -> date | None:
        return day_in(month_day, self.lessons[0].day, self.lessons[-1].day) if self.lessons else None

    @property
    def pause(self) -> tuple[int, int]:
        """(lessons of the arc before it rests, lessons of rest left), both counted from where it goes on."""
        if self.override is None or not self.override.pause or self.override.pause_from is None:
            return 0, 0
        begin = max(self.override.start or 0, self.next_lesson)
        left = self.override.pause_from + self.override.pause - max(self.override.pause_from, begin)
        return max(self.override.pause_from - begin, 0), max(left, 0)


def _demand(concept: Concept, state: SectionState, word: Word, usual: Lengths) -> Demand:
    taught, override, lengths = state.taught_counts(concept.key), word.override, usual
    if override and (override.prepare or override.practise):
        prepare, practise = override.prepare or usual.prepare, override.practise or usual.practise
        lengths = Lengths(prepare, practise, prepare, practise)
    after, rest = word.pause
    return Demand(
        concept,
        CORE if concept.core else OPTIONAL,
        taught.prepared,
        taught.presented > 0,
        taught.practised,
        word.earliest,
        word.latest,
        override.start if override else None,
        lengths,
        after,
        rest,
    )


def _kept_plan(now: SectionNow, question: YearQuestion) -> YearPlan | None:
    """The plan as it was fitted; what has been finished or dropped since is left aside."""
    if now.plan is None:
        return None
    mine = tuple(arc for arc in now.arcs if arc.concept in question.by_key)
    out = tuple(ConceptKey(key) for key in now.plan.left_out if key in question.by_key)
    return YearPlan(mine, out, now.plan.status, now.plan.gap, 0)  # type: ignore[arg-type]  # a status as it was stored


def spare(found: SectionYear) -> int:
    """Lessons left over by the plan; 0 without one."""
    return slack(found.question, found.plan, found.short) if found.plan else 0
