"""The recorder and the school's songs: what can be played, which tone opens most."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from uuid import UUID

from kopje.core.errors import TuneError
from kopje.core.instruments.letters import Difference, differences, read_letters
from kopje.core.instruments.recorder import (
    Advice,
    InKey,
    System,
    advice,
    fingerings,
    hardest_change,
    in_order,
    keys_for,
)
from kopje.store import songs
from kopje.usecases.context import Context
from kopje.usecases.songs.look import analysis_of


@dataclass(frozen=True)
class ForSong:
    """What a song asks of the recorder: written pitches low first, those that are missing, its keys, and the
    change at which most holes move."""

    title: str
    do: str | None
    needs: tuple[str, ...]
    missing: tuple[str, ...]
    keys: tuple[InKey, ...]
    hardest: tuple[str, str, int] | None


def for_song(ctx: Context, song_id: UUID, known: Collection[str], system: System) -> ForSong:
    song = songs.song(ctx.session, ctx.school_id, song_id)
    a = analysis_of(song)
    row = [str(sound.pitch) for sound in a.attacks if sound.pitch is not None]
    needs = in_order(sound.pitch for sound in a.attacks if sound.pitch is not None)
    names = tuple(map(str, needs))
    do = a.tonality.do
    return ForSong(
        song.title,
        str(do) if do else None,
        names,
        tuple(name for name in names if name not in known),
        keys_for(needs, do, known) if do and needs else (),
        hardest_change(row, fingerings(system)),
    )


def letters_of(ctx: Context, song_id: UUID, text: str) -> tuple[int, tuple[tuple[Difference, int], ...]]:
    """How many tones the tune has, and where letters from elsewhere differ from it, each with its bar.
    TextureError for what are no letters."""
    a = analysis_of(songs.song(ctx.session, ctx.school_id, song_id))
    tones = [sound for sound in a.attacks if sound.pitch is not None]
    names = [sound.pitch.name for sound in tones if sound.pitch is not None]
    if not names:
        raise TuneError("song_unpitched", value=str(song_id))
    found = differences(read_letters(text), names)
    return len(names), tuple((one, tones[one.tone].bar) for one in found)


def next_tone(ctx: Context, known: Collection[str], system: System) -> Advice:
    """Over all songs of the book, as they are written."""
    book = songs.pitches(ctx.session, ctx.school_id)
    return advice(((title, needs) for title, needs in book), known, fingerings(system))
