"""Writing what is heard, in stages: copy, complete, write. A rhythm figure by figure; a melody tone by tone
over a rhythm that is given.

Source: docs/sources.md#lines.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby
from typing import Literal

from kopje.core.analysis.analysis import Analysis
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.ledger.marks import Help, Result
from kopje.core.practice.lines.cells import cells, name_of
from kopje.core.practice.reading.figures import Shape

Stage = Literal["copy", "complete", "write"]
NEARLY = 8  # of so many places at most one wrong
HELP_OF: dict[Stage, Help] = {"copy": "model", "complete": "model", "write": "none"}


@dataclass(frozen=True, slots=True)
class Place:
    """Where a tone is to be written: from which beat of its bar, and how many beats long."""

    beat: Fraction
    beats: Fraction


@dataclass(frozen=True, slots=True)
class BarToWrite:
    """A bar; `answer` are its figures or tones, of which the first `given` stand there already; `places` of a
    melody's tones."""

    answer: tuple[str, ...]
    given: int
    places: tuple[Place, ...] = ()


@dataclass(frozen=True, slots=True)
class Task:
    """What is to be written; `beats` of a bar; `shapes`: what the names of figures look like, none for a
    melody."""

    stage: Stage
    beats: int
    bars: tuple[BarToWrite, ...]
    shapes: dict[str, Shape]

    @property
    def pitched(self) -> bool:
        return not self.shapes


def rhythm_task(a: Analysis, stage: Stage, known: Sequence[Shape]) -> Task:
    """The figures of a line, to be chosen among these and its own."""
    row = cells(a)
    meter = a.timeline[0].meter
    names = {name_of(shape, meter.compound): shape for shape in (*known, *(cell.shape for cell in row))}
    bars: list[BarToWrite] = []
    for number, here in groupby(row, key=lambda cell: cell.bar):
        answer = tuple(name_of(cell.shape, meter.compound) for cell in here)
        bars.append(BarToWrite(answer, len(answer) if _stands(stage, number) else 0))
    return Task(stage, meter.beats, tuple(bars), names)


def melody_task(a: Analysis, stage: Stage) -> Task:
    """The tones of a line over its rhythm; the first one is always given."""
    meter = a.timeline[0].meter
    bars: list[BarToWrite] = []
    for number, group in groupby(a.attacks, key=lambda sound: sound.bar):
        here = list(group)
        tones = tuple(str(a.degree(sound)) for sound in here)
        given = len(tones) if _stands(stage, number) else int(not bars)
        places = tuple(Place(sound.place / meter.beat, sound.beats) for sound in here)
        bars.append(BarToWrite(tones, given, places))
    return Task(stage, meter.beats, tuple(bars), {})


def _stands(stage: Stage, bar: int) -> bool:
    """Whether a bar is there already: to complete, every second one is."""
    return stage == "complete" and bar % 2 == 1


@dataclass(frozen=True, slots=True)
class Checked:
    """By bar, which beats (of a rhythm) or tones (of a melody) are right; `right` of `of` without those that
    were given; `result` as a mark, with the help that the stage is."""

    bars: tuple[tuple[bool, ...], ...]
    right: int
    of: int
    result: Result
    help: Help


def check(task: Task, written: Sequence[Sequence[str]]) -> Checked:
    """What was written, bar by bar. PracticeError for what is no figure here, or too long for its bar."""
    if len(written) != len(task.bars):
        raise PracticeError("written_bars", bars=len(task.bars), value=len(written))
    found: list[tuple[bool, ...]] = []
    right = of = 0
    for bar, answer in zip(task.bars, written, strict=True):
        said = (*bar.answer[: bar.given], *answer[bar.given :])
        here = _tones(bar, said) if task.pitched else _beats(task, bar, said)
        found.append(here)
        fixed = bar.given if task.pitched else task.beats if bar.given else 0
        right += sum(here[fixed:])
        of += len(here) - fixed
    return Checked(tuple(found), right, of, _result(right, of), HELP_OF[task.stage])


def _result(right: int, of: int) -> Result:
    wrong = of - right
    return "secure" if not wrong else "nearly" if wrong * NEARLY <= of else "not_yet"


def _tones(bar: BarToWrite, said: Sequence[str]) -> tuple[bool, ...]:
    return tuple(n < len(said) and said[n] == tone for n, tone in enumerate(bar.answer))


def _beats(task: Task, bar: BarToWrite, said: Sequence[str]) -> tuple[bool, ...]:
    asked, written = _begun(task, bar.answer), _begun(task, said)
    if len(written) > task.beats:
        raise PracticeError("written_long", beats=task.beats, value=list(said))
    return tuple(n < len(written) and written[n] == beat for n, beat in enumerate(asked))


Begun = list[tuple[tuple[Fraction, Fraction, bool], ...]]  # by beat: what begins in it, how long, and silent


def _begun(task: Task, names: Sequence[str]) -> Begun:
    found: Begun = []
    for name in names:
        shape = task.shapes.get(name)
        if shape is None:
            raise PracticeError("written_unknown", figure=name, value=name)
        at = Fraction(0)
        beats: list[list[tuple[Fraction, Fraction, bool]]] = [[] for _ in range(shape.beats)]
        for length, rest in zip(shape.lengths, shape.rests, strict=True):
            beats[int(at)].append((at - int(at), length, rest))
            at += length
        found += [tuple(beat) for beat in beats]
    return found
