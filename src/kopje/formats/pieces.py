"""Our own recorded pieces: an ABC file whose notes say by bar what was tapped in others by time.

`N:sections: 1 a; 9 b`, `N:changes: 9 softer`, `N:tempos: 9 132`, `N:instruments: piano; wood`, `N:feel: two`,
`N:good for: rondo`, `N:style: march`, `N:listen: ...`, `N:rights: ...`.

Source: docs/sources.md#recorded-pieces.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from kopje.core.errors import FileError
from kopje.core.recordings.performance import Performance, performed
from kopje.core.recordings.piece import Mark, Piece, tapped
from kopje.formats.read import read_scores


@dataclass(frozen=True)
class OwnPiece:
    """The piece, how it sounds, and what is said of it."""

    piece: Piece
    performance: Performance
    style: str
    rights: str
    question: str


def read_piece(data: bytes, filename: str) -> OwnPiece:
    """FileError where the file is no piece of ours."""
    score = read_scores(data, filename)[0]
    said = _notes(score.tune.facts)
    tempos = {int(bar): int(tempo) for bar, tempo in _pairs(said.get("tempos", ""))}
    instruments = [name.strip() for name in said.get("instruments", "piano").split(";")]
    sounding = performed(score, tempos, instruments)
    sections = [Mark(_at(sounding, bar), section=letter) for bar, letter in _pairs(said.get("sections", ""))]
    changes = [Mark(_at(sounding, bar), change=what) for bar, what in _pairs(said.get("changes", ""))]
    piece = tapped(
        score.title,
        sounding.length,
        [*sections, *changes],
        said.get("feel", "free"),
        said.get("good for", "").split(),
    )
    return OwnPiece(piece, sounding, said.get("style", ""), said.get("rights", ""), said.get("listen", ""))


def _notes(facts: tuple[tuple[str, str], ...]) -> Mapping[str, str]:
    pairs = (value.split(":", 1) for key, value in facts if key == "N" and ":" in value)
    return {name.strip(): value.strip() for name, value in pairs}


def _pairs(text: str) -> list[tuple[str, str]]:
    """`9 softer; 17 louder` as pairs."""
    parts = [one.split() for one in text.split(";") if one.strip()]
    if any(len(part) != 2 for part in parts):
        raise FileError("piece_unreadable", text=text, value=text)
    return [(first, second) for first, second in parts]


def _at(sounding: Performance, bar: str) -> int:
    if not bar.isdigit() or int(bar) not in sounding.bars:
        raise FileError("piece_unreadable", text=bar, value=bar)
    return sounding.bars[int(bar)]
