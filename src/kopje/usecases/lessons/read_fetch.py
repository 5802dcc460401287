"""What to fetch for the lessons of a day: things by number, bars off and on, and what changes from one class
to the next."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import date, time
from uuid import UUID

from kopje.core.instruments.barred import bars_for, bars_reason
from kopje.core.planning.fetch import counted, fetch, thing_name
from kopje.core.reasons import Listed, Param, Reason, because, listed
from kopje.core.sequence.grades import CHOIR
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.snapshot import Planned, SectionNow, snapshot
from kopje.usecases.songs.look import as_sung
from kopje.usecases.songs.songbook import songs_by_id

BARRED = "barred"


@dataclass(frozen=True)
class Needs:
    """`things`: how many of each; `others`: what activities of one's own ask for, in their words; `voice`:
    minutes that the teacher leads with her voice."""

    things: dict[str, int] = field(default_factory=dict)
    others: tuple[str, ...] = ()
    voice: int = 0

    @property
    def said(self) -> tuple[Param, ...]:
        return (*(counted(thing, count) for thing, count in self.things.items()), *self.others)


@dataclass(frozen=True)
class LessonNeeds:
    """A lesson of the day with what it needs; `bars`: for each song that is played on bars its title and
    what comes off and on; `change`: what comes out and goes away since the lesson before; `copies`: of music
    that singers of a choir have not had in their hands."""

    section: SectionNow
    starts: time
    lesson_id: UUID
    needs: Needs
    bars: tuple[tuple[str, Reason], ...]
    change: Param | None
    copies: tuple[Reason, ...] = ()


def needs_of(now: SectionNow, planned: Planned | None) -> Needs:
    """What a planned lesson needs; nothing where none is planned."""
    if planned is None:
        return Needs()
    known = now.school.repertoire.known
    found = [(part.minutes, item) for part in planned.parts if (item := known(part.choice.activity))]
    items = [item for _, item in found]
    voice = sum(minutes for minutes, item in found if item.needs_voice)
    others = dict.fromkeys(item.props for item in items if item.props and not item.needs)
    return Needs(fetch(items, now.roll), tuple(others), voice)


def change_between(before: Needs, now: Needs) -> Param | None:
    """What comes out and what goes away; None where all stays as it is."""
    out: list[Param] = [counted(key, n) for key, n in now.things.items() if key not in before.things]
    out += [text for text in now.others if text not in before.others]
    away: list[Param] = [thing_name(thing) for thing in before.things if thing not in now.things]
    away += [text for text in before.others if text not in now.others]
    parts = [because("room_out", things=listed(out))] if out else []
    parts += [because("room_away", things=listed(away))] if away else []
    return Listed(tuple(parts), by="semicolon") if parts else None


def day_needs(ctx: Context, day: date) -> tuple[LessonNeeds, ...]:
    """Of every lesson of theirs planned on a day, by time; what is out before it may be a neighbour's."""
    seen = snapshot(ctx, judged=False)
    there = [
        (at.starts, one, planned)
        for one in seen.sections
        for at in one.lessons
        if at.day == day and (planned := one.planned_at(at.day, at.starts)) is not None
    ]
    there.sort(key=lambda found: (found[0], found[1].name))
    wanted = (
        song for _, one, planned in there for song in (*_played(one, planned), *_first_read(one, planned))
    )
    songs = songs_by_id(ctx, wanted)
    found, before = [], Needs()
    for starts, one, planned in there:
        needs = needs_of(one, planned)
        played = [songs[UUID(key)] for key in _played(one, planned) if UUID(key) in songs]
        bars = tuple((song.title, _bars(song)) for song in played)
        change = change_between(before, needs)
        first = [songs[UUID(key)] for key in _first_read(one, planned) if UUID(key) in songs]
        copies = tuple(because("copies_of", title=song.title, count=one.roll) for song in first)
        if ctx.room.lists(one.id):
            found.append(LessonNeeds(one, starts, planned.id, needs, bars, change, copies))
        before = needs
    return tuple(found)


def _played(now: SectionNow, planned: Planned) -> tuple[str, ...]:
    """Songs of a lesson that are played on bars."""
    known = now.school.repertoire.known
    parts = ((part.material.song, known(part.choice.activity)) for part in planned.parts)
    return tuple(dict.fromkeys(song for song, item in parts if song and item and BARRED in dict(item.needs)))


def _first_read(now: SectionNow, planned: Planned) -> tuple[str, ...]:
    """Songs that a choir meets in a lesson: it reads them from paper, a class learns them by ear."""
    if now.grade != CHOIR:
        return ()
    new = (part.material.song for part in planned.parts if part.new == "song")
    return tuple(dict.fromkeys(song for song in new if song))


def _bars(song: t.Song) -> Reason:
    """What comes off and on for it, in the key it is sung in."""
    return bars_reason(bars_for(sound.pitch for sound in as_sung(song).attacks if sound.pitch))
