"""Phrases of songs that a class has not sung and can read: the first choice of what is read."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from uuid import UUID

from kopje.core.practice.reading.given import Offer, Wish
from kopje.core.practice.reading.levels import task_of
from kopje.core.practice.reading.make import Made
from kopje.core.practice.reading.real import (
    Excerpt,
    excerpts,
    laid_for,
    laid_for_level,
    of_level,
    suits,
)
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.concepts import Sequence as Sequence_
from kopje.core.songs.contents import SongCard, card_of
from kopje.core.songs.suitability import readable, unknown
from kopje.store import songs
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.given import Given
from kopje.usecases.songs.look import Source, analysed, source_of
from kopje.usecases.songs.songbook import cards

MOST = 16  # songs that are looked into, those with the fewest things that the class cannot name
MOST_OF_LEVEL = 40


@dataclass(frozen=True)
class Phrase:
    """A phrase as it is given to the class, and where it comes from."""

    made: Made
    song: t.Song
    first: int
    last: int


Bars = Mapping[UUID, Sequence[tuple[int, int]]]  # by song, the first and the last bar


def phrases(ctx: Context, here: Given, offer: Offer, wish: Wish, read: Bars) -> Iterator[Phrase]:
    """In the order of the songs that the class knows most of; each in a key that suits its voice, and nothing
    of what was `read` already."""
    task = task_of(offer.due, offer.before) if offer.sort == "level" else None
    if task is not None and task.parts > 1:
        return
    likely = _likely(ctx, here, offer) if task is None else _plainest(ctx, here)
    for song in likely:
        heard = read.get(song.id, ())
        for one, card in _excerpts(source_of(song), wish.bars, ctx.sequence):
            if any(one.first <= last and first < one.first + one.bars for first, last in heard):
                continue
            if task is not None:
                made = laid_for_level(one, task, wish, here.voice) if of_level(one, task, wish) else None
            else:
                fits = suits(one, offer, wish) and _read(here, offer, card)
                made = laid_for(one, offer, wish, here.voice) if fits else None
            if made is not None:
                yield Phrase(made, song, one.first, one.first + one.bars - 1)


def _likely(ctx: Context, here: Given, offer: Offer) -> list[t.Song]:
    """Songs with the concept that the class has not sung."""
    met, state = here.section.facts.songs, here.section.state
    concept = here.section.sequence.by_key[ConceptKey(offer.due)]
    found = [
        card
        for card in cards(ctx, state, (concept,), ())
        if card.id not in met and card.content(concept.key) is not None
    ]
    found.sort(key=lambda card: (len(unknown(card, state)), card.title, card.id))
    return _rows(ctx, found[:MOST])


def _plainest(ctx: Context, here: Given) -> list[t.Song]:
    """Songs that the choir has not sung, those with the fewest things in them first."""
    met, state = here.section.facts.songs, here.section.state
    found = [card for card in cards(ctx, state, (), ()) if card.id not in met]
    found.sort(key=lambda card: (len(card.contents), card.title, card.id))
    return _rows(ctx, found[:MOST_OF_LEVEL])


def _rows(ctx: Context, found: Sequence[SongCard]) -> list[t.Song]:
    rows = songs.by_id(ctx.session, ctx.school_id, [UUID(card.id) for card in found])
    return [rows[UUID(card.id)] for card in found]


def _read(here: Given, offer: Offer, card: SongCard) -> bool:
    """What the fit rule says of a song, said of these bars: nothing in it that has no name in the class, and
    the concept is in it."""
    if card.content(ConceptKey(offer.due)) is None:
        return False
    return readable(_bare(card) if offer.sort == "rhythm" else card, here.section.state)


def _bare(card: SongCard) -> SongCard:
    """Its rhythm alone."""
    return SongCard(card.id, card.title, tuple(c for c in card.contents if not c.tone), card.bars, card.do)


def _excerpts(source: Source, bars: int, sequence: Sequence_) -> tuple[tuple[Excerpt, SongCard], ...]:
    return _judged(_Asked(source, bars, id(sequence), sequence))


@dataclass(frozen=True)
class _Asked:
    """Told apart by the identity of its sequence, which is kept with it."""

    source: Source
    bars: int
    of: int
    sequence: Sequence_ = field(compare=False)


@lru_cache(maxsize=512)
def _judged(asked: _Asked) -> tuple[tuple[Excerpt, SongCard], ...]:
    found = excerpts(analysed(asked.source), asked.bars)
    return tuple((one, card_of("", "", one.outline, asked.sequence)) for one in found)
