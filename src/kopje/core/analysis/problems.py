"""What does not add up in a tune, with the bar where it happens. Codes are a contract."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import groupby

from kopje.core.exact import Fraction
from kopje.core.music.tune import Bar, Problem, Tune
from kopje.core.reasons import Reason, because


def problems(tune: Tune) -> tuple[Problem, ...]:
    """The reader's remarks, then the bar sums, in order of bars."""
    found = [*tune.problems, *_sums(tune), *_pickup_repaid(tune)]
    return tuple(sorted(found, key=lambda problem: (problem.bar is None, problem.bar or 0)))


def _sums(tune: Tune) -> Iterator[Problem]:
    if any(problem.code == "meter_missing" for problem in tune.problems):
        return  # without a meter no bar can be wrong
    groups = [(number, list(bars)) for number, bars in groupby(tune.bars, key=lambda bar: bar.number)]
    for index, (number, bars) in enumerate(groups):
        meter = bars[0].meter
        length = sum((bar.length for bar in bars), Fraction(0))
        if length > meter.length:
            yield Problem(number, "bar_too_long", _sum(number, bars, length))
        elif length < meter.length and number > 0 and not _may_be_short(tune, groups, index):
            yield Problem(number, "bar_too_short", _sum(number, bars, length))


def _may_be_short(tune: Tune, groups: list[tuple[int, list[Bar]]], index: int) -> bool:
    """Where there is a pickup, the last bar and a bar before a repeat sign may be short: they pay it back."""
    return tune.pickup > 0 and (index == len(groups) - 1 or groups[index][1][-1].right == "repeat")


def _pickup_repaid(tune: Tune) -> Iterator[Problem]:
    if not tune.pickup:
        return
    last = [bar for bar in tune.bars if bar.number == tune.bars[-1].number]
    length = sum((bar.length for bar in last), Fraction(0))
    meter = last[0].meter
    if length + tune.pickup != meter.length and last[0].number > 0:
        needed = beats((meter.length - tune.pickup) / meter.beat)
        reason = because("pickup_not_completed", bar=last[0].number, beats=needed)
        yield Problem(last[0].number, "pickup_not_completed", reason)


def _sum(number: int, bars: list[Bar], length: Fraction) -> Reason:
    meter = bars[0].meter
    return because("bar_sum", bar=number, beats=beats(length / meter.beat), asked=int(meter.beats))


def beats(count: Fraction) -> Reason:
    """So many beats as a term, as one would say it: no fraction above one, and a half has its own word."""
    whole, part = divmod(count, 1)
    if count == Fraction(1, 2):
        return because("beats_half")
    if count.denominator == 1:
        return because("beats", count=int(count))
    if part == Fraction(1, 2):
        return because("beats_and_half", whole=int(whole))
    return because("beats_part", whole=int(whole), part=str(part))
