"""The door for foreign files: which reader a file needs, by its content first and its name second."""

from __future__ import annotations

from pathlib import PurePath

from kopje.core.errors import FileError
from kopje.core.music.tune import Tune
from kopje.formats.abc import read_abc, split_abc
from kopje.formats.midi import read_midi
from kopje.formats.musicxml import read_musicxml, read_mxl

KINDS = (".musicxml", ".xml", ".mxl", ".abc", ".mid", ".midi")


def read_tunes(data: bytes, filename: str, part: int | None = None) -> tuple[Tune, ...]:
    """All tunes of a file (one, except for an ABC book). FileError says why a file cannot be read."""
    ending = PurePath(filename).suffix.lower()
    name = PurePath(filename).stem
    if data[:2] == b"PK":
        return (read_mxl(data, name, part),)
    if data[:4] == b"MThd" or ending in (".mid", ".midi"):
        return (read_midi(data, name, part),)
    if ending == ".abc":
        return read_abc(data, name, part)
    if ending in KINDS[:2] or data.lstrip()[:1] == b"<":
        return (read_musicxml(data, name, part),)
    raise FileError(
        "file_kind",
        name=PurePath(filename).name,
        value=ending,
    )


def pieces(data: bytes, filename: str) -> tuple[bytes, ...]:
    """The file cut into single songs: an ABC book into its tunes, any other file as it is."""
    book = PurePath(filename).suffix.lower() == ".abc" and data[:2] != b"PK"
    return (split_abc(data) or (data,)) if book else (data,)
