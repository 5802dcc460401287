"""What a class does with a line beside reading it: cards, a line that changes, writing, signs."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Literal
from uuid import UUID

from kopje.core.analysis.tonic import Tone
from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree
from kopje.core.music.meter import Meter
from kopje.core.music.score import Score
from kopje.core.planning.activities import Reads
from kopje.core.practice.asks.rounds import ear_of
from kopje.core.practice.lines import dictation
from kopje.core.practice.lines.cells import as_made, cells, known_shapes
from kopje.core.practice.lines.changing import Turn, changing, short
from kopje.core.practice.lines.dictation import Checked, Stage, Task
from kopje.core.practice.lines.signing import Went, next_size, row_of_signs, set_of
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.figures import Shape
from kopje.core.practice.reading.given import PLAIN_FIGURES
from kopje.core.practice.reading.levels import in_order
from kopje.core.practice.reading.make import Made
from kopje.core.sequence.concepts import Concept
from kopje.engraving.mei import StaffLook, Under, mei_score
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.practice.exercises import analysed, of_school
from kopje.usecases.practice.given import given
from kopje.usecases.practice.rounds import knows

CHANGES = 8
Written = Literal["notes", "sticks"]


@dataclass(frozen=True)
class Line:
    """One line of those that change: the line, and what is new in it."""

    turn: Turn
    made: Made


def changed(ctx: Context, exercise_id: UUID, seed: int) -> list[Line]:
    """The line of a rhythm and its changes, of figures that the class can name."""
    row = of_school(ctx, exercise_id)
    if row.do:
        raise PracticeError("line_pitched", value=str(exercise_id))
    meter = Meter.parse(row.told["meter"])
    first = short([cell.shape for cell in cells(analysed(row))], meter.beats)
    known = _known(ctx, row, meter)
    concept = ctx.sequence.by_key.get(row.wish["due"])
    every = changing(first, known, CHANGES, Chance(seed), concept.elements if concept else ())
    return [Line(turn, as_made(meter, turn.row)) for turn in every]


def _known(ctx: Context, row: t.Exercise, meter: Meter) -> tuple[Shape, ...]:
    """What the class that it was made for can name; of a class that names nothing yet the plain ones."""
    figures = knows(given(ctx, row.section_id)).figures or PLAIN_FIGURES
    return known_shapes(figures, meter)


def line_mei(made: Made, written: Written) -> str:
    """A line as the engraver wants it."""
    look = StaffLook(sticks=written == "sticks")
    return mei_score(as_score(made, ""), 0, Under((), words=False, staff=look))


def cards(ctx: Context, exercise_id: UUID, part: int, written: Written) -> Iterator[str]:
    """Each bar by itself, as the engraver wants it."""
    row = of_school(ctx, exercise_id)
    tune = analysed(row, part).tune
    look = StaffLook(sticks=written == "sticks", meter=False)
    for bar in tune.bars:
        alone = replace(tune, bars=(replace(bar, number=1, right="none", line_end=False),))
        yield mei_score(Score.solo(alone), 0, Under((), words=False, staff=look))


def line_at(ctx: Context, exercise_id: UUID, reads: Reads, at: int, written: Written) -> str:
    """A card, or the line after so many changes, round and round; as the engraver wants it."""
    if reads == "change":
        every = changed(ctx, exercise_id, 1)
        return line_mei(every[at % len(every)].made, written)
    found = list(cards(ctx, exercise_id, 0, written))
    return found[at % len(found)]


def to_write(ctx: Context, exercise_id: UUID, stage: Stage, part: int = 0) -> Task:
    row = of_school(ctx, exercise_id)
    a = analysed(row, part)
    if row.do:
        return dictation.melody_task(a, stage)
    return dictation.rhythm_task(a, stage, _known(ctx, row, Meter.parse(row.told["meter"])))


def tones_to_write(ctx: Context, exercise_id: UUID, task: Task) -> tuple[Degree, ...]:
    """From low to high, those that the class can name and those of the line; none for a rhythm."""
    if not task.pitched:
        return ()
    row = of_school(ctx, exercise_id)
    known = {str(tone) for tone in knows(given(ctx, row.section_id)).tones}
    there = {tone for bar in task.bars for tone in bar.answer}
    return in_order((*known, *there))


def written(
    ctx: Context, exercise_id: UUID, stage: Stage, answers: Sequence[Sequence[str]], part: int = 0
) -> Checked:
    return dictation.check(to_write(ctx, exercise_id, stage, part), answers)


@dataclass(frozen=True)
class Signs:
    """A row of signs; the set it is made of, from low to high; how many tones that are of `most`; the concept
    of the newest one."""

    row: tuple[Tone, ...]
    tones: tuple[Tone, ...]
    size: int
    most: int
    concept: Concept | None


def signs(ctx: Context, section_id: UUID, size: int, went: Went, seed: int) -> Signs:
    """The next row: of so many tones as follow from how the last one went. PracticeError where the class can
    name too few."""
    here = given(ctx, section_id)
    known = knows(here)
    order = tuple(dict.fromkeys(tone for one in here.offers for tone in one.tones))
    now = next_size(size, went, len(order))
    chance = Chance(seed)
    row = row_of_signs(order, now, chance)
    do = ear_of(known, Chance(section_id.int % 2**31)).do  # the same place all the while
    return Signs(
        tuple(Tone(str(tone), do.sounding(tone)) for tone in row),
        tuple(Tone(str(tone), do.sounding(tone)) for tone in set_of(order, now)),
        now,
        len(order),
        next((c for c in ctx.sequence.concepts if order[now - 1] in c.degrees), None),
    )
