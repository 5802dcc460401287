"""Putting the songs that come with Kopje into a school's songbook."""

from __future__ import annotations

from pathlib import Path

from kopje.usecases.call import Call
from kopje.usecases.songs.songbook import Imported, import_file


def bring_shipped_songs(call: Call, folder: Path) -> list[Imported]:
    """Those that are there already stay as they are."""
    found: list[Imported] = []
    for file in sorted(folder.glob("*.abc")):
        found += import_file(call, file.name, file.read_bytes(), ours=True)
    return found
