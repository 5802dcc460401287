"""Hearing, marks and the ledger on the wire."""

from __future__ import annotations

from datetime import date, datetime, timedelta
from typing import Literal
from uuid import UUID

from kopje.api.schemas.base import Read
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.core.choir.rungs import Broke, breaks_of
from kopje.core.ledger.events import ClassEvent
from kopje.core.ledger.luck import result_of
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.core.ledger.rota import Place
from kopje.core.planning.left_out import GameKind
from kopje.core.rights import Room
from kopje.core.sequence.concepts import Way
from kopje.usecases.ledger.read_hearing import Hearing, KeptOut
from kopje.usecases.ledger.read_ledger import EPOCH, Evidence, Grid, StandingToday
from kopje.words import Words

Level = Literal["not_heard", "not_yet", "nearly", "once", "secure"]


ASKED = (3, 4, 5, 6, 8, 9, 10)
GAMES = {f"{right}/{asked}": result_of(2, asked, right) for asked in ASKED for right in range(asked + 1)}


class OnRollRead(Read):
    """A child of the lesson; `say`: how the name is said, where somebody wrote it down; `absence`: the event
    that told that it is not there."""

    child_id: UUID
    name: str
    say: str
    absence: UUID | None


class PaceRead(Read):
    seconds: int
    children: int
    day: date


class PlaceRead(Read):
    child_id: UUID
    name: str
    reason: str

    @classmethod
    def of(cls, place: Place, words: Words, told: bool) -> PlaceRead:
        said = " ".join(words.say(reason) for reason in place.reasons) if told else ""
        return cls(child_id=UUID(place.child), name=place.name, reason=said)


class MarkRead(Read):
    """A mark that counts. `by_hand`: told in the ledger, in no lesson; `together`: all answered at once;
    `answers`: right of asked, in a game of choosing. `off_day`: its moment lay off its lesson's day, whose
    day it takes. `by`: who made it, where that was asked for."""

    id: UUID
    child_id: UUID
    concept: str
    way: Way
    voices: Voices
    help: Help
    result: Result
    broke: list[Broke]
    day: date
    moment: datetime
    off_day: bool
    by_hand: bool
    together: bool
    answers: str | None
    lesson_id: UUID | None
    part_id: UUID | None
    by: str | None

    @classmethod
    def of(cls, event: ClassEvent, by: str | None = None) -> MarkRead:
        b = event.body
        return cls(
            id=UUID(event.id),
            child_id=UUID(event.child or ""),
            concept=b["concept"],
            way=b["way"],
            voices=b["voices"],
            help=b["help"],
            result=b["result"],
            broke=b.get("broke") or [],
            day=event.day,
            moment=event.moment,
            off_day=event.off_day,
            by_hand=event.by_hand,
            together=bool(b.get("together")),
            answers=f"{game['right']}/{game['asked']}" if (game := b.get("answers")) else None,
            lesson_id=None if event.by_hand else UUID(event.lesson),
            part_id=UUID(event.part) if event.part else None,
            by=by,
        )


def _id(text: str | None) -> UUID | None:
    return UUID(text) if text else None


class KeptOutRead(Read):
    """Children who are kept out of a kind of game that is in a part, and how it goes for them."""

    kind: GameKind
    says: str
    children: list[UUID]

    @classmethod
    def of(cls, one: KeptOut, words: Words) -> KeptOutRead:
        return cls(kind=one.kind, says=words.say(one.form), children=[child.id for child in one.children])


