"""An exercise that is kept: a song of the school's book like any other."""

from __future__ import annotations

from uuid import UUID

from kopje.core.errors import PracticeError
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import of_school
from kopje.usecases.songs.songbook import Imported, annotate, import_file


def keep_in_book(ctx: Context, exercise_id: UUID) -> Imported:
    """With do and home as it was made. PracticeError for a phrase of a song: that is in the book already."""
    row = of_school(ctx, exercise_id)
    if row.song_id is not None:
        raise PracticeError("exercise_is_song", value=str(exercise_id))
    (found,) = import_file(ctx, f"exercise-{row.number}.abc", row.source.encode())
    do = row.do[:-1]
    if found.song_id is not None and not found.already and do:
        annotate(ctx, found.song_id, {"do": do, "resting": row.resting})
    return found
