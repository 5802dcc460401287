"""Cards, changing lines, dictations and signs, on the wire."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.api.schemas.rounds import HeardRead
from kopje.api.schemas.songs import ToneRead
from kopje.core.analysis.elements import figure_name
from kopje.core.ledger.marks import Help, Result
from kopje.core.music.degree import Degree
from kopje.core.music.rhythm_syllables import spoken
from kopje.core.practice.asks.question import heard
from kopje.core.practice.lines.dictation import BarToWrite, Checked, Stage, Task
from kopje.core.practice.lines.signing import Went
from kopje.core.reasons import Named
from kopje.engraving.render import Engraver
from kopje.usecases.context import Context
from kopje.usecases.practice.lines import Line, Signs, Written, line_mei

WIDTH = 1700  # tenths of a millimetre: a line of eight beats stays one line
Name = Annotated[str, Field(max_length=40)]


class CardsRead(Read):
    """Engraved bars, as SVG."""

    cards: list[str]


class ChangedRead(Read):
    """A line, engraved; `beat`: where it is new, counted from 0; `figure`: what stands there now."""

    picture: str
    beat: int | None
    figure: str
    heard: list[HeardRead]

    @classmethod
    def of(cls, line: Line, ctx: Context, engraver: Engraver, written: Written) -> ChangedRead:
        turn = line.turn
        return cls(
            picture=engraver.svg(line_mei(line.made, written), WIDTH),
            beat=turn.beat,
            figure="" if turn.at is None else _said(turn.row[turn.at].key, ctx),
            heard=HeardRead.rows((heard(line.made),))[0],
        )


class ChangingRead(Read):
    """The line, and then as it changes one figure at a time; `beats`: of a bar."""

    beats: int
    lines: list[ChangedRead]


def _said(figure: str, ctx: Context) -> str:
    """In the school's syllables, a rest and what has none by its name."""
    wording = ctx.sequence.wording
    return spoken(figure, wording.rhythm, wording.own_rhythm) or ctx.words.say(figure_name(figure))


class ToChooseRead(Read):
    """What may be written: a figure with its lengths in beats and which of them are silent, or a tone;
    `height` of a tone in semitones over do."""

    value: str
    says: str
    lengths: list[float]
    rests: list[bool]
    height: int | None


class BarToWriteRead(Read):
    """`given`: what stands there; `of`: how many tones there are in all (0: figures, as many as fill it);
    `starts` and `beats` of the tones."""

    given: list[str]
    of: int
    starts: list[float]
    beats: list[float]

    @classmethod
    def of_bar(cls, bar: BarToWrite) -> BarToWriteRead:
        return cls(
            given=list(bar.answer[: bar.given]),
            of=len(bar.places),
            starts=[float(place.beat) for place in bar.places],
            beats=[float(place.beats) for place in bar.places],
        )


class DictationRead(Read):
    """`beats`: of a bar; `choices`: figures, or tones from low to high."""

    stage: Stage
    pitched: bool
    beats: int
    bars: list[BarToWriteRead]
    choices: list[ToChooseRead]

    @classmethod
    def of(cls, task: Task, tones: tuple[Degree, ...], ctx: Context) -> DictationRead:
        figures = [
            ToChooseRead(
                value=name,
                says=_said(shape.key, ctx),
                lengths=[float(length) for length in shape.lengths],
                rests=list(shape.rests),
                height=None,
            )
            for name, shape in task.shapes.items()
        ]
        heights = [
            ToChooseRead(
                value=str(tone),
                says=ctx.sequence.wording.tone(str(tone)),
                lengths=[],
                rests=[],
                height=tone.semitones,
            )
            for tone in tones
        ]
        return cls(
            stage=task.stage,
            pitched=task.pitched,
            beats=task.beats,
            bars=[BarToWriteRead.of_bar(bar) for bar in task.bars],
            choices=heights if task.pitched else figures,
        )


class WrittenBody(Body):
    """What was written, bar by bar, what was given among it."""

    stage: Stage = Field(examples=["write"])
    part: Annotated[int, Field(ge=0, le=3)] = Field(0, examples=[0])
    bars: Annotated[list[Annotated[list[Name], Field(max_length=64)]], Field(max_length=64)] = Field(
        examples=[[[], [], [], []]]
    )


class CheckedRead(Read):
    """By bar, which beats of a rhythm or which tones of a melody are right; `right` of `of` beside what was
    given; `result`: what it would be as a mark, with the help that the stage is."""

    bars: list[list[bool]]
    right: int
    of: int
    result: Result
    help: Help

    @classmethod
    def of_writing(cls, found: Checked) -> CheckedRead:
        return cls(
            bars=[list(bar) for bar in found.bars],
            right=found.right,
            of=found.of,
            result=found.result,
            help=found.help,
        )


class SignsBody(Body):
    """How many tones the last row had and how it went; the same `seed` signs the same."""

    size: Annotated[int, Field(ge=0, le=40)] = Field(0, examples=[0])
    went: Went = Field("begin", examples=["begin"])
    seed: Annotated[int, Field(ge=0, le=2**31 - 1)] = Field(1, examples=[1])


class SignsRead(Read):
    """`row`: what is signed; `tones`: the set, from low to high; `size` of `most` tones; `concept`: of the
    newest one."""

    row: list[ToneRead]
    tones: list[ToneRead]
    size: int
    most: int
    concept: str | None
    concept_name: str

    @classmethod
    def of(cls, found: Signs, ctx: Context) -> SignsRead:
        return cls(
            row=ToneRead.every(found.row),
            tones=ToneRead.every(found.tones),
            size=found.size,
            most=found.most,
            concept=found.concept.key if found.concept else None,
            concept_name=ctx.words.term(Named(found.concept.key)) if found.concept else "",
        )
