"""Days, sections at a glance, lessons and their cells on the wire."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read, ReasonRead
from kopje.api.schemas.people import SectionRead
from kopje.api.schemas.songs import ToneRead, reasons, starting, tonic
from kopje.core.planning import lesson as plan_values
from kopje.core.planning.activities import Activity
from kopje.core.planning.catalogue import activity
from kopje.core.planning.lesson import Choice
from kopje.core.planning.template import available
from kopje.core.sequence.arcs import Due
from kopje.core.sequence.concepts import STRAND_NAMES, Concept, ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.songs.fit import Fit
from kopje.store import tables
from kopje.usecases.call import Call
from kopje.usecases.read_day import Entry
from kopje.usecases.read_section import Overview
from kopje.usecases.songbook import as_sung

UNNAMED = "the new sound"


class ConceptRead(Read):
    key: str
    name: str
    strand: str
    sign: str
    prompt: str
    in_music: bool

    @classmethod
    def of(cls, c: Concept) -> ConceptRead:
        return cls(key=c.key, name=c.name, strand=STRAND_NAMES[c.strand], sign=c.sign, prompt=c.prompt,
                   in_music=c.found_in_music)  # fmt: skip


class SongBrief(Read):
    id: UUID
    title: str
    starting: ToneRead | None
    tonic: list[ToneRead]

    @classmethod
    def of(cls, song: tables.Song) -> SongBrief:
        a = as_sung(song)
        return cls(id=song.id, title=song.title, starting=starting(a), tonic=tonic(a))


class CellRead(Read):
    id: UUID
    slot: str
    role: str
    activity: str
    title: str
    kind: str
    energy: Literal["seated", "standing", "moving"]
    steps: list[str]
    props: str
    care: str
    hears: int
    song: SongBrief | None
    concept: ConceptRead | None
    purpose: Purpose | None
    minutes: int
    new: str | None
    left_over: bool
    pinned: bool
    tick: Literal["done", "partly", "skipped"] | None
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, cell: tables.Cell, songs: dict[UUID, tables.Song], call: Call, section: str) -> CellRead:
        item, song = activity(cell.activity), songs.get(cell.song_id) if cell.song_id else None
        concept = call.sequence.by_key.get(cell.concept or "")
        return cls(
            id=cell.id, slot=cell.slot, role=cell.role, activity=item.key, title=item.title, kind=item.kind,
            energy=item.energy, steps=spoken(item, song.title if song else None, concept, cell.purpose, section),
            props=item.props, care=item.care, hears=item.hears, song=SongBrief.of(song) if song else None,
            concept=ConceptRead.of(concept) if concept else None, purpose=cell.purpose,
            minutes=cell.minutes, new=cell.new, left_over=cell.left_over, pinned=cell.pinned,
            tick=cell.tick, reasons=[ReasonRead(**reason) for reason in cell.reasons],
        )  # fmt: skip


def spoken(
    item: Activity, song: str | None, concept: Concept | None, purpose: str | None, section: str
) -> list[str]:
    """The steps with names filled in; before a concept is presented its name is not used."""
    named = concept.name if concept and purpose != "prepare" else UNNAMED
    filling = {"song": f"“{song}”" if song else "the song", "concept": named, "section": section}
    return [step.format(**filling) for step in item.steps]


class LessonRead(Read):
    id: UUID
    section: SectionRead
    day: date
    starts: str
    number: int
    minutes: int
    planned_minutes: int
    available: int
    state: Literal["planned", "running", "done"]
    status: Literal["best_possible", "best_found"]
    started: datetime | None
    note: str
    last_note: str
    unmet: list[ReasonRead]
    cells: list[CellRead]


class LessonBrief(Read):
    """A lesson drawn small: minutes, energy and marks of its cells."""

    id: UUID
    day: date
    state: str
    cells: list[ContourRead]


class ContourRead(Read):
    title: str
    minutes: int
    energy: Literal["seated", "standing", "moving"]
    new: bool
    left_over: bool
    tick: str | None

    @classmethod
    def of(cls, cell: tables.Cell) -> ContourRead:
        item = activity(cell.activity)
        return cls(title=item.title, minutes=cell.minutes, energy=item.energy, new=bool(cell.new),
                   left_over=cell.left_over, tick=cell.tick)  # fmt: skip


class EntryRead(Read):
    section: SectionRead
    starts: str
    lesson_id: UUID | None
    state: str | None
    left_over: int

    @classmethod
    def of(cls, entry: Entry) -> EntryRead:
        return cls(
            section=SectionRead.model_validate(entry.section), starts=f"{entry.starts:%H:%M}",
            lesson_id=entry.lesson.id if entry.lesson else None,
            state=entry.lesson.state if entry.lesson else None, left_over=entry.left_over,
        )  # fmt: skip


class DayRead(Read):
    day: date
    today: date
    now: str
    entries: list[EntryRead]
    never: list[str]


class DueRead(Read):
    """`phase`: the school's word for what comes next."""

    concept: ConceptRead
    purpose: Purpose
    phase: str
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, item: Due) -> DueRead:
        return cls(
            concept=ConceptRead.of(item.concept), purpose=item.purpose, reasons=reasons(item.reasons),
            phase=item.phase.word if item.phase else item.purpose,
        )  # fmt: skip


