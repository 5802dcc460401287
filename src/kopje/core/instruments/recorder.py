"""The soprano recorder as it is written (it sounds an octave higher): fingerings, the usual order of tones.
Source: docs/sources.md#recorder."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.music.pitch import Pitch
from kopje.core.reasons import Reason, because, listed

FINGERINGS = {
    "B4": "T1",
    "A4": "T12",
    "G4": "T123",
    "E4": "T123 45",
    "D4": "T123 456",
    "C4": "T123 4567",
    "C5": "T2",
    "D5": "2",
    "Bb4": "T13 4",
    "E5": "/123 45",
    "F4": "T123 4 67",
    "F#4": "T123 56",
}  # T thumb, / half; F and F sharp for the baroque kind, check the maker's chart
USUAL_ORDER = (("B4", "A4", "G4"), ("E4", "D4"), ("C5", "D5", "F#4"))


def recorder_reason(pitches: Iterable[Pitch]) -> Reason:
    """How much of the usual order a tune needs, or the tones that no fingering is given for."""
    needed = sorted({str(pitch) for pitch in pitches})
    beyond = [name for name in needed if name not in FINGERINGS]
    if beyond:
        return because("recorder_no_fingering", "against", "key", tones=listed(map(_shown, beyond), 3))
    taught: list[str] = []
    for tones in USUAL_ORDER:
        taught += tones
        if set(needed) <= set(taught):
            return because("recorder_playable", "for", "key", count=len(taught))
    extra = [name for name in needed if name not in taught]
    return because("recorder_needs", "note", "key", tones=listed(map(_shown, extra), 3), count=len(taught))


def needed_level(pitches: Iterable[Pitch]) -> int:
    """How many steps of the usual order a tune needs; beyond the order 9, without a fingering 99."""
    names = {str(pitch) for pitch in pitches}
    if not names <= set(FINGERINGS):
        return 99
    known: set[str] = set()
    for level, tones in enumerate(USUAL_ORDER, 1):
        known |= set(tones)
        if names <= known:
            return level
    return 9


def _shown(name: str) -> str:
    pitch = Pitch.parse(name)
    return f"{pitch.letter_name}{pitch.octave}"
