"""Calendars, years and weeks on the wire."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Read, Small
from kopje.api.schemas.calendar import Key
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.core.planning.calendar import available_minutes
from kopje.core.planning.year.arcs import Arc, YearPlan
from kopje.core.planning.year.ways import WayOut
from kopje.usecases.year.plan_year import NewArcOverride
from kopje.usecases.year.section_year import SectionYear, spare
from kopje.words import Words


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
