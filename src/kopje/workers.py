"""Processes beside the server's, for what may take long, hang or eat memory: engraving, printing, solving."""

from __future__ import annotations

import multiprocessing
import resource
import signal
from collections.abc import Callable
from concurrent.futures import TimeoutError as FutureTimeoutError
from dataclasses import dataclass
from itertools import count
from threading import Lock
from typing import Any, TypeVar

from pebble import ProcessExpired, ProcessPool

Answer = TypeVar("Answer")
WALL = 120  # seconds after which a worker counts as stuck, however busy the machine is


class WorkerLimitError(Exception):
    """The work took more time or memory than it may, or its process was ended from outside."""


@dataclass(frozen=True, slots=True)
class Progress:
    """How far a piece of work is, from 0 to 1, and what it says of its answer so far."""

    done: float
    cost: int
    bound: int


JOB, DONE, COST, BOUND, STOP = range(5)  # places on the board
_BOARD: Any = None  # in the worker: what it shares with the server


def report(done: float, cost: int, bound: int) -> bool:
    """Called by the work itself: put on the board how far it is; says whether it is to stop. Outside a
    worker nobody looks."""
    if _BOARD is None:
        return False
    _BOARD[DONE], _BOARD[COST], _BOARD[BOUND] = done, cost, bound
    return bool(_BOARD[STOP] == _BOARD[JOB])


def _begin(memory: int | None, board: Any) -> None:
    global _BOARD
    _BOARD = board
    if memory is not None:
        resource.setrlimit(resource.RLIMIT_AS, (memory, memory))


def _timed(seconds: float | None, work: Callable[..., Answer], what: tuple[Any, ...], job: int) -> Answer:
    """In the worker. The kernel ends the process when its own time is up: native code cannot be interrupted
    from within."""
    if _BOARD is not None:
        _BOARD[JOB], _BOARD[DONE], _BOARD[COST], _BOARD[BOUND] = job, 0, 0, 0
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
        self._jobs = count(1)
        self._tickets: dict[str, int] = {}
        self._board: Any = None

    def run(self, work: Callable[..., Answer], *what: Any, ticket: str = "") -> Answer:
        """What `work` answers, or its error. Work and arguments are pickled. WorkerLimitError when a limit
        was met. Under its ticket one can look how far it is, and stop it."""
        job = next(self._jobs)
        if ticket:
            self._tickets[ticket] = job
        try:
            answer: Answer = (
                self._started()
                .schedule(_timed, args=(self.seconds, work, what, job), timeout=self.seconds and WALL)
                .result()
            )
        except (FutureTimeoutError, ProcessExpired, MemoryError) as problem:
            raise WorkerLimitError from problem
        finally:
            self._tickets.pop(ticket, None)
        return answer

    def progress(self, ticket: str) -> Progress | None:
        """Of the work that runs under this ticket; None where none does, or it waits for its turn."""
        job, board = self._tickets.get(ticket), self._board
        if job is None or board is None or board[JOB] != job:
            return None
        return Progress(board[DONE], int(board[COST]), int(board[BOUND]))

    def ask_to_stop(self, ticket: str) -> None:
        """It ends with the best it has, as soon as it reports again."""
        job = self._tickets.get(ticket)
        if job is not None and self._board is not None:
            self._board[STOP] = job

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
                self._board = context.Array("d", 5)
                self._pool = ProcessPool(
                    max_workers=1, initializer=_begin, initargs=(self._memory, self._board), context=context
                )
            return self._pool
