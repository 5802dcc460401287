"""What waits for the teacher's word, on the wire."""

from __future__ import annotations

from datetime import date
from typing import Annotated
from uuid import UUID

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.api.schemas.people import SectionRead
from kopje.core.planning.fetch import THINGS, thing_name
from kopje.core.planning.habits import Habits
from kopje.core.planning.next_thing import Where
from kopje.core.planning.timely import time_name
from kopje.core.songs.times import ASKED, Hemisphere
from kopje.usecases.lessons.day_like import DayLike
from kopje.usecases.lessons.read_fetch import LessonNeeds
from kopje.usecases.lessons.read_to_do import ToDo, Unopened
from kopje.words import Words


class UnopenedRead(Read):
    """A lesson that is over by the clock and was never opened; `lesson_id` null where none was planned."""

    section: SectionRead
    day: date
    starts: str
    minutes: int
    lesson_id: UUID | None

    @classmethod
    def of(cls, one: Unopened) -> UnopenedRead:
        return cls(
            section=SectionRead.model_validate(one.section),
            day=one.at.day,
            starts=f"{one.at.starts:%H:%M}",
            minutes=one.minutes,
            lesson_id=one.lesson_id,
        )


class NextRead(Read):
    """A sentence, and the page where it is done; `key` of a section or a grade, or empty."""

    says: str
    where: Where
    key: str


class ToDoRead(Read):
    unopened: list[UnopenedRead]
    next: NextRead | None

    @classmethod
    def of(cls, found: ToDo, words: Words) -> ToDoRead:
        thing = found.next
        return cls(
            unopened=[UnopenedRead.of(one) for one in found.unopened],
            next=NextRead(says=words.say(thing.says), where=thing.where, key=thing.key) if thing else None,
        )


class SongBarsRead(Read):
    song: str
    says: str


class DayNeedsRead(Read):
    """What a lesson needs: counted things, what comes out and goes away since the lesson before, and what
    each song that is played on bars takes off and puts on."""

    section: str
    starts: str
    lesson_id: UUID
    needs: list[str]
    voice: int
    change: str
    bars: list[SongBarsRead]

    @classmethod
    def of(cls, one: LessonNeeds, words: Words) -> DayNeedsRead:
        return cls(
            section=one.section.name,
            starts=f"{one.starts:%H:%M}",
            lesson_id=one.lesson_id,
            needs=[words.term(each) for each in (*one.needs.said, *one.copies)],
            voice=one.needs.voice,
            change=words.term(one.change) if one.change else "",
            bars=[SongBarsRead(song=title, says=words.say(reason)) for title, reason in one.bars],
        )


class RoomThingRead(Read):
    """How many of a thing the room has; null where the teacher did not count."""

    key: str
    name: str
    count: int | None

    @classmethod
    def every(cls, habits: Habits, words: Words) -> list[RoomThingRead]:
        return [cls(key=key, name=words.say(thing_name(key)), count=habits.room.get(key)) for key in THINGS]


class RoomRead(Read):
    """`voice`: minutes a day that the teacher's voice should do at most; null for no wish."""

    things: list[RoomThingRead]
    voice: int | None
    hemisphere: Hemisphere | None

    @classmethod
    def of(cls, habits: Habits, words: Words) -> RoomRead:
        things = RoomThingRead.every(habits, words)
        return cls(things=things, voice=habits.voice, hemisphere=habits.hemisphere)


class RoomBody(Body):
    """Counts by thing; what is not named is not counted."""

    counts: dict[str, Annotated[int, Field(ge=0, le=500)]] = Field(examples=[{"hand_drum": 12}])
    voice: Annotated[int, Field(ge=1, le=600)] | None = Field(default=None, examples=[None])
    hemisphere: Hemisphere | None = Field(default=None, examples=["north"])


class TimeRead(Read):
    """A kind of weather or an occasion; `said`: the day is like that."""

    key: str
    name: str
    said: bool


class SuitingRead(Read):
    """A song for the day, with the classes of the day that know it."""

    id: UUID
    title: str
    sections: list[str]


class DayLikeRead(Read):
    """`season` is empty where seasons do not count; `suiting`: songs that the classes of the day know, for
    what was said."""

    day: date
    season: str
    times: list[TimeRead]
    suiting: list[SuitingRead]

    @classmethod
    def of(cls, d: DayLike, words: Words) -> DayLikeRead:
        times = [TimeRead(key=k, name=words.say(time_name(k)), said=k in d.said) for k in ASKED]
        suiting = [
            SuitingRead(id=UUID(one.song.id), title=one.song.title, sections=list(one.sections))
            for one in d.suiting
        ]
        season = words.say(time_name(d.season)) if d.season else ""
        return cls(day=d.day, season=season, times=times, suiting=suiting)


class DayLikeBody(Body):
    times: list[str] = Field(max_length=20, examples=[["rain"]])
