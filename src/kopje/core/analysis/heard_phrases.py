"""Where phrases seem to begin, heard from the tune alone: long tones, rests, jumps, the place in the bar,
and how far it is from the start and to the end. A suggestion for tunes whose file shows no phrases; the
teacher's word and the file's marks go before.

Every possible border gets a score from a table fitted on real tunes, every length of a phrase another; the
cut with the highest sum is taken. Scores are whole numbers. Source: docs/sources.md#phrases."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from kopje.core.analysis.phrase_weights import LENGTH_OTHER, LENGTHS, WEIGHTS
from kopje.core.analysis.timeline import Sound
from kopje.core.exact import Fraction
from kopje.core.lazy import lazy

MOST_BARS = 10  # a phrase is no longer
MOST_TONES = 3000  # of a longer piece nothing is suggested
MOST_LOOKED = 120  # places before a border that its phrase may begin at
LEAST_SCORE = -80  # a place that scores less is not looked at
HALVES = 2  # lengths are told apart by half bars
_ZERO = Fraction(0)


def heard(timeline: Sequence[Sound]) -> tuple[int, ...]:
    """Indexes in the timeline at which phrases begin, the first left out."""
    attacks = [index for index, sound in enumerate(timeline) if sound.attack]
    if not 2 <= len(attacks) <= MOST_TONES:
        return ()
    line = Line(tuple(timeline[index] for index in attacks), timeline[-1].end)
    scored = {at: score for at in range(1, len(attacks)) if (score := border_score(line, at)) > LEAST_SCORE}
    return tuple(attacks[at] for at in _best(line, scored))


@dataclass(frozen=True)
class Line:
    """The attacks of a tune and where it ends."""

    tones: tuple[Sound, ...]
    end: Fraction

    @lazy
    def reach(self) -> tuple[Fraction, ...]:
        """From each attack to the next, rests included, in quarters."""
        return tuple(b - a for a, b in pairwise((*(tone.onset for tone in self.tones), self.end)))

    @lazy
    def middle(self) -> Fraction:
        """The reach that as many tones fall short of as exceed."""
        return sorted(self.reach)[len(self.reach) // 2]

    def bars(self, at: int) -> Fraction:
        """From the first attack to attack `at` (or to the end), in bars."""
        tone = self.tones[min(at, len(self.tones) - 1)]
        place = self.end if at == len(self.tones) else tone.onset
        return (place - self.tones[0].onset) / tone.meter.length


def traces(line: Line, at: int) -> dict[str, int]:
    """What speaks for or against a border before attack `at`: for each kind of trace the column of
    its table."""
    one, two, first = line.tones[at - 1], line.tones[at], line.tones[0]
    reach, following = line.reach[at - 1], line.reach[at]
    before = line.reach[at - 2] if at > 1 else None
    left = (line.end - two.onset) / two.meter.length
    same_place = two.place % two.meter.length == first.place % first.meter.length
    return {
        "rest": _rank(reach - one.duration, (_ZERO, two.meter.beat)),
        "last": _rank(reach / two.meter.beat, _BEATS),
        "relative": _rank(reach / line.middle, _TIMES) if line.middle else 0,
        "peak": 3 * _compared(reach, following) + (1 if before is None else _compared(reach, before)),
        "jump": _jump(one, two),
        "place": 2 * same_place + (two.place == 0),
        "from_start": _multiple(line.bars(at)),
        "to_end": _multiple(left),
        "half": int(line.bars(at) == left),
        "like_start": _like_start(line, at),
        "before": 0 if one.place == 0 else 1 if (one.place / one.meter.beat).denominator == 1 else 2,
    }


_BEATS = (Fraction(1, 2), Fraction(3, 4), Fraction(1), Fraction(3, 2), Fraction(2), Fraction(3))
_TIMES = (Fraction(1, 2), Fraction(1), Fraction(3, 2), Fraction(2), Fraction(3))
_ALIKE = 4


def _rank(value: Fraction, limits: Sequence[Fraction]) -> int:
    """How many of the limits a value is above."""
    return sum(value > limit for limit in limits)


def _compared(one: Fraction, two: Fraction) -> int:
    return 0 if one < two else 1 if one == two else 2


def _jump(one: Sound, two: Sound) -> int:
    if one.pitch is None or two.pitch is None:
        return 0
    return _rank(
        Fraction(abs(two.pitch.midi - one.pitch.midi)), (_ZERO, Fraction(2), Fraction(4), Fraction(7))
    )


def _multiple(bars: Fraction) -> int:
    """3 for four bars or a multiple, 2 for two, 1 for whole bars, 0 otherwise."""
    if bars.denominator != 1:
        return 0
    return 3 if bars.numerator % 4 == 0 else 2 if bars.numerator % 2 == 0 else 1


def _like_start(line: Line, at: int) -> int:
    """Whether it goes on as the tune began: 1 in rhythm, 2 in rhythm and tones."""
    here = line.reach[at : at + _ALIKE]
    if len(here) < _ALIKE or here != line.reach[:_ALIKE]:
        return 0
    return 2 if _steps(line.tones[at : at + _ALIKE]) == _steps(line.tones[:_ALIKE]) else 1


def _steps(tones: Sequence[Sound]) -> list[int]:
    steps = [tone.pitch.step if tone.pitch else 0 for tone in tones]
    return [step - steps[0] for step in steps]


def border_score(line: Line, at: int) -> int:
    return sum(WEIGHTS[kind][column] for kind, column in traces(line, at).items())


def length_score(bars: Fraction) -> int:
    return LENGTHS.get(round(bars * HALVES), LENGTH_OTHER)


def _best(line: Line, scored: dict[int, int]) -> list[int]:
    """The attacks before which the best cut has its borders."""
    places = [0, *sorted(scored), len(line.tones)]
    bars = [line.bars(at) for at in places]
    best, came = [0], [0]
    for to in range(1, len(places)):
        gain = scored.get(places[to], 0)
        ways: list[tuple[int, int]] = []
        for since in range(to - 1, max(to - 1 - MOST_LOOKED, -1), -1):
            size = bars[to] - bars[since]
            if size > MOST_BARS and ways:
                break
            ways.append((best[since] + length_score(size) + gain, since))
        top, since = max(ways)
        best.append(top)
        came.append(since)
    found, at = [], came[-1]
    while at > 0:
        found.append(places[at])
        at = came[at]
    return found[::-1]
