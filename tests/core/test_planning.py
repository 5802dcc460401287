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
from kopje.core.planning.template import SHIPPED_TEMPLATES
from kopje.core.sequence.concepts import Concept, ConceptKey, Sequence
from kopje.core.sequence.grades import outside
from kopje.core.sequence.section_state import due, may_present
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.suitability import Met
from making import DAY, declared, ready, refuses, said, shipped_cards, taught

CARDS = shipped_cards()
IDS = [card.id for card in CARDS]


def test_concepts_that_wait_for_each_other_are_named() -> None:
    one = Concept(ConceptKey("a"), "left", "rhythm", 1, needs=(ConceptKey("b"),))
    two = Concept(ConceptKey("b"), "right", "rhythm", 1, needs=(ConceptKey("a"),))
    with refuses(SequenceError, r"left → right|right → left"):
        Sequence.of("round", [one, two])


def test_an_unheard_prerequisite_is_said_to_be_unheard() -> None:
    verdict = may_present(SO_MI_FIRST.concept("re"), declared("so-mi", "la", taught=taught(do=(4, 1, 4))))
    assert not verdict.allowed
    assert "nobody heard yet" in said(verdict.bars[0]).lower()


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
    room = SHIPPED_TEMPLATES.of(asked.state.grade).available(asked.minutes, len(plan.parts))
    codes = {reason.code for reason in plan.unmet}
    assert sum(part.minutes for part in plan.parts) <= room
    assert "free_minutes" in codes or sum(part.minutes for part in plan.parts) >= room - 2
    for part in plan.parts:
        least, _, most = part.activity.minutes
        assert least <= part.minutes <= most
        away = outside(asked.state.grade, asked.state.grade, part.activity.grades)
        assert bool(away) == any(reason.code == "other_grades" for reason in part.reasons)
        assert (part.activity.key, part.choice.song) not in asked.refused
    songs = [part.choice.song for part in plan.parts if part.choice.song]
    assert len(songs) == len(set(songs))
    assert len({part.activity.key for part in plan.parts}) == len(plan.parts)
    assert sum(part.choice.purpose == "present" for part in plan.parts) <= 1
    if not codes & {"ramp", "set_half_new"}:
        assert sum(bool(part.new) for part in plan.parts) <= len(plan.parts) // 2


@settings(max_examples=40, deadline=None)
@given(st.integers(0, 5), st.sampled_from([30, 40, 45]), st.sets(st.sampled_from(IDS)), st.integers(0, 5))
def test_a_proposed_lesson_keeps_the_must_rules(
    grade: int, minutes: int, songs: set[str], lessons: int
) -> None:
    asked = question(grade, minutes, songs, lessons)
    plan = compose(asked)
    check_must_rules(asked, plan)
    assert compose(asked) == plan, "the same question must have the same answer"
    for part in plan.parts:
        assert part.reasons or part.activity.routine or not part.activity.with_concept


@pytest.mark.parametrize(
    ("key", "grade", "counts"),
    [
        (k, g, c)
        for k, g in (("recorder-bag", 3), ("mallets-alternating", 3), ("drum-words", 1))
        for c in ((0, 0, 0), (4, 0, 0), (4, 1, 0))
    ],
)
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
    parts = [part for part in plan.parts if part.choice.concept == key]
    assert parts
    assert all(SO_MI_FIRST.concept(key).strand in part.activity.strands for part in parts)


def test_a_pin_stays_and_the_rest_is_composed_around_it() -> None:
    asked = question(2, 30, set(IDS[:6]), 3)
    pinned = Choice("freeze-on-silence", IDS[2])
    place = next(part.slot for part in compose(asked).parts if part.role == "game")
    plan = compose(replace(asked, pins={place: pinned}))
    assert next(part.choice for part in plan.parts if part.slot == place) == pinned
    check_must_rules(asked, plan)


def test_what_was_left_over_comes_after_the_opening_and_what_finds_no_place_is_named() -> None:
    skipped = LeftOver(Choice("chord-bordun", IDS[0]), "play", "skipped", DAY)
    plan = compose(replace(question(2, 30, set(IDS[:6]), 3), left_over=(skipped,), no_place=(skipped,)))
    assert "no_place" in [reason.code for reason in plan.unmet]
    assert (plan.parts[1].activity.key, plan.parts[1].left_over) == ("chord-bordun", True)
    assert said(plan.parts[1].reasons[0]).startswith("Left over from Tuesday")
    assert sum(part.left_over for part in plan.parts) == 1


def test_a_refused_thing_does_not_come_back() -> None:
    asked = question(2, 30, set(IDS[:6]), 3)
    gone = compose(asked).parts[2].choice
    again = compose(replace(asked, refused=frozenset({(gone.activity, gone.song)})))
    assert all((part.choice.activity, part.choice.song) != (gone.activity, gone.song) for part in again.parts)


def test_two_classes_that_know_different_things_get_different_lessons() -> None:
    earlier = [c.key for c in SO_MI_FIRST.concepts if c.grade < 2]
    base = question(2, 30, set(IDS), 3)
    ahead = declared(*earlier, name="2A", taught=taught(do=(4, 0, 0)))
    behind = declared(*earlier[:-6], name="2B", taught=taught(so_mi=(4, 1, 1)))
    one, two = compose(replace(base, state=ahead)), compose(replace(base, state=behind))
    assert [c.choice for c in one.parts] != [c.choice for c in two.parts]
    assert any("Do was prepared" in said(r) for c in one.parts for r in c.reasons)


def test_alternatives_fit_the_rest_of_the_lesson() -> None:
    asked = question(2, 30, set(IDS[:8]), 3)
    plan = compose(asked)
    for place, part in enumerate(plan.parts):
        for other in alternatives(asked, plan, part.slot):
            assert other.choice != part.choice
            swapped = [*plan.parts[:place], other, *plan.parts[place + 1 :]]
            least = sum(c.activity.minutes[0] for c in swapped if c is not other)
            assert other.minutes + least <= plan.available, "the others can be shortened for it"
            assert len({c.activity.key for c in swapped}) == len(swapped)


def test_the_catalogue_is_large_enough_and_speaks_plainly() -> None:
    assert sum(any(not outside(grade, grade, a.grades) for grade in (1, 2, 3)) for a in CATALOGUE) >= 30
    for item in CATALOGUE:
        assert activity(item.key) is item
        assert 1 <= len(item.steps) <= 3
        assert item.minutes == tuple(sorted(item.minutes))
        for step in item.steps:
            said = step.format(
                song="“Goat”", piece="“Bus”", concept="re", section="2A", it="re", shown="a rung"
            )
            assert "{" not in said
