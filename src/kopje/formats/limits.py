"""How much of a foreign file Kopje reads at most. A song is small; what is larger is refused, not cut."""

from __future__ import annotations

import zipfile
import zlib
from pathlib import Path
from typing import Literal

from kopje.core.errors import FileError, FileTooLargeError
from kopje.core.exact import Fraction
from kopje.core.reasons import Param, because

MAX_BYTES = 4_000_000
SMALL = 1 << 16  # bytes; the budgets below alone hold what is smaller
MAX_PARTS = 64
MAX_BARS = 2_000
MAX_BARS_OF_SONG = 600  # what is longer is read, but is no song for a class
MAX_BARS_OF_ALL = 40_000  # of all parts together
MAX_NOTES = 20_000
MAX_NOTES_IN_BAR = 400
MAX_TEXT = 400
MAX_TUNES = 4_000
MAX_LETTERS = 200_000  # of one tune in ABC
MAX_LETTERS_IN_LINE = 8_000
MAX_LINES = 6_000  # of one tune in ABC
MAX_LINES_OF_HEAD = 200  # of a book in ABC, which are said of each of its tunes
MAX_SYLLABLES = 60_000
MAX_VERSES = 60
MAX_LINES_OF_PART = 16  # voices and staves that are each a line of music
MAX_EVENTS = 60_000  # of a MIDI file
MAX_CHANGES = 2_000  # of meter or key
MAX_DIVISIONS = 10_080
LONGEST_NOTE = Fraction(64)  # quarters
Counted = Literal[
    "parts",
    "bars",
    "notes",
    "notes_in_bar",
    "tunes",
    "letters",
    "letters_in_line",
    "lines",
    "lines_of_head",
    "syllables",
    "verses",
    "lines_of_part",
    "events",
    "changes",
]


# What the standard library raises for a zip that is damaged, or none, or names what is not in it.
ZIP_DAMAGED = (
    zipfile.BadZipFile,
    zlib.error,
    EOFError,
    KeyError,
    NotImplementedError,
    OSError,
    RuntimeError,
    UnicodeError,
    ValueError,
)


def check_size(data: bytes) -> None:
    if not data.strip():
        raise FileError("file_empty")
    if len(data) > MAX_BYTES:
        raise FileTooLargeError(
            "file_too_large",
            megabytes=MAX_BYTES // 1_000_000,
            value=len(data),
        )


def check_count(number: int, most: int, what: Counted) -> None:
    if number > most:
        raise FileTooLargeError("file_too_many", most=most, what=because(f"count_of_{what}"), value=number)


def length(value: Fraction, where: Param) -> Fraction:
    """A note's length in quarters, refused when absurd."""
    if not 0 <= value <= LONGEST_NOTE or value.denominator > MAX_DIVISIONS:
        raise FileError("file_note_length", where=where, value=str(value))
    return value


def clipped(text: str) -> str:
    """Text from a file on one line, without control characters."""
    if text.isprintable() and len(text) <= MAX_TEXT and "  " not in text:
        return text.strip()
    return " ".join("".join(c if c.isprintable() else " " for c in text).split())[:MAX_TEXT]


def bytes_of(file: Path) -> bytes:
    """Of a file as much as is ever read, and one byte more, so that what is too large is seen to be."""
    with file.open("rb") as stream:
        return stream.read(MAX_BYTES + 1)
