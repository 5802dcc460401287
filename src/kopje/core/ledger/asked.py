"""Questions that the ledger answers exactly: what fades, and the fewest songs that bring it back.

Source: docs/sources.md#asked."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import cache

from kopje.core.sequence.concepts import ConceptKey


@dataclass(frozen=True, slots=True)
class Refresher:
    """A song that a class knows, and what of the wanted it has."""

    song: str
    title: str
    concepts: frozenset[ConceptKey]


def fewest(songs: Iterable[Refresher], wanted: Collection[ConceptKey]) -> tuple[Refresher, ...]:
    """The fewest songs that together have everything wanted that any of them has, by title. Of several
    choices that are as few, the one whose titles come first in the alphabet.

    >>> a, b = Refresher("1", "Ants", frozenset({"la"})), Refresher("2", "Bats", frozenset({"la", "re"}))
    >>> [one.title for one in fewest([a, b], ["la", "re", "fa"])]
    ['Bats']
    """
    found = [Refresher(one.song, one.title, one.concepts & frozenset(wanted)) for one in songs]
    useful = sorted((one for one in found if one.concepts), key=lambda one: (one.title, one.song))
    first = {one.concepts: one for one in reversed(useful)}  # of those that do the same the first by title
    choice = sorted(first.values(), key=lambda one: (one.title, one.song))
    return tuple(_earliest(choice, _least(choice)))


def _least(songs: Sequence[Refresher]) -> int:
    return next((n for n in range(len(songs) + 1) if _covers(songs, _all(songs), n)), 0)


def _all(songs: Iterable[Refresher]) -> frozenset[ConceptKey]:
    return frozenset(key for one in songs for key in one.concepts)


def _earliest(songs: Sequence[Refresher], most: int) -> Iterable[Refresher]:
    """Song by song in the order of titles: taken where the rest can still be had with as few."""
    missing = _all(songs)
    for place, one in enumerate(songs):
        rest = missing - one.concepts
        if rest != missing and _covers(songs[place + 1 :], rest, most - 1):
            yield one
            missing, most = rest, most - 1


def _covers(songs: Sequence[Refresher], wanted: frozenset[ConceptKey], most: int) -> bool:
    """Whether so many of the songs have everything that is wanted."""
    having: Mapping[ConceptKey, list[frozenset[ConceptKey]]] = {
        key: [one.concepts for one in songs if key in one.concepts] for key in wanted
    }

    @cache
    def can(missing: frozenset[ConceptKey], left: int) -> bool:
        if not missing or not left:
            return not missing
        rarest = min(missing, key=lambda key: (len(having[key]), key))
        return any(can(missing - concepts, left - 1) for concepts in having[rarest])

    return can(wanted, most)
