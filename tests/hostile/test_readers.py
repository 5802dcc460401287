"""Whatever a file is, it is read or refused in words, within a budget of time and memory."""

from __future__ import annotations

import time
from collections.abc import Iterator

import pytest

from hostile.readers import FILES, MEGABYTES, READERS, SECONDS, mutants, read_or_refused
from kopje.words import ENGLISH_CATALOGUE
from kopje.workers import Worker

FUZZED = 8.0  # seconds of processor time for each reader; make proof takes its time


@pytest.fixture(scope="module")
def worker() -> Iterator[Worker]:
    """A process that is ended when a file takes longer than it may."""
    worker = Worker(seconds=SECONDS)
    worker.run(read_or_refused, "song", "a.abc", b"X:1\nK:C\nC|\n")
    yield worker
    worker.stop()


@pytest.mark.parametrize(("kind", "name"), [(kind, name) for kind, files in FILES.items() for name in files])
def test_what_means_harm_is_read_or_refused_in_words(worker: Worker, kind: str, name: str) -> None:
    said, megabytes = worker.run(read_or_refused, kind, name, FILES[kind][name]())
    assert said == "read" or ENGLISH_CATALOGUE.bundle.has_message(said)
    assert megabytes <= MEGABYTES


@pytest.mark.parametrize("kind", READERS)
def test_whatever_becomes_of_a_good_file_it_is_read_or_refused(kind: str) -> None:
    """Where this fails, the file becomes a case in `attacks`."""
    started, count, slowest = time.process_time(), 0, 0.0
    for name, data in mutants(kind, 11):
        before = time.process_time()
        try:
            read_or_refused(kind, name, data)
        except Exception as problem:
            raise AssertionError(f"{name}: {type(problem).__name__}: {problem}; {data!r:.4000}") from problem
        slowest = max(slowest, time.process_time() - before)
        count += 1
        if time.process_time() - started > FUZZED:
            break
    assert slowest < SECONDS
    assert count > 100