class OverviewRead(Read):
    section: SectionRead
    meets: list[str]
    roll: int
    lessons_done: int
    secure: list[ConceptRead]
    declared_only: int
    due: list[DueRead]
    open_lesson: LessonBrief | None
    last_lesson: LessonBrief | None

    @classmethod
    def of(cls, o: Overview, brief: list[LessonBrief | None]) -> OverviewRead:
        heard = [c for c in o.secure if c.key in o.state.readiness or c.key in o.state.taught]
        return cls(
            section=SectionRead.model_validate(o.section), roll=o.roll, lessons_done=o.lessons_done,
            meets=[f"{WEEKDAYS[m.weekday]} {m.starts:%H:%M}" for m in o.meetings],
            secure=[ConceptRead.of(c) for c in heard], declared_only=len(o.secure) - len(heard),
            due=[DueRead.of(item) for item in o.due], open_lesson=brief[0], last_lesson=brief[1],
        )  # fmt: skip


WEEKDAYS = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")


class FitRead(Read):
    song: SongBrief
    allowed: bool
    sentence: str
    reasons: list[ReasonRead]
    key: str | None
    lessons_met: int

    @classmethod
    def of(cls, fit: Fit, song: tables.Song) -> FitRead:
        return cls(
            song=SongBrief.of(song), allowed=fit.allowed, sentence=fit.sentence, reasons=reasons(fit.verdict.reasons),
            key=str(fit.key.do) if fit.key else None, lessons_met=fit.met.lessons,
        )  # fmt: skip


class AlternativeRead(Read):
    activity: str
    title: str
    kind: str
    energy: str
    song_id: UUID | None
    song_title: str | None
    concept: ConceptRead | None
    purpose: Purpose | None
    minutes: int
    new: str | None
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, cell: plan_values.Cell, songs: dict[UUID, tables.Song], call: Call) -> AlternativeRead:
        concept = call.sequence.by_key.get(cell.choice.concept or "")
        song_id = UUID(cell.choice.song) if cell.choice.song else None
        return cls(
            activity=cell.activity.key, title=cell.activity.title, kind=cell.activity.kind, energy=cell.activity.energy,
            song_id=song_id, song_title=songs[song_id].title if song_id else None,
            concept=ConceptRead.of(concept) if concept else None, purpose=cell.choice.purpose,
            minutes=cell.minutes, new=cell.new, reasons=reasons(cell.reasons),
        )  # fmt: skip


class SwapBody(Body):
    """One of the alternatives just offered, named by its parts."""

    activity: Annotated[str, Field(max_length=60)] = Field(examples=["@alternative.activity"])
    song_id: Annotated[UUID, Field(strict=False)] | None = Field(
        default=None, examples=["@alternative.song_id"]
    )
    concept: Annotated[str, Field(max_length=60)] | None = Field(
        default=None, examples=["@alternative.concept"]
    )
    purpose: Purpose | None = Field(default=None, examples=["@alternative.purpose"])

    def value(self) -> Choice:
        return Choice(
            self.activity, str(self.song_id) if self.song_id else None,
            ConceptKey(self.concept) if self.concept else None, self.purpose,
        )  # fmt: skip


class PinBody(Body):
    pinned: bool = Field(examples=[True])


class TickBody(Body):
    tick: Literal["done", "partly", "skipped"] | None = Field(examples=["done"])


class EndBody(Body):
    note: Annotated[str, Field(max_length=300)] = Field(default="", examples=["The second verse was shaky."])


def lesson_read(
    call: Call, lesson: tables.Lesson, section: tables.Section, cells: list[tables.Cell],
    songs: dict[UUID, tables.Song], number: int, last_note: str,
) -> LessonRead:  # fmt: skip
    return LessonRead(
        id=lesson.id, section=SectionRead.model_validate(section), day=lesson.day, starts=f"{lesson.starts:%H:%M}",
        number=number, minutes=lesson.minutes, planned_minutes=sum(cell.minutes for cell in cells),
        available=available(lesson.minutes, len(cells)), state=lesson.state, status=lesson.status,
        started=lesson.started, note=lesson.note, last_note=last_note,
        unmet=[ReasonRead(**reason) for reason in lesson.unmet],
        cells=[CellRead.of(cell, songs, call, section.name) for cell in cells],
    )  # fmt: skip
