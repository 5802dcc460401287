"""The tonic pattern and the starting pitch: what a class hears before it sings. Source:
docs/sources.md#tonic."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.analysis.tonality import Tonality
from kopje.core.music.degree import Degree
from kopje.core.music.pitch import Pitch

MAJOR = ("do", "mi", "so", "mi", "do", "so,", "do")
MINOR = ("la,", "do", "mi", "do", "la,", "mi,", "la,")


@dataclass(frozen=True, slots=True)
class Tone:
    degree: str
    pitch: Pitch


def tonic_pattern(tonality: Tonality) -> tuple[Tone, ...]:
    """do-mi-so-mi-do-so,-do, or la, do mi do la, mi, la, where la is home; empty where do is unknown."""
    if tonality.do is None:
        return ()
    names = MINOR if tonality.resting == "la" else MAJOR
    return tuple(Tone(name, tonality.do.sounding(Degree.parse(name))) for name in names)
