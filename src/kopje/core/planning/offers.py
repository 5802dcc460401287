"""Which songs and recorded pieces an activity may take, with what each costs and why.

Source: docs/sources.md#composer.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace
from datetime import date
from functools import cache, cached_property
from itertools import chain, islice

from kopje.core.planning.activities import Activity
from kopje.core.planning.lesson import Choice, LessonQuestion
from kopje.core.planning.timely import TIMELY, suiting
from kopje.core.reasons import Named, Reason, because, listed
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import SongCard
from kopje.core.songs.suitability import Fit, Met, fit, ranked, unknown

SONGS_A_CONCEPT = 4
KNOWN_SONGS = 6
NEW_SONGS = 4
PIECES = 3
SUNG_THIS_WEEK = 2
UNKNOWN_IN_SONG = 1

Offer = tuple[Choice, int, tuple[Reason, ...]]  # a choice with its song or piece, what it costs, why


@dataclass(frozen=True)
class Offers:
    """Songs and pieces for the activities of one lesson."""

    question: LessonQuestion

    @cached_property
    def known_songs(self) -> tuple[tuple[str, Met], ...]:
        """Songs they have met, longest rest first."""
        met = [
            (song.id, self.question.met[song.id])
            for song in self.question.songs
            if song.id in self.question.met
        ]
        last = self._last
        return tuple(sorted(met, key=lambda p: (last(p[0]), p[1].last is not None, p[1].last or 0, p[0])))

    @cached_property
    def _last(self) -> Callable[[str], bool]:
        """Whether a song has to wait: neither a concert nor what the day is like asks for it."""
        return lambda song: song not in self.question.warm and song not in self._suiting

    @cached_property
    def _suiting(self) -> frozenset[str]:
        return suiting(self.question.songs, self.question.day)

    @cached_property
    def fits_of(self) -> Callable[[ConceptKey, Purpose, tuple[str, ...]], tuple[Fit, ...]]:
        @cache  # many activities ask for the same songs
        def every(key: ConceptKey, purpose: Purpose) -> tuple[Fit, ...]:
            asked, concept = self.question, self.question.state.sequence.concept(key)
            found = ranked(
                fit(song, concept, purpose, asked.state, asked.met.get(song.id, Met()), asked.today)
                for song in asked.songs
                if concept.found_by == "any_song" or song.content(key) is not None
            )
            able = (one for one in found if one.allowed)
            return tuple(sorted(able, key=lambda one: one.cost - TIMELY * (one.song.id in self._suiting)))

        @cache
        def fits(key: ConceptKey, purpose: Purpose, asks: tuple[str, ...]) -> tuple[Fit, ...]:
            able = (one for one in every(key, purpose) if has_all(asks, one.song))
            return tuple(islice(able, SONGS_A_CONCEPT))

        return fits

    def of(self, item: Activity, choice: Choice, concept: Concept | None = None) -> Iterable[Offer]:
        """What the activity may be done with: nothing, a piece, or songs of the kind it wants."""
        if item.plays:
            return self._pieces(choice, concept)
        if item.song == "none":
            return [(choice, 0, ())]
        if item.song == "target" and concept is not None and choice.purpose is not None:
            fits = self.fits_of(concept.key, choice.purpose, item.asks)
            return [
                (
                    replace(choice, song=one.song.id),
                    one.cost,
                    (*one.verdict.reasons, *_granted(item, one.song)),
                )
                for one in fits
            ]
        if item.song == "new":
            return self._unmet(item, choice)
        return chain.from_iterable(self._known(item, choice, concept))

    def _pieces(self, choice: Choice, concept: Concept | None) -> Iterator[Offer]:
        """Recorded pieces that have the concept: what they never heard and what was long ago first."""
        able = [card for card in self.question.pieces if concept is None or card.piece.has(concept)]
        rested = sorted(able, key=lambda card: (self._last_heard(card.id), card.title))
        for card in rested[:PIECES]:
            met = self.question.met.get(card.id)
            said = [heard_before(card.title, met)]
            if concept is not None:
                said.append(because("piece_has", "for", concept.key, concept=Named(concept.key)))
            yield replace(choice, piece=card.id), SUNG_THIS_WEEK * self._this_week(met), tuple(said)

    def _last_heard(self, key: str) -> date:
        met = self.question.met.get(key)
        return (met.last if met else None) or date.min

    def _this_week(self, met: Met | None) -> bool:
        last, today = met.last if met else None, self.question.today
        return last is not None and today is not None and (today - last).days < 7

    @cached_property
    def cards(self) -> dict[str, SongCard]:
        return {song.id: song for song in self.question.songs}

    def _unmet(self, item: Activity, choice: Choice) -> Iterator[Offer]:
        """Songs they have not met: in their range first, then what is least strange to them."""
        state = self.question.state
        found = []
        for song in self.question.songs:
            if song.id not in self.question.met and grants(item, song):
                far = far_from(song, state)
                last = self._last(song.id)
                found.append((last, far.outside + far.alone, far.strange, song.title, far, song))
        for _, _, strange, title, far, song in sorted(found, key=lambda one: one[:4])[:NEW_SONGS]:
            said = because("new_song_titled", about="song", title=title, inside=int(not far.outside))
            yield replace(choice, song=song.id), UNKNOWN_IN_SONG * min(strange, 3), (said,)

    def _known(self, item: Activity, choice: Choice, concept: Concept | None) -> Iterator[list[Offer]]:
        able = [pair for pair in self.known_songs if grants(item, self.cards[pair[0]])]
        for song_id, met in able[:KNOWN_SONGS]:
            song = self.cards[song_id]
            if concept is not None and concept.found_by != "any_song" and song.content(concept.key) is None:
                continue
            recent = self._this_week(met)
            strange = len([c for c in unknown(song, self.question.state) if not c.aspect])
            said = _old_friend(song.title, met)
            cost = SUNG_THIS_WEEK * recent + UNKNOWN_IN_SONG * min(strange, 3)
            yield [(replace(choice, song=song_id), cost, (said, *_granted(item, song)))]


@dataclass(frozen=True, slots=True)
class Far:
    """How far a song that they never met is from a class: beyond its range, for one voice where a choir
    learns to sing in parts (each 0 or 1), and how many tones and figures are unknown."""

    outside: int
    alone: int
    strange: int


def far_from(song: SongCard, state: SectionState) -> Far:
    keys = song.keys_for(state.grade)
    return Far(
        int(keys[0].cost > 0) if keys else 1,
        int(state.grade == CHOIR and "parts" not in song.traits),
        len([one for one in unknown(song, state) if not one.aspect]),
    )


def heard_before(title: str, met: Met | None) -> Reason:
    """How often and when last they heard a piece."""
    if met is None or met.last is None:
        return because("piece_new", about="song", title=title)
    return because("piece_met", about="song", title=title, lessons=met.lessons, day=met.last)


def has_all(asks: tuple[str, ...], song: SongCard) -> bool:
    """Whether a song has what is asked of it; `!trait` must not be there."""
    return all((one.lstrip("!") in song.traits) != one.startswith("!") for one in asks)


def grants(item: Activity, song: SongCard) -> bool:
    return has_all(item.asks, song)


def _granted(item: Activity, song: SongCard) -> tuple[Reason, ...]:
    """Why the song has what the activity asks for, and where."""
    return tuple(
        because(
            "asks",
            "for",
            "song",
            trait=because(f"trait_{trait}"),
            bars=listed((str(bar) for bar in song.traits[trait]), 4),
            count=len(song.traits[trait]),
        )
        for trait in item.asks
        if not trait.startswith("!")
    )


def _old_friend(title: str, met: Met) -> Reason:
    if met.last is None:
        return because("old_friend", "for", "song", title=title)
    return because("old_friend_last", "for", "song", title=title, lessons=met.lessons, day=met.last)
