"""The year of a section as it stands: what is to be laid, the plan as fitted, and facts beside it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, time
from uuid import UUID

from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.year.arcs import (
    PRACTISED,
    Arc,
    Concert,
    Demand,
    Lengths,
    YearPlan,
    YearQuestion,
    learned,
    lengths_of,
)
from kopje.core.planning.year.ways import sentence
from kopje.core.reasons import counted
from kopje.core.sequence.arcs import SectionState
from kopje.core.sequence.concepts import CHOIR, Concept, ConceptKey, day_in
from kopje.store import sections, year
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import Calendar, calendar
from kopje.usecases.section_state import state_of

CORE, OPTIONAL = 20, 2
RESERVE = 2
HELD = 5  # lessons that an arc of usual length holds the new place


@dataclass(frozen=True)
class Touch:
    """What was really done in a lesson."""

    lesson: int
    concept: ConceptKey
    purpose: str


@dataclass(frozen=True)
class SectionYear:
    """`held` lessons are over; `next_lesson` is the number of the one to come (beyond the last when the year is over)."""

    section: t.Section
    calendar: Calendar
    lessons: tuple[LessonTime, ...]
    held: int
    next_lesson: int
    touches: tuple[Touch, ...]
    question: YearQuestion
    plan: YearPlan | None
    short: int
    reserve: int
    sentence: str
    wishes: tuple[t.Wish, ...]
    state: SectionState

    @property
    def concerts(self) -> tuple[tuple[t.Concert, int], ...]:
        """Concerts of this section, with the number of the last lesson before each."""
        mine = [c for c in self.calendar.concerts if str(self.section.id) in c.section_ids]
        return tuple((c, sum(lesson.day < c.day for lesson in self.lessons)) for c in mine)

    @property
    def until_concert(self) -> str:
        """How many lessons until the next concert, as a sentence; empty without one."""
        coming = [(c, last) for c, last in self.concerts if last >= self.next_lesson - 1]
        if not coming:
            return ""
        concert, last = min(coming, key=lambda pair: pair[0].day)
        return f"{counted(last - self.next_lesson + 1, 'lesson')} until {concert.name}, {concert.day:%-d %b}."


def section_year(call: Call, section_id: UUID, found: Calendar | None = None) -> SectionYear:
    """Everything the ridge shows; nothing is fitted here."""
    section = sections.section(call.session, call.school_id, section_id)
    cal = found or calendar(call)
    lessons = cal.lessons(section_id)
    number = {(one.day, one.starts): one.number for one in lessons}
    done = [number[moment] for moment in year.held(call.session, section_id) if moment in number]
    past = sum(one.day < call.today for one in lessons)
    next_lesson = max(past, max(done, default=0)) + 1
    touches = tuple(
        Touch(number[day, starts], ConceptKey(concept), purpose)
        for day, starts, concept, purpose in year.touches(call.session, section_id)
        if (day, starts) in number and concept in call.sequence.by_key
    )
    state = state_of(call, section)
    kept = year.plan(call.session, section_id)
    wishes = tuple(year.wishes(call.session, section_id))
    arcs = year.arcs(call.session, section_id)
    reserve = kept.reserve if kept else RESERVE
    usual = own_lengths(call)
    question = _question(call, section, cal, lessons, next_lesson, state, wishes, arcs, reserve, usual)
    plan = _kept_plan(kept, arcs, question) if kept else None
    short = kept.short if kept else 0
    said = sentence(question, plan, short) if plan else "Nothing is laid over this year yet."
    return SectionYear(
        section,
        cal,
        lessons,
        len(done),
        next_lesson,
        touches,
        question,
        plan,
        short,
        reserve,
        said,
        wishes,
        state,
    )


def _question(
    call: Call, section: t.Section, cal: Calendar, lessons: Sequence[LessonTime], next_lesson: int, state: SectionState,
    wishes: Sequence[t.Wish], arcs: Sequence[t.Arc], reserve: int, usual: Lengths,
) -> YearQuestion:  # fmt: skip
    said = {wish.concept: wish for wish in wishes}
    concepts = [c for c in call.sequence.concepts if _belongs(c, section.grade, state)]
    if section.grade == CHOIR:
        concepts = _as_many_levels(concepts, state, len(lessons) - next_lesson + 1)
    known = frozenset(c.key for c in call.sequence.concepts if _known(c, state))
    demands = tuple(
        _demand(c, state, Word(c, said.get(c.key), lessons, next_lesson), usual)
        for c in concepts
        if c.key not in known and not (c.key in said and said[c.key].next_year)
    )
    last = len(lessons)
    concerts = tuple(
        Concert(c.name, sum(one.day < c.day for one in lessons), frozenset(map(ConceptKey, c.concepts)))
        for c in cal.concerts
        if str(section.id) in c.section_ids and c.day >= call.today
    )
    before = {ConceptKey(arc.concept): arc.warm_start if arc.short else arc.start for arc in arcs}
    return YearQuestion(demands, min(next_lesson, last + 1), last, reserve, known, concerts, before)


def own_lengths(call: Call) -> Lengths:
    """How long arcs usually take in this school: from those that were prepared, named and practised at least four times."""
    counts: dict[tuple[UUID, str], dict[str, int]] = {}
    for section, concept, purpose, count in year.touch_counts(call.session, call.school_id):
        counts.setdefault((section, concept), {})[purpose] = count
    done = [
        n
        for n in counts.values()
        if n.get("present") and n.get("prepare") and n.get("practise", 0) >= PRACTISED
    ]
    usual = lengths_of(call.sequence.wording.phases)
    return learned(((n["prepare"], n["practise"]) for n in done), usual)


def _belongs(concept: Concept, grade: int, state: SectionState) -> bool:
    """Core of this grade and earlier ones, the optional of this grade, and whatever has begun here; choirs have their own."""
    touches = state.touches(concept.key)
    begun = touches.prepared > 0 or touches.presented > 0
    if (concept.grade == CHOIR) != (grade == CHOIR):
        return begun
    return begun or (concept.grade <= grade and (concept.core or concept.grade == grade))


def _as_many_levels(concepts: Sequence[Concept], state: SectionState, lessons: int) -> list[Concept]:
    """Of a choir's levels as many as these lessons hold: the ladder goes on next year, and nothing is short of it."""
    room = max((lessons - HELD) // HELD, 1)
    waiting = [c for c in concepts if c.core and not _known(c, state)]
    later = {c.key for c in waiting[room:]}
    return [c for c in concepts if c.key not in later]


def _known(concept: Concept, state: SectionState) -> bool:
    """Declared, or carried through its practice here."""
    touches = state.touches(concept.key)
    if concept.key in state.declared and not touches.presented:
        return True
    return touches.presented > 0 and (state.carried(concept.key) or state.ready(concept.key))


@dataclass(frozen=True)
class Word:
    """The teacher's word on one arc, and the sequence's on when it is named, against the lessons of the year."""

    concept: Concept
    wish: t.Wish | None
    lessons: Sequence[LessonTime]
    next_lesson: int

    @property
    def earliest(self) -> int | None:
        """The first lesson on or after the day before which it must not be named."""
        day = (self.wish.not_before if self.wish else None) or self._said(self.concept.not_before)
        return sum(one.day < day for one in self.lessons) + 1 if day else None

    @property
    def latest(self) -> int | None:
        day = (self.wish.not_after if self.wish else None) or self._said(self.concept.not_after)
        return sum(one.day <= day for one in self.lessons) if day else None

    def _said(self, month_day: str) -> date | None:
        return day_in(month_day, self.lessons[0].day, self.lessons[-1].day) if self.lessons else None

    @property
    def pause(self) -> tuple[int, int]:
        """(lessons of the arc before it rests, lessons of rest left), both counted from where it goes on."""
        if self.wish is None or not self.wish.pause or self.wish.pause_from is None:
            return 0, 0
        begin = max(self.wish.start or 0, self.next_lesson)
        left = self.wish.pause_from + self.wish.pause - max(self.wish.pause_from, begin)
        return max(self.wish.pause_from - begin, 0), max(left, 0)


def _demand(concept: Concept, state: SectionState, word: Word, usual: Lengths) -> Demand:
    touches, wish, lengths = state.touches(concept.key), word.wish, usual
    if wish and (wish.prepare or wish.practise):
        prepare, practise = wish.prepare or usual.prepare, wish.practise or usual.practise
        lengths = Lengths(prepare, practise, prepare, practise)
    after, rest = word.pause
    return Demand(
        concept, CORE if concept.core else OPTIONAL, touches.prepared, touches.presented > 0, touches.practised,
        word.earliest, word.latest, wish.start if wish else None, lengths, after, rest,
    )  # fmt: skip


def _arc(a: t.Arc) -> Arc:
    return Arc(ConceptKey(a.concept), a.start, a.new, a.middle, a.warm_start, a.warm, a.presented, a.short, a.prepared,
               a.pause_after, a.pause)  # fmt: skip


def _kept_plan(kept: t.YearPlan, arcs: Sequence[t.Arc], question: YearQuestion) -> YearPlan:
    """The plan as it was fitted; what has been finished or dropped since is left aside."""
    mine = tuple(_arc(row) for row in arcs if row.concept in question.by_key)
    out = tuple(ConceptKey(key) for key in kept.left_out if key in question.by_key)
    return YearPlan(mine, out, kept.status, kept.gap, 0)  # type: ignore[arg-type]


def laid_in(call: Call, section_id: UUID, day: date, starts: time) -> tuple[ConceptKey, ...]:
    """What the section's plan has in one lesson: what is new, then what is practised, then short arcs; what is only kept
    warm is left to review. Empty without a plan."""
    rows = year.arcs(call.session, section_id)
    if not rows:
        return ()
    lessons = calendar(call).lessons(section_id)
    number = next((one.number for one in lessons if (one.day, one.starts) == (day, starts)), 0)
    places = [(arc.place(number), arc) for arc in map(_arc, rows)]
    order = ("new", "practised", "warm")
    found = sorted(
        (order.index(place), arc.concept) for place, arc in places if place and (place != "warm" or arc.short)
    )
    return tuple(concept for _, concept in found)


def spare(found: SectionYear) -> int:
    """Lessons left after the last arc; below zero where the year is short."""
    if found.plan is None:
        return 0
    end = max((arc.end for arc in found.plan.arcs), default=found.next_lesson - 1)
    return len(found.lessons) - max(end, found.next_lesson - 1) if not found.short else -found.short
