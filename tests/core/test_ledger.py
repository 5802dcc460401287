"""Evidence and judgement: rules that can be read aloud."""

from collections import Counter
from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.ledger.marks import Mark
from kopje.core.ledger.readiness import Counts, counts, judge
from kopje.core.ledger.rota import Waiting, queue
from kopje.core.ledger.standing import (
    NOT_HEARD,
    ORDER,
    Standing,
    counts_as_secure,
    due_before,
    is_due,
    standing,
)
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from making import breath, said

START = datetime(2026, 9, 1, 9, tzinfo=UTC)
RE = SO_MI_FIRST.concept("re")
SIGNS = {"s": "secure", "n": "nearly", "0": "not_yet"}


def marks(text: str, way: str = "sing") -> list[Mark]:
    """`s n 0` alone; `+` after it in a group; `?` after it with a model. One a week; `/` goes on within the
    same day."""
    found: list[Mark] = []
    for token in text.split():
        same_day = token.startswith("/")
        token = token.lstrip("/")
        voices = "group" if "+" in token else "alone"
        help_ = "model" if "?" in token else "none"
        moment = found[-1].moment + timedelta(minutes=5) if same_day else START + timedelta(weeks=len(found))
        found.append(Mark(RE.key, way, voices, help_, SIGNS[token[0]], moment.date(), moment))  # type: ignore[arg-type]
    return found


@pytest.mark.parametrize(
    ("evidence", "level"),
    [
        ("", "not_heard"),
        ("s", "once"),
        ("s s", "secure"),
        ("0 s s", "secure"),
        ("s 0 s", "secure"),
        ("s s 0", "nearly"),
        ("s 0 0", "not_yet"),
        ("0", "not_yet"),
        ("n", "nearly"),
        ("s s 0+", "nearly"),
        ("s+ s+ s+", "nearly"),
        ("s? s?", "nearly"),
        ("0+", "not_yet"),
        ("s 0+", "nearly"),
        ("0+ s", "once"),  # only a half “not yet” that came after it counts
        ("n? s", "once"),
        ("s /s", "once"),  # two good marks on one day are one day
        ("s /0", "not_yet"),
        ("s /s s", "secure"),
    ],
)
def test_a_standing_follows_the_rule(evidence: str, level: str) -> None:
    found = standing(RE, marks(evidence))
    assert found.level == level
    assert all(said(reason).endswith(".") for reason in found.reasons)


def test_in_concepts_of_k_and_1_any_way_counts_and_a_day_has_one_full_mark() -> None:
    la = SO_MI_FIRST.concept("la")
    assert la.grade == 1
    sung, read = marks("s s"), marks("s", "read")
    both = [
        replace(one, concept=la.key)
        for one in (sung[0], replace(read[0], day=sung[1].day, moment=sung[1].moment))
    ]
    assert standing(la, both).level == "secure"  # sung on one day, read on another
    again = replace(both[0], way="read", result="not_yet", moment=both[0].moment + timedelta(minutes=1))
    assert standing(la, [both[0], again]).level == "not_yet"  # of one day only the last full mark


def test_secure_becomes_due_after_ten_weeks_in_which_a_section_of_the_child_met() -> None:
    weeks = [(START + timedelta(weeks=n)).date() for n in range(13)]
    last = standing(RE, marks("s s")).last_full
    assert not is_due("secure", last, due_before(weeks[:11], None))
    assert is_due("secure", last, due_before(weeks, None))
    assert is_due("once", last, due_before(weeks, None))
    assert not is_due("nearly", last, due_before(weeks, None))
    assert not counts_as_secure("once", True)
    assert counts_as_secure("secure", True)


def test_what_was_secure_last_year_is_to_be_heard_again() -> None:
    new_year = (START + timedelta(weeks=2)).date()
    assert is_due("secure", standing(RE, marks("s s")).last_full, due_before((), new_year))
    assert not is_due("secure", standing(RE, marks("s s s")).last_full, due_before((), new_year))


def test_singing_with_the_whole_class_says_nothing_about_a_child() -> None:
    with_all = [Mark(RE.key, "sing", "class", "none", "secure", START.date(), START)]
    found = standing(RE, with_all)
    assert (found.level, found.marks, breath(found.reasons)) == (
        "not_heard",
        (),
        "Singing or playing it: not heard yet.",
    )


one_mark = st.tuples(
    st.sampled_from(["", "/"]), st.sampled_from(["s", "n", "0"]), st.sampled_from(["", "+", "?"])
).map("".join)


@given(
    st.lists(one_mark, max_size=7).map(
        lambda found: [one.lstrip("/") if i == 0 else one for i, one in enumerate(found)]
    )
)
def test_a_secure_mark_made_alone_never_lowers_a_standing(tokens: list[str]) -> None:
    before = standing(RE, marks(" ".join(tokens)))
    after = standing(RE, marks(" ".join([*tokens, "s"])))
    assert ORDER.index(after.level) >= ORDER.index(before.level)


