"""What a class reads, on the wire."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read, ReasonRead
from kopje.api.schemas.lessons import is_known, told_sentence
from kopje.api.schemas.rounds import StandingsRead
from kopje.api.schemas.songs import ToneRead
from kopje.core.analysis.tonic import falling_scale, tonic_pattern
from kopje.core.practice.reading.evidence import HELPED, Advice, Helped, Shown, Weak
from kopje.core.practice.reading.given import Change, Dose, Sort, Wish
from kopje.core.practice.reading.own import Kind
from kopje.core.practice.reading.routine import Orientation, Routine, Step
from kopje.core.reasons import Named
from kopje.core.sequence.concepts import ConceptKey
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice import exercises
from kopje.usecases.practice.readings import OfferNow, Practice

Due = Annotated[str, Field(min_length=1, max_length=60)]


class WishBody(Body):
    """What kind of exercise: `sort` and `due` as offered; `change` makes it one thing harder or easier. What
    is empty is chosen by what is usual."""

    sort: Sort = Field(examples=["rhythm"])
    due: Due = Field(examples=["quarter-eighths"])
    bars: Literal[2, 4, 8] = Field(4, examples=[4])
    meter: Annotated[str, Field(pattern=r"^([234]/4)?$")] = Field("", examples=[""])
    do: Annotated[str, Field(pattern=r"^([A-G]b?)?$")] = Field("", examples=[""])
    motion: Kind = Field("leaps", examples=["leaps"])
    dose: Dose = Field("some", examples=["some"])
    plain: bool = Field(False, examples=[False])
    change: exercises.Asked = Field("same", examples=["same"])

    def value(self) -> Wish:
        return Wish(self.sort, self.due, self.bars, self.meter, self.do, self.motion, self.dose, self.plain)


class FreshBody(Body):
    """`fresh`: another one like it; `change`: one thing harder or easier."""

    fresh: bool = Field(False, examples=[False])
    change: exercises.Asked = Field("same", examples=["same"])


class RoutineBody(Body):
    orientation: Orientation = Field("tonic", examples=["tonic"])
    look: Annotated[int, Field(ge=0, le=120)] = Field(20, examples=[20])
    chant: bool = Field(True, examples=[True])
    inside: bool = Field(True, examples=[True])
    again: bool = Field(False, examples=[False])
    models: bool = Field(False, examples=[False])
    calls: Annotated[int, Field(ge=1, le=3)] = Field(2, examples=[2])
    spoken_rests: bool = Field(False, examples=[False])
    easy_end: bool = Field(True, examples=[True])

    def value(self) -> Routine:
        return Routine(**self.model_dump())


class RoutineRead(Read):
    orientation: Orientation
    look: int
    chant: bool
    inside: bool
    again: bool
    models: bool
    calls: int
    spoken_rests: bool
    easy_end: bool
    steps: list[Step]

    @classmethod
    def of(cls, routine: Routine) -> RoutineRead:
        return cls(**routine.values(), steps=list(routine.steps))


class OfferRead(Read):
    """Something to read: how often it was read, how often cleanly, which syllables it still needs (`every`,
    `skips`, `first`, `none`), and what comes next with the reason."""

    sort: Sort
    due: str
    name: str
    sign: str
    read: int
    clean: int
    help: Shown
    advice: Advice
    why: str
    meters: list[str]

    @classmethod
    def of(cls, one: OfferNow, ctx: Context) -> OfferRead:
        concept = ctx.sequence.by_key[ConceptKey(one.offer.due)]
        return cls(
            sort=one.offer.sort,
            due=one.offer.due,
            name=ctx.words.term(Named(one.offer.due)),
            sign=concept.sign,
            read=one.read,
            clean=one.clean,
            help=one.help,
            advice=one.advice,
            why=ctx.words.say(one.why),
            meters=list(one.offer.meters),
        )


class WeakRead(Read):
    one: str
    two: str
    met: int
    failed: int

    @classmethod
    def of(cls, weak: Weak) -> WeakRead:
        return cls(one=weak.one, two=weak.two, met=weak.met, failed=weak.failed)


class PracticeRead(Read):
    """`helps`: what is given after an error, the least first; `rounds`: those it can play;
    `station`: what was read there last; `told`: how the whole class did, as told here."""

    section: str
    grade: int
    offers: list[OfferRead]
    routine: RoutineRead
    weak: list[WeakRead]
    warm_up: list[list[str]]
    helps: list[Helped]
    rounds: list[StandingsRead]
    station: StandingsRead | None
    told: list[str]

    @classmethod
    def of(cls, found: Practice, ctx: Context) -> PracticeRead:
        return cls(
            section=found.given.section.name,
            grade=found.given.section.grade,
            offers=[OfferRead.of(one, ctx) for one in found.offers],
            routine=RoutineRead.of(found.routine),
            weak=[WeakRead.of(one) for one in found.weak[:8]],
            warm_up=[list(row) for row in found.warm_up],
            helps=list(HELPED),
            station=StandingsRead.of(found.station, ctx) if found.station else None,
            rounds=[StandingsRead.of(one, ctx) for one in found.rounds],
            told=[told_sentence(one, ctx.words) for one in found.told if is_known(one, ctx.words)],
        )


class ReadSoundRead(Read):
    """A printed note of a part: its index, its bar, its degree and what it sounds as; `start` and `beats` in
    beats from the beginning."""

    note: int
    bar: int
    degree: str | None
    midi: int | None
    start: float
    beats: float


class ExerciseRead(Read):
    """An exercise as it was made. `change`: what was made harder or easier, if anything was; `song_id`: of
    which song it is a phrase."""

    id: UUID
    number: int
    title: str
    sort: Sort
    due: str
    wish: dict[str, str | int | bool]
    do: str | None
    meter: str
    bars: int
    parts: list[str]
    sounds: list[list[ReadSoundRead]]
    tonic: list[ToneRead]
    scale: list[ToneRead]
    change: Change | None
    song_id: UUID | None
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, row: t.Exercise, ctx: Context, change: Change | None = None) -> ExerciseRead:
        score, do = exercises.score_of(row), exercises.do_of(row)
        analyses = [exercises.analysed(row, n) for n in range(len(score.parts))]
        home = analyses[0].tonality
        return cls(
            id=row.id,
            number=row.number,
            title=score.title,
            sort=row.wish["sort"],
            due=row.wish["due"],
            wish=row.wish,
            do=do.pitch.name if do else None,
            meter=row.told["meter"],
            bars=row.told["bars"],
            parts=[part.name for part in score.parts],
            sounds=[
                [
                    ReadSoundRead(
                        note=s.note,
                        bar=s.bar,
                        degree=str(d) if (d := a.degree(s)) else None,
                        midi=s.pitch.midi if s.pitch else None,
                        start=float(s.onset / s.meter.beat),
                        beats=float(s.duration / s.meter.beat),
                    )
                    for s in a.timeline
                    if s.attack
                ]
                for a in analyses
            ],
            tonic=ToneRead.every(tonic_pattern(home)),
            scale=ToneRead.every(falling_scale(home)),
            change=change,
            song_id=row.song_id,
            reasons=ReasonRead.every(exercises.reasons_of(ctx, row), ctx.words),
        )
