"""Which clef a part is written in."""

from __future__ import annotations

from typing import Literal

from kopje.core.music.tune import Tune

Clef = Literal["G", "F"]
MIDDLE_C = 60


def clef_of(tune: Tune) -> Clef:
    """The bass clef for a part that lies below middle C for most of its tones, else the treble clef."""
    heights = sorted(note.pitch.midi for bar in tune.bars for note in bar.notes if note.pitch)
    return "F" if heights and heights[len(heights) // 2] < MIDDLE_C - 2 else "G"
