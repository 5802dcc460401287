"""Sequences, what is due, and the composed lesson against its must-rules."""

from dataclasses import replace
from datetime import date

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.errors import SequenceError
from kopje.core.planning.catalogue import CATALOGUE, activity
from kopje.core.planning.composer import alternatives, compose
from kopje.core.planning.lesson import Choice, LeftOver, LessonPlan, LessonQuestion
from kopje.core.planning.template import available
from kopje.core.sequence.arcs import due, may_present
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.fit import Met
from making import DAY, declared, ready, shipped_cards, taught

CARDS = shipped_cards()
IDS = [card.id for card in CARDS]


def test_concepts_that_wait_for_each_other_are_named() -> None:
    one = Concept(ConceptKey("a"), "left", "rhythm", 1, needs=(ConceptKey("b"),))
    two = Concept(ConceptKey("b"), "right", "rhythm", 1, needs=(ConceptKey("a"),))
    with pytest.raises(SequenceError, match=r"left → right|right → left"):
        Sequence.of("round", [one, two])


def test_an_unheard_prerequisite_is_said_to_be_unheard() -> None:
    verdict = may_present(SO_MI_FIRST.concept("re"), declared("so-mi", "la", taught=taught(do=(4, 1, 4))))
    assert not verdict.allowed
    assert "nobody heard yet" in verdict.bars[0].sentence


def test_what_is_due_follows_what_was_taught() -> None:
    earlier = [c.key for c in SO_MI_FIRST.concepts if c.grade < 2]
    fresh = {item.concept.key: item.purpose for item in due(declared(*earlier))}
    assert fresh == {"half": "prepare", "do": "prepare"}
    later = declared(*earlier, taught=taught(do=(4, 0, 0), half=(4, 1, 2)))
    assert [(item.concept.key, item.purpose) for item in due(later)] == [
        ("do", "present"),
        ("half", "practise"),
    ]
    done = declared(*earlier, taught=taught(do=(4, 1, 6), half=(4, 1, 6)), readiness=ready("do", "half"))
    assert {item.concept.key: item.purpose for item in due(done)} == {
        "re": "prepare",
        "four-beat-meter": "prepare",
    }


def question(grade: int, minutes: int, songs: set[str], lessons: int) -> LessonQuestion:
    earlier = [c.key for c in SO_MI_FIRST.concepts if c.grade < grade]
    return LessonQuestion(
        state=declared(*earlier, grade=grade),
        minutes=minutes,
        songs=CARDS,
        met={song: Met(lessons, date(2026, 10, 1)) for song in sorted(songs)},
        done={a.key: lessons for a in CATALOGUE[::2]} if lessons else {},
        today=DAY,
    )


def check_must_rules(asked: LessonQuestion, plan: LessonPlan) -> None:
    """An independent reading of the rules that no lesson may break."""
    room = available(asked.minutes, len(plan.cells))
    told = {reason.code for reason in plan.unmet}
    assert sum(cell.minutes for cell in plan.cells) <= room
    assert "free_minutes" in told or sum(cell.minutes for cell in plan.cells) >= room - 2
    for cell in plan.cells:
        least, _, most = cell.activity.minutes
        assert least <= cell.minutes <= most
        assert cell.activity.fits_grade(asked.state.grade)
        assert (cell.activity.key, cell.choice.song) not in asked.refused
    songs = [cell.choice.song for cell in plan.cells if cell.choice.song]
    assert len(songs) == len(set(songs))
    assert len({cell.activity.key for cell in plan.cells}) == len(plan.cells)
    assert sum(cell.choice.purpose == "present" for cell in plan.cells) <= 1
    if not told & {"ramp", "many_new"}:
        assert sum(bool(cell.new) for cell in plan.cells) <= len(plan.cells) // 2


@settings(max_examples=40, deadline=None)
@given(st.integers(0, 5), st.sampled_from([30, 40, 45]), st.sets(st.sampled_from(IDS)), st.integers(0, 5))
def test_a_proposed_lesson_keeps_the_must_rules(
    grade: int, minutes: int, songs: set[str], lessons: int
) -> None:
    asked = question(grade, minutes, songs, lessons)
    plan = compose(asked)
    check_must_rules(asked, plan)
    assert compose(asked) == plan, "the same question must have the same answer"
    for cell in plan.cells:
        assert cell.reasons or cell.activity.routine or not cell.activity.with_concept


