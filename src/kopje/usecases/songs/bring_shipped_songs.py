"""Putting the songs that come with Kopje into a school's songbook."""

from __future__ import annotations

from pathlib import Path

from kopje.usecases.context import Context
from kopje.usecases.songs.songbook import Imported, import_file


def bring_shipped_songs(ctx: Context, folder: Path) -> list[Imported]:
    """Those that are there already stay as they are."""
    found: list[Imported] = []
    for file in sorted(folder.glob("*.abc")):
        found += import_file(ctx, file.name, file.read_bytes(), shipped=True)
    return found
