"""Timing two ways of doing the same thing in one run, and saying the ratio."""

from __future__ import annotations

import time
from collections.abc import Callable, Sequence
from typing import TypeVar

Answer = TypeVar("Answer")


def timed(act: Callable[[], Answer]) -> tuple[float, Answer]:
    """Seconds, and what came of it."""
    start = time.perf_counter()
    answer = act()
    return time.perf_counter() - start, answer


def alternating(times: int, *acts: Callable[[], object]) -> list[list[float]]:
    """Seconds of each act, run in turn so that both feel the same machine; one round of warming up is left
    out."""
    found: list[list[float]] = [[] for _ in acts]
    for turn in range(times + 1):
        for place, act in enumerate(acts):
            seconds, _ = timed(act)
            if turn:
                found[place].append(seconds)
    return found


def p95(seconds: Sequence[float]) -> float:
    return sorted(seconds)[int(0.95 * (len(seconds) - 1))]


def say(name: str, shipped: float, reference: float, wanted: str) -> None:
    """One line: the ratio decides, the times stand beside it."""
    print(
        f"\n{name}: ratio {shipped / reference:.3f} (wanted {wanted}); ours {1000 * shipped:.2f} ms, reference {1000 * reference:.2f} ms"
    )
