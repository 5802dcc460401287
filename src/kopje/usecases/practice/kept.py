"""An exercise that is kept: a song of the school's book like any other."""

from __future__ import annotations

from uuid import UUID

from kopje.core.reasons import because
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import of_school
from kopje.usecases.songs.songbook import Imported, annotate, import_file, in_book


def keep_in_book(ctx: Context, exercise_id: UUID) -> Imported:
    """With do and home as it was made. A phrase of a song is there already, in its song."""
    row = of_school(ctx, exercise_id)
    name = f"exercise-{row.number}.abc"
    if row.song_id is not None:
        title = in_book(ctx, row.song_id).title
        return Imported(name, title, row.song_id, True, because("import_already"), 0)
    (found,) = import_file(ctx, name, row.source.encode())
    do = row.do[:-1]
    if found.song_id is not None and not found.already and do:
        annotate(ctx, found.song_id, {"do": do, "resting": row.resting})
    return found
