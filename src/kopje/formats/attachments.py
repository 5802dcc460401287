"""Files that are kept with an activity: only of some kinds, by what their bytes are and not by their name."""

from __future__ import annotations

import unicodedata

import filetype

from kopje.core.errors import FileError, FileTooLargeError

MOST_BYTES = 20_000_000
LONGEST_NAME = 120
ALLOWED = {
    "pdf": "application/pdf",
    "png": "image/png",
    "jpg": "image/jpeg",
    "mp3": "audio/mpeg",
    "wav": "audio/x-wav",
    "ogg": "audio/ogg",
    "m4a": "audio/mp4",
    "flac": "audio/x-flac",
}


def kind_of(data: bytes) -> str:
    """The media type of a file that may be kept; FileError for any other, FileTooLargeError beyond 20 MB."""
    if not data:
        raise FileError("file_empty")
    if len(data) > MOST_BYTES:
        raise FileTooLargeError("file_too_large", megabytes=MOST_BYTES // 1_000_000, value=len(data))
    found = filetype.guess(data)
    if found is None or found.extension not in ALLOWED:
        raise FileError("attachment_kind", value=found.extension if found else None)
    return ALLOWED[found.extension]


def safe_name(name: str) -> str:
    """A file's name without folders, control signs and what no disk takes.

    >>> safe_name("../../a\\\\b/hill:song.pdf")
    'hill song.pdf'
    """
    last = unicodedata.normalize("NFC", name).replace("\\", "/").rsplit("/", 1)[-1]
    plain = "".join(c if c.isprintable() and c not in '<>:"|?*%;' else " " for c in last)
    return " ".join(plain.split()).strip(". ")[-LONGEST_NAME:] or "file"
