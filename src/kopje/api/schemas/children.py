"""A child's page and its report on the wire."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.ledger import Level, MarkRead, OwnWordRead
from kopje.api.schemas.people import SectionRead
from kopje.core.ledger.report import BLOCKS, BlockKey
from kopje.core.planning.left_out import GameKind
from kopje.core.reasons import Named
from kopje.core.sequence.concepts import strand_name
from kopje.store import tables as t
from kopje.usecases.ledger.read_child import ChildNow, ChildStands
from kopje.usecases.ledger.report_child import ReportNow
from kopje.words import Words


class FoundChildRead(Read):
    id: UUID
    name: str
    section_id: UUID
    section: str

    @classmethod
    def of(cls, child: t.Child, section: str) -> FoundChildRead:
        return cls(id=child.id, name=child.name, section_id=child.section_id, section=section)


class CareBody(Body):
    """How the name is said, and what kinds of games the child is left out of; no reason is kept."""

    say: Annotated[str, Field(max_length=60)] = Field(examples=["ee-NESH"])
    without: Annotated[list[GameKind], Field(max_length=2)] = Field(examples=[["touch"]])


class ChildStandsRead(Read):
    """`level` counts: the teacher's `word`, where there is one; `sentence` is from the marks."""

    concept: ConceptRead
    level: Level
    partly: bool
    due: bool
    sentence: str
    word: OwnWordRead | None

    @classmethod
    def of(cls, one: ChildStands, words: Words) -> ChildStandsRead:
        return cls(
            concept=ConceptRead.of(one.concept, words),
            level=one.level,
            partly=one.standing.partly and one.word is None,
            due=one.due,
            sentence=" ".join(words.say(reason) for reason in one.standing.reasons),
            word=OwnWordRead.of(one.word, None) if one.word else None,
        )


class StratumRead(Read):
    """A strand over the weeks: for each of `days` how many of its concepts are secure, shown once, nearly and
    not yet there, in this order."""

    strand: str
    days: list[list[int]]


class ChildMarkRead(MarkRead):
    """`name` is the concept's."""

    name: str


class ChildPageRead(Read):
    """`never`: what has a name in its class and in which nobody listened to it. `step` is what comes next, in
    words."""

    id: UUID
    name: str
    say: str
    without: list[GameKind]
    section: SectionRead
    choirs: list[SectionRead]
    joined: date
    left: date | None
    standings: list[ChildStandsRead]
    days: list[date]
    strata: list[StratumRead]
    marks: list[ChildMarkRead]
    never: list[str]
    step: str

    @classmethod
    def of(cls, now: ChildNow, words: Words) -> ChildPageRead:
        return cls(
            id=now.child.id,
            name=now.child.name,
            say=now.child.say,
            without=now.child.without,
            section=SectionRead.model_validate(now.section),
            choirs=[SectionRead.model_validate(one) for one in now.singing],
            joined=now.child.joined,
            left=now.child.left,
            standings=[ChildStandsRead.of(one, words) for one in now.standings],
            days=list(now.days),
            strata=[
                StratumRead(strand=words.say(strand_name(one.strand)), days=[list(day) for day in one.days])
                for one in now.strata
            ],
            marks=[
                ChildMarkRead(
                    **MarkRead.of(mark, now.by.get(mark.id)).model_dump(),
                    name=words.term(Named(mark.body["concept"])),
                )
                for mark in now.marks
                if mark.body["concept"] in words.sequence.by_key
            ],
            never=[concept.name for concept in now.never],
            step=words.say(now.step.reason) if now.step else words.word("step_none"),
        )


class BlockRead(Read):
    key: BlockKey
    heading: str
    text: str


class KeptReportNumberRead(Read):
    number: int
    made: datetime
    by: str


class ReportRead(Read):
    """`blocks` as they were kept last, else as they are put together now (`fresh`). `number` is 0 while
    nothing was kept."""

    child_id: UUID
    name: str
    section: str
    number: int
    blocks: list[BlockRead]
    fresh: list[BlockRead]
    kept: list[KeptReportNumberRead]

    @classmethod
    def of(cls, found: ReportNow) -> ReportRead:
        return cls(
            child_id=found.child.id,
            name=found.child.name,
            section=found.section,
            number=found.kept[0].number if found.kept else 0,
            blocks=[BlockRead.model_validate(one) for one in found.blocks],
            fresh=[BlockRead.model_validate(one) for one in found.fresh],
            kept=[KeptReportNumberRead.model_validate(one) for one in found.kept],
        )


Text = Annotated[str, Field(max_length=2000)]


class ReportBody(Body):
    """What each block says; one that is left out or empty is not in the report."""

    blocks: Annotated[dict[str, Text], Field(max_length=len(BLOCKS))] = Field(
        examples=[{"sure": "Ama is sure of la."}]
    )


class ReportWordRead(Read):
    key: BlockKey
    heading: str
    own: str
    shipped: str


class ReportWordsBody(Body):
    """A school's own sentence by block, with the blanks {name} and {things}; an empty one is as shipped."""

    words: Annotated[dict[str, Text], Field(max_length=len(BLOCKS))] = Field(
        examples=[{"sure": "{name} sings {things} surely."}]
    )
