"""Hearing, marks and the ledger on the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Moment, Read
from kopje.api.schemas.lessons import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.core.ledger.rota import Place
from kopje.core.sequence.concepts import Way
from kopje.usecases.hear_child import Hearing, MarkCommand
from kopje.usecases.read_ledger import Evidence, Grid

Id = Annotated[UUID, Field(strict=False)]


class PlaceRead(Read):
    child_id: UUID
    name: str
    reason: str

    @classmethod
    def of(cls, place: Place) -> PlaceRead:
        return cls(child_id=UUID(place.child), name=place.name, reason=place.reason.sentence)


class MarkRead(Read):
    id: UUID
    child_id: UUID
    concept: str
    way: Way
    voices: Voices
    help: Help
    result: Result
    moment: datetime
    withdrawn: datetime | None


class HearingRead(Read):
    concept: ConceptRead
    way: Way
    voices: Voices
    help: Help
    queue: list[PlaceRead]
    marks: list[MarkRead]

    @classmethod
    def of(cls, hearing: Hearing, marks: list[MarkRead]) -> HearingRead:
        return cls(
            concept=ConceptRead.of(hearing.concept), way=hearing.way, voices=hearing.voices, help=hearing.help,
            queue=[PlaceRead.of(place) for place in hearing.queue], marks=marks,
        )  # fmt: skip


class MarkBody(Body):
    lesson_id: Id = Field(examples=["@lesson_id"])
    cell_id: Id = Field(examples=["@cell_id"])
    child_id: Id = Field(examples=["@child_id"])
    concept: Annotated[str, Field(max_length=60)] = Field(examples=["so-mi"])
    result: Result = Field(examples=["secure"])
    help: Help | None = Field(default=None, examples=["none"])
    moment: Moment = Field(examples=["2026-11-24T09:12:00+00:00"])

    def command(self, mark_id: UUID) -> MarkCommand:
        return MarkCommand(
            mark_id, self.lesson_id, self.cell_id, self.child_id, self.concept, self.result, self.help,
            self.moment.astimezone(),
        )  # fmt: skip


class ColumnRead(Read):
    concept: ConceptRead
    answer: Literal["ready", "teach_again", "split", "hear_more", "nobody_heard"]
    sentence: str
    heard: int
    secure: int
    named: bool
    declared: bool


class WayRead(Read):
    way: Way
    level: str
    flag: str
    sentence: str


class EvidenceRead(Read):
    child: str
    concept: ConceptRead
    level: str
    flag: str
    sentence: str
    ways: list[WayRead]
    marks: list[MarkRead]

    @classmethod
    def of(cls, e: Evidence) -> EvidenceRead:
        return cls(
            child=e.child.name, concept=ConceptRead.of(e.concept), level=e.standing.level, flag=e.standing.flag,
            sentence=e.standing.sentence,
            ways=[WayRead(way=way, level=s.level, flag=s.flag, sentence=s.sentence) for way, s in e.ways],
            marks=[MarkRead.model_validate(mark) for mark in e.marks],
        )  # fmt: skip


class ChildRead(Read):
    id: UUID
    name: str


class LedgerRead(Read):
    """`stones` are short, by concept: `0s 2n` says that the first child is secure and the third nearly. Letters: s secure,
    d secure and due, n nearly, o nearly, heard once, y not yet, p heard in one way only; no marks, no letter.
    """

    section: SectionRead
    children: list[ChildRead]
    columns: list[ColumnRead]
    stones: dict[str, str]

    @classmethod
    def of(cls, grid: Grid) -> LedgerRead:
        columns = [
            ColumnRead(
                concept=ConceptRead.of(c.concept), answer=c.readiness.answer, sentence=c.readiness.sentence,
                heard=c.readiness.heard, secure=c.readiness.secure, named=c.named, declared=c.declared,
            )
            for c in grid.columns
        ]  # fmt: skip
        children = [ChildRead(id=UUID(key), name=name) for key, name in grid.children]
        section = SectionRead.model_validate(grid.section)
        return cls(section=section, children=children, columns=columns, stones=grid.stones)
