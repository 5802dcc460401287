"""The door out: a piece in an open format, chosen by the ending of a file's name."""

from __future__ import annotations

from pathlib import PurePath

from kopje.core.errors import FileError
from kopje.core.music.score import Score
from kopje.core.music.tune import Tune
from kopje.formats.abc_write import write_abc
from kopje.formats.midi_write import write_midi
from kopje.formats.musicxml_write import write_musicxml

MEDIA = {
    ".musicxml": "application/vnd.recordare.musicxml+xml",
    ".abc": "text/vnd.abc",
    ".mid": "audio/midi",
}


def write_score(score: Score, filename: str) -> bytes:
    """The bytes of a file of this name; FileError for an ending that is not ours."""
    ending = PurePath(filename).suffix.lower()
    if ending in (".musicxml", ".xml"):
        return write_musicxml(score)
    if ending == ".abc":
        return write_abc(score).encode()
    if ending in (".mid", ".midi"):
        return write_midi(score)
    raise FileError(
        "file_kind_written",
        name=PurePath(filename).name,
        value=ending,
    )


def write_tune(tune: Tune, filename: str) -> bytes:
    """One part alone."""
    return write_score(Score.solo(tune), filename)
