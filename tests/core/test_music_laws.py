"""Laws that hold for every tune: there and back, and sums."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.errors import MeterError, PitchError
from kopje.core.music.degree import Degree, Do, plain_do
from kopje.core.music.meter import Meter
from kopje.core.music.pitch import Pitch, from_fifths
from kopje.core.music.tune import transposed
from kopje.formats.abc import read_abc
from making import SONGS, tune

pitches = st.builds(Pitch, st.sampled_from("CDEFGAB"), st.integers(-2, 2), st.integers(1, 7))
dos = st.builds(
    lambda fifths, octave: Do(*from_fifths(fifths), octave), st.integers(-6, 6), st.integers(3, 5)
)


@given(pitches, dos)
def test_degree_and_do_give_the_pitch_back(pitch: Pitch, do: Do) -> None:
    assert do.sounding(do.degree(pitch)) == pitch


@given(pitches)
def test_a_pitch_is_read_as_it_is_written(pitch: Pitch) -> None:
    assert Pitch.parse(str(pitch)) == pitch
    assert from_fifths(pitch.fifths) == (pitch.letter, pitch.alter)


@given(st.sampled_from(sorted(SONGS.glob("*.abc"))), st.integers(-4, 4), st.integers(-1, 1))
def test_transposing_changes_letters_only_and_comes_back(file: object, fifths: int, octave: int) -> None:
    song = read_abc(file.read_bytes())[0]  # type: ignore[attr-defined]
    before = analyse(song)
    old, new = plain_do(str(before.tonality.do or "C")).pitch, Do(*from_fifths(fifths), 4 + octave).pitch
    steps, semitones = new.step - old.step, new.midi - old.midi
    moved = transposed(song, steps, semitones)
    after = analyse(moved)
    assert after.degrees == before.degrees
    assert after.element_rows == before.element_rows
    assert after.form == before.form
    assert transposed(moved, -steps, -semitones) == song


@pytest.mark.parametrize(
    ("text", "syllable", "semitones"),
    [("fi", "fi", 6), ("se", "se", 6), ("so,", "so", -5), ("do'", "do", 12), ("te", "te", 10)],
)
def test_spelling_decides_the_syllable(text: str, syllable: str, semitones: int) -> None:
    degree = Degree.parse(text)
    assert (degree.syllable, degree.semitones, str(degree)) == (syllable, semitones, text)


def test_a_tone_without_a_syllable_keeps_its_sign() -> None:
    assert str(Do("C").degree(Pitch.parse("E#4"))) == "mi#"


@pytest.mark.parametrize(
    ("text", "beat", "beats"),
    [("6/8", Fraction(3, 2), 2), ("3/8", Fraction(1, 2), 3), ("C|", Fraction(2), 2)],
)
def test_the_beat_of_a_meter(text: str, beat: Fraction, beats: int) -> None:
    meter = Meter.parse(text)
    assert (meter.beat, meter.beats) == (beat, beats)


@pytest.mark.parametrize("text", ["H4", "C", "", "Cb#4", "do"])
def test_what_is_no_pitch_is_refused(text: str) -> None:
    with pytest.raises(PitchError):
        Pitch.parse(text)


def test_what_is_no_meter_is_refused() -> None:
    with pytest.raises(MeterError):
        Meter.parse("0/5")


def test_every_printed_length_is_counted_once() -> None:
    a = tune("A2 A-A | z4 | (3ABc B2 |]", meter="2/4")
    assert sum((s.duration for s in a.timeline), Fraction(0)) == sum(
        (b.length for b in a.tune.bars), Fraction(0)
    )
