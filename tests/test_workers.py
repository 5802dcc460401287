"""A worker's limits are its own: its time, not the clock's; its memory, not the server's."""

from __future__ import annotations

import mmap
import os
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import date

import pytest

from kopje.core.planning.lesson_set.question import LessonFrame, SetQuestion
from kopje.core.songs.suitability import Met
from kopje.usecases.lessons.compose_set import composed_and_told
from kopje.workers import Progress, Worker, WorkerLimitError
from making import declared, shipped_cards

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


def test_one_can_look_how_far_composing_is_and_stop_it() -> None:
    frames = tuple(LessonFrame(date(2026, 12, day), 30) for day in range(1, 7))
    cards = shipped_cards()
    met = {card.id: Met(2, date(2026, 11, 20)) for card in cards[:12]}
    question = SetQuestion(declared("so-mi", grade=2), frames, cards, met=met, work=50)
    worker = Worker()
    try:
        with ThreadPoolExecutor() as pool:
            found = pool.submit(worker.run, composed_and_told, question, ticket="ours")
            seen: Progress | None = None
            while (seen is None or not seen.cost) and not found.done():
                seen = worker.progress("ours")
                assert worker.progress("theirs") is None
                time.sleep(0.05)
            assert seen is not None
            assert 0 <= seen.bound <= seen.cost
            worker.ask_to_stop("theirs")
            worker.ask_to_stop("ours")
            plan = found.result()
        assert len(plan.lessons) == 6, "whole, though it was stopped"
        assert plan.cost <= seen.cost
        assert worker.progress("ours") is None
    finally:
        worker.stop()
