"""The order in which printed bars are sung."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.bar_order import bars_played
from kopje.core.music.meter import Meter
from kopje.core.music.tune import Bar, Tune
from making import tune


@pytest.mark.parametrize(
    ("body", "form", "played", "final"),
    [
        ("F2 A2 | c4 :|", "a", "a a", "so"),
        ("|: F2 A2 | c4 :| A2 G2 | F4 |]", "a b", "a a b", "do"),
        ("|: F2 A2 |1 c4 :|2 F4 |]", "a b", "a a b", "do"),
        ("F2A2|F4!fine!|\nc2c2|c4!D.C.!|]", "a b", "a b a", "do"),
        ('F2A2|F4|"Fine"\nc2c2|c4 "D.C. al Fine"|]', "a b", "a b a", "do"),
        ("F2A2|F4|\n!segno!A2A2|A4!fine!|\nc2c2|c4!D.S.!|]", "a b b'", "a b b' b", "mi"),
        ('F2A2|F4|\n|:c2c2|c4:|"^da capo"', "a b", "a b b a b", "so"),
    ],
)
def test_repeats_and_endings_are_followed(body: str, form: str, played: str, final: str) -> None:
    a = tune(body, key="F")
    assert (a.form, a.form_played) == (form, played)
    assert str(a.final) == final


def test_three_turns_with_endings() -> None:
    def bar(**more: object) -> Bar:
        return Bar((), Meter(2, 4), None, **more)  # type: ignore[arg-type]

    song = Tune("", (bar(), bar(left="repeat"), bar(ending="1,2", right="repeat"), bar(ending="3"), bar()))
    assert bars_played(song) == (0, 1, 2, 1, 2, 1, 3, 4)


BARS = st.builds(
    lambda left, right, ending, signs: Bar(
        (), Meter(2, 4), None, left=left, right=right, ending=ending, signs=signs
    ),
    st.sampled_from(["single", "repeat"]),
    st.sampled_from(["single", "repeat", "final"]),
    st.sampled_from(["", "", "1", "2", "1,2", "3"]),
    st.sampled_from(
        [(), (), (), ("fine",), ("da_capo",), ("segno",), ("dal_segno",), ("to_coda",), ("coda",)]
    ),
)


@given(st.lists(BARS, min_size=1, max_size=12))
def test_however_signs_are_set_it_ends_and_stays_inside(bars: list[Bar]) -> None:
    played = bars_played(Tune("", tuple(bars)))
    assert len(played) <= 9 * len(bars) * len(bars) + len(bars) * len(bars)
    assert set(played) <= set(range(len(bars)))
    if not any(bar.ending or bar.right == "repeat" or bar.signs for bar in bars):
        assert played == tuple(range(len(bars)))
