"""Taps judged: what was put in comes out, within five milliseconds."""

from __future__ import annotations

from fractions import Fraction
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.errors import PracticeError
from kopje.core.practice.tapping import MINUTE, delay_of, swung, tapped, tolerance

HALVES = [Fraction(n, 2) for n in (0, 1, 2, 4, 5, 6, 7, 8, 10, 11, 12, 14)]


@given(
    st.integers(40, 160),
    st.integers(0, 180),
    st.sampled_from([Fraction(1, 2), Fraction(3, 5), Fraction(2, 3)]),
    st.integers(0, 10**6),
)
def test_known_errors_delays_and_swing_are_found(tempo: int, delay: int, swing: Fraction, seed: int) -> None:
    """Each tap is off by something known, some are left out: every one is judged so, to five milliseconds."""
    random = Random(seed)
    beat = MINUTE / tempo
    most = int(beat / 9)  # nearer to its own onset than to any other
    errors = [None if random.random() < 0.15 else random.randint(-most, most) for _ in HALVES]
    taps = [
        round(float(swung(place, swing)) * beat + error + delay + random.uniform(-0.4, 0.4))
        for place, error in zip(HALVES, errors, strict=True)
        if error is not None
    ]
    random.shuffle(taps)
    found = tapped(HALVES, taps, tempo, delay, swing)
    assert found.extra == 0
    wide = float(tolerance(tempo))
    for onset, error in zip(found.onsets, errors, strict=True):
        if error is None:
            assert onset.timing == "missed"
            continue
        assert onset.off is not None
        assert abs(onset.off - error) <= 5
        assert onset.share is not None
        assert abs(float(onset.share) * beat - error) <= 5
        if abs(abs(error) - wide) > 2:
            assert onset.timing == ("on" if abs(error) < wide else "early" if error < 0 else "late")


def test_too_many_taps_are_extra_and_none_is_taken_twice() -> None:
    found = tapped([Fraction(0), Fraction(1), Fraction(2)], [0, 400, 1000, 1990, 2600], 60)
    assert [one.timing for one in found.onsets] == ["on", "on", "on"]
    assert found.extra == 2
    assert tapped([Fraction(0), Fraction(1)], [], 60).right == 0
    assert [one.timing for one in tapped([Fraction(0), Fraction(1)], [950], 60).onsets] == ["missed", "on"]


def test_the_whole_line_late_is_said_apart() -> None:
    found = tapped([Fraction(n) for n in range(5)], [n * 750 + 120 for n in range(5)], 80)
    assert found.steady == 120
    assert {one.timing for one in found.onsets} == {"late"}


def test_tolerance_goes_with_the_tempo() -> None:
    wides = [tolerance(tempo) for tempo in range(30, 201)]
    assert wides == sorted(wides, reverse=True)
    assert (max(wides), min(wides)) == (110, 40)


@given(st.integers(-60, 300), st.integers(0, 10**6))
def test_the_delay_of_a_device_is_measured_first(delay: int, seed: int) -> None:
    random = Random(seed)
    clicks = [n * 600 for n in range(12)]
    taps = [click + delay + random.randint(-12, 12) for click in clicks]
    found = delay_of(clicks, taps[: random.randint(8, 12)])
    assert abs(found - delay) <= 12


def test_what_cannot_be_measured_is_refused() -> None:
    clicks = [n * 600 for n in range(12)]
    with pytest.raises(PracticeError):
        delay_of(clicks, [5, 610])
    with pytest.raises(PracticeError):
        delay_of(clicks, [click + (n % 2) * 290 for n, click in enumerate(clicks)])
    with pytest.raises(PracticeError):
        delay_of(clicks[:3], clicks[:3])
    with pytest.raises(PracticeError):
        tapped([Fraction(0)], [0], 500)
    with pytest.raises(PracticeError):
        tapped([Fraction(0)], [0], 60, swing=Fraction(1, 3))
