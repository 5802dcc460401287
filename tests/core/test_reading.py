"""Exercises to read: every rule of a level by a checker written apart; what a class can be given; what its
readings say."""

from __future__ import annotations

from contextlib import suppress
from datetime import datetime, timedelta
from fractions import Fraction
from random import Random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.reading_rules import broken, level
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.elements import figures as named_figures
from kopje.core.analysis.key_choice import VOICES
from kopje.core.errors import PracticeError
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.evidence import (
    HELPED,
    SHOWN,
    Reading,
    advice,
    help_now,
    interval_log,
    warm_up,
)
from kopje.core.practice.reading.given import Wish, easier, harder, made_of, offers
from kopje.core.practice.reading.levels import numbered_level
from kopje.core.practice.reading.make import Made, make
from kopje.core.practice.reading.own import melody, rhythm_line
from kopje.core.practice.reading.served import is_new, nearly_same, print_of
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.formats.write import write_score

FOUR = Meter.parse("4/4")
ONE_PART = (1, 2, 3, 6)
PARTS = (4, 5, 7, 8, 9, 10, 11, 12)
NOON = datetime(2026, 11, 24, 12)


def made(number: int, seed: int, bars: int = 4) -> Made:
    task = numbered_level(number)
    return make(task, Meter.parse(task.meters[seed % len(task.meters)]), bars, seed)


def faults(exercise: Made, number: int) -> list[str]:
    return sorted(set(broken(as_score(exercise, "x", ["S1", "S2", "A"]), number, exercise.do)))


@pytest.mark.parametrize("number", ONE_PART)
def test_one_part_keeps_every_rule_of_its_level(number: int) -> None:
    for seed in range(75):
        assert faults(made(number, seed, 8 if seed % 3 == 0 else 4), number) == [], seed


@pytest.mark.parametrize("number", PARTS)
def test_parts_keep_every_rule_of_their_level(number: int) -> None:
    for seed in range(3):
        assert faults(made(number, seed), number) == [], seed


def test_the_checker_finds_what_is_wrong() -> None:
    """An exercise of one level is not one of the level below."""
    for number in (2, 3, 6):
        below = 1 if number == 2 else 2 if number == 3 else 3
        for seed in range(20):
            exercise = made(number, seed)
            held = level(below)
            score = as_score(exercise, "x")
            tones = {str(d) for d in analyse(score.parts[0].tune).degrees}
            keys = {f.key for f in named_figures(score.parts[0].tune)}
            moved = any("move" in one for one in broken(score, below, exercise.do))
            assert moved or not tones <= held.tones or not keys <= held.figures


def test_the_same_seed_gives_the_same_bytes() -> None:
    for number in (1, 6, 7):
        one, two = (write_score(as_score(made(number, 11), "x"), f"a{n}.abc") for n in (1, 2))
        assert one == two


@given(st.integers(0, 2**63 - 1), st.integers(1, 10_000))
def test_a_draw_lies_below_its_bound(seed: int, bound: int) -> None:
    chance = Chance(seed)
    assert all(0 <= chance.below(bound) < bound for _ in range(5))


def test_a_line_has_just_the_figures_that_were_named() -> None:
    keys = ["quarter", "two_eighths", "half", "beat_rest", "syncopation"]
    for seed in range(30):
        line = as_score(rhythm_line(keys, FOUR, 4, seed), "x").parts[0].tune
        found = {figure.key for figure in named_figures(line)}
        assert found == set(keys)
        assert all(bar.length == bar.meter.length for bar in line.bars)


@settings(deadline=None, max_examples=25)
@given(
    st.sampled_from(["so mi", "do re mi so la", "la, do re mi", "do re mi fa so la ti do'"]),
    st.integers(0, 999),
)
def test_a_melody_has_only_the_tones_that_were_named(tones: str, seed: int) -> None:
    if tones == "so mi":
        with suppress(PracticeError):  # so few tones carry few lines of four bars
            melody(tones.split(), ["quarter", "half"], "F", FOUR, 4, seed)
        return
    found = melody(tones.split(), ["quarter", "half"], "F", FOUR, 4, seed)
    degrees = [e.degree for e in found.voices[0] if e.degree]
    assert {str(d) for d in degrees} <= set(tones.split())
    highest = max(d.semitones for d in degrees)
    runs = [n for n, d in enumerate(degrees) if d.semitones == highest and degrees[n - 1] != d]
    assert len(runs) == 1 or degrees[0].semitones == highest


@pytest.mark.parametrize(
    ("tones", "figures", "said"),
    [
        ("do re mi", ["quarter"], "figures_do_not_end"),
        ("do re mi", ["waltz"], "figure_unknown"),
        ("do re mi", ["siciliano"], "figure_other_meter"),
        ("do", ["quarter", "half"], "reading_no_line"),
    ],
)
def test_what_cannot_be_is_refused_by_its_rule(tones: str, figures: list[str], said: str) -> None:
    with pytest.raises(PracticeError) as refusal:
        melody(tones.split(), figures, "F", FOUR, 4, 1)
    assert refusal.value.reason.code == said


