"""Calendars, years and weeks on the wire."""

from __future__ import annotations

from datetime import date, time
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, field_validator

from kopje.api.schemas.base import Body, Day, Name, Read, Small
from kopje.api.schemas.lessons import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.core.planning.calendar import Span, available_minutes
from kopje.core.planning.year.arcs import Arc, YearPlan
from kopje.core.planning.year.ways import WayOut
from kopje.usecases.setup.school_calendar import Calendar
from kopje.usecases.year.plan_year import NewArcOverride
from kopje.usecases.year.read_school_year import SchoolGlance
from kopje.usecases.year.read_week import WeekDay, WeekLesson
from kopje.usecases.year.section_year import SectionYear, spare
from kopje.usecases.year.whereabouts import Whereabouts
from kopje.words import Words

Clock = Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
Key = Annotated[str, Field(max_length=60)]
Ids = Annotated[list[Annotated[UUID, Field(strict=False)]], Field(max_length=60)]


class SpanBody(Body):
    name: Annotated[str, Field(max_length=120)] = Field(examples=["First term"])
    first: Day = Field(examples=["2026-08-24"])
    last: Day = Field(examples=["2026-12-18"])

    def value(self) -> Span:
        return Span(self.first, self.last, self.name.strip())


class SpanRead(Read):
    name: str
    first: date
    last: date


class PeriodsBody(Body):
    terms: Annotated[list[SpanBody], Field(max_length=12)] = Field(
        examples=[[{"name": "First term", "first": "2026-08-24", "last": "2026-12-18"}]]
    )
    holidays: Annotated[list[SpanBody], Field(max_length=60)] = Field(examples=[[]])
    cycle: Annotated[int, Field(ge=0, le=20)] = Field(examples=[0])


class LessonChangeBody(Body):
    """No section named: all of them. No time: the whole day."""

    kind: Literal["lost", "extra"] = Field(examples=["lost"])
    day: Day = Field(examples=["2026-11-27"])
    starts: Clock | None = Field(examples=[None])
    why: Annotated[str, Field(max_length=120)] = Field(examples=["Assembly"])
    section_ids: Ids = Field(examples=[[]])


class LessonChangeRead(Read):
    id: UUID
    kind: str
    day: date
    starts: str | None
    why: str
    section_id: UUID | None

    @field_validator("starts", mode="before")
    @classmethod
    def _hours_and_minutes(cls, value: time | None) -> str | None:
        return f"{value:%H:%M}" if value else None


class ConcertBody(Body):
    name: Name = Field(examples=["Autumn concert"])
    day: Day = Field(examples=["2026-12-17"])
    section_ids: Ids = Field(examples=[[]])
    concepts: Annotated[list[Key], Field(max_length=60)] = Field(examples=[["so-mi"]])


class ConcertRead(Read):
    id: UUID
    name: str
    day: date
    section_ids: list[UUID]
    concepts: list[str]


class CalendarRead(Read):
    """`assumed`: no terms were entered yet, so September to June is taken."""

    terms: list[SpanRead]
    holidays: list[SpanRead]
    cycle: int
    assumed: bool
    changes: list[LessonChangeRead]
    concerts: list[ConcertRead]

    @classmethod
    def of(cls, c: Calendar) -> CalendarRead:
        return cls(
            terms=[SpanRead.model_validate(one) for one in c.year.terms],
            holidays=[SpanRead.model_validate(one) for one in c.year.holidays],
            cycle=c.year.cycle,
            assumed=c.assumed,
            changes=[LessonChangeRead.model_validate(one) for one in c.changes],
            concerts=[ConcertRead.model_validate(one) for one in c.concerts],
        )


class ArcOverrideBody(Body):
    """The teacher's word on one arc; everything null and false takes it back."""

    concept: Key = Field(examples=["do"])
    start: Annotated[int, Field(ge=1, le=600)] | None = Field(default=None, examples=[None])
    prepare: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, examples=[5])
    practise: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, examples=[None])
    next_year: bool = Field(default=False, examples=[False])
    not_before: Day | None = Field(default=None, examples=[None])
    not_after: Day | None = Field(default=None, examples=[None])
    pause_from: Annotated[int, Field(ge=1, le=600)] | None = Field(default=None, examples=[None])
    pause: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, examples=[None])

    def value(self) -> NewArcOverride:
        return NewArcOverride(**self.model_dump())


