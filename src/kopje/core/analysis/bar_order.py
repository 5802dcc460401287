"""The order in which printed bars are sung: repeats, endings, da capo, dal segno, Fine and coda followed.
Source: docs/sources.md#performance."""

from __future__ import annotations

import re
from collections.abc import Sequence

from kopje.core.analysis.phrases import Phrase
from kopje.core.analysis.timeline import Sound
from kopje.core.music.navigation import JUMPS, Sign
from kopje.core.music.tune import Tune

MOST_PASSES = 9


def bars_played(tune: Tune) -> tuple[int, ...]:
    """Indexes of bars in the order they are sung. A repeat without endings is sung twice, with endings as
    often as they say.

    >>> from kopje.core.music.meter import Meter
    >>> from kopje.core.music.tune import Bar
    >>> bar = lambda **more: Bar((), Meter(2, 4), None, **more)
    >>> bars_played(Tune("", (bar(), bar(ending="1", right="repeat"), bar(ending="2"))))
    (0, 1, 0, 2)
    """
    order: list[int] = []
    start, turn, place = 0, 1, 0
    while place < len(tune.bars):
        bar = tune.bars[place]
        if bar.left == "repeat" and start != place:
            start, turn = place, 1
        if bar.ending and turn not in _turns(bar.ending):
            place = _after_ending(tune, place)
            continue
        order.append(place)
        if bar.right == "repeat" and turn < _times(tune, start, place):
            place, turn = start, turn + 1
            continue
        if bar.right == "repeat":
            start, turn = place + 1, 1
        if any(sign in JUMPS for sign in bar.signs):
            back = 0 if "da_capo" in bar.signs else _bar_with(tune, "segno", 0)
            return (*order, *_after_jump(tune, back))
        place += 1
    return tuple(order)


def _after_jump(tune: Tune, place: int) -> list[int]:
    """The second time, from the bar jumped to: without repeats, by the last endings, up to Fine."""
    order: list[int] = []
    while place < len(tune.bars):
        bar = tune.bars[place]
        if bar.ending and max(_turns(bar.ending)) < _last_ending(tune, place):
            place = _after_ending(tune, place)
            continue
        order.append(place)
        if "fine" in bar.signs:
            break
        coda = _bar_with(tune, "coda", place + 1) if "to_coda" in bar.signs else place + 1
        place = max(coda, place + 1)  # never back: a coda in front would lead round and round
    return order


def _bar_with(tune: Tune, sign: Sign, otherwise: int) -> int:
    return next((at for at, bar in enumerate(tune.bars) if sign in bar.signs), otherwise)


def _last_ending(tune: Tune, place: int) -> int:
    """The highest number among the endings that stand together with the one at a place."""
    last = max(_turns(tune.bars[place].ending))
    while (following := _after_ending(tune, place)) < len(tune.bars) and tune.bars[following].ending:
        place, last = following, max(last, *_turns(tune.bars[following].ending))
    return last


def _turns(ending: str) -> frozenset[int]:
    """`1`, `1,2`, `1-3` as numbers."""
    found: set[int] = set()
    for first, last in re.findall(r"(\d)(?:\s*-\s*(\d))?", ending):
        found.update(range(int(first), int(last or first) + 1))
    return frozenset(found) or frozenset({1})


def _after_ending(tune: Tune, place: int) -> int:
    """The bar after an ending: where the next one begins, or after its repeat sign."""
    for index in range(place, len(tune.bars)):
        if index > place and tune.bars[index].ending:
            return index
        if tune.bars[index].right == "repeat":
            return index + 1
    return len(tune.bars)


def _times(tune: Tune, start: int, place: int) -> int:
    """How often the stretch up to a repeat sign is sung: once more than the endings that lead back."""
    following = tune.bars[place + 1 : place + 2]
    said = [_turns(bar.ending) for bar in (*tune.bars[start : place + 1], *following) if bar.ending]
    return min(max((max(turns) for turns in said), default=2), MOST_PASSES)


def notes_of(tune: Tune, bar: int) -> range:
    """Indexes of the printed notes of one bar."""
    first = sum(len(one.notes) for one in tune.bars[:bar])
    return range(first, first + len(tune.bars[bar].notes))


def phrases_played(tune: Tune, timeline: Sequence[Sound], phrases: Sequence[Phrase]) -> tuple[int, ...]:
    """Indexes of phrases in the order they are sung; one that is left in its middle and begun again counts
    again."""
    of_note = {s.note: n for n, p in enumerate(phrases) for s in timeline[p.first : p.stop] if s.attack}
    found: list[int] = []
    before = -1
    for bar in bars_played(tune):
        for place, note in enumerate(notes_of(tune, bar)):
            phrase = of_note.get(note)
            again = place == 0 and bar <= before
            if phrase is not None and (not found or found[-1] != phrase or again):
                found.append(phrase)
        before = bar
    return tuple(found)
