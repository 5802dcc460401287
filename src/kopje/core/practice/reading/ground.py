"""The automaton of a voice: where a line may stand and how it may go on, with what concerns one voice alone.

A state is a tone, the tone before it (repeats left out), how often it has been repeated, and whether the last
turning point was ti or fa. What depends on the place in the line (which tones may stand there, the highest
tone, other voices) is laid over it in `line.py`. Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, TypeAlias

import numpy as np

from kopje.core.choir.rungs import may_leap, may_skip
from kopje.core.music.degree import Degree
from kopje.core.practice.reading.turns import first, next_weight

Whole: TypeAlias = "np.ndarray[Any, np.dtype[np.int64]]"
MOST_EQUAL = 3  # the same pitch in a row
OTHER, TI, FA = 0, 1, 2  # what the last turning point was
RARE = 1  # of a move that the tables do not have, in thousandths


@dataclass(frozen=True, slots=True)
class Motion:
    """Which moves a voice may make: steps always; `skips`: triads within which two neighbours may follow one
    another, in every octave; `leaps`: pairs, in just these octaves. `kind` instead: all of a kind."""

    skips: tuple[str, ...] = ()
    leaps: tuple[str, ...] = ()
    kind: str = ""  # steps, skips or leaps

    def allows(self, one: Degree, two: Degree) -> bool:
        """Between two different tones."""
        letters = abs(two.step - one.step)
        half_steps = abs(two.semitones - one.semitones)
        if one.alter or two.alter:
            return letters <= 1 and 1 <= half_steps <= 2
        if letters <= 1:
            return half_steps <= 2
        if self.kind:
            return {"steps": 1, "skips": 2, "leaps": 7}[self.kind] >= letters and half_steps != 6
        if letters == 2:
            return may_skip(self.skips, one, two)
        return may_leap(self.leaps, one, two)


# Where a tone that leads must go: letters and half steps.
LEADS = {"ti": (1, 1), "si": (1, 1), "fi": (1, 1), "di": (1, 1), "te": (-1, -1)}


def may_lead(before: Degree | None, tone: Degree, after: Degree) -> bool:
    """Ti goes to do, except in do' ti la; si to la, fi to so, te to la, di to re; fa and si never meet.

    >>> ti, do, so = map(Degree.parse, ("ti", "do'", "so"))
    >>> may_lead(None, ti, do), may_lead(None, ti, so)
    (True, False)
    """
    if {tone.syllable, after.syllable} == {"fa", "si"}:
        return False
    if tone.syllable not in LEADS:
        return True
    move = (after.step - tone.step, after.semitones - tone.semitones)
    if move == LEADS[tone.syllable]:
        return True
    falling = before is not None and (before.step - tone.step, before.semitones - tone.semitones) == (1, 1)
    return tone.syllable == "ti" and falling and move == (-1, -2)


@dataclass(frozen=True, slots=True)
class Ground:
    """All states of a voice. `moves[s]`: up to so many states that may follow, `tones[s]` the tone each has,
    `usual[s]` how usual each is in thousandths, 0 where there is none. Shapes: (states, moves)."""

    degrees: tuple[Degree, ...]
    tone: Whole  # (states,)
    before: Whole  # (states,) index of the tone before, -1 where there is none
    repeats: Whole  # (states,) how often it has come in a row
    moves: Whole
    tones: Whole
    usual: Whole
    starts: Whole  # (tones,) the state of each first tone
    first: tuple[int, ...]  # how usual each first tone is
    listed: tuple[tuple[tuple[int, int, int], ...], ...]  # for each state (next state, its tone, how usual)


State = tuple[int, int, int, int]


@lru_cache(maxsize=128)
def ground_of(
    degrees: tuple[Degree, ...], motion: Motion, home: str, falling: tuple[str, ...] = (), sharp: int = 2
) -> Ground:
    """The automaton over these tones, from low to high. `falling`: tones that are only passed on the way
    down; `sharp`: 1 draws more evenly than tunes do, 2 as they do, 3 keeps to what is most usual."""
    rules = _Rules(degrees, motion, home, falling, sharp)
    states: dict[State, int] = {}
    queue: list[State] = []

    def number(state: State) -> int:
        if state not in states:
            states[state] = len(states)
            queue.append(state)
        return states[state]

    starts = [number((n, -1, 1, OTHER)) for n in range(len(degrees))]
    rows: list[list[tuple[int, int, int]]] = []
    at = 0
    while at < len(queue):
        rows.append([(number(state), state[0], weight) for state, weight in rules.after(queue[at])])
        at += 1
    width = max((len(row) for row in rows), default=1) or 1
    padded = [row + [(0, 0, 0)] * (width - len(row)) for row in rows]
    table = np.array(padded, dtype=np.int64).reshape(len(rows), width, 3)
    return Ground(
        degrees,
        np.array([state[0] for state in queue], dtype=np.int64),
        np.array([state[1] for state in queue], dtype=np.int64),
        np.array([state[2] for state in queue], dtype=np.int64),
        table[:, :, 0],
        table[:, :, 1],
        table[:, :, 2],
        np.array(starts, dtype=np.int64),
        tuple(first(home, degree.step) for degree in degrees),
        tuple(map(tuple, rows)),
    )


@dataclass(frozen=True, slots=True)
class _Rules:
    degrees: tuple[Degree, ...]
    motion: Motion
    home: str
    falling: tuple[str, ...]
    sharp: int

    def after(self, state: State) -> Iterator[tuple[State, int]]:
        tone, before, repeats, turned = state
        here = self.degrees[tone]
        came = 0 if repeats > 1 or before < 0 else here.step - self.degrees[before].step
        if repeats < MOST_EQUAL and here.syllable not in LEADS and str(here) not in self.falling:
            yield (tone, before, repeats + 1, turned), self._usual(came, here, 0)
        for n, there in enumerate(self.degrees):
            if n == tone or not self._may(before, here, there):
                continue
            turns = self._turn(before, tone, n, turned)
            if turns is not None:
                yield (n, tone, 1, turns), self._usual(came, here, there.step - here.step)

    def _may(self, before: int, here: Degree, there: Degree) -> bool:
        came = self.degrees[before] if before >= 0 else None
        if not self.motion.allows(here, there) or not may_lead(came, here, there):
            return False
        if str(here) in self.falling:
            return there.step == here.step - 1
        if str(there) in self.falling:
            return there.step == here.step - 1
        return True

    def _turn(self, before: int, tone: int, after: int, turned: int) -> int | None:
        """What the last turning point is then; None where ti and fa would be two neighbouring ones."""
        if before < 0 or (tone > before) == (after > tone):
            return turned
        here = {"ti": TI, "fa": FA}.get(self.degrees[tone].syllable, OTHER)
        return None if {here, turned} == {TI, FA} else here

    def _usual(self, came: int, here: Degree, move: int) -> int:
        usual = next_weight(self.home, came, here.step, move) or RARE
        if self.sharp == 1:
            return _root(usual * 1000)
        return usual if self.sharp == 2 else max(usual * _root(usual * 1000) // 1000, 1)


def _root(n: int) -> int:
    from math import isqrt

    return max(isqrt(n), 1)