class ArcOverridesBody(Body):
    overrides: Annotated[list[ArcOverrideBody], Field(max_length=60)] = Field(
        examples=[[{"concept": "do", "prepare": 5}]]
    )
    reserve: Annotated[int, Field(ge=0, le=20)] | None = Field(default=None, examples=[None])


class PhaseRead(Read):
    """A run of lessons in one phase."""

    phase: str
    first: int
    last: int


class ArcRead(Read):
    """A stratum of the ridge. `fixed`: where the teacher put it."""

    concept: ConceptRead
    line: Literal["rhythm", "melody", "other"]
    phases: list[PhaseRead]
    start: Small
    end: Small
    begun: bool
    fixed: bool
    core: bool
    short: bool

    @classmethod
    def of(cls, arc: Arc, words: Words, fixed: bool) -> ArcRead:
        c = words.sequence.concept(arc.concept)
        first = min(arc.start, arc.warm_start)
        return cls(
            concept=ConceptRead.of(c, words),
            line=c.line,
            phases=phases(arc),
            start=first,
            end=arc.end,
            begun=arc.prepared > 0 or arc.presented,
            fixed=fixed,
            core=c.core,
            short=arc.short,
        )


def phases(arc: Arc) -> list[PhaseRead]:
    """Runs of lessons in the same phase."""
    lessons = range(min(arc.start, arc.warm_start), arc.end + 1)
    named = [(phase, lesson) for lesson in lessons if (phase := arc.phase(lesson)) is not None]
    runs: list[PhaseRead] = []
    for phase, lesson in named:
        if runs and runs[-1].phase == phase and runs[-1].last == lesson - 1:
            runs[-1].last = lesson
        else:
            runs.append(PhaseRead(phase=phase, first=lesson, last=lesson))
    return runs


class TaughtConceptRead(Read):
    lesson: int
    concept: str
    purpose: str


class CutRead(Read):
    """A cut through the ridge before lesson `before`: a holiday or a concert."""

    kind: Literal["holiday", "concert"]
    name: str
    before: int
    day: date


class ArcOverrideRead(Read):
    concept: str
    start: int | None
    prepare: int | None
    practise: int | None
    next_year: bool
    not_before: date | None = None
    not_after: date | None = None
    pause_from: int | None = None
    pause: int | None = None


class YearRead(Read):
    """`lessons` are the days; lesson n is lessons[n - 1]. `gap`: at most so many points from the
    best plan. `can_undo`: the teacher's last change of it can be taken back."""

    section: SectionRead
    lessons: list[date]
    held: int
    next_lesson: int
    minutes_left: int
    sentence: str
    short: int
    spare: int
    reserve: int
    status: str
    gap: int
    fitted: bool
    assumed: bool
    arcs: list[ArcRead]
    left_out: list[ConceptRead]
    next_year: list[ConceptRead]
    taught_concepts: list[TaughtConceptRead]
    taught: list[ConceptRead]
    cuts: list[CutRead]
    overrides: list[ArcOverrideRead]
    until_concert: str
    can_undo: bool

    @classmethod
    def of(cls, y: SectionYear, words: Words) -> YearRead:
        sequence, overrides = words.sequence, y.now.overrides
        plan = y.plan or YearPlan((), ())
        fixed = {override.concept for override in overrides if override.start is not None}
        moved = [override.concept for override in overrides if override.next_year]
        seen = dict.fromkeys(taught_concept.concept for taught_concept in y.taught_concepts)
        return cls(
            section=SectionRead.model_validate(y.now),
            lessons=[one.day for one in y.lessons],
            held=y.held,
            next_lesson=y.next_lesson,
            minutes_left=available_minutes(y.lessons[y.next_lesson - 1 :], y.now.minutes),
            sentence=words.say(y.reason),
            short=y.short,
            spare=spare(y),
            reserve=y.reserve,
            status=plan.status,
            gap=plan.cost,
            fitted=y.plan is not None,
            assumed=y.now.calendar.assumed,
            arcs=[ArcRead.of(arc, words, arc.concept in fixed) for arc in plan.arcs],
            left_out=[ConceptRead.of(sequence.concept(key), words) for key in plan.left_out],
            next_year=[ConceptRead.of(sequence.concept(key), words) for key in moved],
            taught_concepts=[
                TaughtConceptRead.model_validate(taught_concept) for taught_concept in y.taught_concepts
            ],
            taught=[ConceptRead.of(sequence.concept(key), words) for key in seen],
            cuts=cuts(y),
            overrides=[ArcOverrideRead.model_validate(override) for override in overrides],
            until_concert=words.say(y.until_concert) if y.until_concert else "",
            can_undo=y.now.row.steps > 0,
        )


