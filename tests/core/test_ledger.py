"""Evidence and judgement: rules that can be read aloud."""

from datetime import UTC, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.ledger.marks import Mark
from kopje.core.ledger.readiness import judge
from kopje.core.ledger.rota import Waiting, queue
from kopje.core.ledger.standing import NOT_HEARD, ORDER, Standing, of_one_way, standing
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST

START = datetime(2026, 9, 1, 9, tzinfo=UTC)
RE = SO_MI_FIRST.concept("re")
SIGNS = {"s": "secure", "n": "nearly", "0": "not_yet"}


def marks(text: str) -> list[Mark]:
    """`s n 0` alone; `+` after it in a group; `?` after it with a model. One a week."""
    found = []
    for week, token in enumerate(text.split()):
        voices = "group" if "+" in token else "alone"
        help_ = "model" if "?" in token else "none"
        moment = START + timedelta(weeks=week)
        found.append(Mark(ConceptKey("re"), "sing", voices, help_, SIGNS[token[0]], moment))  # type: ignore[arg-type]
    return found


@pytest.mark.parametrize(
    ("evidence", "level", "flag"),
    [
        ("", "not_heard", ""),
        ("s", "nearly", "once"),
        ("s s", "secure", ""),
        ("0 s s", "secure", ""),
        ("s 0 s", "secure", ""),
        ("s s 0", "nearly", ""),
        ("s 0 0", "not_yet", ""),
        ("0", "not_yet", ""),
        ("n", "nearly", ""),
        ("s s 0+", "nearly", ""),
        ("s+ s+ s+", "nearly", ""),
        ("s? s?", "nearly", ""),
        ("0+", "not_yet", ""),
        ("s 0+", "nearly", ""),
    ],
)
def test_a_standing_follows_the_rule(evidence: str, level: str, flag: str) -> None:
    found = of_one_way(marks(evidence))
    assert (found.level, found.flag) == (level, flag)
    assert found.sentence.endswith(".")


def test_two_good_marks_on_one_day_are_one_day() -> None:
    first, second = marks("s s")
    again = Mark(first.concept, "sing", "alone", "none", "secure", first.moment + timedelta(minutes=5))
    assert of_one_way([first, again]).flag == "once"
    assert of_one_way([first, again, second]).level == "secure"


def test_secure_becomes_due_after_ten_weeks_in_which_the_section_met() -> None:
    weeks = [(START + timedelta(weeks=n)).date() for n in range(13)]
    assert of_one_way(marks("s s"), weeks[:11]).flag == ""
    assert of_one_way(marks("s s"), weeks).flag == "due"


def test_what_was_secure_last_year_is_to_be_heard_again() -> None:
    new_year = (START + timedelta(weeks=2)).date()
    assert of_one_way(marks("s s"), since=new_year).flag == "due"
    assert of_one_way(marks("s s s"), since=new_year).flag == ""


def test_singing_with_the_whole_class_says_nothing_about_a_child() -> None:
    with_all = [Mark(ConceptKey("re"), "sing", "class", "none", "secure", START)]
    assert standing(RE, with_all, any_way=False) == Standing(
        "not_heard", "", "Singing it: not heard yet.", ()
    )


one_mark = st.tuples(st.sampled_from(["s", "n", "0"]), st.sampled_from(["", "+", "?"])).map("".join)


@given(st.lists(one_mark, max_size=7))
def test_a_secure_mark_made_alone_never_lowers_a_standing(tokens: list[str]) -> None:
    before = of_one_way(marks(" ".join(tokens)))
    after = of_one_way(marks(" ".join([*tokens, "s"])))
    assert ORDER.index(after.level) >= ORDER.index(before.level)


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
    found = judge(roll, heard, secure)
    assert (found.answer, found.more) == (answer, more)


@given(st.integers(1, 40), st.data())
def test_hearing_the_asked_number_settles_the_question(roll: int, data: st.DataObject) -> None:
    heard = data.draw(st.integers(1, roll))
    secure = data.draw(st.integers(0, heard))
    found = judge(roll, heard, secure)
    if found.answer == "hear_more":
        all_good = judge(roll, heard + found.more, secure + found.more).answer
        none_good = judge(roll, heard + found.more, secure).answer
        assert "hear_more" not in (all_good, none_good) or all_good != none_good
    if heard == roll:
        assert found.answer != "hear_more"


standings = st.sampled_from(
    [NOT_HEARD, Standing("nearly", "", "x"), Standing("secure", "due", "x"), Standing("secure", "", "x")]
)


@given(st.integers(5, 30), st.integers(4, 6), st.data())
def test_nobody_waits_longer_than_a_round_and_two_lessons(
    roll: int, places: int, data: st.DataObject
) -> None:
    """Whatever the standings are: who is uncertain comes early, but nobody pays for it."""
    stand = data.draw(st.lists(standings, min_size=roll, max_size=roll))
    last: dict[str, datetime | None] = {str(n): None for n in range(roll)}
    gap = dict.fromkeys(last, 0)
    for lesson in range(40):
        waiting = [Waiting(c, c, last[c], stand[int(c)], gap[c]) for c in last]
        chosen = {place.child for place in queue(waiting, places=places)}
        assert len(chosen) == min(places, roll)
        gap = {child: 0 if child in chosen else wait + 1 for child, wait in gap.items()}
        assert max(gap.values()) <= -(-roll // places) + 2
        last |= dict.fromkeys(chosen, START + timedelta(days=lesson))


def test_the_uncertain_come_before_the_secure() -> None:
    secure = Standing("secure", "", "x")
    roll = [
        Waiting(str(n), str(n), START + timedelta(days=n), secure if n < 6 else NOT_HEARD) for n in range(8)
    ]
    assert [place.child for place in queue(roll)] == ["0", "1", "6", "7"]


def test_heard_in_one_way_only_is_shown_and_not_counted() -> None:
    both = SO_MI_FIRST.concept("half")
    assert both.ways == ("read",)
    sung = [Mark(both.key, "sing", "alone", "none", "secure", START)]
    found = standing(both, sung, any_way=False)
    assert (found.level, found.flag, found.marks) == ("not_heard", "partly", tuple(sung))
    assert found.sentence.endswith("Reading it: not heard yet.")


def test_the_absent_are_passed_over_and_keep_their_wait() -> None:
    children = [Waiting(str(n), str(n), START + timedelta(days=n), NOT_HEARD) for n in range(6)]
    assert "0" not in {place.child for place in queue(children, absent={"0"})}
    assert queue(children)[0].child == "0"
