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
from making import refuses

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
    with refuses(FileError, "“=3” in line 2 has no line to repeat"):
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
    with refuses(FileError, said):
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


@pytest.mark.parametrize(
    ("do", "letters", "degrees"),
    [
        ("D", "D F A B D", "do mi so la do"),  # F is sharp here without saying so
        ("F", "F A C D B A, C' F", "do mi so la fa mi, so' do"),
        ("F", "F A C Bn", "do mi so fi"),
        ("Bb", "B D F Eb En", "do mi so fa fi"),
        ("C", "C E G F# Bb", "do mi so fi te"),
    ],
)
def test_letters_are_read_as_the_key_signature_has_them(do: str, letters: str, degrees: str) -> None:
    assert [str(d) for d in typed(letters, do=do).degrees] == degrees.split()


@given(
    st.sampled_from(["C", "D", "F", "G", "A", "Bb", "Eb", "E"]),
    st.lists(st.sampled_from("drmfslt"), min_size=1, max_size=12),
)
def test_letters_and_syllables_are_two_ways_to_type_one_tune(do: str, tones: list[str]) -> None:
    by_syllables = typed(" ".join(tones), do=do)
    letters = " ".join(pitch.letter for sound in by_syllables.attacks if (pitch := sound.pitch))
    assert typed(letters, do=do).tune == by_syllables.tune


def test_an_empty_line_begins_the_next_verse_which_may_set_the_tones_otherwise() -> None:
    a = typed("s m | sl s\ns - | m -", "Up the hill we climb\nto noon\n\nDown the hill_ we\n=1 run")
    verses = {v: [s.text for x in a.attacks for s in x.syllables if s.verse == v] for v in (1, 2)}
    assert verses[1] == ["Up", "the", "hill", "we", "climb", "to", "noon"]
    assert verses[2][:4] == ["Down", "the", "hill", "we"]
