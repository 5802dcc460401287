"""The tonic pattern and the starting pitch: what a class hears before it sings. Source:
docs/sources.md#tonic."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.analysis.tonality import Tonality
from kopje.core.music.degree import Degree
from kopje.core.music.pitch import Pitch

MAJOR = ("do", "mi", "so", "mi", "do", "so,", "do")
FALLING = {
    "do": ("do'", "ti", "la", "so", "fa", "mi", "re", "do"),
    "la": ("la", "so", "fa", "mi", "re", "do", "ti,", "la,"),
}
MINOR = ("la,", "do", "mi", "do", "la,", "mi,", "la,")


@dataclass(frozen=True, slots=True)
class Tone:
    degree: str
    pitch: Pitch


def tonic_pattern(tonality: Tonality) -> tuple[Tone, ...]:
    """do-mi-so-mi-do-so,-do, or la, do mi do la, mi, la, where la is home; empty where do is unknown."""
    return _sounding(tonality, MINOR if tonality.resting == "la" else MAJOR)


def falling_scale(tonality: Tonality) -> tuple[Tone, ...]:
    """From the tonic an octave down; empty where do is unknown."""
    return _sounding(tonality, FALLING["la" if tonality.resting == "la" else "do"])


def _sounding(tonality: Tonality, names: tuple[str, ...]) -> tuple[Tone, ...]:
    if tonality.do is None:
        return ()
    return tuple(Tone(name, tonality.do.sounding(Degree.parse(name))) for name in names)
