"""What each place of a voice asks of its tone: the events of its rhythm, what is new and where it may come.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from kopje.core.exact import Fraction
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.ground import Ground, Whole
from kopje.core.practice.reading.line import Spot
from kopje.core.practice.reading.rhythm import PHRASE, Rhythm
from kopje.core.practice.reading.turns import Place, place_weight

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


def every_high(task: VoiceTask) -> list[tuple[int, int]]:
    return [(n, weight) for n, weight in enumerate(highs(len(task.ground.degrees))) if weight]


def highs(size: int) -> list[int]:
    """How gladly each tone is the highest."""
    return [0 if n == 0 and size > 1 else max(1, 8 - abs(n - (3 * size) // 4) * 2) for n in range(size)]
