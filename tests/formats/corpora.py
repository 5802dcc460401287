"""Whole collections of real music, read from installed packages: what is read, what is refused and why, how
long it takes.

`make test` reads a seeded sample, `make proof` all of it.
"""

from __future__ import annotations

import time
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from random import Random

from kopje.core.analysis.analysis import analyse
from kopje.core.errors import KopjeError
from kopje.formats.abc import split_abc
from kopje.formats.read import read_tunes


@dataclass
class Count:
    """What became of a collection. `slowest` in seconds, of one piece."""

    pieces: int = 0
    refusals: Counter[str] = field(default_factory=Counter)
    slowest: float = 0.0
    seconds: float = 0.0

    @property
    def read(self) -> int:
        return self.pieces - sum(self.refusals.values())


def corpus() -> Path | None:
    try:
        import music21
    except ImportError:
        return None
    return Path(music21.__file__).parent


def abc_pieces(home: Path) -> Iterator[tuple[str, bytes]]:
    """Every tune of every ABC book of the corpus."""
    for book in sorted((home / "corpus").rglob("*.abc")):
        for piece in split_abc(book.read_bytes()):
            yield book.name, piece


def conformance_files(home: Path) -> list[tuple[str, bytes]]:
    folder = home / "musicxml" / "lilypondTestSuite"
    files = (
        [f for f in sorted(folder.iterdir()) if f.suffix in (".xml", ".musicxml", ".mxl")]
        if folder.exists()
        else []
    )
    return [(file.name, file.read_bytes()) for file in files]


def sampled(pieces: list[tuple[str, bytes]], share: int, seed: int) -> list[tuple[str, bytes]]:
    return Random(seed).sample(pieces, max(len(pieces) // share, 1))


def count(pieces: list[tuple[str, bytes]]) -> Count:
    """Read and analyse each; anything but a refusal of ours is an error that ends the run."""
    found = Count()
    for name, data in pieces:
        start = time.perf_counter()
        found.pieces += 1
        try:
            analyse(read_tunes(data, name)[0])
        except KopjeError as refusal:
            found.refusals[refusal.code] += 1
        took = time.perf_counter() - start
        found.slowest = max(found.slowest, took)
        found.seconds += took
    return found
