"""A song typed by hand."""

from __future__ import annotations

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.errors import FileError
from kopje.core.music.degree import plain_do
from kopje.core.music.meter import Meter
from kopje.formats.song_line import read_song_line

SIMPLE, DOTTED = Meter(2, 4), Meter(6, 8)


def typed(line: str, words: str = "", meter: Meter = SIMPLE, do: str = "F") -> Analysis:
    return analyse(read_song_line("Hill", plain_do(do), meter, line, words))


def test_beats_are_between_spaces_and_tones_share_them() -> None:
    a = typed("s m | sl s\ns -l | s -", "Up the | hill we go a-gain to")
    assert [str(degree) for degree in a.degrees] == ["so", "mi", "so", "la", "so", "so", "la", "so"]
    assert [str(s.beats) for s in a.timeline] == ["1", "1", "1/2", "1/2", "1", "3/2", "1/2", "2"]
    assert [key for key, *_ in a.element_rows] == ["quarter", "two_eighths", "half", "dotted_quarter_eighth"]
    assert len(a.phrases) == 2
    assert not a.problems
    assert [s.syllables[0].text for s in a.attacks] == ["Up", "the", "hill", "we", "go", "a", "gain", "to"]


def test_bar_lines_may_be_left_out_and_upbeats_are_written_by_one() -> None:
    assert typed("s m s m").tune.bars == typed("s m | s m").tune.bars
    upbeat = typed("s, | d d | m d | r r | d")
    assert (upbeat.tune.bars[0].number, upbeat.tune.pickup) == (0, 1)
    assert not upbeat.problems


def test_a_line_may_come_again_with_another_end() -> None:
    written = typed("s m | sl s\nd d | m -\ns m | sl s\ns m | r d\ns m | r d")
    short = typed("s m | sl s\nd d | m -\n=1\n=1 r d\n=")
    assert short.tune.bars == written.tune.bars
    with pytest.raises(FileError, match="“=3” in line 2 has no line to repeat"):
        typed("s m\n=3")


def test_the_same_signs_fill_dotted_beats() -> None:
    a = typed("drm s-m | d -", meter=DOTTED)
    assert [str(s.duration) for s in a.timeline] == ["1/2", "1/2", "1/2", "1", "1/2", "3"]


def test_words_go_under_tones_and_a_held_tone_needs_none() -> None:
    a = typed("s m | s - | - m | d -", "Liz-ard on_ a stone")
    assert [s.syllables[0].text for s in a.attacks if s.syllables][:3] == ["Liz", "ard", "on"]
    assert [s.duration for s in a.timeline][2] == Fraction(3)
    assert a.attacks[0].syllables[0].joins


def test_full_syllables_marks_and_altered_tones_are_read() -> None:
    a = typed("do sol, | fi si | te d'", do="G")
    assert [str(s.pitch) for s in a.attacks] == ["G4", "D4", "C#5", "D#5", "F5", "G5"]


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("s q", "“q” in “q”, line 1, is no sign"),
        ("", "no tone yet"),
        ("- -", "no tone yet"),
        ("mdx", "“x”"),
        ("s" * 13, "more than 12 signs"),
    ],
)
def test_what_cannot_be_read_is_said_with_its_place(line: str, said: str) -> None:
    with pytest.raises(FileError, match=said):
        typed(line)


@given(
    st.lists(
        st.lists(st.sampled_from(["d", "r", "m", "s,", "l", "-", ".", "d'"]), min_size=1, max_size=4),
        min_size=1,
        max_size=16,
    )
)
def test_every_beat_is_filled_whatever_is_typed(beats: list[list[str]]) -> None:
    line = " ".join("".join(beat) for beat in beats)
    try:
        tune = read_song_line("x", plain_do("C"), SIMPLE, line)
    except FileError:
        assert not any(sign[0] in "drmsl" for beat in beats for sign in beat)
        return
    assert sum(bar.length for bar in tune.bars) == len(beats)
    assert all(bar.length == 2 for bar in tune.bars[:-1])
