"""What the ledger is asked, how luck is reckoned, who works with whom: each against working it out by
hand."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from itertools import combinations, product
from random import Random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.errors import ReportError
from kopje.core.exact import Fraction
from kopje.core.groups import RANK, draw, pairs, sizes
from kopje.core.ledger.asked import Refresher, fewest
from kopje.core.ledger.growth import LAYERS, Word, growth
from kopje.core.ledger.luck import as_heard, luck, result_of
from kopje.core.ledger.marks import Mark
from kopje.core.ledger.next_step import StandsNow, next_step
from kopje.core.ledger.report import blocks, own_words
from kopje.core.ledger.standing import standing
from kopje.core.planning.wall import NOTHING, on_the_wall
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from making import refuses, said

KEYS = [ConceptKey(key) for key in ("la", "re", "do", "fa", "ti")]
SONGS = st.lists(st.sets(st.sampled_from(KEYS), max_size=3), min_size=1, max_size=7)


@given(SONGS, st.sets(st.sampled_from(KEYS)))
def test_the_fewest_songs_are_the_fewest_there_are_and_the_first_by_title(
    songs: list[set[ConceptKey]], wanted: set[ConceptKey]
) -> None:
    book = [Refresher(str(n), f"Song {n}", frozenset(has)) for n, has in enumerate(songs)]
    found = fewest(book, wanted)
    can = wanted & {key for one in book for key in one.concepts}
    assert {key for one in found for key in one.concepts} == can
    covers = [
        chosen
        for count in range(len(book) + 1)
        for chosen in combinations(book, count)
        if can <= {key for one in chosen for key in one.concepts}
    ]
    best = min(covers, key=lambda chosen: (len(chosen), [one.title for one in chosen]))
    assert [one.title for one in found] == [one.title for one in best]


def rows(choices: int, asked: int, most: int) -> list[tuple[int, ...]]:
    """Every row of answers that a game can make."""
    every = product(range(choices), repeat=asked)
    calm = (row for row in every if all(len(set(row[i : i + most + 1])) > 1 for i in range(asked - most)))
    turns = [tuple((start + n) % 2 for n in range(asked)) for start in (0, 1)]
    return [row for row in calm if choices > 2 or asked < 3 or row not in turns]


def guessed(rows: list[tuple[int, ...]], at: int, wrong: int, choices: int) -> int:
    """How many of the rows the best guesser gets with so many mistakes, who hears after each answer what it
    was."""
    if wrong < 0 or not rows:
        return 0
    if at == len(rows[0]):
        return len(rows)
    after = [[row for row in rows if row[at] == answer] for answer in range(choices)]
    return max(
        sum(guessed(some, at + 1, wrong - (answer != guess), choices) for answer, some in enumerate(after))
        for guess in range(choices)
    )


@pytest.mark.parametrize(
    ("choices", "asked", "most"), [(2, 5, 3), (2, 6, 2), (2, 7, 3), (3, 4, 2), (4, 3, 3)]
)
def test_luck_is_what_the_best_guesser_has_over_all_rows_of_the_game(
    choices: int, asked: int, most: int
) -> None:
    every = rows(choices, asked, most)
    for right in range(asked + 1):
        by_hand = Fraction(guessed(every, 0, asked - right, choices), len(every))
        assert luck(choices, asked, right, most) == by_hand


def test_a_game_is_evidence_only_where_luck_hardly_explains_it() -> None:
    evidence = {(5, 5), (6, 6), (8, 8), (9, 8), (9, 9), (10, 9), (10, 10)}
    games = [(asked, right) for asked in (3, 4, 5, 6, 8, 9, 10) for right in range(asked + 1)]
    assert {game for game in games if result_of(2, *game) == "secure"} == evidence
    assert (result_of(2, 3, 3), result_of(2, 4, 2)) == ("nearly", "not_yet")
    lucky = {"result": "secure", "answers": {"choices": 2, "asked": 3, "right": 3, "in_a_row": 3}}
    assert as_heard(lucky)["result"] == "nearly"


def test_a_game_that_cannot_be_played_shows_nothing() -> None:
    assert luck(2, 5, 5, in_a_row=1) == 1  # one and the other in turn is just what no game gives
    assert result_of(2, 5, 5, in_a_row=1) != "secure"


def test_who_could_copy_had_a_model() -> None:
    body = {"result": "secure", "help": "none", "together": True}
    assert as_heard({**body, "could_copy": True})["help"] == "model"
    assert as_heard({**body, "could_copy": False})["help"] == "none"


CHILDREN = [f"child {n}" for n in range(23)]


@given(st.integers(2, 23), st.integers(2, 8), st.randoms(use_true_random=False))
@settings(max_examples=40)
def test_everybody_is_in_one_group_and_nobody_is_alone(count: int, of: int, chance: Random) -> None:
    children = CHILDREN[:count]
    levels = {child: chance.choice(list(RANK)) for child in children}
    for how in ("chance", "mixed", "alike"):
        groups = draw(children, of, how, levels, (), {}, ["do", "so"], chance)  # type: ignore[arg-type]
        assert sorted(child for one in groups for child in one.children) == sorted(children)
        assert sorted(len(one.children) for one in groups) == sorted(sizes(count, of))
        assert all(len(one.children) >= 2 for one in groups)
        assert all(one.helper is None or levels[one.helper] == "secure" for one in groups)
        assert {one.task for one in groups} <= {"do", "so"}


def test_mixed_groups_have_both_and_alike_groups_are_neighbours() -> None:
    levels = {child: "secure" if n < 6 else "not_yet" for n, child in enumerate(CHILDREN[:12])}
    mixed = draw(CHILDREN[:12], 3, "mixed", levels, (), {}, (), Random(1))
    assert all(1 <= sum(levels[one] == "secure" for one in group.children) <= 2 for group in mixed)
    assert all(group.helper for group in mixed)
    alike = draw(CHILDREN[:12], 3, "alike", levels, (), {}, (), Random(1))
    assert all(len({levels[one] for one in group.children}) == 1 for group in alike)


def test_partners_change_as_long_as_they_can_and_helping_goes_round() -> None:
    together: set[frozenset[str]] = set()
    for seed in range(3):
        groups = draw(CHILDREN[:16], 2, "chance", {}, together, {}, (), Random(seed))
        new = pairs(one.children for one in groups)
        assert len(new & together) <= 1
        together |= new
    sure = {child: "secure" for child in CHILDREN[:2]} | {child: "nearly" for child in CHILDREN[2:4]}
    (group,) = draw(CHILDREN[:4], 4, "mixed", sure, (), {CHILDREN[0]: 3}, (), Random(1))
    assert group.helper == CHILDREN[1]


START = datetime(2026, 9, 1, 9, tzinfo=UTC)
MARKS = st.lists(st.tuples(st.integers(0, 9), st.sampled_from(["secure", "nearly", "not_yet"])), max_size=8)


@given(MARKS)
def test_a_day_of_the_year_shows_what_the_marks_up_to_it_say(told: list[tuple[int, str]]) -> None:
    re = SO_MI_FIRST.concept("re")
    marks = [
        Mark(re.key, "sing", "alone", "none", result, (START + timedelta(weeks=week)).date(), START)  # type: ignore[arg-type]
        for week, result in sorted(told)
    ]
    days = [(START + timedelta(weeks=week)).date() for week in range(10)]
    found = growth([re], {re.key: marks}, {}, days)
    for place, day in enumerate(days):
        level = standing(re, [mark for mark in marks if mark.day <= day]).level
        counts = found[0].days[place] if found else (0, 0, 0, 0)
        assert [LAYERS[n] for n, count in enumerate(counts) if count] == [level] * (level in LAYERS)


def test_a_word_counts_from_its_day_on() -> None:
    re = SO_MI_FIRST.concept("re")
    days = [date(2026, 9, 1), date(2026, 9, 8)]
    (found,) = growth([re], {}, {re.key: Word("secure", date(2026, 9, 5))}, days)
    assert found.days == ((0, 0, 0, 0), (1, 0, 0, 0))


def test_the_next_step_begins_with_what_something_rests_on() -> None:
    def step(**levels: str) -> str:
        now = {ConceptKey(key.replace("_", "-")): StandsNow(level) for key, level in levels.items()}
        found = next_step(SO_MI_FIRST, [ConceptKey("re")], [ConceptKey("la"), ConceptKey("do")], now)
        return said(found.reason) if found else ""

    needs = SO_MI_FIRST.concept("re").needs
    assert "do" in needs
    assert step(re="not_yet", do="nearly", la="secure") == "First do, on which re rests; then re."
    assert step(re="not_yet", do="secure", la="secure").startswith("Teach re once more")
    assert step(re="once", do="nearly", la="secure").startswith("Hear do alone")
    assert step(re="secure", do="secure").startswith("Listen to la")
    assert step(re="secure", do="secure", la="secure") == ""


def test_a_report_says_what_standings_say_and_takes_no_other_blanks() -> None:
    stands = [("la", "secure", True), ("re", "once", False), ("do", "not_heard", False)]
    assert [(one.key, one.things) for one in blocks(stands)] == [
        ("sure", ("la",)),
        ("once", ("re",)),
        ("again", ("la",)),
        ("nobody", ("do",)),
    ]
    assert own_words({"sure": " {name} has {things} ", "once": " "}) == {"sure": "{name} has {things}"}
    with refuses(ReportError, "cannot be filled"):
        own_words({"sure": "{name} is better than {other}"})
    with refuses(ReportError, "no part “grade”"):
        own_words({"grade": "A"})


def test_no_name_and_no_sign_is_on_the_wall_before_a_thing_is_named() -> None:
    for concept in SO_MI_FIRST.concepts:
        before, naming, after = (
            on_the_wall(concept, purpose) for purpose in ("prepare", "present", "practise")
        )
        assert (before.sign, before.name, before.waits) == ("", "", False)
        assert naming == replace(after, question=concept.prompt, waits=True)
        assert (naming.before.sign, naming.before.name, naming.before.rungs) == ("", "", before.rungs)
        assert naming.after == replace(after, waits=True)
        assert {one.tone for one in before.rungs if one.new} <= {""}  # its place may be seen, not its name
        assert [(one.height, one.new) for one in before.rungs] == [(x.height, x.new) for x in after.rungs]
        assert {one.tone for one in after.rungs if one.new} == set(concept.degrees)
        assert (after.sign, after.name) == (concept.sign, concept.name)
    assert on_the_wall(None, None) == NOTHING
