"""How much of a foreign file Kopje reads at most. A song is small; what is larger is refused, not cut."""

from __future__ import annotations

from typing import Literal

from kopje.core.errors import FileError, FileTooLargeError
from kopje.core.exact import Fraction
from kopje.core.reasons import Param, because

MAX_BYTES = 4_000_000
MAX_PARTS = 64
MAX_BARS = 2_000
MAX_NOTES = 20_000
MAX_NOTES_IN_BAR = 400
MAX_TEXT = 400
MAX_TUNES = 4_000
MAX_DIVISIONS = 10_080
LONGEST_NOTE = Fraction(64)  # quarters
Counted = Literal["parts", "bars", "notes", "notes_in_bar", "tunes"]


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
