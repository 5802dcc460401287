"""One voice of an exercise: tones for the attacks of a rhythm, with a highest tone, a cadence, and a turn
that comes back.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import partial

from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.line import ANY, Peaks, Spot, Stand, Ways, draw, ways
from kopje.core.practice.reading.returning import as_before, drawn, returning
from kopje.core.practice.reading.rhythm import Rhythm
from kopje.core.practice.reading.spots import Event, Laid, VoiceTask, attacks, every_high, highs, spots

DRAWN = 4  # highest tones that are tried at once
REDRAWN = 5  # other lines to look for one in which a turn comes back


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
    return _any_way(task, places) and (not task.one_peak or _any_way(task, places, every_high(task)))


def _any_way(task: VoiceTask, places: Sequence[Spot], peaks: Sequence[tuple[int, int]] = ((ANY, 1),)) -> bool:
    """From any tone at the beginning: what a phrase before asks is not looked at."""
    left = ways(task.ground, places, [peaks] * (places[-1].span + 1)).left[0]
    return bool((left[:, :, task.ground.starts].any(axis=(0, 1)) & (places[0].may > 0)).any())


def _peaks(task: VoiceTask, places: Sequence[Spot], chance: Chance) -> list[Peaks]:
    """Highest tones to try for each span, with how gladly: first some drawn, then all others."""
    spans = places[-1].span + 1
    if not task.one_peak:
        return [[[(ANY, 1)]] * spans]
    gladly = highs(len(task.ground.degrees))
    some = [sorted({chance.index(gladly) for _ in range(DRAWN)}) for _ in range(spans)]
    first = [[(n, gladly[n]) for n in one] for one in some]
    return [first, [every_high(task)] * spans]


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
    line = drawn(found, stands)
    there = found.spots if again is None else as_before(task, rhythm, events, found.spots)
    wanted = [
        (source, number)
        for number, source in enumerate(rhythm.like)
        if source is not None and chance.percent(task.returns)
    ]
    for bars in wanted:
        back = returning(task, events, there, line, bars, chance, bars == wanted[0])
        for _ in range(REDRAWN if again is not None and bars == wanted[0] else 0):
            other = again() if back is None and again is not None else None
            if other is None:
                break
            back = returning(task, events, there, drawn(found, other), bars, chance)
        line = back or line
    degrees = [task.ground.degrees[int(task.ground.tone[stand.state])] for stand in line.stands]
    tones = dict(zip(attacks(events), degrees, strict=True))
    named = tuple(replace(event, degree=tones.get(n)) for n, event in enumerate(events))
    return Sung(named, (line.stands[-1], replace(found.spots[-1], span=-1)))
