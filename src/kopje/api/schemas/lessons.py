"""Days, sections at a glance, lessons and their parts on the wire."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import date, datetime, time
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Day, Read, ReasonRead, in_one_breath
from kopje.api.schemas.people import SectionRead
from kopje.api.schemas.songs import ToneRead, starting, tonic
from kopje.core.planning.activities import Activity, kind_name
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.candidates import new_thing
from kopje.core.planning.catalogue import activity
from kopje.core.planning.lesson import Choice, Part
from kopje.core.planning.template import available, slot_name
from kopje.core.sequence.concepts import Concept, ConceptKey, strand_name
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import Due
from kopje.core.songs.suitability import Fit
from kopje.store import tables
from kopje.usecases.lessons.read_day import Entry
from kopje.usecases.lessons.read_lesson import LessonView, PartView
from kopje.usecases.songs.songbook import as_sung
from kopje.usecases.year.read_section import Overview
from kopje.words import Words

Songs = Mapping[UUID, tables.Song]
Energy = Literal["seated", "standing", "moving"]
Tick = Literal["done", "partly", "skipped"]
State = Literal["planned", "running", "done", "not_held"]


class ConceptRead(Read):
    key: str
    name: str
    strand: str
    sign: str
    prompt: str
    in_music: bool

    @classmethod
    def of(cls, c: Concept, words: Words) -> ConceptRead:
        strand = words.say(strand_name(c.strand))
        return cls(
            key=c.key, name=c.name, strand=strand, sign=c.sign, prompt=c.prompt, in_music=c.found_in_music
        )


class SongBrief(Read):
    id: UUID
    title: str
    starting: ToneRead | None
    tonic: list[ToneRead]

    @classmethod
    def of(cls, song: tables.Song) -> SongBrief:
        a = as_sung(song)
        return cls(id=song.id, title=song.title, starting=starting(a), tonic=tonic(a))


class MaterialRead(Read):
    """What a part is done with: nothing, a song, a phrase of one (`id#n`); later other kinds."""

    kind: str
    id: str | None


class PartRead(Read):
    """A part of a lesson. `slot_id` stays when the lesson is proposed anew, `slot` is its name."""

    id: UUID
    slot_id: str
    slot: str
    role: str
    activity: str
    title: str
    kind: str
    energy: Energy
    steps: list[str]
    props: str
    care: str
    hears: int
    material: MaterialRead
    song: SongBrief | None
    concept: ConceptRead | None
    purpose: Purpose | None
    minutes: int
    new: str | None
    new_kind: str | None
    left_over: bool
    pinned: bool
    tick: Tick | None
    rating: Literal["well", "flat"] | None
    reasons: list[ReasonRead]

    @classmethod
    def of(cls, part: PartView, songs: Songs, words: Words, section: SectionRead) -> PartRead:
        item = activity(part.choice.activity)
        song = songs.get(UUID(part.material.song)) if part.material.song else None
        concept = words.sequence.by_key.get(part.choice.concept or "")
        return cls(
            id=part.id,
            slot_id=part.slot,
            slot=words.say(slot_name(part.slot, section.grade)),
            role=part.role,
            activity=item.key,
            title=item.title,
            kind=words.say(kind_name(item.kind)),
            energy=item.energy,
            steps=spoken(
                item, song.title if song else None, concept, part.choice.purpose, section.name, words
            ),
            props=item.props,
            care=item.care,
            hears=item.hears,
            material=MaterialRead.model_validate(part.material),
            song=SongBrief.of(song) if song else None,
            concept=ConceptRead.of(concept, words) if concept else None,
            purpose=part.choice.purpose,
            minutes=part.minutes,
            new=words.say(new_thing(part.new, part.choice.concept)) if part.new else None,  # type: ignore[arg-type]
            new_kind=part.new,
            left_over=part.left_over,
            pinned=part.pinned,
            tick=part.tick,
            rating=part.rating,
            reasons=ReasonRead.every(part.reasons, words),
        )


def spoken(
    item: Activity, song: str | None, concept: Concept | None, purpose: str | None, section: str, words: Words
) -> list[str]:
    """The steps with names filled in; before a concept is presented its name is not used."""
    named = concept.name if concept and purpose != "prepare" else words.word("the_new_sound")
    filling = {
        "song": f"“{song}”" if song else words.word("the_song"),
        "concept": named,
        "section": section,
    }
    return [words.sequence.wording.step(step).format(**filling) for step in item.steps]


class LessonRead(Read):
    """`version`: what a change of the plan must name, so that a stale view is told."""

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
    note: str
    last_note: str
    unmet: list[ReasonRead]
    parts: list[PartRead]

    @classmethod
    def of(cls, lesson: LessonView, songs: Songs, words: Words) -> LessonRead:
        section = SectionRead.model_validate(lesson.section)
        return cls(
            id=lesson.id,
            section=section,
            day=lesson.day,
            starts=f"{lesson.starts:%H:%M}",
            number=lesson.number,
            minutes=lesson.minutes,
            planned_minutes=sum(part.minutes for part in lesson.parts),
            available=available(lesson.minutes, len(lesson.parts)),
            state=lesson.state,
            status=lesson.status,
            version=lesson.version,
            started=lesson.started,
            note=lesson.note,
            last_note=lesson.last_note,
            unmet=ReasonRead.every(lesson.unmet, words),
            parts=[PartRead.of(part, songs, words, section) for part in lesson.parts],
        )


class ContourRead(Read):
    title: str
    minutes: int
    energy: Energy
    new: bool
    left_over: bool
    tick: str | None

    @classmethod
    def of(cls, part: PartView) -> ContourRead:
        item = activity(part.choice.activity)
        return cls(
            title=item.title,
            minutes=part.minutes,
            energy=item.energy,
            new=bool(part.new),
            left_over=part.left_over,
            tick=part.tick,
        )


class LessonBrief(Read):
    """A lesson drawn small: minutes, energy and marks of its parts."""

    id: UUID
    day: date
    state: State
    parts: list[ContourRead]


class AheadRead(Read):
    """A lesson to come, planned or not."""

    day: date
    starts: str
    number: int
    lesson_id: UUID | None
    state: State | None
    left_over: int
    parts: list[ContourRead]

    @classmethod
    def of(cls, at: LessonTime, entry: Entry, parts: Iterable[PartView]) -> AheadRead:
        return cls(
            day=at.day,
            starts=f"{at.starts:%H:%M}",
            number=at.number,
            lesson_id=entry.lesson_id,
            state=entry.state,
            left_over=entry.left_over,
            parts=[ContourRead.of(part) for part in parts],
        )


class EntryRead(Read):
    section: SectionRead
    starts: str
    lesson_id: UUID | None
    state: State | None
    left_over: int

    @classmethod
    def of(cls, entry: Entry) -> EntryRead:
        return cls(
            section=SectionRead.model_validate(entry.section),
            starts=f"{entry.starts:%H:%M}",
            lesson_id=entry.lesson_id,
            state=entry.state,
            left_over=entry.left_over,
        )


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
    def of(cls, item: Due, words: Words) -> DueRead:
        return cls(
            concept=ConceptRead.of(item.concept, words),
            purpose=item.purpose,
            reasons=ReasonRead.every(item.reasons, words),
            phase=item.phase.word if item.phase else item.purpose,
        )


class OverviewRead(Read):
    """`ahead`: the next lessons of the calendar; `next_lesson` is the one that is open."""

    section: SectionRead
    meets: list[MeetsRead]
    roll: int
    lessons_done: int
    secure: list[ConceptRead]
    declared_only: int
    due: list[DueRead]
    open_lesson: LessonBrief | None
    last_lesson: LessonBrief | None
    ahead: list[AheadRead]

    @classmethod
    def of(cls, o: Overview, parts: Mapping[UUID, Iterable[PartView]], words: Words) -> OverviewRead:
        now = o.now
        heard = [c for c in o.secure if c.key in now.state.readiness or c.key in now.state.taught]
        open_, last = now.open, o.last
        state = "running" if now.facts.running else "planned"
        return cls(
            section=SectionRead.model_validate(now),
            roll=now.roll,
            lessons_done=len(now.facts.over),
            meets=[
                MeetsRead(weekday=m.weekday, starts=f"{m.starts:%H:%M}")
                for m in now.calendar.meetings.get(now.id, ())
            ],
            secure=[ConceptRead.of(c, words) for c in heard],
            declared_only=len(o.secure) - len(heard),
            due=[DueRead.of(item, words) for item in o.due],
            open_lesson=_brief(open_.id, open_.day, state, parts) if open_ else None,
            last_lesson=_brief(UUID(last.id), last.day, "done", parts) if last else None,
            ahead=[
                AheadRead.of(at, entry, parts.get(entry.lesson_id, ()) if entry.lesson_id else ())
                for at, entry in o.ahead
            ],
        )


class MeetsRead(Read):
    """When a section meets; `weekday` 0 is Monday, or a day of the cycle."""

    weekday: int
    starts: str


def _brief(key: UUID, day: date, state: str, parts: Mapping[UUID, Iterable[PartView]]) -> LessonBrief:
    drawn = [ContourRead.of(part) for part in parts.get(key, ())]
    return LessonBrief(id=key, day=day, state=state, parts=drawn)


class FitRead(Read):
    song: SongBrief
    allowed: bool
    sentence: str
    reasons: list[ReasonRead]
    key: str | None
    lessons_met: int

    @classmethod
    def of(cls, fit: Fit, song: tables.Song, words: Words) -> FitRead:
        return cls(
            song=SongBrief.of(song),
            allowed=fit.allowed,
            sentence=in_one_breath(fit.verdict.reasons, words),
            reasons=ReasonRead.every(fit.verdict.reasons, words),
            key=str(fit.key.do) if fit.key else None,
            lessons_met=fit.met.lessons,
        )


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
    def of(cls, part: Part, songs: Songs, words: Words) -> AlternativeRead:
        concept = words.sequence.by_key.get(part.choice.concept or "")
        song_id = UUID(part.choice.song) if part.choice.song else None
        return cls(
            activity=part.activity.key,
            title=part.activity.title,
            kind=words.say(kind_name(part.activity.kind)),
            energy=part.activity.energy,
            song_id=song_id,
            song_title=songs[song_id].title if song_id else None,
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
        )


class PinBody(Body):
    pinned: bool = Field(examples=[True])
    version: Version = Field(examples=["@version"])


class SeenBody(Body):
    version: Version = Field(examples=["@version"])
