"""Tone sets and their names. Source: docs/sources.md#tone-sets."""

from __future__ import annotations

from collections.abc import Iterable

from kopje.core.music.degree import NATURAL, Degree

SMALL = {1: "single-tone", 2: "bitonic", 3: "tritonic", 4: "tetratonic"}
SEVEN = {
    "do": "major",
    "la": "natural-minor",
    "re": "dorian",
    "mi": "phrygian",
    "fa": "lydian",
    "so": "mixolydian",
    "ti": "locrian",
}
FROM_DO = {
    "do": "la",
    "re": "ti",
    "me": "do",
    "fa": "re",
    "so": "mi",
    "le": "fa",
    "la": "fi",
    "te": "so",
    "ti": "si",
}
PENTATONIC = frozenset({"do", "re", "mi", "so", "la"})


def tone_set(degrees: Iterable[Degree]) -> tuple[Degree, ...]:
    """Distinct degrees from the lowest up: by pitch, never by letter."""
    return tuple(sorted(set(degrees), key=lambda degree: (degree.semitones, degree.step)))


def tone_set_name(degrees: Iterable[Degree], resting: str | None) -> str | None:
    """The usual name of a set, octaves left aside; None for an empty one.

    >>> tone_set_name([Degree.parse(t) for t in ("so,", "la,", "do", "re", "mi")], "do")
    'do-pentatonic'
    """
    names = {degree.syllable for degree in degrees}
    if not names:
        return None
    if (
        resting == "do" and "me" in names and "mi" not in names
    ):  # minor told from do: the same sets as from la
        names, resting = {FROM_DO.get(name, name) for name in names}, "la"
    plain = names & set(NATURAL)
    if resting == "la" and "si" in names and plain | {"so"} == set(NATURAL):
        kind = "melodic-minor" if "fi" in names else "harmonic-minor"
        return kind + ("+chromatic" if names - plain - {"si", "fi"} else "")
    if resting == "la" and {"si", "fi"} <= names and plain | {"so", "fa"} == set(NATURAL):
        return "melodic-minor" + ("+chromatic" if names - plain - {"si", "fi"} else "")
    return (_plain_name(frozenset(plain), resting) or "chromatic") + ("+chromatic" if names != plain else "")


def _plain_name(names: frozenset[str], resting: str | None) -> str | None:
    if len(names) in SMALL:
        return SMALL[len(names)]
    if names == PENTATONIC:
        return f"{resting}-pentatonic" if resting in PENTATONIC else "pentatonic"
    if len(names) == 5:
        if resting == "do" and names == set(NATURAL[:5]):
            return "major-pentachord"
        if resting == "la" and names == {"la", "ti", "do", "re", "mi"}:
            return "minor-pentachord"
        return "five-tone"
    if len(names) == 6:
        return "hexachord" if resting == "do" and names == set(NATURAL[:6]) else "six-tone"
    return SEVEN.get(resting or "", "seven-tone") if names else None