@pytest.mark.parametrize(
    ("key", "grade", "counts"),
    [(k, g, c) for k, g in (("recorder-bag", 3), ("mallets-alternating", 3), ("drum-words", 1)) for c in ((0, 0, 0), (4, 0, 0), (4, 1, 0))],
)  # fmt: skip
def test_what_is_learned_with_an_instrument_gets_an_activity_with_that_instrument(
    key: str, grade: int, counts: tuple[int, int, int]
) -> None:
    asked = question(grade, 45, set(IDS[:8]), 4)
    state = replace(
        asked.state,
        taught=taught(**{key: counts}),
        declared=asked.state.declared | {ConceptKey(k) for k in ("beat", "beat-rhythm", "one-mallet")},
    )
    plan = compose(replace(asked, state=state, laid=(ConceptKey(key),)))
    cells = [cell for cell in plan.cells if cell.choice.concept == key]
    assert cells
    assert all(SO_MI_FIRST.concept(key).strand in cell.activity.strands for cell in cells)


def test_a_pin_stays_and_the_rest_is_composed_around_it() -> None:
    asked = question(2, 30, set(IDS[:6]), 3)
    pinned = Choice("freeze-on-silence", IDS[2])
    place = next(cell.index for cell in compose(asked).cells if cell.role == "game")
    plan = compose(replace(asked, pins={place: pinned}))
    assert next(cell.choice for cell in plan.cells if cell.index == place) == pinned
    check_must_rules(asked, plan)


def test_what_was_left_over_comes_first_and_routines_do_not_come_back() -> None:
    skipped = LeftOver(Choice("chord-bordun", IDS[0]), "play", "Left over from Tuesday: skipped.")
    greeting = LeftOver(Choice("hello-echo"), "opening", "Left over from Tuesday: skipped.")
    plan = compose(replace(question(2, 30, set(IDS[:6]), 3), left_over=(greeting, skipped)))
    assert (plan.cells[0].activity.key, plan.cells[0].left_over) == ("chord-bordun", True)
    assert plan.cells[0].reasons[0].sentence.startswith("Left over from Tuesday")
    assert sum(cell.left_over for cell in plan.cells) == 1


def test_a_refused_thing_does_not_come_back() -> None:
    asked = question(2, 30, set(IDS[:6]), 3)
    gone = compose(asked).cells[2].choice
    again = compose(replace(asked, refused=frozenset({(gone.activity, gone.song)})))
    assert all((cell.choice.activity, cell.choice.song) != (gone.activity, gone.song) for cell in again.cells)


def test_two_classes_that_know_different_things_get_different_lessons() -> None:
    earlier = [c.key for c in SO_MI_FIRST.concepts if c.grade < 2]
    base = question(2, 30, set(IDS), 3)
    ahead = declared(*earlier, name="2A", taught=taught(do=(4, 0, 0)))
    behind = declared(*earlier[:-6], name="2B", taught=taught(so_mi=(4, 1, 1)))
    one, two = compose(replace(base, state=ahead)), compose(replace(base, state=behind))
    assert [c.choice for c in one.cells] != [c.choice for c in two.cells]
    assert any("Do was prepared" in r.sentence for c in one.cells for r in c.reasons)


def test_alternatives_fit_the_rest_of_the_lesson() -> None:
    asked = question(2, 30, set(IDS[:8]), 3)
    plan = compose(asked)
    for place, cell in enumerate(plan.cells):
        for other in alternatives(asked, plan, place):
            assert other.choice != cell.choice
            swapped = [*plan.cells[:place], other, *plan.cells[place + 1 :]]
            assert sum(c.minutes for c in swapped) <= plan.available
            assert len({c.activity.key for c in swapped}) == len(swapped)


def test_the_catalogue_is_large_enough_and_speaks_plainly() -> None:
    assert sum(a.fits_grade(1) or a.fits_grade(2) or a.fits_grade(3) for a in CATALOGUE) >= 30
    for item in CATALOGUE:
        assert activity(item.key) is item
        assert 1 <= len(item.steps) <= 3
        assert item.minutes == tuple(sorted(item.minutes))
        for step in item.steps:
            assert "{" not in step.format(song="“Goat”", concept="re", section="2A")
