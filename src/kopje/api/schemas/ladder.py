"""The choir's ladder of reading on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.choir.ladders import SHIPPED_LADDERS, ladder_of, shipped_name
from kopje.core.choir.rungs import (
    RUNGS,
    Broke,
    Rung,
    Strand,
    breaks_of,
    holds,
    rungs_of,
    step_key,
)
from kopje.core.reasons import because
from kopje.core.sequence.concepts import ConceptKey, Sequence
from kopje.usecases.ledger.read_ladder import LadderNow, StepNow
from kopje.words import Words

RungKey = Annotated[str, Field(min_length=1, max_length=20)]


class LadderStepBody(Body):
    """The rungs a step stands on: one each of pitch, rhythm and parts, and signs; or one sign alone."""

    rungs: Annotated[list[RungKey], Field(min_length=1, max_length=12)] = Field(examples=[["p1", "r1", "v1"]])


class LadderBody(Body):
    """The whole ladder, or the name of a shipped one to take instead."""

    steps: Annotated[list[LadderStepBody], Field(max_length=40)] = Field(
        default=[], examples=[[{"rungs": ["p1", "r1", "v1"]}]]
    )
    shipped: Literal["parts-first", "skips-first"] | None = Field(default=None, examples=[None])

    def keys(self) -> list[ConceptKey]:
        if self.shipped:
            return list(SHIPPED_LADDERS[self.shipped])
        return [step_key(step.rungs) for step in self.steps]


class LadderRungRead(Read):
    """`tones`, `skips`, `figures`, `meters`: what a reading on it may hold. `height`: how high it lies in its
    strand, from 1; `holds`: itself and the rungs whose matter it holds."""

    key: str
    strand: Strand
    name: str
    height: int
    holds: list[str]
    tones: list[str]
    skips: list[str]
    figures: list[str]
    meters: list[str]

    @classmethod
    def of(cls, rung: Rung, height: int, words: Words) -> LadderRungRead:
        wording = words.sequence.wording
        return cls(
            key=rung.key,
            strand=rung.strand,
            name=wording.concept(rung.name),
            height=height,
            holds=[one.key for one in holds(rung)],
            tones=[wording.tone(tone) for tone in rung.tones],
            skips=[wording.concept("-".join(skip.split())) for skip in rung.skips],
            figures=[words.say(because(f"figure_{key}")) for key in rung.figures],
            meters=list(rung.meters),
        )


class LadderStepRead(Read):
    key: str
    name: str
    sign: str
    rungs: list[str]


class LadderRead(Read):
    """`shipped`: which of the shipped ladders it is, if it is one. `number`: the version of the sequence it
    is kept in, 0 while nothing was changed."""

    steps: list[LadderStepRead]
    rungs: list[LadderRungRead]
    shipped: Literal["parts-first", "skips-first"] | None
    number: int
    along: list[str]

    @classmethod
    def of(cls, sequence: Sequence, number: int, words: Words, along: list[str] | None = None) -> LadderRead:
        steps = ladder_of(sequence)
        heights: dict[str, int] = {}
        rungs = []
        for rung in RUNGS.values():
            heights[rung.strand] = heights.get(rung.strand, 0) + 1
            rungs.append(LadderRungRead.of(rung, heights[rung.strand], words))
        return cls(
            steps=[
                LadderStepRead(
                    key=step.key,
                    name=words.sequence.wording.concept(step.name),
                    sign=step.sign,
                    rungs=[rung.key for rung in rungs_of(step.key)],
                )
                for step in steps
            ],
            rungs=rungs,
            shipped=shipped_name(steps),
            number=number,
            along=along or [],
        )


class BrokeRead(Read):
    strand: Broke
    children: int


class LadderStepNowRead(Read):
    key: str
    sentence: str
    heard: int
    declared: bool
    broke: list[BrokeRead]

    @classmethod
    def of(cls, step: StepNow, words: Words) -> LadderStepNowRead:
        return cls(
            key=step.concept.key,
            sentence=words.say(step.readiness.reason),
            heard=step.readiness.heard,
            declared=step.declared,
            broke=[
                BrokeRead(strand=strand, children=step.broke[strand])
                for strand in breaks_of(step.concept.key)
                if step.broke.get(strand)
            ],
        )


class LadderRungNowRead(Read):
    key: str
    sentence: str
    heard: int
    secure: int


class LadderNowRead(Read):
    """Where a choir stands: by step, and by rung of pitch, rhythm and parts."""

    steps: list[LadderStepNowRead]
    rungs: list[LadderRungNowRead]

    @classmethod
    def of(cls, found: LadderNow, words: Words) -> LadderNowRead:
        return cls(
            steps=[LadderStepNowRead.of(step, words) for step in found.steps],
            rungs=[
                LadderRungNowRead(
                    key=one.rung.key,
                    sentence=words.say(one.readiness.reason),
                    heard=one.readiness.heard,
                    secure=one.readiness.secure,
                )
                for one in found.rungs
            ],
        )
