"""A song as a dance, and what it needs for a class."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.instruments.moves.dance import Dance, dance
from kopje.core.instruments.moves.room import Needs, Prop, needs
from kopje.core.instruments.moves.vocabulary import Formation
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.look import analysis_of


@dataclass(frozen=True)
class SongMoves:
    title: str
    dance: Dance
    needs: Needs


def moves_of(
    ctx: Context,
    song_id: UUID,
    formation: Formation,
    children: int,
    prop: Prop | None,
    touch: bool,
    own: bool,
) -> SongMoves:
    """TextureError for a song without a form."""
    song = songs.song(ctx.session, ctx.school_id, song_id)
    found = dance(analysis_of(song), formation, own)
    if formation == "chairs":
        found = found.seated()
    return SongMoves(song.title, found if touch else found.apart(), needs(formation, children, prop))
