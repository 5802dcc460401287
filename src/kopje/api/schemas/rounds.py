"""Rounds of questions, on the wire."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.ledger.luck import result_of
from kopje.core.ledger.marks import Result
from kopje.core.music.clef import Clef
from kopje.core.practice.asks.places import Lines
from kopje.core.practice.asks.question import RUN, Bent, Head, Question, Row, Staff
from kopje.core.practice.asks.rounds import FEWEST, MOST, RoundKind, ToldKind, way_of
from kopje.core.sequence.concepts import Way
from kopje.engraving.render import Engraver
from kopje.usecases.context import Context
from kopje.usecases.practice.rounds import Asked, RoundNow, Standing, name_of, pictures


class QuestionsBody(Body):
    """`lines` and `clef` for questions about places; `song_id` and `first` (the move to begin with, from 0)
    for questions along a song, where none is named the song sung last. The same `seed` asks the same."""

    kind: RoundKind = Field(examples=["place"])
    count: Annotated[int, Field(ge=FEWEST, le=MOST)] = Field(10, examples=[10])
    lines: Lines = Field(5, examples=[5])
    clef: Clef = Field("G", examples=["G"])
    song_id: Annotated[UUID, Field(strict=False)] | None = Field(None, examples=["@song_id"])
    first: Annotated[int, Field(ge=0, le=2000)] = Field(0, examples=[0])
    seed: Annotated[int, Field(ge=0, le=2**31 - 1)] = Field(1, examples=[1])

    def value(self) -> Asked:
        return Asked(self.kind, self.count, self.lines, self.clef, self.song_id, self.first, self.seed)


class HeardRead(Read):
    """A tone to hear; `start` and `beats` in beats from the beginning of its row."""

    midi: int | None
    start: float
    beats: float

    @classmethod
    def rows(cls, rows: tuple[Row, ...]) -> list[list[HeardRead]]:
        return [
            [cls(midi=tone.midi, start=float(tone.start), beats=float(tone.beats)) for tone in row]
            for row in rows
        ]


class HeadRead(Read):
    """A note at a place: 1 is line 1, 2 space 1, 3 line 2; 0 lies below line 1."""

    place: int
    says: str

    @classmethod
    def every(cls, heads: tuple[Head, ...], ctx: Context) -> list[HeadRead]:
        wording = ctx.sequence.wording
        return [cls(place=one.place, says=wording.tone(one.says) if one.says else "") for one in heads]


class StaffRead(Read):
    lines: int
    heads: list[HeadRead]
    do: int | None
    clef: str
    reveal: list[HeadRead]

    @classmethod
    def of(cls, staff: Staff, ctx: Context) -> StaffRead:
        return cls(
            lines=staff.lines,
            heads=HeadRead.every(staff.heads, ctx),
            do=staff.do,
            clef=staff.clef,
            reveal=HeadRead.every(staff.reveal, ctx),
        )


class ChoiceRead(Read):
    """`picture`: engraved notes as SVG, where it is a line to choose."""

    says: str
    picture: str


class ScaleToneRead(Read):
    says: str
    midi: int


class BentRead(Read):
    """A tone that has a sign, as a MIDI number with it and without, among the tones of its scale."""

    scale: list[ScaleToneRead]
    signed: int
    plain: int

    @classmethod
    def of(cls, bent: Bent, ctx: Context) -> BentRead:
        tone = ctx.sequence.wording.tone
        scale = [ScaleToneRead(says=tone(str(degree)), midi=midi) for degree, midi in bent.scale]
        return cls(scale=scale, signed=bent.signed, plain=bent.plain)


class AskedRead(Read):
    """`orient` sounds before the rows of `heard`; `after` and `bent` belong to its answer, which counts from
    0."""

    says: str
    choices: list[ChoiceRead]
    answer: int
    why: str
    staff: StaffRead | None
    orient: list[HeardRead]
    heard: list[list[HeardRead]]
    after: list[list[HeardRead]]
    picture: str
    clues: list[str]
    bent: BentRead | None

    @classmethod
    def of(cls, one: Question, ctx: Context, engraver: Engraver) -> AskedRead:
        seen, lines = pictures(one, engraver)
        return cls(
            says=ctx.words.say(one.says),
            choices=[
                ChoiceRead(says=ctx.words.say(choice.says), picture=picture)
                for choice, picture in zip(one.choices, lines, strict=True)
            ],
            answer=one.answer,
            why=ctx.words.say(one.why),
            staff=StaffRead.of(one.staff, ctx) if one.staff else None,
            orient=HeardRead.rows((one.orient,))[0],
            heard=HeardRead.rows(one.heard),
            after=HeardRead.rows(one.after),
            picture=seen,
            clues=[ctx.words.say(clue) for clue in one.clues],
            bent=BentRead.of(one.bent, ctx) if one.bent else None,
        )


class QuestionsRead(Read):
    """`choices`: of the question that has the fewest; `least_right`: how many right answers luck hardly
    explains; `results`: what so many right ones (from 0) would be as a mark."""

    kind: RoundKind
    choices: int
    in_a_row: int
    least_right: int | None
    results: list[Result]
    song_id: UUID | None
    song_title: str
    questions: list[AskedRead]

    @classmethod
    def of(cls, found: RoundNow, ctx: Context, engraver: Engraver) -> QuestionsRead:
        game, asked = found.round, len(found.round.questions)
        return cls(
            kind=game.kind,
            choices=game.choices,
            in_a_row=RUN,
            least_right=game.least_right,
            results=[result_of(game.choices, asked, right, RUN) for right in range(asked + 1)],
            song_id=found.song.id if found.song else None,
            song_title=found.song.title if found.song else "",
            questions=[AskedRead.of(one, ctx, engraver) for one in game.questions],
        )


class ScoreRead(Read):
    asked: int
    right: int
    seconds: int
    station: bool
    choices: int
    in_a_row: int
    result: Result


class StandingsRead(Read):
    """How a class did in rounds of a kind: the last, the best, how many; the concept and the way that they
    are evidence of."""

    kind: ToldKind
    times: int
    concept: str | None
    concept_name: str
    way: Way
    last: ScoreRead | None
    best: ScoreRead | None

    @classmethod
    def of(cls, one: Standing, ctx: Context) -> StandingsRead:
        return cls(
            kind=one.kind,
            times=one.times,
            concept=one.concept.key if one.concept else None,
            concept_name=name_of(ctx, one.concept) if one.concept else "",
            way=way_of(one.kind),
            last=ScoreRead.model_validate(one.last) if one.last else None,
            best=ScoreRead.model_validate(one.best) if one.best else None,
        )
