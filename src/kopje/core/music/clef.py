"""Which clef a part is written in."""

from __future__ import annotations

from typing import Literal

from kopje.core.music.tune import Tune

Clef = Literal["G", "F"]
LOWEST_IN_TREBLE = 58  # a B flat just below middle C still stands in the treble clef


def clef_of(tune: Tune) -> Clef:
    """The bass clef where the middle one of all tones lies below that, else the treble clef."""
    heights = sorted(note.pitch.midi for bar in tune.bars for note in bar.notes if note.pitch)
    return "F" if heights and heights[len(heights) // 2] < LOWEST_IN_TREBLE else "G"
