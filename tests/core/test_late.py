"""What a lesson does without when it begins late, and what helps most next."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from kopje.core.ledger.readiness import Counts, judge
from kopje.core.planning.beside import beside
from kopje.core.planning.late import Running, gives_way, left_out
from kopje.core.planning.next_thing import Brief, next_thing
from kopje.core.planning.template import ROLES, SlotPlan, Template
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import due
from making import declared, taught

LESSON = Template(
    (SlotPlan("opening"), SlotPlan("review", always=True), SlotPlan("focus"), SlotPlan("closing"))
)
parts = st.lists(
    st.builds(
        Running,
        key=st.uuids().map(str),
        slot=st.just("game-1"),
        role=st.sampled_from(ROLES),
        purpose=st.sampled_from((None, "prepare", "present", "practise")),
        minutes=st.integers(1, 12),
        new=st.booleans(),
        left_over=st.booleans(),
        pinned=st.booleans(),
    ),
    max_size=9,
)


@given(parts, st.integers(0, 60))
def test_what_stays_fits_if_anything_can_and_nothing_is_left_out_for_nothing(
    lesson: list[Running], minutes: int
) -> None:
    order = gives_way(lesson, LESSON)
    gone = left_out(lesson, order, minutes, LESSON)

    def needs(without: tuple[str, ...]) -> float:
        stay = [one.minutes for one in lesson if one.key not in without]
        return sum(stay) + 0.5 * max(len(stay) - 1, 0)

    assert needs(gone) <= minutes or set(gone) == set(order)
    for key in gone:
        if needs(gone) <= minutes:
            assert needs(tuple(one for one in gone if one != key)) > minutes
    kept = {one.key for one in lesson if one.purpose == "present" or one.role == "closing"}
    assert not kept & set(gone)


def test_instruments_go_before_games_and_what_is_pinned_or_never_dropped_stays_longest() -> None:
    def part(key: str, role: str, slot: str = "", **more: bool) -> Running:
        return Running(key, slot or f"{role}-1", role, None, 4, **more)

    lesson = [
        part("opening", "opening"),
        part("read daily", "review", "review-1"),
        part("pinned drum", "play", pinned=True),
        part("drum", "play", "play-2"),
        part("new game", "game", new=True),
        part("game", "game", "game-2"),
        part("focus", "focus"),
        part("bye", "closing"),
    ]
    assert gives_way(lesson, LESSON) == ("drum", "game", "new game", "opening", "focus", "pinned drum")


def test_the_next_thing_leads_from_nothing_to_lessons_that_lie_planned() -> None:
    def brief(name: str, **have: bool | int) -> Brief:
        all_there = {"meets": True, "knows": 3, "held": 0, "ahead": 6, "laid": True}
        return Brief(name, name, 2, **{**all_there, **have})  # type: ignore[arg-type]

    ready = brief("2A")
    steps = [
        (next_thing(0, []), "set-up", ""),
        (next_thing(0, [ready]), "songs", ""),
        (next_thing(9, [ready, brief("2B", meets=False, ahead=0)]), "set-up", ""),
        (next_thing(9, [ready, brief("2B", knows=0, ahead=0)]), "knows", "2B"),
        (next_thing(9, [ready, brief("2B", knows=0, held=1, ahead=0)]), "set", "grade-2"),
        (next_thing(9, [ready, brief("2B", laid=False)]), "year", "2B"),
    ]
    assert [(found.where, found.key) if found else None for found, _, _ in steps] == [
        (where, key) for _, where, key in steps
    ]
    assert next_thing(9, [ready]) is None


def test_a_divided_class_goes_on_and_a_few_come_to_the_small_table() -> None:
    divided = judge(24, Counts(24, 18))
    assert divided.answer == "split"
    practised = taught(**{"so-mi": (4, 1, 9), "la": (4, 1, 9)})
    state = declared("so-mi", "la", grade=2, taught=practised)
    state = replace(
        state, readiness={ConceptKey("so-mi"): divided, ConceptKey("la"): judge(24, Counts(24, 23))}
    )
    found = beside(state, 0)
    assert found is not None
    assert (found.concept.key, found.children) == ("so-mi", 6)
    assert beside(state, 1) == found, "only so and mi divide them"
    assert "so-mi" not in [item.concept.key for item in due(state)], "the class is not taught again"
    again = replace(state, readiness={ConceptKey("so-mi"): judge(24, Counts(24, 9))})
    assert beside(again, 0) is None
    assert "so-mi" in [item.concept.key for item in due(again)]
