"""The door for foreign files: which reader a file needs, by its content first and its name second."""

from __future__ import annotations

from pathlib import PurePath

from kopje.core.errors import FileError
from kopje.core.music.score import Score
from kopje.core.music.tune import Tune
from kopje.formats.abc import read_abc, read_abc_scores, split_abc
from kopje.formats.midi import read_midi, read_midi_score
from kopje.formats.musicxml import read_musicxml, read_musicxml_score, read_mxl, unpacked

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
    raise _not_ours(filename)


def read_scores(data: bytes, filename: str) -> tuple[Score, ...]:
    """All pieces of a file with the parts they have, at most four each; `read_tunes` gives the leads."""
    ending = PurePath(filename).suffix.lower()
    name = PurePath(filename).stem
    if data[:2] == b"PK":
        return (read_musicxml_score(unpacked(data), name),)
    if data[:4] == b"MThd" or ending in (".mid", ".midi"):
        return (read_midi_score(data, name),)
    if ending == ".abc":
        return read_abc_scores(data, name)
    if ending in KINDS[:2] or data.lstrip()[:1] == b"<":
        return (read_musicxml_score(data, name),)
    raise _not_ours(filename)


def _not_ours(filename: str) -> FileError:
    path = PurePath(filename)
    return FileError("file_kind", name=path.name, value=path.suffix.lower())


def pieces(data: bytes, filename: str) -> tuple[bytes, ...]:
    """The file cut into single songs: an ABC book into its tunes, any other file as it is."""
    book = PurePath(filename).suffix.lower() == ".abc" and data[:2] != b"PK"
    return (split_abc(data) or (data,)) if book else (data,)
