"""Processes beside the server's, for what may take long, hang or eat memory: engraving, printing, solving."""

from __future__ import annotations

import multiprocessing
import resource
import signal
from collections.abc import Callable
from concurrent.futures import TimeoutError as FutureTimeoutError
from threading import Lock
from typing import Any, TypeVar

from pebble import ProcessExpired, ProcessPool

Answer = TypeVar("Answer")
WALL = 120  # seconds after which a worker counts as stuck, however busy the machine is


class WorkerLimitError(Exception):
    """The work took more time or memory than it may, or its process was ended from outside."""


def _limit_memory(size: int | None) -> None:
    if size is not None:
        resource.setrlimit(resource.RLIMIT_AS, (size, size))


def _timed(seconds: float | None, work: Callable[..., Answer], what: tuple[Any, ...]) -> Answer:
    """In the worker. The kernel ends the process when its own time is up: native code cannot be interrupted
    from within."""
    signal.setitimer(signal.ITIMER_PROF, seconds or 0)
    try:
        return work(*what)
    finally:
        signal.setitimer(signal.ITIMER_PROF, 0)


class Worker:
    """One process, started when it is first asked and replaced when it has died.

    It is started afresh instead of being forked from the server: a fork of a process with threads may hold a
    lock for ever, and would count the server's memory as its own. `seconds` of processor time (not of the
    clock) for each piece of work; `memory` in bytes of address space."""

    def __init__(self, seconds: float | None = None, memory: int | None = None) -> None:
        self.seconds = seconds
        self._memory = memory
        self._pool: ProcessPool | None = None
        self._lock = Lock()

    def run(self, work: Callable[..., Answer], *what: Any) -> Answer:
        """What `work` answers, or its error. Work and arguments are pickled. WorkerLimitError when a limit
        was met."""
        try:
            answer: Answer = (
                self._started()
                .schedule(_timed, args=(self.seconds, work, what), timeout=self.seconds and WALL)
                .result()
            )
        except (FutureTimeoutError, ProcessExpired, MemoryError) as problem:
            raise WorkerLimitError from problem
        return answer

    def warm(self, work: Callable[..., object]) -> None:
        """Start, and let the worker do this before its first real work; nobody waits."""
        self._started().schedule(work)

    def stop(self) -> None:
        with self._lock:
            if self._pool is not None:
                self._pool.stop()  # type: ignore[no-untyped-call]
                self._pool.join(timeout=5)
                self._pool = None

    def _started(self) -> ProcessPool:
        with self._lock:
            if self._pool is None:
                context = multiprocessing.get_context("spawn")
                self._pool = ProcessPool(
                    max_workers=1, initializer=_limit_memory, initargs=(self._memory,), context=context
                )
            return self._pool
