"""Bars that do not add up: the ways to mend one, and the tune mended. Source: docs/sources.md#bar-sums."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from typing import Literal

from kopje.core.analysis.problems import beats
from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.tune import Bar, Note, Tune
from kopje.core.reasons import Reason, because

How = Literal["rest", "longer", "shorter", "drop_rest", "meter", "next"]


@dataclass(frozen=True, slots=True)
class Repair:
    """One way to mend a bar."""

    bar: int
    how: How
    reason: Reason


def repairs(tune: Tune) -> tuple[Repair, ...]:
    """Every way to mend each bar that is too long or too short; bars cut in two by a repeat sign are left to
    the teacher."""
    found: list[Repair] = []
    for index, bar in enumerate(tune.bars):
        if bar.number > 0 and bar.notes and _whole(tune, index):
            found += _ways(tune, index)
    return tuple(found)


def _whole(tune: Tune, index: int) -> bool:
    return sum(other.number == tune.bars[index].number for other in tune.bars) == 1


def _ways(tune: Tune, index: int) -> Iterator[Repair]:
    bar = tune.bars[index]
    missing = bar.meter.length - bar.length
    last = bar.notes[-1]
    much = beats(abs(missing) / bar.meter.beat)
    what = "rest" if last.kind == "rest" else "tone"
    following = tune.bars[index + 1] if index + 1 < len(tune.bars) and _whole(tune, index + 1) else None
    pays_pickup_back = tune.pickup > 0 and missing > 0 and index == len(tune.bars) - 1
    if missing == 0 or pays_pickup_back:
        return
    if missing > 0:
        yield Repair(bar.number, "rest", because("repair_rest", beats=much))
        yield Repair(bar.number, "longer", because("repair_longer", what=what, beats=much))
    elif last.duration > -missing:
        yield Repair(bar.number, "shorter", because("repair_shorter", what=what, beats=much))
    elif _to_shorten(bar) is not None:
        yield Repair(bar.number, "shorter", because("repair_longest_shorter", beats=much))
    if missing < 0 and last.kind == "rest" and last.duration == -missing:
        yield Repair(bar.number, "drop_rest", because("repair_drop_rest"))
    if (
        following is not None
        and following.meter.length - following.length == -missing
        and _moves(bar, following, missing)
    ):
        said = "repair_last_tones" if missing < 0 else "repair_first_tones"
        yield Repair(bar.number, "next", because(said))
    meter = _meter(bar)
    if meter is not None:
        yield Repair(bar.number, "meter", because("repair_meter", meter=str(meter)))


def _meter(bar: Bar) -> Meter | None:
    """The meter that the bar would fill, over the same lower number, or over twice that where it ends
    between its beats."""
    for lower in (bar.meter.lower, 2 * bar.meter.lower):
        upper = bar.length * lower / 4
        if upper.denominator == 1 and 1 <= upper <= 64 and lower <= 32:
            return Meter(int(upper), lower)
    return None


def _to_shorten(bar: Bar) -> int | None:
    """The place of the note to take too much away from: the last one, else the last of the longest ones."""
    much = bar.length - bar.meter.length
    order = (len(bar.notes) - 1, *sorted(range(len(bar.notes)), key=lambda n: (-bar.notes[n].duration, -n)))
    return next((n for n in order if bar.notes[n].duration > much), None)


def _moves(bar: Bar, following: Bar, missing: Fraction) -> bool:
    """Whether whole notes make up what is missing on one side and too much on the other."""
    notes = reversed(bar.notes) if missing < 0 else iter(following.notes)
    return _split([note.duration for note in notes], abs(missing)) is not None


def _split(lengths: list[Fraction], wanted: Fraction) -> int | None:
    total = Fraction(0)
    for count, length in enumerate(lengths, 1):
        total += length
        if total == wanted:
            return count
    return None


def repaired(tune: Tune, chosen: Mapping[int, How]) -> Tune:
    """The tune with bars mended as chosen, from the first to the last; what no longer fits is passed over."""
    for number in sorted(chosen):
        index = next((at for at, bar in enumerate(tune.bars) if bar.number == number), None)
        if index is not None and _whole(tune, index):
            offered = {way.how for way in _ways(tune, index)}
            tune = _mended(tune, index, chosen[number]) if chosen[number] in offered else tune
    return tune


def _mended(tune: Tune, index: int, how: How) -> Tune:
    bars = list(tune.bars)
    bar = bars[index]
    missing = bar.meter.length - bar.length
    if how == "rest":
        bars[index] = replace(bar, notes=(*bar.notes, Note("rest", missing)))
    elif how in ("longer", "shorter"):
        at = len(bar.notes) - 1 if how == "longer" else _to_shorten(bar)
        notes = list(bar.notes)
        if at is not None:
            notes[at] = replace(notes[at], duration=notes[at].duration + missing)
        bars[index] = replace(bar, notes=tuple(notes))
    elif how == "drop_rest":
        bars[index] = replace(bar, notes=bar.notes[:-1])
    elif how == "meter":
        bars[index] = replace(bar, meter=_meter(bar) or bar.meter)
    else:
        following = bars[index + 1]
        if missing < 0:
            count = _split([note.duration for note in reversed(bar.notes)], -missing) or 0
            moved, kept = bar.notes[-count:], bar.notes[:-count]
            bars[index : index + 2] = [
                replace(bar, notes=kept),
                replace(following, notes=(*moved, *following.notes)),
            ]
        else:
            count = _split([note.duration for note in following.notes], missing) or 0
            moved, kept = following.notes[:count], following.notes[count:]
            bars[index : index + 2] = [
                replace(bar, notes=(*bar.notes, *moved)),
                replace(following, notes=kept),
            ]
    return replace(tune, bars=tuple(bars))
