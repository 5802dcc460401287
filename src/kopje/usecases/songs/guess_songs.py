"""A guessing game from the songs a section has sung."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from uuid import UUID

from kopje.core.practice.games import By, Clue, clue, confused, telling_words
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.snapshot import snapshot
from kopje.usecases.songs.look import analysis_of

MOST = 40  # songs of a game, those sung last


@dataclass(frozen=True)
class Guessing:
    """Song ids with titles and clues, and the groups that nobody can tell apart."""

    titles: Mapping[str, str]
    clues: Mapping[str, Clue]
    alike: tuple[tuple[str, ...], ...]


def guessing(ctx: Context, section_id: UUID, by: By) -> Guessing:
    """Clues for what the section has sung; songs without such a clue are left out."""
    met = snapshot(ctx, [section_id]).section(section_id).facts.songs
    lately = sorted(met, key=lambda key: (met[key].last is None, met[key].last, key), reverse=True)[:MOST]
    known = [songs.song(ctx.session, ctx.school_id, UUID(key)) for key in lately]
    known.sort(key=lambda song: (song.title, song.id))
    clues = {str(song.id): clue(analysis_of(song), by) for song in known}
    found = telling_words(clues) if by == "words" else clues
    found = {key: one for key, one in found.items() if one}
    return Guessing(
        {str(song.id): song.title for song in known if str(song.id) in found}, found, confused(found)
    )
