"""Whether made exercises move as tunes do: their surprise beside that of real phrases, and how well a
classifier tells them apart. Real phrases are of the third of the folk songs that nothing was fitted on."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import pairwise

import numpy as np

from formats.turns import RealPhrase
from kopje.core.music.degree import Degree, degree
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.levels import ReadingTask, numbered_level
from kopje.core.practice.reading.make import make
from kopje.core.practice.reading.turns import next_weight

FEWEST = 5  # tones of a phrase
KEPT = 2  # the third that nothing was fitted on
Line = Sequence[int]


def legal(task: ReadingTask, phrase: RealPhrase) -> bool:
    there = {tone.step for tone in task.tones if not tone.alter}
    tones = [_tone(step) for step in phrase.steps]
    moves = all(a == b or task.motion.allows(a, b) for a, b in pairwise(tones))
    return not phrase.chromatic and moves and set(phrase.steps) <= there


def _tone(step: int) -> Degree:
    return degree(step % 7, 0, step // 7)


def surprise(task: ReadingTask, line: Line) -> float:
    """Bits per attack after the first, among the level's legal next tones."""
    total, before = 0.0, 0
    for one, two in pairwise(line):
        options = {
            tone.step: next_weight("do", before, one, tone.step - one) or 1
            for tone in task.tones
            if not tone.alter and (tone.step == one or task.motion.allows(_tone(one), tone))
        }
        total -= math.log2(options[two] / sum(options.values()))
        before = two - one
    return total / max(len(line) - 1, 1)


def ours(number: int, count: int) -> list[Line]:
    """Exercises of one part, 4 bars in 4/4, cut into phrases of two bars as real phrases mostly are."""
    task = numbered_level(number)
    found: list[Line] = []
    for seed in range(count):
        voice = make(task, Meter.parse("4/4"), 4, seed).voices[0]
        for bars in ((0, 1), (2, 3)):
            half = [event.degree.step for event in voice if event.degree and event.bar in bars]
            if len(half) > FEWEST:
                found.append(half)
    return found


def uniform(task: ReadingTask, lines: Sequence[Line], seed: int) -> Iterator[Line]:
    """Lines as long as these, of legal tones chosen evenly."""
    chance = Chance(seed)
    for line in lines:
        walk = [chance.pick(task.tones).step]
        while len(walk) < len(line):
            here = _tone(walk[-1])
            walk.append(chance.pick([t for t in task.tones if t == here or task.motion.allows(here, t)]).step)
        yield walk


def inside(real: Sequence[float], made: Sequence[float]) -> tuple[float, float, float]:
    """Shares of the made below, inside and above the real quartiles."""
    low, high = np.quantile(real, (0.25, 0.75))
    count = len(made)
    below, above = sum(x < low for x in made) / count, sum(x > high for x in made) / count
    return below, 1 - below - above, above


def features(line: Line) -> list[float]:
    """Reversals, repeats, skips, turns of three tones that come back, place of the peak, end, contour."""
    moves = [b - a for a, b in pairwise(line)]
    heard = [m for m in moves if m]
    threes = list(zip(line, line[1:], line[2:], strict=False))
    n = max(len(moves), 1)
    return [
        sum((a > 0) != (b > 0) for a, b in pairwise(heard)) / n,
        moves.count(0) / n,
        sum(abs(m) > 1 for m in moves) / n,
        1 - len(set(threes)) / max(len(threes), 1),
        line.index(max(line)) / n,
        float(line[-1] % 7 == 0),
        (line[-1] - line[0]) / 4,
        (max(line) - min(line)) / 7,
    ]


def auc(one: Sequence[Line], two: Sequence[Line]) -> float:
    """How well a logistic classifier tells two sorts of lines apart, on the half it was not fitted on."""
    rows = np.array([features(line) for line in (*one, *two)])
    rows = np.c_[(rows - rows.mean(0)) / (rows.std(0) + 1e-9), np.ones(len(rows))]
    labels = np.array([1.0] * len(one) + [0.0] * len(two))
    train = np.arange(len(rows)) % 2 == 0
    weights = np.zeros(rows.shape[1])
    for _ in range(400):
        said = 1 / (1 + np.exp(-rows[train] @ weights))
        weights += 0.5 * (rows[train].T @ (labels[train] - said) / train.sum() - 0.001 * weights)
    scores, truth = rows[~train] @ weights, labels[~train]
    high, low = scores[truth == 1], scores[truth == 0]
    return float((high[:, None] > low[None, :]).mean())
