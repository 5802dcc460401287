"""A line that changes, a line that is written down, a row of signs."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.errors import PracticeError
from kopje.core.music.meter import Meter
from kopje.core.practice.lines.cells import as_made, cells, known_shapes, name_of
from kopje.core.practice.lines.changing import LONGEST, changing, short
from kopje.core.practice.lines.dictation import check, melody_task, rhythm_task
from kopje.core.practice.lines.signing import next_size, row_of_signs
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.own import melody, rhythm_line

FIGURES = ("quarter", "two_eighths", "half", "beat_rest", "half_beat_rest", "syncopation", "four_sixteenths")
METERS = ("2/4", "3/4", "4/4")
seeds = st.integers(0, 5000)


def rhythm(meter: str, seed: int, bars: int = 4) -> Analysis:
    made = rhythm_line(FIGURES[:5], Meter.parse(meter), bars, seed, ("half",))
    return analyse(as_score(made, "x").parts[0].tune, "la")


def tune(seed: int) -> Analysis:
    made = melody(["do", "re", "mi", "so", "la"], ["quarter", "half"], "F", Meter.parse("4/4"), 4, seed)
    return analyse(as_score(made, "x").parts[0].tune, "la", Annotations(do=made.do, resting="do"))


@settings(deadline=None, max_examples=40)
@given(st.sampled_from(METERS), seeds)
def test_a_line_taken_apart_into_figures_and_put_together_is_the_same(meter: str, seed: int) -> None:
    a = rhythm(meter, seed)
    row = [cell.shape for cell in cells(a)]
    again = analyse(as_score(as_made(Meter.parse(meter), row), "x").parts[0].tune, "la")
    assert [(s.onset, s.duration, s.attack) for s in again.timeline] == [
        (s.onset, s.duration, s.attack) for s in a.timeline
    ]


@settings(deadline=None, max_examples=40)
@given(st.sampled_from(METERS), seeds)
def test_each_line_has_one_figure_other_than_the_one_before(meter: str, seed: int) -> None:
    beats = Meter.parse(meter).beats
    first = short([cell.shape for cell in cells(rhythm(meter, seed))], beats)
    known = known_shapes(FIGURES, Meter.parse(meter))
    turns = list(changing(first, known, 8, Chance(seed), ("syncopation",)))
    assert len({turn.row for turn in turns}) == len(turns) > 1
    for before, now in pairwise(turns):
        differ = [n for n, (a, b) in enumerate(zip(before.row, now.row, strict=True)) if a != b]
        assert differ == [now.at]
        assert now.row[-1] == first[-1]
        assert set(now.row) <= {*known, *first}
        made = as_made(Meter.parse(meter), now.row)  # no figure crosses a bar line
        assert sum(event.length for event in made.voices[0]) <= max(LONGEST, beats)


def test_a_line_of_one_figure_cannot_change() -> None:
    quarter = known_shapes(["quarter"], Meter.parse("2/4"))
    with pytest.raises(PracticeError) as refusal:
        list(changing(quarter * 4, quarter, 3, Chance(1)))
    assert refusal.value.reason.code == "line_stays"


@settings(deadline=None, max_examples=40)
@given(st.sampled_from(METERS), seeds, st.sampled_from(["copy", "complete", "write"]), st.data())
def test_a_rhythm_written_down_is_right_beat_by_beat(
    meter: str, seed: int, stage: str, data: st.DataObject
) -> None:
    """One figure exchanged makes its own beats wrong, and no others."""
    a = rhythm(meter, seed)
    task = rhythm_task(a, stage, known_shapes(FIGURES, Meter.parse(meter)))  # type: ignore[arg-type]
    answer = [list(bar.answer) for bar in task.bars]
    whole = check(task, answer)
    assert (whole.right, whole.result) == (whole.of, "secure")
    open_bars = [n for n, bar in enumerate(task.bars) if not bar.given]
    assert open_bars == ([1, 3] if stage == "complete" else [0, 1, 2, 3])
    n = data.draw(st.sampled_from(open_bars))
    at = data.draw(st.integers(0, len(answer[n]) - 1))
    was = task.shapes[answer[n][at]]
    others = [k for k, shape in task.shapes.items() if shape.beats == was.beats and shape != was]
    if not others:
        return
    answer[n][at] = data.draw(st.sampled_from(others))
    found = check(task, answer)
    assert found.of - found.right in range(1, was.beats + 1)
    start = sum(task.shapes[one].beats for one in task.bars[n].answer[:at])
    wrong = [(b, beat) for b, bar in enumerate(found.bars) for beat, right in enumerate(bar) if not right]
    assert all(b == n and start <= beat < start + was.beats for b, beat in wrong)
    assert found.result == ("nearly" if len(wrong) * 8 <= found.of else "not_yet")


@settings(deadline=None, max_examples=25)
@given(seeds, st.data())
def test_a_melody_written_down_is_right_tone_by_tone(seed: int, data: st.DataObject) -> None:
    a = tune(seed)
    task = melody_task(a, "write")
    assert [sum(map(len, (bar.answer for bar in task.bars)))] == [len(a.attacks)]
    answer = [list(bar.answer) for bar in task.bars]
    assert check(task, answer).right == len(a.attacks) - 1  # the first is given
    n = data.draw(st.integers(0, len(answer) - 1))
    at = data.draw(st.integers(0 if n else 1, len(answer[n]) - 1))
    answer[n][at] = "ti"
    found = check(task, answer)
    assert [(b, t) for b, bar in enumerate(found.bars) for t, right in enumerate(bar) if not right] == [
        (n, at)
    ]


def test_what_cannot_be_checked_is_said() -> None:
    task = rhythm_task(rhythm("2/4", 1), "write", ())
    for wrong, code in (([[]], "written_bars"), ([["waltz"], [], [], []], "written_unknown"),
                        ([["quarter"] * 3, [], [], []], "written_long")):  # fmt: skip
        if code == "written_long" and "quarter" not in task.shapes:
            continue
        with pytest.raises(PracticeError) as refusal:
            check(task, wrong)
        assert refusal.value.reason.code == code


def test_shapes_of_one_name_are_told_apart() -> None:
    names = [
        name_of(shape, False) for shape in known_shapes(["half_beat_rest", "quarter"], Meter.parse("2/4"))
    ]
    assert names == ["half_beat_rest", "half_beat_rest-2", "quarter"]


@given(seeds, st.integers(2, 6))
def test_every_tone_of_the_set_is_signed_and_the_newest_twice(seed: int, size: int) -> None:
    tones = ["so", "mi", "la", "do", "re", "so,"]
    row = [str(tone) for tone in row_of_signs(tones, size, Chance(seed))]
    assert set(row) == set(tones[:size])
    assert row.count(tones[size - 1]) >= 2
    assert all(len({*row[n : n + 3]}) > 1 for n in range(len(row) - 2))


def test_the_set_widens_when_it_was_clean_and_narrows_when_it_broke() -> None:
    size = next_size(0, "begin", 5)
    sizes = []
    for went in ("clean", "clean", "broke", "clean", "clean", "clean", "clean", "broke"):
        size = next_size(size, went, 5)  # type: ignore[arg-type]
        sizes.append(size)
    assert sizes == [3, 4, 3, 4, 5, 5, 5, 4]
