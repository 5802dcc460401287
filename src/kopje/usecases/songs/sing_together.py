"""One song against itself as a round, and against the others of the book as a partner."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.songs.singing_together import Fit, Round, partners, rounds
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.look import analysis_of
from kopje.usecases.songs.songbook import in_book

TRIED = 300  # songs of the same meter that are laid over it at most
SHOWN = 8


@dataclass(frozen=True, slots=True)
class Partner:
    id: UUID
    title: str
    fit: Fit


def sing_together(ctx: Context, song_id: UUID) -> tuple[list[Round], list[Partner]]:
    """The best ways to sing it with more than one voice."""
    song = in_book(ctx, song_id)
    a = analysis_of(song)
    found = []
    for other in songs.in_meter(ctx.session, ctx.school_id, str(a.tune.bars[0].meter), TRIED):
        if other.id != song.id:
            fit = partners(a, analysis_of(other)).fit
            if fit is not None:
                found.append(Partner(other.id, other.title, fit))
    found.sort(key=lambda one: (not one.fit.well, one.fit.order, one.title))
    return list(rounds(a)[:3]), [one for one in found[:SHOWN] if not one.fit.clashes]
