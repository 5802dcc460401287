"""A song as a dance, on the wire."""

from __future__ import annotations

from kopje.api.schemas.base import Read
from kopje.core.instruments.moves.dance import Part
from kopje.core.instruments.moves.room import Prop
from kopje.core.instruments.moves.told import cautions, room_for, said, said_seated
from kopje.core.instruments.moves.vocabulary import Formation, Travel
from kopje.usecases.instruments.moves import SongMoves
from kopje.words import Words


class MovePartRead(Read):
    """A part of the dance: `says` what is done, `seated` how from a chair where that differs; beats from the
    start; bars as printed. `own`: a child's idea has its place here."""

    label: str
    first_bar: int
    last_bar: int
    begins: float
    beats: float
    cue: str
    says: str
    seated: str | None
    travel: Travel | None
    own: bool

    @classmethod
    def of(cls, part: Part, words: Words) -> MovePartRead:
        seated = said_seated(part)
        return cls(
            label=part.label,
            first_bar=part.bars[0],
            last_bar=part.bars[1],
            begins=float(part.begins),
            beats=float(part.beats),
            cue=part.cue,
            says=words.say(said(part)),
            seated=words.say(seated) if seated else None,
            travel=part.travel,
            own=part.own,
        )


class MovesRead(Read):
    """The map of a dance, what it needs, and what to mind."""

    title: str
    formation: Formation
    parts: list[MovePartRead]
    needs: list[str]
    care: list[str]

    @classmethod
    def of(cls, found: SongMoves, children: int, prop: Prop | None, words: Words) -> MovesRead:
        return cls(
            title=found.title,
            formation=found.dance.formation,
            parts=[MovePartRead.of(one, words) for one in found.dance.parts],
            needs=[words.say(one) for one in room_for(found.dance, children, prop)],
            care=[words.say(one) for one in cautions(found.dance, prop)],
        )
