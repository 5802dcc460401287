"""Bars for a song: what comes off and on with do where it is or elsewhere, and borduns for two hands."""

from __future__ import annotations

from dataclasses import dataclass
from uuid import UUID

from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import TuneError
from kopje.core.instruments.barred import BarSet, bars_for, natural_homes
from kopje.core.instruments.bordun import Bordun, borduns
from kopje.core.instruments.recorder import in_order
from kopje.core.music.degree import plain_do
from kopje.core.music.pitch import Pitch
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.look import Variant, seen


@dataclass(frozen=True)
class SongBars:
    """`homes`: letters that need no swap; `pitches` sound, as written, with their degrees."""

    a: Analysis
    bars: BarSet
    pitches: tuple[Pitch, ...]
    homes: tuple[str, ...]
    borduns: tuple[Bordun, ...]


def bars_of(ctx: Context, song_id: UUID, do: str | None) -> SongBars:
    """TuneError for a song without pitches; PitchError for what is no letter."""
    song = songs.song(ctx.session, ctx.school_id, song_id)
    to = str(plain_do(do)) if do else None
    a = seen(song, Variant(do=to))
    pitches = {sound.pitch for sound in a.attacks if sound.pitch is not None}
    if not pitches:
        raise TuneError("song_unpitched", value=song.title)
    home = a.tonality.do
    return SongBars(
        a,
        bars_for(pitches),
        in_order(pitches),
        natural_homes(pitches, home) if home else (),
        borduns(a),
    )
