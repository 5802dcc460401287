"""Exercises to read: how long one takes, and whether they move as tunes do (printed)."""

from __future__ import annotations

import statistics
import time

import pytest

from bench import musical
from bench.timing import p95
from formats.turns import phrases
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.levels import numbered_level
from kopje.core.practice.reading.make import make

FOUR = Meter.parse("4/4")


def spent(number: int, bars: int, count: int) -> list[float]:
    found = []
    for seed in range(count):
        start = time.process_time()
        make(numbered_level(number), FOUR, bars, seed)
        found.append(time.process_time() - start)
    return found


def test_how_long_an_exercise_takes() -> None:
    for number, bars, count, wanted in ((6, 8, 60, 20), (7, 4, 40, 200), (10, 4, 40, 200), (10, 8, 20, 500)):
        spent(number, bars, 1)
        took = spent(number, bars, count)
        print(
            f"\nlevel {number}, {bars} bars: median {1000 * statistics.median(took):.0f} ms, "
            f"p95 {1000 * p95(took):.0f} ms (wanted {wanted})"
        )


@pytest.mark.parametrize("number", [2, 3, 6])
def test_exercises_move_as_tunes_do(number: int) -> None:
    task = numbered_level(number)
    every = [
        p
        for p in phrases(4000)
        if p.third == musical.KEPT and p.home == "do" and len(p.steps) > musical.FEWEST
    ]
    real = [list(p.steps) for p in every if musical.legal(task, p)]
    made = musical.ours(number, 200)
    drawn = list(musical.uniform(task, made, 1))
    bits = [[musical.surprise(task, line) for line in lines] for lines in (real, made, drawn)]
    for name, found in (("ours", bits[1]), ("evenly drawn", bits[2])):
        below, within, above = musical.inside(bits[0], found)
        print(
            f"\nlevel {number}, surprise of {name}: {below:.0%} below, {within:.0%} inside, {above:.0%} above"
        )
    told, even = musical.auc(real, made), musical.auc(real, drawn)
    print(f"level {number}: told from {len(real)} real phrases with {told:.2f}, evenly drawn with {even:.2f}")