@given(
    st.lists(one_mark, max_size=6).map(
        lambda found: [one.lstrip("/") if i == 0 else one for i, one in enumerate(found)]
    ),
    st.randoms(),
)
def test_the_order_of_arrival_does_not_matter(tokens: list[str], chance: Random) -> None:
    every = marks(" ".join(tokens))
    mixed = chance.sample(every, len(every))
    assert standing(RE, mixed) == standing(RE, every)


@pytest.mark.parametrize(
    ("roll", "heard", "secure", "answer", "more"),
    [
        (24, 8, 8, "ready", 0),
        (24, 8, 7, "ready", 0),
        (24, 8, 6, "hear_more", 2),
        (24, 8, 4, "teach_again", 0),
        (28, 8, 8, "hear_more", 2),
        (28, 28, 22, "split", 0),
        (22, 3, 3, "hear_more", 5),
        (22, 0, 0, "nobody_heard", 8),
        (1, 1, 1, "ready", 0),
    ],
)
def test_readiness_on_worked_cases(roll: int, heard: int, secure: int, answer: str, more: int) -> None:
    found = judge(roll, Counts(heard, secure))
    assert (found.answer, found.more) == (answer, more)


@given(st.integers(1, 40), st.data())
def test_hearing_the_asked_number_settles_the_question(roll: int, data: st.DataObject) -> None:
    heard = data.draw(st.integers(1, roll))
    secure = data.draw(st.integers(0, heard))
    found = judge(roll, Counts(heard, secure))
    if found.answer == "hear_more":
        all_good = judge(roll, Counts(heard + found.more, secure + found.more)).answer
        none_good = judge(roll, Counts(heard + found.more, secure)).answer
        assert "hear_more" not in (all_good, none_good) or all_good != none_good
    if heard == roll:
        assert found.answer != "hear_more"


standings = st.sampled_from(
    [
        (NOT_HEARD, False),
        (Standing("nearly", ()), False),
        (Standing("secure", ()), True),
        (Standing("secure", ()), False),
    ]
)


@given(st.integers(5, 30), st.integers(4, 6), st.data())
def test_nobody_waits_longer_than_a_round_and_two_lessons(
    roll: int, places: int, data: st.DataObject
) -> None:
    """Whatever the standings are: who is uncertain comes early, but nobody pays for it."""
    stand = data.draw(st.lists(standings, min_size=roll, max_size=roll))
    last: dict[str, date | None] = {str(n): None for n in range(roll)}
    gap = dict.fromkeys(last, 0)
    for lesson in range(40):
        waiting = [Waiting(c, c, last[c], *stand[int(c)], gap[c]) for c in last]
        chosen = {place.child for place in queue(waiting, places=places)}
        assert len(chosen) == min(places, roll)
        gap = {child: 0 if child in chosen else wait + 1 for child, wait in gap.items()}
        assert max(gap.values()) <= -(-roll // places) + 2
        last |= dict.fromkeys(chosen, START.date() + timedelta(days=lesson))


def test_the_uncertain_come_before_the_secure() -> None:
    secure = Standing("secure", ())
    roll = [
        Waiting(str(n), str(n), START.date() + timedelta(days=n), secure if n < 6 else NOT_HEARD)
        for n in range(8)
    ]
    assert [place.child for place in queue(roll)] == ["0", "1", "6", "7"]


def test_heard_in_one_way_only_is_shown_and_not_counted() -> None:
    both = SO_MI_FIRST.concept("half")
    assert both.ways == ("read",)
    sung = [Mark(both.key, "sing", "alone", "none", "secure", START.date(), START)]
    found = standing(both, sung)
    assert (found.level, found.partly, found.marks) == ("not_heard", True, tuple(sung))
    assert breath(found.reasons).endswith("Reading it: not heard yet.")
    assert counts({("not_heard", False): 3}) == Counts()


def test_the_foot_says_how_many_showed_it_once() -> None:
    stones = [("secure", False)] * 4 + [("once", False)] * 16 + [("nearly", False)] * 2
    assert (
        said(judge(22, counts(Counter(stones))).reason)
        == "Ready: 20 of 22 heard showed it: 4 secure, 16 once, 22 on the roll."
    )
    due = [("secure", False)] * 4 + [("once", True)] * 16
    assert judge(22, counts(Counter(due))).secure == 4


def test_the_absent_are_passed_over_and_keep_their_wait() -> None:
    children = [Waiting(str(n), str(n), START.date() + timedelta(days=n), NOT_HEARD) for n in range(6)]
    assert "0" not in {place.child for place in queue(children, absent={"0"})}
    assert queue(children)[0].child == "0"