def cuts(y: SectionYear) -> list[CutRead]:
    found = []
    for off in y.now.calendar.year.holidays:
        before = sum(one.day < off.first for one in y.lessons)
        if 0 < before < len(y.lessons) and (off.last - off.first).days >= 3:
            found.append(CutRead(kind="holiday", name=off.name, before=before + 1, day=off.first))
    for concert, last in y.concerts:
        found.append(CutRead(kind="concert", name=concert.name, before=last + 1, day=concert.day))
    return sorted(found, key=lambda cut: cut.before)


class WayOutRead(Read):
    """One way out: what it says, what taking it would send, and its plan to look at."""

    kind: str
    sentence: str
    overrides: list[ArcOverrideRead]
    reserve: int
    arcs: list[ArcRead]
    left_out: list[ConceptRead]

    @classmethod
    def of(cls, way: WayOut, words: Words) -> WayOutRead:
        sequence = words.sequence
        later = way.plan.left_out if way.kind in ("next_year", "both") else ()
        return cls(
            kind=way.kind,
            sentence=words.say(way.reason),
            reserve=way.question.reserve,
            overrides=[
                ArcOverrideRead(concept=key, start=None, prepare=None, practise=None, next_year=True)
                for key in later
            ],
            arcs=[ArcRead.of(arc, words, False) for arc in way.plan.arcs],
            left_out=[ConceptRead.of(sequence.concept(key), words) for key in way.plan.left_out],
        )


class AtWorkRead(Read):
    concept: ConceptRead
    phase: str


class WhereRead(Read):
    section: SectionRead
    lessons: int
    at_work: list[AtWorkRead]
    behind: int
    spare: int

    @classmethod
    def of(cls, w: Whereabouts, words: Words) -> WhereRead:
        return cls(
            section=SectionRead.model_validate(w.section),
            lessons=w.lessons,
            behind=w.behind,
            spare=w.spare,
            at_work=[AtWorkRead(concept=ConceptRead.of(c, words), phase=phase) for c, phase in w.at_work],
        )


class GradeRead(Read):
    """A grade's sections side by side on a day, and the drift between them in words."""

    grade: int
    day: date
    sentence: str
    sections: list[WhereRead]


class SlackRead(Read):
    """One section in the school's year at a glance."""

    section: SectionRead
    sentence: str
    short: int
    spare: int
    held: int
    lessons: int
    next_lesson: int
    fitted: bool


class SchoolYearRead(Read):
    """`tightest`: the grade with the least slack, which the sentence names; null while no year is laid."""

    sentence: str
    tightest: int | None
    sections: list[SlackRead]

    @classmethod
    def of(cls, found: SchoolGlance, words: Words) -> SchoolYearRead:
        rows = [
            SlackRead(
                section=SectionRead.model_validate(y.now),
                sentence=words.say(y.reason),
                short=y.short,
                spare=spare(y),
                held=y.held,
                lessons=len(y.lessons),
                next_lesson=y.next_lesson,
                fitted=y.plan is not None,
            )
            for y in found.years
        ]
        return cls(sentence=words.say(found.reason), tightest=found.tightest, sections=rows)


class WeekLessonRead(Read):
    """One lesson of the week: its number, what is due in it, and what must be set up since the
    class before."""

    section: SectionRead
    starts: str
    number: int
    at_work: list[AtWorkRead]
    lesson_id: UUID | None
    state: str
    left_over: int
    fetch: list[str]
    change: str

    @classmethod
    def of(cls, w: WeekLesson, words: Words) -> WeekLessonRead:
        return cls(
            section=SectionRead.model_validate(w.entry.section),
            starts=f"{w.time.starts:%H:%M}",
            number=w.time.number,
            at_work=[AtWorkRead(concept=ConceptRead.of(c, words), phase=phase) for c, phase in w.at_work],
            lesson_id=w.entry.lesson_id,
            state=w.entry.state or "",
            left_over=w.entry.left_over,
            fetch=list(w.fetch),
            change=words.term(w.change) if w.change else "",
        )


class WeekDayRead(Read):
    day: date
    holiday: str
    lessons: list[WeekLessonRead]

    @classmethod
    def of(cls, w: WeekDay, words: Words) -> WeekDayRead:
        holiday = words.term(w.holiday) if w.holiday else ""
        return cls(day=w.day, holiday=holiday, lessons=[WeekLessonRead.of(one, words) for one in w.lessons])
