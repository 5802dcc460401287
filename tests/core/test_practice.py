"""Echoes, rows and games: what they give is in the song, and luck is counted over what the game can give."""

from itertools import groupby

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.errors import PracticeError
from kopje.core.music.degree import Degree
from kopje.core.practice.drills import counted_tones, echo_phrases, tone_patterns
from kopje.core.practice.games import (
    clue,
    confused,
    least_right,
    luck,
    masked,
    sequences,
    telling_words,
    trials,
)
from making import SONGS, refuses, shipped, tune

SLUGS = sorted(file.stem for file in SONGS.glob("*.abc"))


def said(found: tuple[tuple[Degree, ...], ...]) -> list[str]:
    return [" ".join(map(str, row)) for row in found]


@given(st.sampled_from(SLUGS), st.integers(1, 8))
@settings(max_examples=60, deadline=None)
def test_every_call_fills_its_beats_and_stands_in_the_song(slug: str, beats: int) -> None:
    a = shipped(slug)
    line = " ".join(map(str, a.degrees))
    for phrase in echo_phrases(a, beats):
        assert sum(tone.beats for tone in phrase.tones) == beats
        tones = [str(tone.degree) for tone in phrase.tones if tone.degree]
        assert " ".join(tones) in line
        assert phrase.home == (tones[-1].rstrip(",'") == a.tonality.resting)
    assert {c.home for c in echo_phrases(a, beats, "home")} <= {True}
    assert len(echo_phrases(a, beats)) == len(echo_phrases(a, beats, "home")) + len(
        echo_phrases(a, beats, "open")
    )


def test_rows_go_up_and_come_back() -> None:
    five = [Degree.parse(tone) for tone in ("do", "re", "mi", "so", "la")]
    assert said(tone_patterns(five, "up_and_down", Degree.parse("mi"))) == [
        "mi",
        "mi so mi",
        "mi so la so mi",
    ]
    assert said(tone_patterns(five, "thirds")) == ["do mi", "re so", "mi la", "la mi", "so re", "mi do"]
    assert said(tone_patterns(five[:4], "sequence")) == ["do re mi", "re mi so", "so mi re", "mi re do"]
    widening = tone_patterns(five, "widening")
    assert [len(set(row)) for row in widening] == [2, 3, 3, 3]
    known: set[Degree] = set(widening[0])
    for row in widening[1:]:
        assert len(set(row) - known) == 1  # one new tone in each row
        known |= set(row)
    assert known == set(five)
    total, minutes = counted_tones(tone_patterns(five, "up_and_down"), 60)
    assert (total, minutes * 60) == (25, 30)  # the first so many odd numbers, and a rest after each row
    with refuses(PracticeError, "too few tones"):
        tone_patterns(five, "thirds", Degree.parse("so"))


def test_songs_that_cannot_be_told_apart_are_named() -> None:
    a, b, c = tune("c2A2|cAG2|", "F"), tune("A2F2|AFG2|", "F"), tune("c2A2|c4|", "F")
    rhythms = {key: clue(one, "rhythm") for key, one in zip("abc", (a, b, c), strict=True)}
    assert confused(rhythms) == (("a", "b"),)
    held, let_go = (
        tune("F2F2|F4|F2F2|F4|"),
        tune("F2F2|F2z2|F2F2|F4|"),
    )  # clapped, nobody hears how long a tone lasts
    assert clue(held, "rhythm") == clue(let_go, "rhythm") != ()
    assert clue(a, "contour") == ("↘", "↗", "↘", "↘")
    words = {
        "a": ("up", "the", "hill"),
        "b": ("down", "the", "hill"),
        "c": ("the", "hill"),
        "d": ("the", "hill"),
    }
    assert "up" in telling_words(words)["a"]
    assert confused(telling_words(words)) == (("c", "d"),)


def test_only_these_or_all_but_these_are_sung() -> None:
    a = shipped("lizard-on-a-stone")
    without, only = masked(a, frozenset({"la"}), False), masked(a, frozenset({"la"}), True)
    for one, other in zip(without, only, strict=True):
        assert [s.aloud for s in one] == [not s.aloud for s in other]
    assert {s.degree for line in only for s in line if s.aloud} == {"la"}


@pytest.mark.parametrize(
    ("count", "right", "evidence"), [(3, 3, False), (5, 5, True), (8, 7, False), (9, 8, True), (10, 9, True)]
)
def test_evidence_is_what_luck_gives_in_fewer_than_one_in_twenty(
    count: int, right: int, evidence: bool
) -> None:
    assert (luck(count, right) < 0.05) is evidence
    least = least_right(count)
    assert least is None or (luck(count, least) < 0.05 <= luck(count, least - 1))


@given(st.integers(2, 3), st.integers(3, 10), st.integers(0, 2**31 - 1))
@settings(max_examples=80, deadline=None)
def test_trials_are_never_in_turn_and_never_four_alike(answers: int, count: int, seed: int) -> None:
    count = count if answers == 2 else min(count, 6)
    found = trials(count, seed, answers)
    assert max(len(list(run)) for _, run in groupby(found)) <= 3
    assert found != tuple((found[:2] * count)[:count]) or found[0] == found[1]
    assert found != tuple((found[:3] * count)[:count]) or len(set(found)) < 3 or count == 3
    assert found in sequences(count, answers)
    assert luck(count, count, answers) == pytest.approx(1 / len(sequences(count, answers)))


def test_a_held_syllable_is_sung_or_thought_as_one() -> None:
    lines = masked(shipped("call-across-the-hill"), frozenset({"re"}), False)
    assert [s.text for s in lines[0]] == ["Who", "is", "call", "ing", "far", "a", "way,"]
    assert [s.text for s in lines[0] if not s.aloud] == ["call", "way,"]
