"""A turn that comes back: the line is drawn anew so that a bar has the tones of an earlier one.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.line import Peaks, Spot, Stand, Ways, draw, ways
from kopje.core.practice.reading.rhythm import Rhythm
from kopje.core.practice.reading.spots import Event, VoiceTask, attacks, every_high, spots

TONES, OTHER_TURN = 24, 2  # how gladly a bar comes back with its own tones, or otherwise


def as_before(
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
class Line:
    """A line as it was drawn, and the highest tone of each of its spans."""

    stands: list[Stand]
    peaks: Peaks


def drawn(found: Ways, stands: Sequence[Stand]) -> Line:
    return Line([stand._replace(peak=0) for stand in stands], _chosen(found, stands))


def _chosen(found: Ways, stands: Sequence[Stand]) -> Peaks:
    """The highest tone of each span as it was drawn."""
    highest = {
        spot.span: found.highest(spot, stand.peak) for spot, stand in zip(found.spots, stands, strict=True)
    }
    return [[(highest[span], 1)] for span in sorted(highest)]


def returning(
    task: VoiceTask,
    events: Sequence[Event],
    places: Sequence[Spot],
    line: Line,
    bars: tuple[int, int],
    chance: Chance,
    between: bool = True,
) -> Line | None:
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


def _from(task: VoiceTask, places: Sequence[Spot], line: Line, first: int, chance: Chance) -> Line | None:
    """Drawn anew from a place on. The highest tone of its span may be another one where it has not come."""
    span = places[first - 1].span
    before = [
        int(task.ground.tone[stand.state])
        for stand, place in zip(line.stands[:first], places, strict=False)
        if place.span == span
    ]
    highest = line.peaks[span][0][0]
    here = [one for one in every_high(task) if one[0] > max(before)] if highest > max(before) else []
    peaks = [*line.peaks[:span], here or line.peaks[span], *line.peaks[span + 1 :]]
    found = ways(task.ground, places[first:], peaks)
    order = list(range(len(peaks[span])))
    while order:
        at = order.pop(chance.index([peaks[span][n][1] for n in order]))
        stand = line.stands[first - 1]._replace(peak=at)
        rest = draw(found, chance, (stand, places[first - 1]))
        if rest is not None:
            chosen = [*peaks[:span], [(peaks[span][at][0], 1)], *peaks[span + 1 :]]
            return Line([*line.stands[:first], *(one._replace(peak=0) for one in rest)], chosen)
    return None


def _moved(degrees: Sequence[Degree], tones: Sequence[int], by: int) -> list[int] | None:
    steps = {degree.step: n for n, degree in enumerate(degrees) if not degree.alter}
    wanted = [degrees[tone].step + by for tone in tones]
    return [steps[step] for step in wanted] if all(step in steps for step in wanted) else None
