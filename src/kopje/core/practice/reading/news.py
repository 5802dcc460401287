"""What is new to a reader in an exercise: where it may come, how much of it, and whether enough came.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from kopje.core.music.degree import Degree
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import UPBEAT
from kopje.core.practice.reading.ground import Whole
from kopje.core.practice.reading.levels import ReadingTask
from kopje.core.practice.reading.spots import Event, News, attacks

NEWS_TRIES = 6  # places for what is new, in one part


def news_for(
    task: ReadingTask,
    tones: tuple[Degree, ...],
    events: Sequence[Event],
    budget: int,
    chance: Chance,
    wanted: tuple[bool, bool] = (False, False),
) -> News | None:
    """Where what is new may come: on new figures, and in one or two runs of tones, together at most so many.
    `wanted`: whether a new tone, a new move has to come in this part."""
    if not task.share or not (task.new_tones or task.known):
        return None
    sung = attacks(events)
    fresh = {n for n, at in enumerate(sung) if _is_new_figure(task, events[at])}
    left = budget - len(fresh) - sum(_is_new_figure(task, e) and e.rest for e in events)
    while left > 0:
        size = chance.below(left) + 1
        start = chance.below(len(sung))
        run = set(range(start, min(start + size, len(sung)))) - fresh
        fresh |= run
        left -= max(len(run), 1)
    new_tones, new_moves = _new_ones(task, tones)
    places = sorted(n for n in fresh if n)
    tone_at = chance.pick(places) if places and wanted[0] and new_tones.any() else None
    move_at = chance.pick(places) if places and wanted[1] and new_moves.any() else None
    return News(new_tones, new_moves, frozenset(fresh), tone_at, move_at, any(wanted))


@lru_cache(maxsize=128)
def _new_ones(task: ReadingTask, tones: tuple[Degree, ...]) -> tuple[Whole, Whole]:
    return (
        np.array([str(d) in task.new_tones for d in tones], dtype=np.int64),
        np.array([[task.is_new_move(a, b) for b in tones] for a in tones], dtype=np.int64),
    )


def _is_new_figure(task: ReadingTask, event: Event) -> bool:
    return event.key in task.new_figures or (event.bar < 0 and UPBEAT in task.new_figures)


def budget_for(task: ReadingTask, made: Sequence[Sequence[Event]], attacks_here: int, attempt: int) -> int:
    """How much may be new in the next part: all that is left for the highest, and for one between the
    more the longer it was tried."""
    if not task.share:
        return 0
    left = task.parts - len(made)
    used = sum(counted_in(task, voice).wide for voice in made)
    total = sum(len(attacks(voice)) for voice in made) + attacks_here * left
    free = max(total // task.share - used, 0)
    return free if left == 1 else free * attempt // (NEWS_TRIES - 1)


def still_wanted(
    task: ReadingTask, below: Sequence[Sequence[Event]], every: Sequence[Sequence[Event]]
) -> tuple[bool, bool]:
    """Whether a new tone and a new move have still to come, in the last part that is made."""
    if len(below) < task.parts - 1:
        return False, False
    each = [counted_in(task, voice) for voice in every]
    tones = bool(task.new_tones) and not any(c.tones for c in each)
    return tones, task.known is not None and not any(c.moves for c in each)


@dataclass(frozen=True, slots=True)
class Counted:
    """Attacks of a voice, and what of them is new: by tone, by move, the figures, and all together."""

    total: int
    tones: int
    moves: int
    figures: int
    wide: int


def counted_in(task: ReadingTask, voice: Sequence[Event]) -> Counted:
    total = tones = moves = wide = 0
    figures = {event.figure for event in voice if _is_new_figure(task, event)}
    before: Degree | None = None
    for event in voice:
        new_figure = _is_new_figure(task, event)
        if event.rest or event.degree is None:
            wide += new_figure
            continue
        new_tone = str(event.degree) in task.new_tones
        new_move = before is not None and task.is_new_move(before, event.degree)
        total, tones, moves = total + 1, tones + new_tone, moves + new_move
        wide += new_tone or new_move or new_figure
        before = event.degree
    return Counted(total, tones, moves, len(figures), wide)


def new_enough(task: ReadingTask, voices: Sequence[Sequence[Event]]) -> bool:
    """At least one new thing on each axis that is raised, at least so many in all, at most a share."""
    if not task.share:
        return True
    each = [counted_in(task, voice) for voice in voices]
    tones, moves = sum(c.tones for c in each), sum(c.moves for c in each)
    figures = sum(c.figures for c in each)
    raised = ((task.new_tones, tones), (task.new_figures, figures), (task.known is not None, moves))
    enough = all(count or not asked for asked, count in raised)
    wide, total = sum(c.wide for c in each), sum(c.total for c in each)
    return enough and tones + figures + moves >= task.least_new and wide * task.share <= total
