"""Major to minor and back on the same resting pitch."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.analysis.recast import other_home, recast
from kopje.core.errors import TuneError
from kopje.core.music.degree import NATURAL, Degree
from making import SONGS, refuses, shipped, tune

SCALE = "CDEFGAB"


def pitches(found: object) -> list[str]:
    return [str(note.pitch) for bar in found.bars for note in bar.notes if note.pitch]  # type: ignore[attr-defined]


def test_ti_leads_home_as_si_and_falls_as_so() -> None:
    a = tune("C2 E2 | G2 B2 | B2 c2 | c2 B2 | A2 G2 | F2 D2 | B,2 C2 | C4 |")
    found = recast(a, "parallel")
    assert pitches(found) == [
        "C4",
        "Eb4",
        "G4",
        "Bb4",
        "B4",
        "C5",
        "C5",
        "Bb4",
        "Ab4",
        "G4",
        "F4",
        "D4",
        "B3",
        "C4",
        "C4",
    ]
    assert found.bars[0].key is not None
    assert found.bars[0].key.fifths == -3


@given(st.lists(st.integers(0, 9), min_size=8, max_size=32))
def test_there_and_back_is_the_same_tune(places: list[int]) -> None:
    letters = [SCALE[p % 7] + ("'" if p > 6 else "") for p in places]
    body = "".join(
        f"{name[0].lower() if chr(39) in name else name}2" + ("|" if n % 2 else "")
        for n, name in enumerate(letters)
    )
    a = tune(f"C2 E2 | {body}{'|' if len(letters) % 2 else ''} G2 E2 | C4 |", meter="2/4")
    if a.tonality.name != "major":
        return
    home = other_home(a)
    assert home is not None
    there = analyse(recast(a, "parallel"), annotations=Annotations(do=home[0], resting=home[1]))
    assert there.tonality.name in ("minor", "not_established")
    if there.tonality.name == "minor":
        assert pitches(recast(there, "parallel")) == pitches(a.tune)


def test_half_and_half_keeps_the_first_phrases_and_its_home() -> None:
    a = shipped("lantern-boat")
    found = recast(a, "half")
    before, after = pitches(a.tune), pitches(found)
    middle = len(before) // 2
    assert before[:middle] == after[:middle]
    assert before[middle:] != after[middle:]
    assert after[-1] == before[-1]
    assert found.bars[0].key == a.tune.bars[0].key


def test_every_song_of_ours_in_major_or_minor_can_be_recast() -> None:
    for file in SONGS.glob("*.abc"):
        a = shipped(file.stem)
        if a.tonality.name in ("major", "minor"):
            assert len(pitches(recast(a, "parallel"))) == len(pitches(a.tune))
        else:
            with refuses(TuneError, "parallel tonality"):
                recast(a, "parallel")


def test_a_tone_without_a_syllable_over_there_is_named() -> None:
    with refuses(TuneError, "ri"):
        recast(tune("C2 E2 | ^D2 E2 | F2 G2 | A2 B2 | c2 G2 | E2 D2 | C4 |"), "parallel")


@pytest.mark.parametrize("mode", ["dorian", "phrygian", "lydian", "mixolydian"])
def test_a_mode_keeps_the_resting_pitch_the_letters_and_the_rhythm(mode: str) -> None:
    for file in SONGS.glob("*.abc"):
        a = shipped(file.stem)
        home = other_home(a, mode)  # type: ignore[arg-type]
        if home is None or a.tonality.do is None or a.tonality.resting is None:
            continue
        there = recast(a, mode)  # type: ignore[arg-type]
        do, resting = home
        before = a.tonality.do.sounding(Degree.parse(a.tonality.resting))
        after = do.sounding(Degree.parse(resting))
        assert (before.letter, before.alter) == (after.letter, after.alter)
        assert [text[0] for text in pitches(there)] == [text[0] for text in pitches(a.tune)]
        heard = {do.degree(note.pitch).syllable for _, _, note in there.notes() if note.pitch}
        assert heard <= set(NATURAL), file.stem
        assert [bar.length for bar in there.bars] == [bar.length for bar in a.tune.bars]
