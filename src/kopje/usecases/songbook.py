"""Bringing songs in, and what is known of them. The file's bytes are kept; the analysis is worked out anew."""

from __future__ import annotations

import hashlib
from collections.abc import Iterable
from dataclasses import dataclass, field
from functools import lru_cache
from uuid import UUID

from kopje.core.analysis.analysis import Analysis, Minor, analyse
from kopje.core.errors import KopjeError
from kopje.core.sequence.concepts import Sequence
from kopje.core.songs.contents import SongCard, card
from kopje.formats.read import pieces, read_tunes
from kopje.store import songs, tables
from kopje.usecases.call import Call

FACT_NAMES = {"C": "composer", "A": "words", "O": "origin", "R": "kind", "S": "source", "Z": "rights", "N": "note",
              "B": "book"}  # fmt: skip
OUR_FACTS = ("source", "language", "rights", "verified", "role", "game", "care")


@dataclass(frozen=True)
class _Source:
    """A song's bytes, told apart by their hash alone."""

    content_hash: str
    filename: str = field(compare=False)
    data: bytes = field(compare=False, repr=False)


@lru_cache(maxsize=4096)
def _analysed(source: _Source, minor: Minor = "la") -> Analysis:
    return analyse(read_tunes(source.data, source.filename)[0], minor)


@dataclass(frozen=True)
class _Seen:
    """A sequence told apart by identity: a school's versions are kept as one object each."""

    identity: int
    sequence: Sequence = field(compare=False, repr=False)


@lru_cache(maxsize=8192)
def _card(source: _Source, song_id: str, seen: _Seen) -> SongCard:
    return card(song_id, _analysed(source), seen.sequence)


def analysis_of(song: tables.Song, minor: Minor = "la") -> Analysis:
    """`minor`: how the school reads minor; judgements about songs are always made from la."""
    return _analysed(_Source(song.content_hash, song.filename, song.source), minor)


def cards(call: Call) -> tuple[SongCard, ...]:
    """Every song of the school as the planner sees it."""
    seen = _Seen(id(call.sequence), call.sequence)
    return tuple(
        _card(_Source(song.content_hash, song.filename, song.source), str(song.id), seen)
        for song in songs.songs(call.session, call.school_id)
    )


@dataclass(frozen=True, slots=True)
class Imported:
    """What became of one song in a file. `song_id` is None when it was refused; `message` says why."""

    filename: str
    title: str
    song_id: UUID | None
    already: bool
    message: str
    problems: int


def import_file(call: Call, filename: str, data: bytes, ours: bool = False) -> list[Imported]:
    """Bring in every song of a file; one that cannot be read is reported and does not hold up the others."""
    try:
        parts = pieces(data, filename)
    except KopjeError as problem:
        return [Imported(filename, filename, None, False, problem.message, 0)]
    return [_import_piece(call, filename, part, ours) for part in parts]


def _import_piece(call: Call, filename: str, data: bytes, ours: bool) -> Imported:
    digest = hashlib.sha256(data).hexdigest()
    there = songs.by_hash(call.session, call.school_id, digest)
    if there is not None:
        return Imported(filename, there.title, there.id, True, "It was already in your songbook.", 0)
    try:
        analysis = _analysed(_Source(digest, filename, data))
    except KopjeError as problem:
        return Imported(filename, filename, None, False, problem.message, 0)
    song = tables.Song(
        id=call.new_id(), school_id=call.school_id, title=analysis.tune.title, filename=filename[:200], source=data,
        content_hash=digest, facts=_facts(analysis.tune.facts), added=call.now, ours=ours,
    )  # fmt: skip
    call.session.add(song)
    call.session.flush()
    return Imported(filename, song.title, song.id, False, "", len(analysis.problems))


def _facts(given: Iterable[tuple[str, str]]) -> dict[str, str]:
    """Facts by name; a note like `game: …` is the fact it names."""
    facts: dict[str, str] = {}
    for key, value in given:
        name = FACT_NAMES.get(key)
        if key == "N" and ":" in value and value.split(":")[0] in OUR_FACTS:
            name, value = value.split(":", 1)
        if name and value.strip():
            facts[name] = f"{facts[name]}; {value.strip()}" if name in facts else value.strip()
    return facts
