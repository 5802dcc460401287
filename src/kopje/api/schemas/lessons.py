"""Lessons and what may be done with them on the wire."""

from __future__ import annotations

from datetime import date, datetime, time
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Read, ReasonRead
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.lesson_parts import PartRead, Things
from kopje.api.schemas.people import SectionRead
from kopje.core.ledger.events import ClassEvent
from kopje.core.planning.activities import kind_name
from kopje.core.planning.beside import beside_said
from kopje.core.planning.candidates import new_thing
from kopje.core.planning.lesson import Choice, Part
from kopje.core.planning.repertoire import Repertoire
from kopje.core.reasons import Named, because, listed
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.usecases.lessons.read_late import Late
from kopje.usecases.lessons.read_lesson import LessonView
from kopje.words import Words

State = Literal["planned", "running", "done", "not_held"]


def is_known(event: ClassEvent, words: Words) -> bool:
    return event.kind == "hands" or event.body["concept"] in words.sequence.by_key


def told_sentence(event: ClassEvent, words: Words) -> str:
    b = event.body
    if event.kind == "hands":
        asked = {"text": b["asked"]} if b["asked"] else {}
        return words.word(
            "told_hands_asked" if asked else "told_hands", count=b["count"], of=b["of"], **asked
        )
    return words.word("told_class", concept=words.term(Named(b["concept"])), result=b["result"], way=b["way"])


class LessonRead(Read):
    """`told`: how the whole class did and shows of hands, in sentences. `elapsed` and `since`: seconds since
    the lesson began, and since its last tick, while it runs. `version`: what a change of the plan must name,
    so that a stale view is told; `beside`: what a small group does beside the class, and in what,
    or nothing."""

    id: UUID
    section: SectionRead
    day: date
    starts: str
    number: int
    minutes: int
    planned_minutes: int
    available: int
    state: State
    status: Literal["best_possible", "best_found"]
    version: int
    started: datetime | None
    elapsed: int | None
    since: int | None
    note: str
    last_note: str
    unmet: list[ReasonRead]
    parts: list[PartRead]
    beside: str
    beside_concept: str | None
    told: list[str]

    @classmethod
    def of(cls, lesson: LessonView, things: Things, words: Words) -> LessonRead:
        section = SectionRead.model_validate(lesson.section)
        state = lesson.section.state
        known = [one for one in state.sequence.concepts if one.degrees and state.named(one.key)]
        return cls(
            id=lesson.id,
            section=section,
            day=lesson.day,
            starts=f"{lesson.starts:%H:%M}",
            number=lesson.number,
            minutes=lesson.minutes,
            planned_minutes=sum(part.minutes for part in lesson.parts),
            available=lesson.section.template.available(lesson.minutes, len(lesson.parts)),
            state=lesson.state,
            status=lesson.status,
            version=lesson.version,
            started=lesson.started,
            elapsed=lesson.elapsed,
            since=lesson.since,
            beside=words.say(beside_said(lesson.beside)) if lesson.beside else "",
            beside_concept=lesson.beside.concept.key if lesson.beside else None,
            told=[told_sentence(event, words) for event in lesson.told if is_known(event, words)],
            note=lesson.note,
            last_note=lesson.last_note,
            unmet=ReasonRead.every(lesson.unmet, words),
            parts=[
                PartRead.of(part, things, words, section, lesson.done_before(part), lesson.day, known)
                for part in lesson.parts
            ],
        )


class AlternativeRead(Read):
    activity: str
    title: str
    kind: str
    energy: str
    song_id: UUID | None
    song_title: str | None
    recording_id: UUID | None
    recording_title: str | None
    concept: ConceptRead | None
    purpose: Purpose | None
    minutes: int
    new: str | None
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, part: Part, things: Things, words: Words) -> AlternativeRead:
        concept = words.sequence.by_key.get(part.choice.concept or "")
        song_id = UUID(part.choice.song) if part.choice.song else None
        piece_id = UUID(part.choice.piece) if part.choice.piece else None
        return cls(
            activity=part.activity.key,
            title=part.activity.title,
            kind=words.say(kind_name(part.activity.kind)),
            energy=part.activity.energy,
            song_id=song_id,
            song_title=things.songs[song_id].title if song_id else None,
            recording_id=piece_id,
            recording_title=things.pieces[piece_id].title if piece_id else None,
            concept=ConceptRead.of(concept, words) if concept else None,
            purpose=part.choice.purpose,
            minutes=part.minutes,
            new=words.say(new_thing(part.new, part.choice.concept)) if part.new else None,
            reasons=ReasonRead.every(part.reasons, words),
        )


Version = Annotated[int, Field(ge=0, le=2**31 - 1)]


class ProposeBody(Body):
    """Which lesson: the next one without a day. `version`: of the lesson as it was seen, 0 where there was
    none."""

    day: Day | None = Field(default=None, examples=[None])
    starts: Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")] | None = Field(
        default=None, examples=[None]
    )
    version: Version | None = Field(default=None, examples=[None])

    @property
    def when(self) -> tuple[date, time] | None:
        return (self.day, time.fromisoformat(self.starts)) if self.day and self.starts else None


class SwapBody(Body):
    """One of the alternatives just offered, named by its parts."""

    activity: Annotated[str, Field(max_length=60)] = Field(examples=["@alternative.activity"])
    song_id: Annotated[UUID, Field(strict=False)] | None = Field(
        default=None, examples=["@alternative.song_id"]
    )
    recording_id: Annotated[UUID, Field(strict=False)] | None = Field(
        default=None, examples=["@alternative.recording_id"]
    )
    concept: Annotated[str, Field(max_length=60)] | None = Field(
        default=None, examples=["@alternative.concept"]
    )
    purpose: Purpose | None = Field(default=None, examples=["@alternative.purpose"])
    version: Version = Field(examples=["@version"])

    def value(self) -> Choice:
        return Choice(
            self.activity,
            str(self.song_id) if self.song_id else None,
            ConceptKey(self.concept) if self.concept else None,
            self.purpose,
            str(self.recording_id) if self.recording_id else None,
        )


class PinBody(Body):
    pinned: bool = Field(examples=[True])
    version: Version = Field(examples=["@version"])


class SeenBody(Body):
    version: Version = Field(examples=["@version"])


class LateRead(Read):
    """`left`: minutes to teach; `without`: parts to leave out, by id; `says`: the same in a sentence, empty
    where all fits."""

    left: int
    without: list[UUID]
    says: str

    @classmethod
    def of(cls, found: Late, repertoire: Repertoire, words: Words) -> LateRead:
        titles = [item.title for part in found.without if (item := repertoire.known(part.choice.activity))]
        said = because("late", minutes=found.left, activities=listed(titles)) if titles else None
        return cls(
            left=found.left,
            without=[part.id for part in found.without],
            says=words.say(said) if said else "",
        )
