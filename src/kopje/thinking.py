"""Where solvers think: in a process of their own, so that no transaction and no other request waits for them."""

from __future__ import annotations

from collections.abc import Callable
from threading import Lock
from typing import Any, TypeVar

from pebble import ProcessPool

Answer = TypeVar("Answer")


class Thinker:
    """One worker, started when something is first thought about. What it runs are pure functions of the core, whose limits
    count their own work; an error of theirs comes out here."""

    def __init__(self) -> None:
        self._pool: ProcessPool | None = None
        self._lock = Lock()

    def think(self, think: Callable[..., Answer], *question: Any) -> Answer:
        with self._lock:
            if self._pool is None:
                self._pool = ProcessPool(max_workers=1)
        found: Answer = self._pool.schedule(think, args=question).result()
        return found

    def stop(self) -> None:
        if self._pool is not None:
            self._pool.stop()  # type: ignore[no-untyped-call]
            self._pool.join(timeout=5)
            self._pool = None
