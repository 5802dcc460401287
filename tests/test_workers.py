"""A worker's limits are its own: its time, not the clock's; its memory, not the server's."""

from __future__ import annotations

import mmap
import os
import time
from collections.abc import Iterator

import pytest

from kopje.workers import Worker, WorkerLimitError

MEMORY = 1 << 30


@pytest.fixture(scope="module")
def worker() -> Iterator[Worker]:
    worker = Worker(seconds=0.3, memory=MEMORY)
    yield worker
    worker.stop()


def test_what_keeps_the_processor_too_long_is_ended_and_the_next_one_answers(worker: Worker) -> None:
    for _ in range(2):
        with pytest.raises(WorkerLimitError):
            worker.run(sum, range(10**12))
        assert worker.run(divmod, 7, 2) == (3, 1)


def test_waiting_is_not_work(worker: Worker) -> None:
    """A machine with other things to do makes nothing fail."""
    worker.run(time.sleep, 0.9)


def test_an_error_of_the_work_comes_out_and_a_worker_that_dies_is_replaced(worker: Worker) -> None:
    with pytest.raises(ZeroDivisionError):
        worker.run(divmod, 1, 0)
    with pytest.raises(WorkerLimitError):
        worker.run(os._exit, 3)
    assert worker.run(len, "do") == 2


def test_memory_is_counted_from_the_worker_s_own_start(worker: Worker) -> None:
    with pytest.raises(WorkerLimitError):
        worker.run(bytearray, 2 * MEMORY)
    with mmap.mmap(-1, 2 * MEMORY, mmap.MAP_PRIVATE):  # reserved, never touched
        again = Worker(seconds=5, memory=MEMORY)
        assert len(again.run(bytes, 1000)) == 1000
        again.stop()
