"""Questions with blanks and their answers on the wire; `kopje ask` prints the same."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import date, time
from typing import Literal
from uuid import UUID

from kopje.api.schemas.base import Read
from kopje.core.ledger.asked import Refresher
from kopje.core.planning.left_out import KINDS, GameKind
from kopje.core.reasons import Named
from kopje.core.sequence.concepts import Concept
from kopje.usecases.ledger.ask_ledger import (
    Fading,
    Group,
    LeftOver,
    Missing,
    MissingFor,
    Needs,
    NotHeard,
    Refreshed,
)
from kopje.usecases.ledger.bring_marks import Brought
from kopje.usecases.lessons.left_out import LeftOut
from kopje.usecases.year.whereabouts import Whereabouts
from kopje.words import Words

Answered = Literal["ready", "teach_again", "split", "hear_more", "nobody_heard"]


class NotHeardRead(Read):
    """`last`: when somebody last listened to it alone, in anything."""

    child_id: UUID
    section: str
    name: str
    last: date | None

    @classmethod
    def of(cls, one: NotHeard) -> NotHeardRead:
        return cls(child_id=UUID(one.child), section=one.section, name=one.name, last=one.last)


class FadingRead(Read):
    """`children`: the names of those who had it and were not heard alone in it for long."""

    concept: str
    name: str
    children: list[str]

    @classmethod
    def of(cls, one: Fading) -> FadingRead:
        return cls(concept=one.concept.key, name=one.concept.name, children=list(one.children))


class RefreshRead(Read):
    """`song` is its title; `concepts` what of the fading it has, in the order of the alphabet."""

    song: str
    song_id: UUID
    concepts: list[str]
    names: list[str]

    @classmethod
    def of(cls, one: Refresher, words: Words) -> RefreshRead:
        keys = sorted(one.concepts)
        return cls(song=one.title, song_id=UUID(one.song), concepts=list(keys), names=_names(keys, words))


def _names(keys: Iterable[str], words: Words) -> list[str]:
    return [words.term(Named(key)) for key in keys]


class RefreshedRead(Read):
    """`without`: what fades and is in no song that they know."""

    songs: list[RefreshRead]
    without: list[str]

    @classmethod
    def of(cls, found: Refreshed, words: Words) -> RefreshedRead:
        songs = [RefreshRead.of(one, words) for one in found.songs]
        return cls(songs=songs, without=[concept.name for concept in found.without])


class MissingRead(Read):
    """What is needed first and not ready. `children`: the names of those who were heard and do not have
    it."""

    concept: str
    name: str
    answer: Answered
    more: int
    children: list[str]
    sentence: str

    @classmethod
    def of(cls, one: Missing, words: Words) -> MissingRead:
        return cls(
            concept=one.concept.key,
            name=one.concept.name,
            answer=one.readiness.answer,
            more=one.readiness.more,
            children=list(one.children),
            sentence=words.say(one.readiness.reason),
        )


class MissingForRead(Read):
    """Empty where nothing keeps the section from it; `named`: it has its name there already."""

    named: bool
    missing: list[MissingRead]

    @classmethod
    def of(cls, found: MissingFor, words: Words) -> MissingForRead:
        return cls(named=found.named, missing=[MissingRead.of(one, words) for one in found.missing])


class GroupRead(Read):
    """Whom to teach a concept again, by name, and what is really missing."""

    children: list[str]
    behind: str | None
    sentence: str

    @classmethod
    def of(cls, one: Group, words: Words) -> GroupRead:
        return cls(
            children=list(one.children),
            behind=one.behind.name if one.behind else None,
            sentence=words.say(one.reason),
        )


class DriftRead(Read):
    """Where a section is on a day: `lesson` of `of`, with `concepts` at work."""

    section: str
    lesson: int
    of: int
    concepts: list[str]
    names: list[str]

    @classmethod
    def of_section(cls, one: Whereabouts) -> DriftRead:
        at_work: list[Concept] = [concept for concept, _ in one.at_work]
        return cls(
            section=one.section.name,
            lesson=one.lessons,
            of=len(one.section.lessons),
            concepts=[concept.key for concept in at_work],
            names=[concept.name for concept in at_work],
        )


class LeftOverRead(Read):
    """`activity` is a key, `song` a title; `name` is the activity's."""

    date: date
    activity: str
    name: str
    song: str | None
    state: Literal["partly", "skipped", "not_reached"]

    @classmethod
    def of(cls, one: LeftOver) -> LeftOverRead:
        return cls.model_validate(one)


class GameTodayRead(Read):
    """A part of a lesson today that goes otherwise for a child; `says` how."""

    lesson_id: UUID
    starts: time
    title: str
    kind: GameKind
    says: str


class LeftOutRead(Read):
    """A child that is kept out of `kinds` of games; `games` are those of today's lessons, with the form
    without them."""

    child_id: UUID
    section: str
    name: str
    kinds: list[GameKind]
    games: list[GameTodayRead]

    @classmethod
    def of(cls, one: LeftOut, words: Words) -> LeftOutRead:
        return cls(
            child_id=one.child_id,
            section=one.section,
            name=one.name,
            kinds=[kind for kind in KINDS if kind in one.kinds],
            games=[
                GameTodayRead(
                    lesson_id=game.lesson_id,
                    starts=game.starts,
                    title=game.title,
                    kind=game.kind,
                    says=words.say(game.form),
                )
                for game in one.games
            ],
        )


class RowRead(Read):
    line: int
    sentence: str


class BroughtRead(Read):
    """Marks that were `taken`, were `known` already, did not count where they come from (`withdrawn`); and
    rows that were not taken."""

    taken: int
    known: int
    withdrawn: int
    problems: list[RowRead]

    @classmethod
    def of(cls, found: Brought, words: Words) -> BroughtRead:
        rows = [RowRead(line=line, sentence=words.say(reason)) for line, reason in found.problems]
        return cls(taken=found.taken, known=found.known, withdrawn=found.withdrawn, problems=rows)


class NeedsRead(Read):
    """A child that was heard in a concept and does not have it, or had it and is to be heard again."""

    child_id: UUID
    section: str
    name: str
    level: Literal["not_yet", "nearly", "once", "secure"]
    due: bool

    @classmethod
    def of(cls, one: Needs) -> NeedsRead:
        return cls.model_validate(one)
