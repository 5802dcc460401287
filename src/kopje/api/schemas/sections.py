"""The day, and a section as a teacher looks at it, on the wire."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import date
from uuid import UUID

from kopje.api.schemas.base import Read, ReasonRead, in_one_breath
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.lesson_parts import SongTitle
from kopje.api.schemas.lessons import State
from kopje.api.schemas.people import SectionRead
from kopje.core.planning.activities import Energy
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.repertoire import Repertoire
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import Due
from kopje.core.songs.suitability import Fit
from kopje.store import tables
from kopje.usecases.lessons.read_day import Entry
from kopje.usecases.lessons.read_lesson import PartView
from kopje.usecases.snapshot import SectionNow
from kopje.usecases.year.read_section import Overview
from kopje.words import Words


class ContourRead(Read):
    title: str
    minutes: int
    energy: Energy
    new: bool
    left_over: bool
    tick: str | None

    @classmethod
    def of(cls, part: PartView, repertoire: Repertoire) -> ContourRead:
        item = repertoire.activity(part.choice.activity)
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
            parts=[ContourRead.of(part, entry.section.school.repertoire) for part in parts],
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
    dropped: list[str]
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
            open_lesson=_brief(now, open_.id, open_.day, state, parts) if open_ else None,
            dropped=[words.say(reason) for reason in o.dropped],
            last_lesson=_brief(now, UUID(last.id), last.day, "done", parts) if last else None,
            ahead=[
                AheadRead.of(at, entry, parts.get(entry.lesson_id, ()) if entry.lesson_id else ())
                for at, entry in o.ahead
            ],
        )


class MeetsRead(Read):
    """When a section meets; `weekday` 0 is Monday, or a day of the cycle."""

    weekday: int
    starts: str


def _brief(
    now: SectionNow, key: UUID, day: date, state: str, parts: Mapping[UUID, Iterable[PartView]]
) -> LessonBrief:
    drawn = [ContourRead.of(part, now.school.repertoire) for part in parts.get(key, ())]
    return LessonBrief(id=key, day=day, state=state, parts=drawn)


class FitRead(Read):
    song: SongTitle
    allowed: bool
    sentence: str
    reasons: list[ReasonRead]
    key: str | None
    lessons_met: int

    @classmethod
    def of(cls, fit: Fit, song: tables.Song, words: Words) -> FitRead:
        return cls(
            song=SongTitle(id=song.id, title=song.title),
            allowed=fit.allowed,
            sentence=in_one_breath(fit.verdict.reasons, words),
            reasons=ReasonRead.every(fit.verdict.reasons, words),
            key=str(fit.key.do) if fit.key else None,
            lessons_met=fit.met.lessons,
        )