class HearingRead(Read):
    """`breaks`: where a reading of this level can break; empty for anything else. `concept` is null where
    nothing can be judged in the part; `others` is what the class could be heard in. `games`: what a game with
    two answers shows, by right/asked. `with_others`: who is asked only in a pair or a group. `best`:
    this class's quickest round, in seconds a child."""

    concept: ConceptRead | None
    way: Way
    voices: Voices
    help: Help
    breaks: list[Broke]
    queue: list[PlaceRead]
    marks: list[MarkRead]
    others: list[ConceptRead]
    roll: list[OnRollRead]
    seats: list[UUID]
    best: PaceRead | None
    with_others: list[PlaceRead]
    kept_out: list[KeptOutRead]
    games: dict[str, Result]

    @classmethod
    def of(cls, hearing: Hearing, words: Words, room: Room) -> HearingRead:
        """Why somebody is next tells of weeks before: not to whoever has nothing but the day."""
        return cls(
            concept=ConceptRead.of(hearing.concept, words) if hearing.concept else None,
            way=hearing.way,
            voices=hearing.voices,
            help=hearing.help,
            breaks=list(breaks_of(hearing.concept.key)) if hearing.concept else [],
            queue=[PlaceRead.of(place, words, not room.walled) for place in hearing.queue],
            marks=[MarkRead.of(event) for event in hearing.marks],
            others=[ConceptRead.of(one, words) for one in hearing.others],
            roll=[
                OnRollRead(
                    child_id=one.id, name=one.name, say=one.say, absence=_id(hearing.absent.get(str(one.id)))
                )
                for one in hearing.roll
            ],
            seats=[UUID(child) for child in hearing.seats],
            with_others=[PlaceRead.of(place, words, not room.walled) for place in hearing.with_others],
            kept_out=[KeptOutRead.of(one, words) for one in hearing.kept_out],
            games=GAMES,
            best=PaceRead.model_validate(hearing.best) if hearing.best else None,
        )


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
    level: Level
    due: bool
    sentence: str

    @classmethod
    def of(cls, way: Way, standing_today: StandingToday, words: Words) -> WayRead:
        return cls(
            way=way,
            level=standing_today.standing.level,
            due=standing_today.due,
            sentence=_said(standing_today, words),
        )


def _said(standing_today: StandingToday, words: Words) -> str:
    return " ".join(words.say(reason) for reason in standing_today.reasons)


class OwnWordRead(Read):
    """The teacher's own word on a standing, kept beside what the marks say until she drops it."""

    id: UUID
    level: Level
    note: str
    day: date
    by: str | None

    @classmethod
    def of(cls, event: ClassEvent, by: str | None) -> OwnWordRead:
        b = event.body
        return cls(id=UUID(event.id), level=b["level"], note=b.get("note", ""), day=event.day, by=by)


class EvidenceRead(Read):
    child: str
    concept: ConceptRead
    level: Level
    partly: bool
    due: bool
    sentence: str
    ways: list[WayRead]
    marks: list[MarkRead]
    word: OwnWordRead | None

    @classmethod
    def of(cls, e: Evidence, words: Words) -> EvidenceRead:
        standing = e.standing_today.standing
        return cls(
            child=e.child.name,
            concept=ConceptRead.of(e.concept, words),
            level=standing.level,
            partly=standing.partly,
            due=e.standing_today.due,
            sentence=_said(e.standing_today, words),
            ways=[WayRead.of(way, standing_today, words) for way, standing_today in e.ways],
            marks=[MarkRead.of(mark, e.by.get(mark.id)) for mark in e.marks],
            word=OwnWordRead.of(e.word, e.by.get(e.word.id)) if e.word else None,
        )


class ChildRead(Read):
    """`last`: the day it was last heard alone, in anything."""

    id: UUID
    name: str
    last: date | None


class LedgerRead(Read):
    """`stones` are short, by concept: `0s 2n` says that the first child is secure and the third nearly.
    Letters: s secure, d secure and due, o showed it once, e showed it once and due, n nearly, y not yet, p
    heard in one way only; a capital where the teacher said so; no marks, no letter."""

    section: SectionRead
    children: list[ChildRead]
    columns: list[ColumnRead]
    stones: dict[str, str]

    @classmethod
    def of(cls, grid: Grid, words: Words) -> LedgerRead:
        columns = [
            ColumnRead(
                concept=ConceptRead.of(c.concept, words),
                answer=c.readiness.answer,
                sentence=words.say(c.readiness.reason),
                heard=c.readiness.heard,
                secure=c.readiness.secure,
                named=c.named,
                declared=c.declared,
            )
            for c in grid.columns
        ]
        children = [
            ChildRead(id=UUID(key), name=name, last=None if last is None else EPOCH + timedelta(last))
            for key, name, last in grid.children
        ]
        section = SectionRead.model_validate(grid.section)
        return cls(section=section, children=children, columns=columns, stones=grid.stones)
