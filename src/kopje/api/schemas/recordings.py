"""Recorded pieces on the wire."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Name, Read
from kopje.api.schemas.concepts import ConceptRead
from kopje.core.recordings.performance import Performance
from kopje.core.recordings.piece import LONGEST, MOST_MARKS, SHORTEST, Change, Feel, Mark
from kopje.store import tables
from kopje.usecases.songs.recordings import NewPiece, OnTheShelf, piece_of
from kopje.words import Words

Said = Annotated[str, Field(max_length=300)]
Moment = Annotated[int, Field(ge=0, lt=LONGEST)]


class RecordingMarkBody(Body):
    """What begins at a moment, in milliseconds: a section by a letter, or a change."""

    at: Moment
    section: Annotated[str, Field(max_length=4)] = ""
    change: Change | Literal[""] = ""


class RecordingBody(Body):
    """`length` in milliseconds. `place`: where the sound is to be found; it is never sent here."""

    title: Name = Field(examples=["Our disc, the third piece"])
    length: Annotated[int, Field(ge=SHORTEST, le=LONGEST)] = Field(examples=[61_000])
    style: Annotated[str, Field(max_length=60)] = Field(default="", examples=["march"])
    rights: Said = Field(default="", examples=[""])
    place: Said = Field(default="", examples=["disc 2, track 4"])
    question: Said = Field(default="", examples=["Where does it turn?"])
    feel: Feel = Field(default="free", examples=["two"])
    marks: Annotated[list[RecordingMarkBody], Field(max_length=2 * MOST_MARKS)] = Field(
        default=[], examples=[[{"at": 0, "section": "a"}, {"at": 30_000, "section": "b"}]]
    )
    tags: Annotated[list[Annotated[str, Field(max_length=60)]], Field(max_length=40)] = Field(
        default=[], examples=[["rondo"]]
    )

    def value(self) -> NewPiece:
        marks = [Mark(one.at, one.section.strip(), one.change) for one in self.marks]
        said = {name: getattr(self, name).strip() for name in ("style", "rights", "place", "question")}
        return NewPiece.of(self.title, self.length, marks, self.feel, self.tags, **said)


class RecordingMarkRead(Read):
    at: int
    section: str
    change: str


class RecordingSectionRead(Read):
    label: str
    begins: int
    ends: int


class RecordingBrief(Read):
    """What a part of a lesson shows of a piece. `own`: it sounds by itself."""

    id: UUID
    title: str
    length: int
    style: str
    place: str
    question: str
    own: bool
    form: str
    sections: list[RecordingSectionRead]
    marks: list[RecordingMarkRead]

    @classmethod
    def of(cls, row: tables.Recording) -> RecordingBrief:
        piece = piece_of(row)
        return cls(
            id=row.id,
            title=row.title,
            length=row.length,
            style=row.style,
            place=row.place,
            question=row.question,
            own=bool(row.filename),
            form=piece.form,
            sections=[RecordingSectionRead.model_validate(one) for one in piece.sections],
            marks=[RecordingMarkRead.model_validate(mark) for mark in piece.marks],
        )


class HeardByRead(Read):
    """A section that heard it: in how many lessons, and when last."""

    section: str
    lessons: int
    last: date | None


class RecordingRead(RecordingBrief):
    """`concepts`: what can be heard in it, by its sections and changes or by the teacher's word (`tags`)."""

    rights: str
    feel: Feel
    tags: list[str]
    concepts: list[ConceptRead]
    met: list[HeardByRead]

    @classmethod
    def of_shelf(cls, found: OnTheShelf, words: Words) -> RecordingRead:
        concepts = [words.sequence.by_key[key] for key in found.piece.concepts(words.sequence)]
        return cls(
            **RecordingBrief.of(found.row).model_dump(),
            rights=found.row.rights,
            feel=found.piece.feel,
            tags=sorted(found.piece.tags),
            concepts=[ConceptRead.of(concept, words) for concept in concepts],
            met=[
                HeardByRead(section=name, lessons=met.lessons, last=met.last)
                for name, met in sorted(found.met.items())
            ],
        )


class PlayedToneRead(Read):
    at: int
    length: int
    midi: int | None
    strength: int
    instrument: str


class PerformanceRead(Read):
    """Every tone of one of our own pieces; moments and lengths in milliseconds, strength in percent."""

    length: int
    tones: list[PlayedToneRead]

    @classmethod
    def of(cls, found: Performance) -> PerformanceRead:
        return cls(length=found.length, tones=[PlayedToneRead.model_validate(tone) for tone in found.tones])
