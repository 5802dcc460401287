"""The songbook's sentence: each part is met with a reason, or leaves the song out."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kopje.core.songs.question import SongQuestion, answer
from kopje.core.songs.suitability import Met
from making import DAY, declared, made_facts, said, shipped_facts

SECOND = declared("high-low", "contour", "so-mi", "la", "do", "quarter-eighths", "two-beat-meter")
RE = "re"


def test_it_has_re_and_else_only_what_they_know() -> None:
    plain, strange = (
        made_facts("plain", "F2 G2 | A2 F2 | G2 A2 | F4 |"),
        made_facts("strange", "F2 G2 | A2 B2 | G2 A2 | F4 |"),
    )
    asked = SongQuestion(has=(RE,), known=True)
    good = answer(
        plain, asked, declared("so-mi", "do", "quarter-eighths", "two-beat-meter", "half"), Met(), DAY
    )
    assert good.allowed
    assert [said(reason) for reason in good.reasons][-1] == "Else only what 2A knows."
    bad = answer(
        strange, asked, declared("so-mi", "do", "quarter-eighths", "two-beat-meter", "half"), Met(), DAY
    )
    assert not bad.allowed
    assert "Also has fa and the half step, which 2A cannot name yet." in [said(reason) for reason in bad.bars]


def test_a_meter_that_they_cannot_name_is_not_what_they_know() -> None:
    waltz = made_facts("waltz", "F2 G2 A2 | A2 G2 F2 | A2 G2 F2 |", meter="3/4")
    named = ("so-mi", "do", "re", "quarter-eighths", "half")
    bad = answer(waltz, SongQuestion(known=True), declared(*named, "two-beat-meter"), Met(), DAY)
    assert "Also has three-beat meter, which 2A cannot name yet." in [said(reason) for reason in bad.bars]
    for known in ((*named, "two-beat-meter", "three-beat-meter"), named):  # named, or no meter named at all
        good = answer(waltz, SongQuestion(known=True), declared(*known), Met(), DAY)
        assert not [said(one) for one in good.bars if "meter" in said(one)]
    asked_for = SongQuestion(has=("three-beat-meter",), known=True)
    wanted = answer(waltz, asked_for, declared(*named, "two-beat-meter"), Met(), DAY)
    assert not [said(one) for one in wanted.bars if "meter" in said(one)]


@pytest.mark.parametrize(
    ("weeks_ago", "rested", "allowed"), [(5, 4, True), (3, 4, False), (None, 4, True), (0, None, True)]
)
def test_a_song_sung_lately_is_left_out(weeks_ago: int | None, rested: int | None, allowed: bool) -> None:
    met = Met() if weeks_ago is None else Met(2, DAY - timedelta(weeks=weeks_ago))
    assert answer(made_facts("x", "F2 A2"), SongQuestion(rested=rested), SECOND, met, DAY).allowed is allowed


def test_new_to_them_and_in_their_voices() -> None:
    high = made_facts("high", "f2 a2 | c'2 a2 | f4 | f4 |")
    low = answer(high, SongQuestion(fits=True), SECOND, Met(), DAY)
    assert low.allowed == bool((key := high.key_for(2)) and key.comfortable)
    assert not answer(high, SongQuestion(new=True), SECOND, Met(1, DAY), DAY).allowed
    assert answer(high, SongQuestion(new=True), SECOND, Met(), DAY).allowed


def test_more_conditions_never_let_more_songs_in() -> None:
    songs = shipped_facts()

    def found(asked: SongQuestion) -> set[str]:
        return {key for key, song in songs.items() if answer(song, asked, SECOND, Met(), DAY).allowed}

    every = found(SongQuestion())
    with_la = found(SongQuestion(has=("la",)))
    known_too = found(SongQuestion(has=("la",), known=True))
    fitting = found(SongQuestion(has=("la",), known=True, fits=True))
    assert len(every) == len(songs)
    assert fitting <= known_too < with_la < every
