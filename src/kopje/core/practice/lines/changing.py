"""A rhythm that changes one figure at a time: the class reads on, and only one place is new.

Source: docs/sources.md#lines.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from kopje.core.errors import PracticeError
from kopje.core.practice.lines.cells import starts_of
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import Shape

DUE = 4  # so many times as gladly is a figure taken that is due
ELSEWHERE = 6  # and a place that was not changed just before
LONGEST = 8  # beats of a line that one can keep in mind


@dataclass(frozen=True, slots=True)
class Turn:
    """A line, and the figure in it (from 0) that is other than before; None in the first line."""

    row: tuple[Shape, ...]
    at: int | None = None

    @property
    def beat(self) -> int | None:
        return None if self.at is None else starts_of(self.row)[self.at]


def short(row: Sequence[Shape], beats: int) -> tuple[Shape, ...]:
    """As many whole bars from the beginning, of so many `beats` each, as one can keep in mind."""
    whole = max(LONGEST // beats, 1) * beats
    return tuple(shape for shape, start in zip(row, starts_of(row), strict=True) if start < whole)


def changing(
    row: Sequence[Shape], known: Sequence[Shape], count: int, chance: Chance, due: Sequence[str] = ()
) -> Iterator[Turn]:
    """The line and so many changes of it: each time one figure gives way to another as long that is known;
    the last one stays. No line comes twice. Fewer where nothing is left; PracticeError for none."""
    now = tuple(row)
    seen = {now}
    yield Turn(now)
    last: int | None = None
    for turn in range(count):
        found = [one for one in _others(now, known) if one.row not in seen]
        if not found and not turn:
            raise PracticeError("line_stays", value=[shape.key for shape in known])
        if not found:
            return
        weights = [
            (ELSEWHERE if one.at != last else 1) * (DUE if one.row[one.at or 0].key in due else 1)
            for one in found
        ]
        chosen = chance.pick(found, weights)
        now, last = chosen.row, chosen.at
        seen.add(now)
        yield chosen


def _others(row: tuple[Shape, ...], known: Sequence[Shape]) -> Iterator[Turn]:
    for at, shape in enumerate(row[:-1]):
        for other in known:
            if other.beats == shape.beats and other != shape:
                yield Turn((*row[:at], other, *row[at + 1 :]), at)
