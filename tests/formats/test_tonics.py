"""Where real tunes are at home: with everything withheld, and with what their file says."""

from __future__ import annotations

from collections import Counter

import pytest

from formats import tonics
from kopje.core.analysis.analysis import analyse
from kopje.core.music.tune import blinded, transposed
from making import said, tune

SAMPLE = 500


@pytest.fixture(scope="module")
def pieces() -> list[tonics.Labelled]:
    found = list(tonics.half(tonics.labelled(seed=1, most=SAMPLE), learning=False))
    if not found:
        pytest.skip("the corpus is not installed")
    return found


def test_home_is_found_blind_and_what_is_called_sure_is_right(pieces: list[tonics.Labelled]) -> None:
    right: Counter[bool] = Counter()
    sure: Counter[bool] = Counter()
    for piece in pieces:
        found = analyse(blinded(piece.tune))
        good = tonics.found_tonic(found) == piece.tonic
        right[good] += 1
        if found.tonality.confidence > 0.9:  # type: ignore[operator]
            sure[good] += 1
    assert right[True] >= 0.93 * right.total()
    assert sure.total() >= 0.6 * right.total()
    assert sure[False] <= 0.02 * sure.total()


def test_transposing_a_blind_tune_moves_its_home_with_it(pieces: list[tonics.Labelled]) -> None:
    for piece in pieces[:40]:
        here = tonics.found_tonic(analyse(blinded(piece.tune)))
        there = tonics.found_tonic(analyse(blinded(transposed(piece.tune, 1, 2))))
        assert here is not None
        assert there == (here + 2) % 12, piece.tune.title


def test_a_tune_that_ends_away_from_home_is_heard_at_home_all_the_same() -> None:
    found = analyse(blinded(tune("C2 E2 | G2 E2 | F2 D2 | C4 | E2 G2 | c2 G2 | A2 F2 | E4 |").tune))
    assert (str(found.tonality.do), found.tonality.resting) == ("C", "do")
    assert "speak for do" in said(found.tonality.reasons[0])


def test_few_tones_are_never_called_sure() -> None:
    found = analyse(blinded(tune("G2 E2 | G2 E2 | G2 A2 | G2 E2 |").tune))
    assert found.tonality.confidence <= 0.4  # type: ignore[operator]
