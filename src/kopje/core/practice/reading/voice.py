"""One voice of an exercise: tones for the attacks of a rhythm, with a highest tone, a cadence, and a turn
that comes back.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.ground import Ground, Whole
from kopje.core.practice.reading.line import ANY, Peaks, Spot, Stand, Ways, draw, ways
from kopje.core.practice.reading.rhythm import PHRASE, Rhythm
from kopje.core.practice.reading.turns import Place, place_weight

DRAWN = 4  # highest tones that are tried at once
REDRAWN = 5  # other lines to look for one in which a turn comes back
TONES, OTHER_TURN = 24, 2  # how gladly a bar comes back with its own tones, or otherwise
EAGER = 5  # where something new may come, it is so many times as welcome


@dataclass(frozen=True, slots=True)
class News:
    """What is new to the reader: `tones` and `moves` (tones, tones) by index, 1 where it is; `open`: the
    attacks, by order, at which it may come; `tone_at`, `move_at`: where it must;
    `eager`: it is welcome there, else as tunes have it."""

    tones: Whole
    moves: Whole
    open: frozenset[int]
    tone_at: int | None = None
    move_at: int | None = None
    eager: bool = True


@dataclass(frozen=True, slots=True)
class Event:
    """A tone (or rest) of a voice. `bar` from 0, -1 for the pickup; `place` and `start` in beats, from the
    bar line and from the beginning; `figure` counts the figures of the line."""

    bar: int
    place: Fraction
    start: Fraction
    length: Fraction
    degree: Degree | None
    rest: bool
    figure: int = 0
    key: str = ""


def laid(rhythm: Rhythm, first: int = 0, start: Fraction = Fraction(0)) -> tuple[Event, ...]:
    """The events of a rhythm, without their tones; it may begin with a later bar, so many beats in."""
    found: list[Event] = []
    count = 1000 * first
    bars = ((-1, rhythm.pickup), *enumerate(rhythm.bars)) if rhythm.pickup else tuple(enumerate(rhythm.bars))
    for number, bar in bars:
        place = Fraction(0)
        if number < 0:
            place = Fraction(rhythm.meter.beats - sum(shape.beats for shape in bar))
        for shape in bar:
            for length, rest in zip(shape.lengths, shape.rests, strict=True):
                found.append(Event(first + number, place, start, length, None, rest, count, shape.key))
                place += length
                start += length
            count += 1
    return tuple(found)


def attacks(events: Sequence[Event]) -> list[int]:
    return [n for n, event in enumerate(events) if not event.rest]


@dataclass(frozen=True, slots=True)
class Laid:
    """What one place asks, beside what its voice may do: see `line.Spot`."""

    may: Whole
    pairs: Whole | None = None
    edges: Whole | None = None


@dataclass(frozen=True, slots=True)
class VoiceTask:
    """`home`: which tables tell how tunes move; `resting`: the tone that bar 2 of a phrase does not end on;
    `last`: what the last tone may be; `news`: what is new, and where it may come; `returns`: in how many
    of a hundred a turn comes back; `one_peak`: a highest tone in each four bars."""

    ground: Ground
    home: str
    resting: str
    last: frozenset[str]
    news: News | None = None
    returns: int = 80
    one_peak: bool = True
    before_last: frozenset[str] = frozenset()


def spots(
    task: VoiceTask, rhythm: Rhythm, events: Sequence[Event], laid_over: Mapping[int, Laid]
) -> list[Spot]:
    """What each attack asks of its tone. `laid_over`: by event, what other voices ask."""
    degrees = task.ground.degrees
    sung = attacks(events)
    by_place = {place: _welcome(task, degrees, place) for place in Place}
    not_home = np.array([d.syllable != task.resting for d in degrees], dtype=np.int64)
    last = np.array([str(d) in task.last for d in degrees], dtype=np.int64)
    span = PHRASE if len(rhythm.bars) % PHRASE == 0 else len(rhythm.bars)
    base = max(events[0].bar, 0) // span
    found: list[Spot] = []
    for order, number in enumerate(sung):
        event, ends = events[number], order == len(sung) - 1
        place = Place.of(event.place, Fraction(1), ends)
        may = by_place[place]
        following = None if ends else events[sung[order + 1]]
        if following is not None and _ends_second_bar(event, following):
            may = may * not_home
        if ends:
            may = may * last
        if task.before_last and order == len(sung) - 2:
            may = may * np.array([str(d) in task.before_last for d in degrees], dtype=np.int64)
        over = laid_over.get(number)
        pairs = edges = None
        if over is not None:
            may, pairs, edges = may * over.may, over.pairs, over.edges
        if task.news is not None:
            may, pairs = _opened(task.news, order, may, pairs)
        found.append(Spot(may, pairs, max(event.bar, 0) // span - base, edges))
    return found


def _ends_second_bar(event: Event, following: Event) -> bool:
    """Bar 2 of a phrase of four asks: it does not end on the resting tone."""
    return event.bar % PHRASE == 1 and following.bar > event.bar


def _opened(news: News, order: int, may: Whole, pairs: Whole | None) -> tuple[Whole, Whole]:
    """New tones and moves only where they may come, and gladly there."""
    factor = (EAGER - 1 if news.eager else 0) if order in news.open else -1
    over = np.ones_like(news.moves) if pairs is None else pairs
    tones = news.tones if order == news.tone_at else 1 + news.tones * factor
    moves = news.moves if order == news.move_at else 1 + news.moves * factor
    return may * tones, over * moves


def _welcome(task: VoiceTask, degrees: Sequence[Degree], place: Place) -> Whole:
    return np.array([place_weight(task.home, place, degree.step) for degree in degrees], dtype=np.int64)


@dataclass(frozen=True, slots=True)
class Sung:
    """The events with their tones, and where the line ends, for a phrase that goes on from there."""

    events: tuple[Event, ...]
    end: tuple[Stand, Spot]


def sing(
    task: VoiceTask,
    rhythm: Rhythm,
    events: tuple[Event, ...],
    chance: Chance,
    laid_over: Mapping[int, Laid] | None = None,
    after: Sung | None = None,
) -> Sung | None:
    """Tones for the events of a rhythm; None where these places leave no way. `after`: the phrase before."""
    places = spots(task, rhythm, events, laid_over or {})
    if laid_over and not _any_way(task, places):
        return None
    for peaks in _peaks(task, places, chance):
        found = ways(task.ground, places, peaks)
        stands = draw(found, chance, None if after is None else after.end)
        if stands is not None:
            again = None if laid_over else partial(draw, found, chance, None if after is None else after.end)
            return _sung(task, rhythm, events, found, stands, chance, again)
    return None


def may_be_sung(
    task: VoiceTask, rhythm: Rhythm, events: Sequence[Event], laid_over: Mapping[int, Laid]
) -> bool:
    """Whether there is any way, from any tone at the beginning."""
    places = spots(task, rhythm, events, laid_over)
    return _any_way(task, places) and (not task.one_peak or _any_way(task, places, _every(task)))


def _any_way(task: VoiceTask, places: Sequence[Spot], peaks: Sequence[tuple[int, int]] = ((ANY, 1),)) -> bool:
    """From any tone at the beginning: what a phrase before asks is not looked at."""
    left = ways(task.ground, places, [peaks] * (places[-1].span + 1)).left[0]
    return bool((left[:, :, task.ground.starts].any(axis=(0, 1)) & (places[0].may > 0)).any())


def _every(task: VoiceTask) -> list[tuple[int, int]]:
    return [(n, weight) for n, weight in enumerate(_highs(len(task.ground.degrees))) if weight]


def _peaks(task: VoiceTask, places: Sequence[Spot], chance: Chance) -> list[Peaks]:
    """Highest tones to try for each span, with how gladly: first some drawn, then all others."""
    spans = places[-1].span + 1
    if not task.one_peak:
        return [[[(ANY, 1)]] * spans]
    gladly = _highs(len(task.ground.degrees))
    some = [sorted({chance.index(gladly) for _ in range(DRAWN)}) for _ in range(spans)]
    first = [[(n, gladly[n]) for n in one] for one in some]
    return [first, [_every(task)] * spans]


def _highs(size: int) -> list[int]:
    """How gladly each tone is the highest."""
    return [0 if n == 0 and size > 1 else max(1, 8 - abs(n - (3 * size) // 4) * 2) for n in range(size)]


def _sung(
    task: VoiceTask,
    rhythm: Rhythm,
    events: Sequence[Event],
    found: Ways,
    stands: list[Stand],
    chance: Chance,
    again: Callable[[], list[Stand] | None] | None = None,
) -> Sung:
    """`again` draws another line; where a turn does not come back in this one, others are looked at."""
    line = _drawn(found, stands)
    there = found.spots if again is None else _as_before(task, rhythm, events, found.spots)
    wanted = [
        (source, number)
        for number, source in enumerate(rhythm.like)
        if source is not None and chance.percent(task.returns)
    ]
    for bars in wanted:
        back = _returning(task, events, there, line, bars, chance, bars == wanted[0])
        for _ in range(REDRAWN if again is not None and bars == wanted[0] else 0):
            other = again() if back is None and again is not None else None
            if other is None:
                break
            back = _returning(task, events, there, _drawn(found, other), bars, chance)
        line = back or line
    degrees = [task.ground.degrees[int(task.ground.tone[stand.state])] for stand in line.stands]
    tones = dict(zip(attacks(events), degrees, strict=True))
    named = tuple(replace(event, degree=tones.get(n)) for n, event in enumerate(events))
    return Sung(named, (line.stands[-1], replace(found.spots[-1], span=-1)))


def _as_before(
    task: VoiceTask, rhythm: Rhythm, events: Sequence[Event], places: Sequence[Spot]
) -> Sequence[Spot]:
    """What is new may come back where its bar does, though it has no other place there."""
    if task.news is None:
        return places
    free = spots(replace(task, news=None), rhythm, events, {})
    back = {number for number, source in enumerate(rhythm.like) if source is not None}
    bars = [events[n].bar for n in attacks(events)]
    return [
        free[n] if bar in back else place for n, (bar, place) in enumerate(zip(bars, places, strict=True))
    ]


@dataclass(frozen=True, slots=True)
class _Line:
    """A line as it was drawn, and the highest tone of each of its spans."""

    stands: list[Stand]
    peaks: Peaks


def _drawn(found: Ways, stands: Sequence[Stand]) -> _Line:
    return _Line([stand._replace(peak=0) for stand in stands], _chosen(found, stands))


def _chosen(found: Ways, stands: Sequence[Stand]) -> Peaks:
    """The highest tone of each span as it was drawn."""
    highest = {
        spot.span: found.highest(spot, stand.peak) for spot, stand in zip(found.spots, stands, strict=True)
    }
    return [[(highest[span], 1)] for span in sorted(highest)]


def _returning(
    task: VoiceTask,
    events: Sequence[Event],
    places: Sequence[Spot],
    line: _Line,
    bars: tuple[int, int],
    chance: Chance,
    between: bool = True,
) -> _Line | None:
    """The line with the turn of one bar in a later one: its tones, or all but its last, or these moved by one
    number of letters. It is drawn anew from there on, or from what lies `between`, which leads there."""
    sung = attacks(events)
    old, new = ([o for o, n in enumerate(sung) if events[n].bar == bar] for bar in bars)
    if not old or len(old) != len(new) or not new[0]:
        return None
    tones = [int(task.ground.tone[line.stands[order].state]) for order in old]
    moved = [_moved(task.ground.degrees, tones, by) for by in (1, -1, 2, -2)]
    options = [tones, tones[:-1], *(one for one in moved if one)]
    chosen = chance.pick(options, [TONES, *(OTHER_TURN for _ in options[1:])])
    there = list(places)
    for order, tone in zip(new, chosen, strict=False):
        if not places[order].may[tone]:
            return None
        only = np.zeros_like(places[order].may)
        only[tone] = places[order].may[tone]
        there[order] = replace(places[order], may=only)
    return _from(task, there, line, old[-1] + 1 if between else new[0], chance)


def _from(task: VoiceTask, places: Sequence[Spot], line: _Line, first: int, chance: Chance) -> _Line | None:
    """Drawn anew from a place on. The highest tone of its span may be another one where it has not come."""
    span = places[first - 1].span
    before = [
        int(task.ground.tone[stand.state])
        for stand, place in zip(line.stands[:first], places, strict=False)
        if place.span == span
    ]
    highest = line.peaks[span][0][0]
    here = [one for one in _every(task) if one[0] > max(before)] if highest > max(before) else []
    peaks = [*line.peaks[:span], here or line.peaks[span], *line.peaks[span + 1 :]]
    found = ways(task.ground, places[first:], peaks)
    order = list(range(len(peaks[span])))
    while order:
        at = order.pop(chance.index([peaks[span][n][1] for n in order]))
        stand = line.stands[first - 1]._replace(peak=at)
        rest = draw(found, chance, (stand, places[first - 1]))
        if rest is not None:
            chosen = [*peaks[:span], [(peaks[span][at][0], 1)], *peaks[span + 1 :]]
            return _Line([*line.stands[:first], *(one._replace(peak=0) for one in rest)], chosen)
    return None


def _moved(degrees: Sequence[Degree], tones: Sequence[int], by: int) -> list[int] | None:
    steps = {degree.step: n for n, degree in enumerate(degrees) if not degree.alter}
    wanted = [degrees[tone].step + by for tone in tones]
    return [steps[step] for step in wanted] if all(step in steps for step in wanted) else None
