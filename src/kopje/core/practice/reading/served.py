"""When two exercises are nearly the same, so that nothing comes twice as reading.

Source: docs/sources.md#made-exercises.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from kopje.core.practice.reading.make import Made

SHARE = 8  # of so many beats at most one differs


@dataclass(frozen=True, slots=True)
class Print:
    """What an exercise is told by: meter, number of bars, what happens in each beat of each part (tones from
    do), and the heights of its tones in letters."""

    meter: str
    bars: int
    cells: tuple[str, ...]
    line: tuple[int, ...]

    def values(self) -> dict[str, object]:
        return {"meter": self.meter, "bars": self.bars, "cells": list(self.cells), "line": list(self.line)}

    @classmethod
    def of(cls, values: dict[str, object]) -> Print:
        cells, line = values["cells"], values["line"]
        if not isinstance(cells, list) or not isinstance(line, list):
            raise TypeError(values)
        return cls(str(values["meter"]), int(str(values["bars"])), tuple(cells), tuple(line))


def print_of(made: Made) -> Print:
    cells: list[str] = []
    line: list[int] = []
    for voice in made.voices:
        beats: dict[int, list[str]] = {}
        for event in voice:
            at = int(event.start)
            name = "r" if event.rest else str(event.degree) if event.degree else "x"
            beats.setdefault(at, []).append(f"{event.start - at}{name}")
            if event.degree is not None:
                line.append(event.degree.step)
        length = int(voice[-1].start + voice[-1].length)
        cells += [" ".join(beats.get(n, ("-",))) for n in range(length)]
    bars = max(event.bar for event in made.voices[0]) + 1
    return Print(str(made.meter), bars, tuple(cells), tuple(line))


def nearly_same(one: Print, two: Print) -> bool:
    """Same meter and bars, and at most an eighth of the beats differ, or all tones are moved by one number of
    letters.

    >>> a = Print("2/4", 2, ("0do", "0re", "0mi", "0do"), (0, 1, 2, 0))
    >>> nearly_same(a, Print("2/4", 2, ("0re", "0mi", "0fa", "0re"), (1, 2, 3, 1)))
    True
    """
    if (one.meter, one.bars, len(one.cells)) != (two.meter, two.bars, len(two.cells)):
        return False
    differ = sum(a != b for a, b in zip(one.cells, two.cells, strict=True))
    if differ * SHARE <= len(one.cells):
        return True
    if not one.line or len(one.line) != len(two.line):
        return False
    return len({b - a for a, b in zip(one.line, two.line, strict=True)}) == 1


def is_new(one: Print, served: Iterable[Print]) -> bool:
    return not any(nearly_same(one, other) for other in served)
