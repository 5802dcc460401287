"""How hard a tune is, on separate axes, never as one number. Source: docs/sources.md#difficulty."""

from __future__ import annotations

from dataclasses import dataclass

from kopje.core.analysis.analysis import Analysis
from kopje.core.exact import Fraction
from kopje.core.music.degree import NATURAL
from kopje.core.reasons import Listed, Reason, Tone, because

HARDEST = 5
STEP_OF_ELEMENT = {
    "quarter": 1,
    "two_eighths": 1,
    "beat_rest": 1,
    "dotted_quarter": 1,
    "three_eighths": 1,
    "compound_beat_rest": 1,
    "half": 2,
    "dotted_half": 2,
    "whole": 2,
    "half_rest": 2,
    "bar_rest": 1,
    "quarter_eighth": 2,
    "dotted_half_compound": 2,
    "four_sixteenths": 3,
    "eighth_two_sixteenths": 3,
    "two_sixteenths_eighth": 3,
    "upbeat": 3,
    "dotted_quarter_eighth": 3,
    "eighth_quarter": 3,
    "six_sixteenths": 3,
    "syncopation": 4,
    "dotted_eighth_sixteenth": 4,
    "half_beat_rest": 4,
    "tie": 4,
    "eighth_dotted_quarter": 4,
    "sixteenth_eighth_sixteenth": 4,
    "siciliano": 4,
    "triplet": 4,
    "sixteenth_dotted_eighth": 5,
}
STEP_OF_METER = {"2/4": 1, "4/4": 1, "3/4": 2, "2/2": 3, "6/8": 3, "3/8": 3, "9/8": 4, "12/8": 4}
RANGES = (9, 12, 14, 17)  # semitones up to which an axis step holds
LEAPS = (Fraction(1, 20), Fraction(1, 8), Fraction(1, 4))  # shares of skips beyond mi-so and of leaps


@dataclass(frozen=True, slots=True)
class Axis:
    """1 easy to 5 hard, and why."""

    name: str
    step: int
    why: Reason


def difficulty(a: Analysis) -> tuple[Axis, ...]:
    """Tones, motion, rhythm, meter, key, range; without pitches only rhythm and meter."""
    rhythm = (_rhythm(a), _meter(a))
    return (_tones(a), _motion(a), *rhythm, _key(a), _range(a)) if a.range else rhythm


def _tones(a: Analysis) -> Axis:
    names = {degree.syllable for degree in a.tone_set}
    beyond = names - set(NATURAL)
    if beyond:
        return Axis("tones", HARDEST, because("axis_altered", tones=_marked(beyond)))
    half = names & {"fa", "ti"}
    if half:
        return Axis("tones", 4 if len(half) == 2 else 3, because("axis_half_steps", tones=_marked(half)))
    if len(names) <= 3:
        return Axis("tones", 1, because("axis_tones", count=len(names), octaves=0))
    octaves = {degree.octave for degree in a.tone_set}
    beyond_one = int(len(octaves) > 1)
    said = because("axis_tones", count=len(names), octaves=beyond_one, do=Tone("do"), la=Tone("la"))
    return Axis("tones", 2 + beyond_one, said)


def _marked(names: set[str]) -> Listed:
    return Listed(tuple(Tone(name) for name in sorted(names)), by="comma")


def _motion(a: Analysis) -> Axis:
    total = max(sum(a.motion[kind] for kind in ("repeat", "step", "skip", "leap")), 1)
    leaps, skips = a.motion["leap"], a.motion["skip"]
    share = Fraction(leaps * 2 + skips, 2 * total)
    step = 1 + sum(share > limit for limit in LEAPS) + (share > LEAPS[-1] and leaps > skips)
    said = because("axis_motion", skips=skips, leaps=leaps, moves=total)
    return Axis("motion", min(step, HARDEST), said)


def _rhythm(a: Analysis) -> Axis:
    unnamed = [figure for figure in a.figures if figure.key is None]
    if unnamed:
        return Axis("rhythm", HARDEST, because("axis_unnamed", bar=unnamed[0].bar))
    keys = [key for key, _, _ in a.element_rows]
    if not keys:
        return Axis("rhythm", 1, because("axis_silent"))
    hardest = max(keys, key=lambda key: STEP_OF_ELEMENT.get(key, HARDEST))
    return Axis("rhythm", STEP_OF_ELEMENT.get(hardest, HARDEST), because(f"figure_{hardest}"))


def _meter(a: Analysis) -> Axis:
    meters = list(dict.fromkeys(str(bar.meter) for bar in a.tune.bars))
    if len(meters) > 1:
        return Axis("meter", HARDEST, because("axis_meters", meters=Listed(tuple(meters[:3]), by="comma")))
    return Axis("meter", STEP_OF_METER.get(meters[0], HARDEST), because("said", text=meters[0]))


def _key(a: Analysis) -> Axis:
    keys = {bar.key.fifths for bar in a.tune.bars if bar.key is not None}
    if len(keys) > 1:
        return Axis("key", HARDEST, because("axis_key_changes"))
    signs = abs(keys.pop()) if keys else 0
    return Axis("key", min(1 + signs, HARDEST), because("axis_signs", count=signs))


def _range(a: Analysis) -> Axis:
    low, high = a.range or (None, None)
    size = high.midi - low.midi if low and high else 0
    return Axis("range", 1 + sum(size > limit for limit in RANGES), because("axis_range", count=size))
