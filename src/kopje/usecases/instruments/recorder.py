"""The recorder and the school's songs: what can be played, which tone opens most."""

from __future__ import annotations

from collections.abc import Collection

from kopje.core.instruments.recorder import Advice, System, advice, fingerings
from kopje.store import songs
from kopje.usecases.context import Context


def next_tone(ctx: Context, known: Collection[str], system: System) -> Advice:
    """Over all songs of the book, as they are written."""
    book = songs.pitches(ctx.session, ctx.school_id)
    return advice(((title, needs) for title, needs in book), known, fingerings(system))
