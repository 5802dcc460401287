"""A song as a dance."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.instruments.moves.dance import Dance, dance
from kopje.core.instruments.moves.vocabulary import Formation
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.look import analysis_of


@dataclass(frozen=True)
class SongMoves:
    title: str
    dance: Dance


def moves_of(ctx: Context, song_id: UUID, formation: Formation, touch: bool, own: bool) -> SongMoves:
    """TextureError for a song without a form."""
    song = songs.song(ctx.session, ctx.school_id, song_id)
    return SongMoves(song.title, dance(analysis_of(song), formation, own, touch))
