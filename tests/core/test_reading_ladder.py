"""The choir's ladder: pitch, rhythm and parts apart, and what a mark on a level says of each."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise, product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.choir.ladders import (
    PARTS_BEFORE_SKIPS,
    SHIPPED_LADDERS,
    SKIPS_BEFORE_PARTS,
    ladder_of,
    steps,
    with_ladder,
)
from kopje.core.choir.located import on_rungs, rung_standing
from kopje.core.choir.rungs import (
    PARTS,
    PITCH,
    RHYTHM,
    RUNGS,
    SIGNS,
    TWELVE,
    breaks_of,
    holds,
    level_key,
    new_in,
    rungs_of,
    step_key,
)
from kopje.core.errors import SequenceError
from kopje.core.ledger.marks import Mark
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.shipped import SHIPPED, with_used
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.formats.sequence_files import read_sequence, write_csv

START = datetime(2026, 9, 1, 15, tzinfo=UTC)
levels = st.builds(
    level_key,
    st.sampled_from([rung.key for rung in PITCH]),
    st.sampled_from([rung.key for rung in RHYTHM]),
    st.sampled_from([rung.key for rung in PARTS]),
)


def mark(level: str, result: str, broke: str = "", week: int = 0) -> Mark:
    moment = START + timedelta(weeks=week)
    return Mark(
        ConceptKey(level), "read", "alone", "none", result, moment.date(), moment, broke=tuple(broke.split())
    )  # type: ignore[arg-type]


def test_the_key_of_a_level_says_its_rungs_and_rungs_say_the_key() -> None:
    for pitch, rhythm, parts in product(PITCH, RHYTHM, PARTS):
        key = level_key(pitch.key, rhythm.key, parts.key)
        assert rungs_of(key) == (pitch, rhythm, parts)
        assert step_key([parts.key, pitch.key, rhythm.key]) == key
    assert [level_key(*rungs) for rungs in TWELVE.values()] == list(PARTS_BEFORE_SKIPS)
    for sign in SIGNS:
        assert rungs_of(step_key([sign.key])) == (sign,)
        with_sign = step_key(["p5", "r4", "v1", sign.key])
        assert with_sign != "reading-6"
        assert rungs_of(with_sign)[-1] == sign


@pytest.mark.parametrize(
    "wrong", ["do", "reading-13", "reading-p1-r9-v1", "read-p1", "reading-p1-r1-v1-nothing"]
)
def test_other_keys_have_no_rungs(wrong: str) -> None:
    assert rungs_of(wrong) == ()
    assert breaks_of(wrong) == ()
    with pytest.raises(SequenceError):
        steps(["reading-1", wrong])


@pytest.mark.parametrize("rungs", [["p1", "r1"], ["p1", "p2", "r1", "v1"], ["tie", "six"], ["x"], []])
def test_a_level_stands_on_one_rung_of_each_strand(rungs: list[str]) -> None:
    with pytest.raises(SequenceError):
        step_key(rungs)


def test_a_rung_holds_everything_of_those_beneath_it() -> None:
    for rung in (*PITCH, *RHYTHM):
        for low in holds(rung):
            assert set(low.tones) <= set(rung.tones)
            assert set(low.skips) <= set(rung.skips)
            assert set(low.figures) <= set(rung.figures)


@pytest.mark.parametrize("name", SHIPPED_LADDERS)
def test_every_level_of_a_shipped_ladder_brings_something_or_puts_what_is_known_together(name: str) -> None:
    ladder = SHIPPED_LADDERS[name]
    assert len(set(ladder)) == 12
    for place, key in enumerate(ladder):
        new = {rung.strand for rung in new_in(key, ladder[:place])}
        assert new or key == "reading-7", key  # its skips and its two parts were met one by one
    met = {rung.key for key in ladder for rung in rungs_of(key)}
    assert {rung.key for rung in (*PITCH, *RHYTHM, *PARTS)} - met <= {"p4"}


def test_one_ladder_has_parts_before_skips_and_the_other_skips_before_parts() -> None:
    def first(ladder: tuple[ConceptKey, ...], wanted: str) -> int:
        return next(n for n, key in enumerate(ladder) if wanted in [rung.key for rung in rungs_of(key)])

    assert first(PARTS_BEFORE_SKIPS, "v2") < first(PARTS_BEFORE_SKIPS, "p5")
    assert first(SKIPS_BEFORE_PARTS, "p5") < first(SKIPS_BEFORE_PARTS, "v2")


@given(st.lists(levels, min_size=1, max_size=12, unique=True), st.sampled_from(sorted(SHIPPED)))
def test_any_ladder_fits_into_any_sequence_and_comes_back_from_a_file(
    keys: list[ConceptKey], name: str
) -> None:
    changed = with_ladder(SHIPPED[name], keys)
    found = ladder_of(changed)
    assert [step.key for step in found] == keys
    assert [step.sign for step in found] == [f"R{n}" for n in range(1, len(keys) + 1)]
    assert all(two.needs == (one.key,) for one, two in pairwise(found))
    others = [c.key for c in SHIPPED[name].concepts if not rungs_of(c.key)]
    assert [c.key for c in changed.concepts if not rungs_of(c.key)] == others
    again = read_sequence(write_csv(changed).encode(), "ours.csv")
    assert again.concepts == changed.concepts
    back = with_ladder(changed, PARTS_BEFORE_SKIPS)
    assert [c for c in back.concepts if rungs_of(c.key)] == [
        c for c in SO_MI_FIRST.concepts if rungs_of(c.key)
    ]


def test_a_level_that_was_heard_stays_apart_without_its_number_and_takes_it_again_later() -> None:
    heard = [SO_MI_FIRST.concept("reading-5")]
    whole, along = with_used(with_ladder(SO_MI_FIRST, SKIPS_BEFORE_PARTS), heard)
    assert along == tuple(heard)
    apart = whole.concept("reading-5")
    assert (apart.name, apart.core) == ("reading: two parts, an octave from low so", False)
    assert [step.key for step in ladder_of(whole)] == list(SKIPS_BEFORE_PARTS)
    again = with_ladder(whole, PARTS_BEFORE_SKIPS)
    assert again.concept("reading-5") == SO_MI_FIRST.concept("reading-5")


def test_what_a_school_called_a_level_and_whether_it_must_find_room_is_kept() -> None:
    own = [
        replace(c, name="Our duet level", core=False) if c.key == "reading-4" else c
        for c in SO_MI_FIRST.concepts
    ]
    changed = with_ladder(type(SO_MI_FIRST).of("ours", own), [*PARTS_BEFORE_SKIPS[3:], "read-tie"])
    first = ladder_of(changed)[0]
    assert (first.name, first.core, first.sign, first.needs) == ("Our duet level", False, "R1", ())
    assert ladder_of(changed)[-1].key == "read-tie"


def test_a_secure_reading_says_that_every_rung_and_all_beneath_it_hold() -> None:
    said = {m.concept: m.result for m in on_rungs(mark("reading-4", "secure"))}
    assert said == dict.fromkeys(["rung-p2", "rung-p1", "rung-r0", "rung-r1", "rung-v2"], "secure")


def test_where_a_reading_broke_the_other_strands_held() -> None:
    said = {m.concept: m.result for m in on_rungs(mark("reading-2", "not_yet", "rhythm"))}
    assert said == {"rung-p2": "secure", "rung-p1": "secure", "rung-r2": "not_yet"}
    assert on_rungs(mark("reading-2", "nearly")) == ()  # nobody said what broke
    assert on_rungs(mark("do", "secure")) == ()


def test_marks_of_two_ladders_add_up_on_a_rung() -> None:
    skips = RUNGS["p5"]
    old, new = mark("reading-7", "secure"), mark(level_key("p5", "r4", "v1"), "secure", week=1)
    assert rung_standing(skips, [old]).level == "once"
    assert rung_standing(skips, [old, new]).level == "secure"
    assert rung_standing(skips, [old, new, mark("reading-7", "not_yet", "pitch", 2)]).level == "nearly"
    assert rung_standing(RUNGS["p6"], [old, new]).level == "not_heard"


@given(
    levels,
    st.sampled_from(["secure", "nearly", "not_yet"]),
    st.sets(st.sampled_from(["pitch", "rhythm", "parts"])),
)
def test_a_mark_says_nothing_of_a_rung_that_its_level_does_not_hold(
    level: str, result: str, broke: set[str]
) -> None:
    held = {f"rung-{low.key}" for rung in rungs_of(level) for low in holds(rung)}
    said = on_rungs(mark(level, result, " ".join(sorted(broke))))
    assert {one.concept for one in said} <= held
    assert len({one.concept for one in said}) == len(said)
