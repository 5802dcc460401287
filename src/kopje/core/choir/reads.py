"""For which level of reading a song of one part is just right: all of it can be read there, and not all of it
lower down. What has more parts a teacher tags, for every part would have to be read.

Source: docs/sources.md#reading-ladder.
"""

from __future__ import annotations

from collections.abc import Iterator

from kopje.core.analysis.analysis import Analysis
from kopje.core.analysis.motion import move, neighbours
from kopje.core.choir.rungs import PITCH, RHYTHM, Rung, may_leap, may_skip, rungs_of
from kopje.core.music.degree import Degree

# Levels of one part, by pitch and rhythm, and the trait of a song that is just right for them.
READ_BY = {
    "reading-1": "reads_p1_r1",
    "reading-2": "reads_p2_r2",
    "reading-3": "reads_p3_r3",
    "reading-p4-r3-v1": "reads_p4_r3",
    "reading-6": "reads_p5_r4",
    "reading-p6-r5-v1": "reads_p6_r5",
}


def sung_within(a: Analysis, rung: Rung) -> bool:
    """Whether every tone and every move of the song lies within a rung of pitch, wherever do is."""
    if a.tonality.resting != rung.resting:
        return False
    degrees = [a.degree(sound) for sound in a.attacks]
    return all(one is not None and str(one) in rung.tones for one in degrees) and all(
        _may_move(rung, *pair) for pair in _moves(a)
    )


def _moves(a: Analysis) -> Iterator[tuple[str, Degree, Degree]]:
    for phrase in a.phrases:
        for one, two in neighbours(a.timeline, phrase):
            first, second = a.degree(one), a.degree(two)
            if one.pitch and two.pitch and first and second:
                yield move(one.pitch, two.pitch), first, second


def _may_move(rung: Rung, kind: str, one: Degree, two: Degree) -> bool:
    if kind == "skip":
        return may_skip(rung.skips, one, two)
    return kind != "leap" or may_leap(rung.leaps, one, two)


def read_within(a: Analysis, rung: Rung) -> bool:
    """Whether every figure and every meter of the song is of a rung of rhythm."""
    return all(figure.key in rung.figures for figure in a.figures) and all(
        str(bar.meter) in rung.meters for bar in a.tune.bars
    )


def levels_of(a: Analysis) -> dict[str, tuple[int, ...]]:
    """The traits of READ_BY that the song has, each from its first bar.

    It is just right for a level if something in it needs the level's own rung of pitch or of rhythm."""
    pitch = {rung.key for rung in PITCH if sung_within(a, rung)}
    rhythm = {rung.key for rung in RHYTHM if read_within(a, rung)}
    found: dict[str, tuple[int, ...]] = {}
    for level, trait in READ_BY.items():
        tones, figures, _ = rungs_of(level)
        lower = pitch.isdisjoint(tones.beneath) or rhythm.isdisjoint(figures.beneath)
        if tones.key in pitch and figures.key in rhythm and lower:
            found[trait] = (1,)
    return found
