"""The year of a section: what is to be laid, the plan as fitted, facts beside it, and the teacher's word on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from uuid import UUID

from kopje.core.errors import PlanError
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
)
from kopje.core.planning.year.fit import fit_year
from kopje.core.planning.year.ways import WayOut, conflict, sentence, short_by, ways_out
from kopje.core.reasons import counted
from kopje.core.sequence.arcs import PRACTISE_LESSONS, SectionState
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.store import sections, year
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import Calendar, calendar
from kopje.usecases.section_state import state_of

CORE, OPTIONAL = 20, 2
RESERVE = 2
LONGEST_PHASE = 12


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
    known = frozenset(c.key for c in call.sequence.concepts if _known(c, state))
    demands = tuple(
        _demand(c, state, said.get(c.key), usual)
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
    return learned((n["prepare"], n["practise"]) for n in done)


def _belongs(concept: Concept, grade: int, state: SectionState) -> bool:
    """Core of this grade and earlier ones, the optional of this grade, and whatever has begun here."""
    touches = state.touches(concept.key)
    begun = touches.prepared > 0 or touches.presented > 0
    return begun or (concept.grade <= grade and (concept.core or concept.grade == grade))


def _known(concept: Concept, state: SectionState) -> bool:
    """Declared, or carried through its practice here."""
    touches = state.touches(concept.key)
    if concept.key in state.declared and not touches.presented:
        return True
    return touches.presented > 0 and (touches.practised >= PRACTISE_LESSONS or state.ready(concept.key))


def _demand(concept: Concept, state: SectionState, wish: t.Wish | None, usual: Lengths) -> Demand:
    touches = state.touches(concept.key)
    lengths = usual
    if wish and (wish.prepare or wish.practise):
        prepare, practise = wish.prepare or usual.prepare, wish.practise or usual.practise
        lengths = Lengths(prepare, practise, prepare, practise)
    return Demand(
        concept, CORE if concept.core else OPTIONAL, touches.prepared, touches.presented > 0, touches.practised,
        fixed=wish.start if wish else None, lengths=lengths,
    )  # fmt: skip


def _kept_plan(kept: t.YearPlan, arcs: Sequence[t.Arc], question: YearQuestion) -> YearPlan:
    """The plan as it was fitted; what has been finished or dropped since is left aside."""
    mine = tuple(
        Arc(
            ConceptKey(a.concept),
            a.start,
            a.new,
            a.middle,
            a.warm_start,
            a.warm,
            a.presented,
            a.short,
            a.prepared,
        )
        for a in arcs
        if a.concept in question.by_key
    )
    out = tuple(ConceptKey(key) for key in kept.left_out if key in question.by_key)
    return YearPlan(mine, out, kept.status, kept.gap, 0)  # type: ignore[arg-type]


def fit(call: Call, section_id: UUID) -> SectionYear:
    """Lay (or lay again) what is still to come. What was taught stays as it was; the plan before is kept near."""
    found = section_year(call, section_id)
    if not found.lessons:
        raise PlanError(
            f"{found.section.name} has no lessons this year. Give it meeting times in Set-up, then ask again."
        )
    question = _allowed(found.question)
    plan = fit_year(question)
    short = short_by(question)
    _keep(call, section_id, plan, short, found.reserve)
    return section_year(call, section_id)


def _allowed(question: YearQuestion) -> YearQuestion:
    """A start that lies in the past by now no longer binds."""
    demands = tuple(
        replace(d, fixed=None) if d.fixed is not None and d.fixed < question.first else d
        for d in question.demands
    )
    return replace(question, demands=demands)


def _keep(call: Call, section_id: UUID, plan: YearPlan, short: int, reserve: int) -> None:
    row = year.plan(call.session, section_id)
    if row is None:
        row = t.YearPlan(section_id=section_id, school_id=call.school_id)
        call.session.add(row)
    row.reserve, row.status, row.gap = reserve, plan.status, max(plan.cost - plan.bound, 0)
    row.short, row.left_out, row.made = short, list(plan.left_out), call.now
    year.clear_arcs(call.session, section_id)
    for arc in plan.arcs:
        call.session.add(
            t.Arc(id=call.new_id(), school_id=call.school_id, section_id=section_id, concept=arc.concept, start=arc.start,
                  new=arc.new, middle=arc.middle, warm_start=arc.warm_start, warm=arc.warm, presented=arc.presented,
                  short=arc.short, prepared=arc.prepared)
        )  # fmt: skip
    call.session.flush()


@dataclass(frozen=True, slots=True)
class NewWish:
    """The teacher's word on one concept; all None and False takes it back."""

    concept: str
    start: int | None = None
    prepare: int | None = None
    practise: int | None = None
    next_year: bool = False


def wish(call: Call, section_id: UUID, wishes: Sequence[NewWish], reserve: int | None = None) -> SectionYear:
    """Take the teacher's word and lay the rest anew around it; a collision is refused and named, and nothing changes."""
    found = section_year(call, section_id)
    year.clear_wishes(call.session, section_id, [one.concept for one in wishes])
    for one in wishes:
        call.sequence.concept(one.concept)
        if one.start is not None and not found.next_lesson <= one.start <= len(found.lessons):
            raise PlanError(
                f"Lesson {one.start} is not among the lessons to come ({found.next_lesson} to {len(found.lessons)}). Nothing was changed."
            )
        if any(
            length is not None and not 1 <= length <= LONGEST_PHASE for length in (one.prepare, one.practise)
        ):
            raise PlanError(f"A phase has 1 to {LONGEST_PHASE} lessons. Nothing was changed.")
        if one.start or one.prepare or one.practise or one.next_year:
            call.session.add(t.Wish(id=call.new_id(), school_id=call.school_id, section_id=section_id, concept=one.concept,
                                    start=one.start, prepare=one.prepare, practise=one.practise, next_year=one.next_year))  # fmt: skip
    call.session.flush()
    if reserve is not None:
        _keep(call, section_id, found.plan or YearPlan((), ()), found.short, reserve)
    question = _allowed(section_year(call, section_id).question)
    collisions = conflict(question)
    if collisions:
        said = " ".join(reason.sentence for reason in collisions)
        raise PlanError(f"These cannot all be kept: {said} Nothing was changed.", value=said)
    return fit(call, section_id)


def ways(call: Call, section_id: UUID) -> tuple[WayOut, ...]:
    """Up to three ways to make a year fit that is too full; none where it fits."""
    question = _allowed(section_year(call, section_id).question)
    return ways_out(question) if short_by(question) else ()


def spare(found: SectionYear) -> int:
    """Lessons left after the last arc; below zero where the year is short."""
    if found.plan is None:
        return 0
    end = max((arc.end for arc in found.plan.arcs), default=found.next_lesson - 1)
    return len(found.lessons) - max(end, found.next_lesson - 1) if not found.short else -found.short
