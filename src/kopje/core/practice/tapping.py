"""A tapped line judged: which onset was early, late, on time or missed, and by how much of a beat.

Times are whole milliseconds, places fractions of a beat. Source: docs/sources.md#tapping.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal, get_args

from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction

Timing = Literal["on", "early", "late", "missed"]
TIMINGS: tuple[Timing, ...] = get_args(Timing)
MINUTE = 60_000
SLOWEST, FASTEST = 30, 200  # beats a minute
ON_TIME = Fraction(1, 10)  # of a beat on each side
NARROWEST, WIDEST = 40, 110  # milliseconds: what nobody hears, and what everybody hears
REACH = Fraction(1, 2)  # of a beat: a tap farther away belongs to no onset
STRAIGHT = Fraction(1, 2)
FEWEST_CLICKS = 6
MOST_DELAY = 400  # milliseconds


@dataclass(frozen=True, slots=True)
class Onset:
    """An onset of the line in order: when it was due (ms from the first beat), what became of it, how far the
    tap was off (ms, later is positive; None where it was missed), and that as a share of a beat."""

    due: Fraction
    timing: Timing
    off: Fraction | None
    share: Fraction | None


@dataclass(frozen=True, slots=True)
class Tapped:
    """A line as it was tapped; `extra`: taps that belong to no onset; `steady`: by how many ms the middle tap
    was off, which is the whole line's being early or late."""

    onsets: tuple[Onset, ...]
    extra: int
    steady: Fraction

    @property
    def right(self) -> int:
        return sum(onset.timing == "on" for onset in self.onsets)


def swung(place: Fraction, swing: Fraction) -> Fraction:
    """Where a place of a beat is played: the second half begins at `swing` of the beat (1/2 is straight).

    >>> swung(Fraction(3, 2), Fraction(2, 3)), swung(Fraction(1, 4), Fraction(2, 3))
    (Fraction(5, 3), Fraction(1, 3))
    """
    whole, inside = divmod(place, 1)
    if inside <= STRAIGHT:
        return whole + inside * swing / STRAIGHT
    return whole + swing + (inside - STRAIGHT) * (1 - swing) / (1 - STRAIGHT)


def tolerance(tempo: int) -> Fraction:
    """Milliseconds on each side that count as on time: a tenth of a beat, within what is heard.

    >>> tolerance(60), tolerance(120), tolerance(200)
    (Fraction(100, 1), Fraction(50, 1), Fraction(40, 1))
    """
    return min(max(Fraction(MINUTE, tempo) * ON_TIME, Fraction(NARROWEST)), Fraction(WIDEST))


def tapped(
    places: Sequence[Fraction], taps: Sequence[int], tempo: int, delay: int = 0, swing: Fraction = STRAIGHT
) -> Tapped:
    """`places` of the onsets in beats from the first beat, in order; `taps` in milliseconds from it, as the
    device tells them, which is `delay` too late. PracticeError for a tempo that nobody taps.

    Taps and onsets are matched in order so that as little as possible is left over or off."""
    if not SLOWEST <= tempo <= FASTEST:
        raise PracticeError("tap_tempo", fewest=SLOWEST, most=FASTEST, value=tempo)
    if not Fraction(1, 2) <= swing < 1:
        raise PracticeError("tap_swing", value=str(swing))
    beat = Fraction(MINUTE, tempo)
    due = [swung(place, swing) * beat for place in places]
    given = [Fraction(tap - delay) for tap in sorted(taps)]
    pairs = _matched(due, given, beat * REACH)
    wide = tolerance(tempo)
    onsets = tuple(
        _onset(at, given[pairs[n]] if n in pairs else None, wide, beat) for n, at in enumerate(due)
    )
    offs = sorted(one.off for one in onsets if one.off is not None)
    return Tapped(onsets, len(given) - len(pairs), offs[len(offs) // 2] if offs else Fraction(0))


def _onset(due: Fraction, tap: Fraction | None, wide: Fraction, beat: Fraction) -> Onset:
    if tap is None:
        return Onset(due, "missed", None, None)
    off = tap - due
    timing: Timing = "on" if abs(off) <= wide else "early" if off < 0 else "late"
    return Onset(due, timing, off, off / beat)


def _matched(due: Sequence[Fraction], taps: Sequence[Fraction], reach: Fraction) -> dict[int, int]:
    """Onset by onset its tap, in order: the cheapest way, where leaving one over costs as much as being off
    by half of the reach."""
    skip = reach / 2
    rows, columns = len(due) + 1, len(taps) + 1
    cost = [[Fraction(0)] * columns for _ in range(rows)]
    for i in range(rows):
        for j in range(columns):
            if i and j:
                off = abs(due[i - 1] - taps[j - 1])
                both = cost[i - 1][j - 1] + off if off <= reach else None
                left = min(cost[i - 1][j], cost[i][j - 1]) + skip
                cost[i][j] = left if both is None else min(both, left)
            else:
                cost[i][j] = skip * (i + j)
    pairs: dict[int, int] = {}
    i, j = rows - 1, columns - 1
    while i and j:
        off = abs(due[i - 1] - taps[j - 1])
        if off <= reach and cost[i][j] == cost[i - 1][j - 1] + off:
            i, j = i - 1, j - 1
            pairs[i] = j
        elif cost[i][j] == cost[i - 1][j] + skip:
            i -= 1
        else:
            j -= 1
    return pairs


def delay_of(clicks: Sequence[int], taps: Sequence[int]) -> int:
    """How late a device tells a tap, in whole milliseconds: the middle of how far taps lie behind the clicks
    they belong to. PracticeError where there are too few, or they do not go with the clicks."""
    if len(clicks) < FEWEST_CLICKS:
        raise PracticeError("tap_few_clicks", fewest=FEWEST_CLICKS, value=len(clicks))
    apart = min(two - one for one, two in pairwise(clicks))
    early = apart // 4  # a device tells late, so most of what lies between two clicks belongs to the first
    offs = sorted(tap - click for click in clicks for tap in taps if -early <= tap - click < apart - early)
    if len(offs) < FEWEST_CLICKS:
        raise PracticeError("tap_few_clicks", fewest=FEWEST_CLICKS, value=len(offs))
    low, high = offs[len(offs) // 4], offs[(3 * len(offs)) // 4]
    middle = offs[len(offs) // 2]
    if high - low > apart // 4 or abs(middle) > MOST_DELAY:
        raise PracticeError("tap_unsteady", value=high - low)
    return middle
