"""Songs that a section knows though they were never sung here, as the teacher says."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from kopje.store import sections, songs
from kopje.usecases.context import Context


def known_songs(ctx: Context, section_id: UUID) -> list[UUID]:
    sections.section(ctx.session, ctx.school_id, section_id)
    return list(sections.known_songs(ctx.session, section_id))


def set_known_songs(ctx: Context, section_id: UUID, song_ids: Sequence[UUID]) -> list[UUID]:
    """It replaces what was said before; NotFoundError for a song that is not in the book."""
    sections.section(ctx.session, ctx.school_id, section_id)
    wanted = list(dict.fromkeys(song_ids))
    for key in wanted:
        songs.song(ctx.session, ctx.school_id, key)
    sections.set_known_songs(ctx.session, ctx.school_id, section_id, wanted, ctx.new_id)
    return wanted
