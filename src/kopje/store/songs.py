"""Songs, and what is asked of them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any
from uuid import UUID

from sqlalchemy import ColumnElement, Select, and_, func, literal, or_, select
from sqlalchemy.orm import Session, undefer

from kopje.core.errors import NotFoundError
from kopje.core.songs.question import METER
from kopje.store.owned import owned
from kopje.store.tables import KeptQuestion, Song, SongMetRow


@dataclass(frozen=True, slots=True)
class CardRow:
    """What planning needs of a song, as it was kept when it was analysed; no file is read for it."""

    id: UUID
    title: str
    annotations: dict[str, Any]
    card: dict[str, Any]


def _in_book(school_id: UUID) -> ColumnElement[bool]:
    return and_(Song.school_id == school_id, Song.removed.is_(None))


CARD = (Song.id, Song.title, Song.annotations, Song.card)


def cards(session: Session, school_id: UUID) -> Sequence[CardRow]:
    """Of every song, by title."""
    chosen = select(*CARD).where(_in_book(school_id), Song.card != {})
    return [CardRow(*row) for row in session.execute(chosen.order_by(Song.title, Song.id))]


@dataclass(frozen=True)
class Likely:
    """Which songs of a large book a planner has to look at: those already `met`, and for each wish
    (any of its elements or features), and without a wish, the `most` with the fewest elements outside
    `known`."""

    known: frozenset[str]
    wanted: tuple[tuple[frozenset[str], frozenset[str]], ...]
    met: frozenset[UUID]
    most: int


def likely(session: Session, school_id: UUID, which: Likely) -> Sequence[CardRow]:
    """The songs to look at, by title."""
    mine = _in_book(school_id)
    element = func.unnest(Song.elements).table_valued("name").alias("element")
    strange = (
        select(func.count())
        .select_from(element)
        .where(element.c.name.not_in(sorted(which.known)))
        .scalar_subquery()
    )
    fewest = select(Song.id).where(mine).order_by(strange, Song.title, Song.id).limit(which.most)
    found = set(session.scalars(fewest)) | which.met
    for elements, features in which.wanted:
        has = or_(Song.elements.overlap(sorted(elements)), Song.features.overlap(sorted(features)))
        found |= set(session.scalars(fewest.where(has)))
    chosen = select(*CARD).where(mine, Song.id.in_(found), Song.card != {})
    return [CardRow(*row) for row in session.execute(chosen.order_by(Song.title, Song.id))]


def of_school(session: Session, school_id: UUID) -> Sequence[Song]:
    """Every song with its bytes."""
    return session.scalars(
        select(Song).where(_in_book(school_id)).options(undefer(Song.source)).order_by(Song.title)
    ).all()


def in_meter(session: Session, school_id: UUID, meter: str, most: int) -> Sequence[Song]:
    """Songs of this meter with their bytes, by title."""
    mine = select(Song).where(_in_book(school_id), Song.features.contains([f"{METER}{meter}"]))
    return session.scalars(mine.options(undefer(Song.source)).order_by(Song.title, Song.id).limit(most)).all()


def count(session: Session, school_id: UUID) -> int:
    return session.scalar(select(func.count()).select_from(Song).where(_in_book(school_id))) or 0


def song(session: Session, school_id: UUID, song_id: UUID) -> Song:
    """NotFoundError for one that was removed, too."""
    found = kept_or_removed(session, school_id, song_id)
    if found.removed is not None:
        raise NotFoundError("song_removed", song=found.title, value=str(song_id))
    return found


def kept_or_removed(session: Session, school_id: UUID, song_id: UUID) -> Song:
    return owned(session, Song, school_id, song_id, "song")


def removed(session: Session, school_id: UUID) -> Sequence[Song]:
    """What was taken out of the songbook, the latest first."""
    gone = select(Song).where(Song.school_id == school_id, Song.removed.is_not(None))
    return session.scalars(gone.order_by(Song.removed.desc(), Song.title)).all()


def by_id(session: Session, school_id: UUID, ids: Iterable[UUID]) -> dict[UUID, Song]:
    """These songs with their bytes, removed ones too: lessons that had them still name them."""
    chosen = (
        select(Song).where(Song.school_id == school_id, Song.id.in_(set(ids))).options(undefer(Song.source))
    )
    return {song.id: song for song in session.scalars(chosen)}


def titles(session: Session, school_id: UUID, ids: Iterable[UUID]) -> dict[UUID, str]:
    """Of these songs, removed ones too."""
    chosen = select(Song.id, Song.title).where(Song.school_id == school_id, Song.id.in_(set(ids)))
    return {key: title for key, title in session.execute(chosen)}


def by_hash(session: Session, school_id: UUID, content_hash: str) -> Song | None:
    return session.scalar(select(Song).where(Song.school_id == school_id, Song.content_hash == content_hash))


def of_title(session: Session, school_id: UUID, title: str) -> Sequence[Song]:
    """Songs that bear this title, in whatever letters, in the order they came."""
    mine = select(Song).where(_in_book(school_id), func.lower(Song.title) == title.strip().lower())
    return session.scalars(mine.order_by(Song.added, Song.id)).all()


def not_worked_out(session: Session, version: int, most: int) -> Sequence[Song]:
    """Songs whose facts are of an older analysis, with their bytes."""
    return session.scalars(
        select(Song)
        .where(Song.facts_version < version)
        .options(undefer(Song.source))
        .order_by(Song.id)
        .limit(most)
    ).all()


@dataclass(frozen=True)
class Wanted:
    """A question in the songbook's own facts. `has`: for each wish the elements and features, one of
    which must be there; `only`: all elements that may be there; `meters`: all meters that may; `section`:
    whose lessons count for `fresh` and `rested_since`."""

    text: tuple[str, ...] = ()
    has: tuple[tuple[frozenset[str], frozenset[str]], ...] = ()
    only: frozenset[str] | None = None
    meters: frozenset[str] | None = None
    grade: int | None = None
    section: UUID | None = None
    fresh: bool = False
    rested_since: date | None = None


@dataclass(frozen=True, slots=True)
class FoundSong:
    """A row of the songbook; `lessons` and `last` are of the section asked for."""

    id: UUID
    title: str
    shipped: bool
    summary: dict[str, Any]
    elements: list[str]
    features: list[str]
    lessons: int
    last: date | None


def find(
    session: Session, school_id: UUID, wanted: Wanted, offset: int, limit: int
) -> tuple[list[FoundSong], int]:
    """Songs by title from a place on, and how many there are in all."""
    query = _matching(school_id, wanted)
    counted = query.add_columns(func.count().over()).order_by(Song.title, Song.id)
    rows = session.execute(counted.offset(offset).limit(limit)).all()
    if not rows and offset:  # beyond the last one there is no row to carry the number
        return [], session.scalar(select(func.count()).select_from(query.subquery())) or 0
    return [FoundSong(*row[:-1]) for row in rows], rows[0][-1] if rows else 0


def _matching(school_id: UUID, wanted: Wanted) -> Select[Any]:
    columns = (Song.id, Song.title, Song.shipped, Song.summary, Song.elements, Song.features)
    mine = _in_book(school_id)
    if wanted.section is None:
        query: Select[Any] = select(*columns, literal(0), literal(None)).where(mine)  # type: ignore[assignment]  # columns stay untyped
    else:
        counted = (func.coalesce(SongMetRow.lessons, 0), SongMetRow.last)
        here = and_(SongMetRow.song_id == Song.id, SongMetRow.section_id == wanted.section)
        query = select(*columns, *counted).outerjoin(SongMetRow, here).where(mine)  # type: ignore[assignment]
    if wanted.fresh:
        query = query.where(SongMetRow.last.is_(None))
    if wanted.rested_since is not None:
        query = query.where(or_(SongMetRow.last.is_(None), SongMetRow.last <= wanted.rested_since))
    for word in wanted.text:
        query = query.where(Song.search.contains(word, autoescape=True))
    for elements, features in wanted.has:
        query = query.where(
            or_(Song.elements.overlap(sorted(elements)), Song.features.overlap(sorted(features)))
        )
    if wanted.only is not None:
        query = query.where(Song.elements.contained_by(sorted(wanted.only)))
    if wanted.meters is not None:
        feature = func.unnest(Song.features).column_valued("feature")
        other = and_(feature.startswith(METER), feature.not_in(sorted(wanted.meters)))
        query = query.where(~select(feature).where(other).exists())
    if wanted.grade is not None:
        without_do = Song.summary["keys"] == []  # no key can be right or wrong for it
        query = query.where(or_(Song.fits.contains([wanted.grade]), without_do))
    return query


def kinds(session: Session, school_id: UUID) -> dict[str, int]:
    """Everything that songs of the songbook have, with the number of songs."""
    every = (
        select(func.unnest(Song.elements + Song.features).label("kind")).where(_in_book(school_id)).subquery()
    )
    return {
        kind: count
        for kind, count in session.execute(select(every.c.kind, func.count()).group_by(every.c.kind))
    }


def pitches(session: Session, school_id: UUID) -> Sequence[tuple[str, Sequence[str]]]:
    """(title, written pitches) of every song that has any, by title."""
    told = Song.summary["pitches"]
    mine = select(Song.title, told).where(_in_book(school_id), told != [])
    return [(title, found) for title, found in session.execute(mine.order_by(Song.title, Song.id))]


def kept_questions(session: Session, school_id: UUID) -> Sequence[KeptQuestion]:
    return session.scalars(
        select(KeptQuestion).where(KeptQuestion.school_id == school_id).order_by(KeptQuestion.name)
    ).all()


def kept_question(session: Session, school_id: UUID, question_id: UUID) -> KeptQuestion:
    return owned(session, KeptQuestion, school_id, question_id, "sentence")
