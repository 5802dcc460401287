"""Which tone a tune rests on, weighed from all that its tones do; no key is asked for. Source:
docs/sources.md#tonality.

Every trace (how long a tone sounds, on which first beats, where phrases begin and end, first and last,
lowest and highest) speaks for or against each of the twelve tones; the weights were fitted on real tunes.
Scores are whole numbers."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence

from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.analysis.tonic_weights import SCALE, WEIGHTS
from kopje.core.exact import Fraction

SHARES = 1000  # parts of a whole, so that scores stay whole numbers
SUREST = Fraction(97, 100)
Traces = Mapping[str, Sequence[int]]


def traces(timeline: Sequence[Sound], phrases: Sequence[Phrase]) -> Traces:
    """For each kind of trace its share, in thousandths, of the twelve pitch classes (0 = C)."""
    pitched = [sound for sound in timeline if sound.pitch]
    ends = [_last(timeline[phrase.first : phrase.stop]) for phrase in phrases]
    begins = [_first(timeline[phrase.first : phrase.stop]) for phrase in phrases]
    last = pitched[-1]
    other = next((s for s in reversed(pitched) if _midi(s) != _midi(last)), None)
    downbeats = [sound for sound in pitched if sound.downbeat]
    by_height = sorted(pitched, key=_midi)
    heard = {_midi(sound) % 12 for sound in pitched}
    return {
        "length": _shares((s, s.beats) for s in pitched),
        "downbeats": _shares((s, s.beats) for s in downbeats),
        "endings": _shares((s, Fraction(1)) for s in ends if s),
        "beginnings": _shares((s, Fraction(1)) for s in begins if s),
        "first": _one(pitched[0]),
        "first_downbeat": _one(downbeats[0] if downbeats else pitched[0]),
        "last": _one(last),
        "before_last": _one(other),
        "lowest": _one(by_height[0]),
        "highest": _one(by_height[-1]),
        "heard": [SHARES * (pc in heard) for pc in range(12)],
    }


def scores(found: Traces) -> tuple[int, ...]:
    """How well the tune rests on each pitch class; only differences mean something."""
    total = [0] * 12
    for kind, shares in found.items():
        weights = WEIGHTS[kind]
        for pc, share in enumerate(shares):
            if share:
                for tonic in range(12):
                    total[tonic] += weights[(pc - tonic) % 12] * share
    return tuple(total)


def sureness(chosen: int, among: Iterable[int]) -> Fraction:
    """The chance that the chosen score is right among these, as the fitted model sees it; two decimals,
    never above 0.97."""
    total = sum(math.exp((score - chosen) / (SCALE * SHARES)) for score in among)
    return min(Fraction(round(100 / total), 100), SUREST)


def _midi(sound: Sound) -> int:
    return sound.pitch.midi if sound.pitch else 0


def _first(part: Sequence[Sound]) -> Sound | None:
    return next((sound for sound in part if sound.pitch), None)


def _last(part: Sequence[Sound]) -> Sound | None:
    return next((sound for sound in reversed(part) if sound.pitch), None)


def _shares(weighed: Iterable[tuple[Sound, Fraction]]) -> list[int]:
    sums = [Fraction(0)] * 12
    for sound, weight in weighed:
        sums[_midi(sound) % 12] += weight
    whole = sum(sums, Fraction(0))
    return [round(SHARES * one / whole) if whole else 0 for one in sums]


def _one(sound: Sound | None) -> list[int]:
    return [SHARES * (sound is not None and _midi(sound) % 12 == pc) for pc in range(12)]
