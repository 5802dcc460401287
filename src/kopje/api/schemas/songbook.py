"""The songbook on the wire: rows, the question that picks them, sentences kept."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.songs.question import called
from kopje.store import tables
from kopje.usecases.songs.ask_songbook import Answered
from kopje.words import Words

Kind = Annotated[str, Field(min_length=1, max_length=80)]


class SongRow(Read):
    """A song in the list; `reasons` say why it answers the question."""

    id: UUID
    title: str
    tone_set: list[str]
    tone_set_name: str | None
    meter: str
    bars: int
    parts: int
    contour: list[int]
    shipped: bool
    problems: int
    lessons: int
    reasons: list[str]

    @classmethod
    def of(cls, found: Answered, words: Words) -> SongRow:
        song, summary = found.song, found.song.summary
        return cls(
            id=song.id,
            title=song.title,
            tone_set=summary.get("tone_set", []),
            tone_set_name=summary.get("tone_set_name"),
            meter=summary.get("meter", ""),
            bars=summary.get("bars_long", 0),
            parts=summary.get("parts", 1),
            contour=summary.get("contour", []),
            shipped=song.shipped,
            problems=summary.get("problems", 0),
            lessons=song.lessons,
            reasons=[words.say(reason) for reason in found.reasons],
        )


class SongPage(Read):
    """Some rows of those that answer, and how many there are in all."""

    songs: list[SongRow]
    total: int

    @classmethod
    def of(cls, found: tuple[Answered, ...], total: int, words: Words) -> SongPage:
        return cls(songs=[SongRow.of(one, words) for one in found], total=total)


class KindRead(Read):
    """A tone, figure, meter, tone set or home that songs have; `key` is what a question calls it."""

    key: str
    name: str
    songs: int

    @classmethod
    def every(cls, kinds: dict[str, int], words: Words) -> list[KindRead]:
        found = [
            cls(key=key, name=words.term(called(key, words.sequence)), songs=count)
            for key, count in kinds.items()
            if not key.startswith(("concept:", "figure:?"))
        ]
        return sorted(found, key=lambda kind: (kind.key.partition(":")[0], -kind.songs, kind.name))


class AskedBody(Body):
    """A sentence to keep."""

    section: UUID | None = Field(default=None, examples=[None])
    has: Annotated[list[Kind], Field(max_length=8)] = Field(default=[], examples=[["re"]])
    known: bool = Field(default=False, examples=[True])
    fits: bool = Field(default=False, examples=[False])
    rested: Annotated[int, Field(ge=0, le=60)] | None = Field(default=None, examples=[None])
    new: bool = Field(default=False, examples=[False])


class QuestionBody(Body):
    name: Annotated[str, Field(min_length=1, max_length=120, pattern=r"\S")] = Field(
        examples=["For the concert"]
    )
    asked: AskedBody = Field(examples=[{"has": ["re"], "known": True}])


class QuestionRead(Read):
    id: UUID
    name: str
    asked: AskedBody

    @classmethod
    def of(cls, row: tables.KeptQuestion) -> QuestionRead:
        return cls(id=row.id, name=row.name, asked=AskedBody.model_validate(row.asked, strict=False))
