"""Exercises of just the tones and figures that somebody names. Source: docs/sources.md#made-exercises."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

from kopje.core.analysis.key_choice import CHOIR_VOICES, Voice
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import TIE, UPBEAT, shapes_of
from kopje.core.practice.reading.ground import Motion
from kopje.core.practice.reading.levels import ReadingTask, in_order
from kopje.core.practice.reading.make import FEWEST_BARS, MOST_BARS, Made, make
from kopje.core.practice.reading.rhythm import RhythmTask, can_end, make_rhythm
from kopje.core.practice.reading.spots import laid

Kind = Literal["steps", "skips", "leaps"]
HOMES = ("do", "la")


def rhythm_line(
    figures: Sequence[str], meter: Meter, bars: int, seed: int, due: tuple[str, ...] = (), share: int = 2
) -> Made:
    """A line without pitches of just these figures, each at least once where the bars allow; with `due`
    instead only these come for sure, in at most one of so many tones. PracticeError for what cannot be."""
    _known(figures, meter)
    if not 1 <= bars <= MOST_BARS:
        raise PracticeError("reading_bars", fewest=1, most=MOST_BARS, value=bars)
    named = tuple(dict.fromkeys(figures))
    task = RhythmTask(meter, bars, named, every=not due, upbeat=UPBEAT in named)
    if due and set(due) < set(named):
        task = replace(task, new=due, least_new=1, most_new_share=share)
    if not can_end(task):
        task = replace(task, ends=False)
    return Made(meter, plain_do("C"), "do", (laid(make_rhythm(task, Chance(seed))),))


def melody(
    tones: Sequence[str],
    figures: Sequence[str],
    do: str,
    meter: Meter,
    bars: int,
    seed: int,
    kind: Kind = "leaps",
    rests_on: str | None = None,
    one_peak: bool = True,
) -> Made:
    """One part of just these tones and figures, by the rules of reading; PracticeError for what cannot be."""
    _known(figures, meter)
    task = own_task(tones, figures, do, meter, kind, rests_on, one_peak)
    if not FEWEST_BARS <= bars <= MOST_BARS:
        raise PracticeError("reading_bars", fewest=FEWEST_BARS, most=MOST_BARS, value=bars)
    return make(task, meter, bars, seed, _as_wide_as(task, do))


def own_task(
    tones: Sequence[str],
    figures: Sequence[str],
    do: str,
    meter: Meter,
    kind: Kind,
    rests_on: str | None,
    one_peak: bool = True,
) -> ReadingTask:
    named = in_order(tuple(tones))
    if not named:
        raise PracticeError("reading_no_tones")
    resting = _resting(named, rests_on)
    return ReadingTask(
        1, (do,), (str(meter),), tuple(dict.fromkeys(figures)), named, Motion(kind=kind), resting,
        fewest=1, every_figure=True, one_peak=one_peak and len(named) > 1,
    )  # fmt: skip


def _resting(tones: tuple[Degree, ...], asked: str | None) -> str:
    there = [tone.syllable for tone in tones]
    if asked is not None:
        syllable = Degree.parse(asked).syllable
        if syllable not in there:
            raise PracticeError("reading_rests_outside", tone=asked, value=asked)
        return syllable
    return next((home for home in HOMES if home in there), there[0])


def _known(figures: Sequence[str], meter: Meter) -> None:
    if not figures:
        raise PracticeError("reading_no_figures")
    for key in figures:
        if key not in (UPBEAT, TIE, "bar_rest"):
            shapes_of(key, meter.compound)


def _as_wide_as(task: ReadingTask, do: str) -> Voice:
    """A voice that holds all the tones, with do in the octave in which they lie nearest to a treble voice."""
    treble = CHOIR_VOICES["treble_1"]
    low, high = task.tones[0], task.tones[-1]

    def strain(where: Do) -> int:
        below = treble.low.midi - where.sounding(low).midi
        return max(below, 0) + max(where.sounding(high).midi - treble.high.midi, 0)

    best = min((plain_do(do).at(octave) for octave in (3, 4, 5)), key=strain)
    ends: tuple[Pitch, Pitch] = (best.sounding(low), best.sounding(high))
    return Voice(0, *ends, *ends)
