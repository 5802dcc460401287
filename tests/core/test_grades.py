"""Grades: split classes, groups below kindergarten, activities made for others, and the way up a grade."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.key_choice import VOICES, voice_of
from kopje.core.planning.catalogue import CATALOGUE
from kopje.core.planning.composer import compose
from kopje.core.planning.lesson import LessonQuestion
from kopje.core.planning.next_year import ClassNow, next_name, steps
from kopje.core.planning.template import SHIPPED_TEMPLATES
from kopje.core.planning.year.arcs import USUAL, Arc, Lengths, laid_in, levels_in
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.grades import BELOW_KINDERGARTEN, CHOIR, OLDEST, may_span, outside
from kopje.core.sequence.section_state import belongs
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from making import DAY, declared, said, shipped_cards

CLASSES = st.integers(BELOW_KINDERGARTEN, OLDEST)


@given(CLASSES, CLASSES)
def test_a_class_holds_one_grade_or_two_neighbours(grade: int, upper: int) -> None:
    assert may_span(grade, upper) == (upper - grade in (0, 1))
    assert not may_span(grade, CHOIR)


@given(CLASSES, st.integers(0, 8), st.integers(0, 8))
def test_an_activity_costs_nothing_where_everybody_is_of_its_grades(grade: int, one: int, other: int) -> None:
    made_for = (min(one, other), max(one, other))
    assert (outside(grade, grade, made_for) == 0) == (made_for[0] <= grade <= made_for[1])
    if grade < OLDEST:
        both = outside(grade, grade + 1, made_for)
        assert both == max(outside(grade, grade, made_for), outside(grade + 1, grade + 1, made_for))


@given(st.integers(BELOW_KINDERGARTEN, OLDEST - 1))
def test_a_split_class_may_learn_what_either_of_its_grades_may(grade: int) -> None:
    both = declared(grade=grade, upper=grade + 1)
    alone = [declared(grade=g) for g in (grade, grade + 1)]
    found = {c.key for c in SO_MI_FIRST.concepts if belongs(c, both)}
    assert found == {c.key for c in SO_MI_FIRST.concepts if any(belongs(c, one) for one in alone)}


def test_below_kindergarten_one_begins_where_the_sequence_begins() -> None:
    state = declared(grade=BELOW_KINDERGARTEN)
    found = [c for c in SO_MI_FIRST.concepts if belongs(c, state)]
    assert found
    assert {c.grade for c in found} == {SO_MI_FIRST.first_grade}
    assert voice_of(BELOW_KINDERGARTEN) == VOICES[0]
    assert SHIPPED_TEMPLATES.of(BELOW_KINDERGARTEN) == SHIPPED_TEMPLATES.of(0)


@pytest.mark.parametrize(("grade", "upper"), [(BELOW_KINDERGARTEN, None), (2, 3), (11, 12)])
def test_a_lesson_is_found_for_any_class_and_says_what_was_made_for_others(
    grade: int, upper: int | None
) -> None:
    state = replace(declared(grade=grade), upper=upper)
    plan = compose(LessonQuestion(state=state, minutes=30, songs=shipped_cards(), today=DAY))
    assert len(plan.parts) >= 3
    for part in plan.parts:
        away = part.activity.too_young_or_old(state)
        reasons = [reason for reason in part.reasons if reason.code == "other_grades"]
        assert len(reasons) == (away > 0)
        assert all(said(reason).startswith("Made for ") for reason in reasons)


def test_every_activity_is_made_for_somebody() -> None:
    for item in CATALOGUE:
        first, last = item.grades
        assert first <= last
        assert outside(first, first, item.grades) == outside(last, last, item.grades) == 0


NAMES = st.builds(
    lambda grade, letter: f"{'K' if grade == 0 else grade}{letter}", st.integers(0, 8), st.sampled_from("ABC")
)


@given(NAMES)
def test_a_name_goes_up_one_grade_and_keeps_its_letter(name: str) -> None:
    up = next_name(name)
    assert up is not None
    assert up[-1] == name[-1]
    assert int(up[:-1]) == (0 if name[0] == "K" else int(name[:-1])) + 1


@given(st.lists(NAMES, unique=True, min_size=1, max_size=12))
def test_into_the_next_year_nobody_is_lost_and_every_name_is_there_once(names: list[str]) -> None:
    classes = [
        ClassNow(name, grade, grade, 20)
        for name in names
        for grade in [0 if name[0] == "K" else int(name[:-1])]
    ]
    found = steps(classes)
    assert sorted(step.was for step in found if step.was) == sorted(names)
    assert sum(step.children for step in found) == 20 * len(names)
    top = max(one.grade for one in classes)
    for step in found:
        if step.was and not step.becomes:
            assert step.grade == top
    becoming = [step.becomes for step in found if step.becomes]
    assert len(becoming) == len(set(becoming))


def test_a_choir_stays_and_a_split_class_goes_up_as_one() -> None:
    found = {
        step.was: step
        for step in steps(
            [ClassNow("2/3", 2, 3, 18), ClassNow("Choir", CHOIR, CHOIR, 30), ClassNow("5A", 5, 5, 20)]
        )
    }
    assert (found["2/3"].becomes, found["2/3"].grade, found["2/3"].upper) == ("3/4", 3, 4)
    assert "Choir" not in found


@given(st.integers(1, 60), st.integers(3, 6), st.integers(4, 8))
def test_a_ladder_takes_as_many_levels_as_fit_and_never_none(
    lessons: int, prepare: int, practise: int
) -> None:
    usual = Lengths(prepare, practise, prepare, practise)
    levels = levels_in(lessons, usual)
    assert levels >= 1
    assert levels_in(lessons + 1, usual) in (levels, levels + 1)
    whole, step = prepare + 1 + practise + 1, prepare + 1 + 4
    assert levels == 1 or whole + (levels - 1) * step <= lessons
    assert whole + levels * step > lessons


def test_what_is_new_in_a_lesson_comes_before_what_is_practised() -> None:
    old = Arc(ConceptKey("old"), 1, 5, 6, 12, 2, True, False, 4)
    new = Arc(ConceptKey("new"), 6, 5, 6, 18, 2, True, False, 4)
    assert laid_in((old, new), 7) == ("new", "old")
    assert laid_in((old, new), 0) == ()
    assert levels_in(0, USUAL) == 1