def named_to(grade: int) -> list:
    return [c for c in SO_MI_FIRST.concepts if c.grade <= grade]


@pytest.mark.parametrize("grade", [1, 2, 3, 5])
def test_a_class_is_given_only_what_it_can_name(grade: int) -> None:
    named = named_to(grade)
    tones = {tone for concept in named for tone in concept.degrees}
    elements = {key for concept in named for key in concept.elements}
    for offer in offers(named, False):
        exercise = made_of(offer, Wish(offer.sort, offer.due), 5, VOICES[grade])
        events = [e for voice in exercise.voices for e in voice]
        assert {str(e.degree) for e in events if e.degree} <= tones
        assert {e.key for e in events} <= elements | {"quarter", "two_eighths"}
        due = {*offer.new_tones, *offer.new_figures}
        assert due & ({str(e.degree) for e in events} | {e.key for e in events})


def test_nothing_nearly_the_same_comes_twice() -> None:
    offer = next(o for o in offers(named_to(2), False) if (o.sort, o.due) == ("melody", "re"))
    served, seed = [], 0
    while len(served) < 60:
        told = print_of(made_of(offer, Wish("melody", "re"), seed, VOICES[2]))
        seed += 1
        if is_new(told, served):
            served.append(told)
    assert seed < 400
    assert not any(nearly_same(a, b) for n, a in enumerate(served) for b in served[:n])


def test_harder_and_easier_change_one_thing_and_say_which() -> None:
    offer = next(o for o in offers(named_to(3), False) if (o.sort, o.due) == ("melody", "re"))
    wish = Wish("melody", "re", bars=2, motion="steps", plain=True)
    said = []
    while (step := harder(offer, wish)) is not None:
        changed = [
            n
            for n in ("bars", "meter", "do", "motion", "dose", "plain")
            if getattr(step[0], n) != getattr(wish, n)
        ]
        assert len(changed) == 1
        wish = step[0]
        said.append(step[1])
    assert said == ["bars", "bars", "figures", "motion", "motion", "meter", "meter", "dose"][: len(said)]
    assert easier(offer, wish) is not None


def reading(n: int, clean: bool, **more: object) -> Reading:
    return Reading(NOON + timedelta(minutes=n), "melody re", clean, **more)  # type: ignore[arg-type]


def test_help_fades_with_clean_readings_and_comes_back() -> None:
    read: list[Reading] = []
    stages = []
    for n in range(6):
        now = help_now(read, "melody re")
        stages.append(now)
        read.append(reading(n, True, shown=now))
    assert stages == ["every", "every", "skips", "skips", "first", "first"]
    assert help_now(read, "melody re") == "none"
    read += [reading(10 + n, False) for n in range(2)]
    assert help_now(read, "melody re") == "first"
    assert SHOWN[-1] == "none"


def test_two_clean_readings_alone_go_up_and_help_never_counts() -> None:
    assert advice([], "melody re")[0] == "read"
    helped = [reading(n, True, shown="every") for n in range(5)]
    assert advice(helped, "melody re")[0] == "read"
    modelled = [reading(n, True, modelled=True) for n in range(5)]
    assert advice(modelled, "melody re")[0] == "read"
    alone = [reading(9, True)]
    assert advice(alone, "melody re")[0] == "again"
    assert advice([*alone, reading(10, True)], "melody re")[0] == "up"
    broke = reading(11, False, failed=("do", "mi"))
    what, why = advice([*alone, broke], "melody re")
    assert (what, why["two"]) == ("isolate", "mi")


def test_the_log_finds_the_interval_that_was_made_weak() -> None:
    chance = Random(3)
    moves = [("do", "re"), ("re", "mi"), ("do", "mi"), ("mi", "so"), ("so", "la"), ("la", "so")]
    weak = ("mi", "so")
    read = []
    for n in range(500):
        met = tuple(chance.sample(moves, 4))
        failed = next((m for m in met if chance.random() < (0.25 if m == weak else 0.04)), None)
        read.append(reading(n, failed is None, met=met, failed=failed))
    found = interval_log(read)
    assert (found[0].one, found[0].two) == weak
    assert found[0].share > 2 * found[1].share or found[0].failed > found[1].failed
    assert 0 < found[0].share < Fraction(1)


def test_the_model_comes_last_and_a_warm_up_keeps_to_what_is_known() -> None:
    assert (HELPED[0], HELPED[-1]) == ("from_bar", "model")
    assert ("la,", "ti,", "do") not in warm_up("la,", "do", {"la,", "do", "re"})
