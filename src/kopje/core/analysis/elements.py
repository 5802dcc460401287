"""Rhythm elements: which figures a tune is made of, by exact proportion. Source: docs/sources.md#rhythm."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import groupby

from kopje.core.exact import Fraction
from kopje.core.music.meter import Meter
from kopje.core.music.tune import Bar, Tune
from kopje.core.reasons import Reason, because

_H, _Q, _T, _S = Fraction(1, 2), Fraction(1, 4), Fraction(1, 3), Fraction(1, 6)
_ONE = Fraction(1)

Lengths = tuple[Fraction, ...]
ONE_BEAT_SIMPLE: dict[Lengths, str] = {
    (_ONE,): "quarter",
    (_H, _H): "two_eighths",
    (_Q,) * 4: "four_sixteenths",
    (_H, _Q, _Q): "eighth_two_sixteenths",
    (_Q, _Q, _H): "two_sixteenths_eighth",
    (_H + _Q, _Q): "dotted_eighth_sixteenth",
    (_Q, _H + _Q): "sixteenth_dotted_eighth",
    (_Q, _H, _Q): "sixteenth_eighth_sixteenth",
    (_T,) * 3: "triplet",
}
LONG_SIMPLE = {Fraction(2): "half", Fraction(3): "dotted_half", Fraction(4): "whole"}
TWO_BEAT_SIMPLE: dict[Lengths, str] = {
    (_H, _ONE, _H): "syncopation",
    (_ONE + _H, _H): "dotted_quarter_eighth",
    (_H, _ONE + _H): "eighth_dotted_quarter",
}
ONE_BEAT_COMPOUND: dict[Lengths, str] = {
    (_ONE,): "dotted_quarter",
    (_T,) * 3: "three_eighths",
    (2 * _T, _T): "quarter_eighth",
    (_T, 2 * _T): "eighth_quarter",
    (_S,) * 6: "six_sixteenths",
    (_H, _S, _T): "siciliano",
}
ORDER = (
    "quarter",
    "two_eighths",
    "four_sixteenths",
    "eighth_two_sixteenths",
    "two_sixteenths_eighth",
    "dotted_eighth_sixteenth",
    "sixteenth_dotted_eighth",
    "sixteenth_eighth_sixteenth",
    "triplet",
    "half",
    "dotted_half",
    "whole",
    "syncopation",
    "dotted_quarter_eighth",
    "eighth_dotted_quarter",
    "beat_rest",
    "half_beat_rest",
    "half_rest",
    "bar_rest",
    "upbeat",
    "tie",
    "dotted_quarter",
    "three_eighths",
    "quarter_eighth",
    "eighth_quarter",
    "six_sixteenths",
    "siciliano",
    "dotted_half_compound",
    "compound_beat_rest",
)


def figure_name(key: str) -> Reason:
    """The term for an element of this key."""
    return because(f"figure_{key}")


@dataclass(frozen=True, slots=True)
class Figure:
    """One figure where it stands. `key` is None when no name fits; `text` writes its values in beats."""

    key: str | None
    bar: int
    beat: Fraction
    text: str


@dataclass(frozen=True, slots=True)
class _Item:
    start: Fraction  # in beats from the bar line
    length: Fraction
    rest: bool
    held: bool  # goes on from a note of the bar before
    fills_bar: bool

    def __str__(self) -> str:
        return ("r" if self.rest else "~" if self.held else "") + str(self.length)


def figures(tune: Tune) -> tuple[Figure, ...]:
    """Every figure of the tune from left to right, ties and the upbeat among them."""
    found: list[Figure] = []
    for number, pieces in groupby(tune.bars, key=lambda bar: bar.number):
        bars = list(pieces)
        found += _ties(bars)
        if number == 0:
            found += _pickup(bars[0])
        else:
            known = _known_bar(_rhythm(bars), bars[0].meter)
            found += [Figure(key, number, beat, text) for key, beat, text in known]
    return tuple(found)


Rhythm = tuple[
    tuple[Fraction, bool, bool, bool], ...
]  # length in quarters, rest, tied from before, fills its bar


def _rhythm(bars: Sequence[Bar]) -> Rhythm:
    return tuple((n.duration, n.kind == "rest", n.tie_in, n.fills_bar) for bar in bars for n in bar.notes)


@lru_cache(maxsize=8192)
def _known_bar(rhythm: Rhythm, meter: Meter) -> tuple[tuple[str | None, Fraction, str], ...]:
    """The figures of a full bar; tunes have few rhythms, so what one bar is made of need not be worked out
    again."""
    return tuple((one.key, one.beat, one.text) for one in _bar(0, _items(rhythm, meter), meter))


def _ties(bars: Sequence[Bar]) -> Iterator[Figure]:
    for bar in bars:
        place = bar.offset
        for index, note in enumerate(bar.notes):
            if note.tie_in and index > 0:
                yield Figure("tie", bar.number, place / bar.meter.beat, "tie")
            place += note.duration


def _items(rhythm: Rhythm, meter: Meter, shift: Fraction = Fraction(0)) -> list[_Item]:
    """The bar in beats, printed ties inside it merged."""
    items: list[_Item] = []
    place = shift
    for duration, rest, tied, fills_bar in rhythm:
        length = duration / meter.beat
        last = items[-1] if items else None
        if tied and last is not None and not last.rest:
            items[-1] = _Item(last.start, last.length + length, False, last.held, False)
        else:
            items.append(_Item(place, length, rest, tied and not items, fills_bar))
        place += length
    return items


def _pickup(bar: Bar) -> Iterator[Figure]:
    """`upbeat` once; its whole beats, counted back from the bar line, are also named."""
    yield Figure("upbeat", 0, Fraction(0), "upbeat")
    length = bar.length / bar.meter.beat
    shift = Fraction(length.__ceil__()) - length
    items = [item for item in _items(_rhythm([bar]), bar.meter, shift) if item.start >= (1 if shift else 0)]
    if items and items[0].start.denominator == 1:
        yield from _bar(0, items, bar.meter, whole_bar=False)


def _bar(number: int, items: list[_Item], meter: Meter, whole_bar: bool = True) -> Iterator[Figure]:
    if (
        whole_bar
        and len(items) == 1
        and items[0].rest
        and (items[0].fills_bar or items[0].length * meter.beat == meter.length)
    ):
        yield Figure("bar_rest", number, Fraction(0), "bar rest")
        return
    at = 0
    while at < len(items):
        key, used = _match(items, at, meter)
        text = " ".join(str(item) for item in items[at : at + used])
        if key != "skip":
            yield Figure(key, number, items[at].start, text)
        at += used


def _match(items: list[_Item], at: int, meter: Meter) -> tuple[str | None, int]:
    """The figure that starts at items[at] and how many items it takes; (None, n) when unnamed."""
    first = items[at]
    if first.held:
        if first.length.denominator == 1:
            return "skip", 1
        return None, _to_next_beat(items, at)
    if meter.compound:
        if not first.rest and first.length == 2:
            return "dotted_half_compound", 1
    elif (long := LONG_SIMPLE.get(first.length)) is not None and not first.rest:
        return long, 1
    elif first.rest and first.length == 2:
        return "half_rest", 1
    tables = ((ONE_BEAT_COMPOUND, 1),) if meter.compound else ((TWO_BEAT_SIMPLE, 2), (ONE_BEAT_SIMPLE, 1))
    for table, beats in tables:
        used = _spanning(items, at, beats)
        if used and all(not item.rest for item in items[at : at + used]):
            key = table.get(tuple(item.length for item in items[at : at + used]))
            if key:
                return key, used
    return _with_rest(items, at, meter)


def _with_rest(items: list[_Item], at: int, meter: Meter) -> tuple[str | None, int]:
    used = _spanning(items, at, 1)
    part = items[at : at + used]
    if used == 1 and part[0].rest:
        return ("compound_beat_rest" if meter.compound else "beat_rest"), 1
    halves = used == 2 and all(item.length == _H for item in part)
    if halves and not meter.compound and part[0].rest != part[1].rest:
        return "half_beat_rest", 2
    return None, _to_next_beat(items, at)


def _spanning(items: list[_Item], at: int, beats: int) -> int:
    """How many items from `at` fill exactly `beats`; 0 if none do."""
    total = Fraction(0)
    for index in range(at, len(items)):
        total += items[index].length
        if total >= beats:
            return index - at + 1 if total == beats else 0
    return 0


def _to_next_beat(items: list[_Item], at: int) -> int:
    for index in range(at + 1, len(items)):
        if items[index].start.denominator == 1:
            return index - at
    return len(items) - at


def summed(found: Iterable[Figure]) -> tuple[tuple[str, int, tuple[int, ...]], ...]:
    """(key, count, bars) in the order of the table; figures that are not there are left out."""
    named = [figure for figure in found if figure.key]
    rows = []
    for key in ORDER:
        here = [figure.bar for figure in named if figure.key == key]
        if here:
            rows.append((key, len(here), tuple(sorted(set(here)))))
    return tuple(rows)
