"""The steps of every activity, rendered for every concept it accepts, read as a teacher reads them."""

from __future__ import annotations

import re
from collections.abc import Iterator
from random import Random

import pytest

from kopje.api.schemas.lesson_parts import spoken
from kopje.core.planning.activities import Activity, kind_name
from kopje.core.planning.candidates import Slots
from kopje.core.planning.catalogue import CATALOGUE, activity
from kopje.core.planning.catalogue.growth import FORMS
from kopje.core.planning.catalogue.room import PICTURES, SIZES, UNTOUCHED
from kopje.core.planning.catalogue.works import WORKS
from kopje.core.planning.growth import GROWN, STAGES, form_for
from kopje.core.planning.lesson import LessonQuestion
from kopje.core.planning.offers import has_all
from kopje.core.sequence.concepts import NATURES, Concept
from kopje.core.sequence.section_state import SectionState, Taught
from kopje.core.sequence.shipped import SHIPPED
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.facts import TRAITS
from kopje.core.songs.suitability import Met
from kopje.words import ENGLISH_WORDS
from making import shipped_cards

TITLES = {"song": "Roundabout", "piece": "Two Clocks"}
PURPOSES = ("prepare", "present", "practise")
WRONG = (
    r"[{}]",
    r"\b(the|an|every|each) (the|a|an)\b(?! [a-z] )",
    r"  |\s[.,;:?!]",
    r"\.\.|,,",
    r"\b(a|every) the\b",
)
PLACEHOLDERS = re.compile(r"\{(\w+)\}")


def rendered() -> Iterator[tuple[Activity, Concept | None, str, list[str]]]:
    for one in CATALOGUE:
        if not one.with_concept:
            yield one, None, "", spoken(one, TITLES, None, None, "2A", ENGLISH_WORDS)
        for name, sequence in SHIPPED.items():
            for concept in sequence.concepts:
                if one.fits(concept) and (name == "so-mi" or concept.key not in SO_MI_FIRST.by_key):
                    for purpose in one.purposes:
                        yield (
                            one,
                            concept,
                            purpose,
                            spoken(one, TITLES, concept, purpose, "2A", ENGLISH_WORDS),
                        )


def test_no_sentence_stumbles() -> None:
    count = 0
    for one, concept, _, steps in rendered():
        for step in steps:
            count += 1
            for pattern in WRONG:
                assert not re.search(pattern, step), (one.key, concept and concept.key, step)
            assert step[0].isupper() or step[0] == "“", (one.key, step)
            assert step.endswith((".", "?", "!", ".”", "?”")), (one.key, step)
    assert count > 3_000


def test_before_the_name_neither_name_nor_sign_is_used_and_with_it_something_is_shown() -> None:
    for one, concept, purpose, steps in rendered():
        text = " ".join(steps)
        if concept is None or concept.nature == "sight-singing":
            continue
        if purpose == "prepare":
            if len(concept.name) > 2:  # “do” is a verb too
                assert not re.search(rf"\b{re.escape(concept.name)}\b", text), (one.key, concept.key)
            assert "{concept}" not in " ".join(one.steps) or "present" in one.purposes
        if purpose == "present":
            assert concept.name in text, (one.key, concept.key)
            assert concept.shown in text, (one.key, concept.key)


@pytest.mark.parametrize("one", CATALOGUE, ids=lambda one: one.key)
def test_an_activity_says_only_what_can_be_filled_in(one: Activity) -> None:
    named = {name for step in one.steps for name in PLACEHOLDERS.findall(step)}
    assert named <= {"song", "piece", "section", "it", "concept", "shown"}
    assert not ({"concept", "shown"} & named) or one.purposes == ("present",)
    assert "it" not in named or one.with_concept
    assert ("song" in named) == (one.song != "none"), "a song that is chosen is sung"
    assert ("piece" in named) == one.plays
    assert one.easier.endswith(".")
    assert one.harder.endswith((".", "?"))
    assert one.instead or not one.props, "something stands in for its things"
    assert set(one.takes) <= set(NATURES)
    assert not ENGLISH_WORDS.say(kind_name(one.kind)).startswith("kind_")
    assert {ask.lstrip("!") for ask in one.asks} <= set(TRAITS)


@pytest.mark.parametrize("concept", SO_MI_FIRST.concepts, ids=lambda concept: concept.key)
def test_every_concept_has_activities_for_every_phase_and_something_to_hear(concept: Concept) -> None:
    fitting = [one for one in CATALOGUE if one.with_concept and one.fits(concept)]
    for purpose in PURPOSES:
        assert [one for one in fitting if purpose in one.purposes], purpose
    assert [one for one in fitting if one.hears and "practise" in one.purposes], "nothing to hear"


def test_the_catalogue_is_wide() -> None:
    assert len(CATALOGUE) >= 130
    assert {one.way for one in CATALOGUE if one.hears} == {"hear", "sing", "read", "write", "create"}
    moving = [one for one in CATALOGUE if one.energy == "moving" and one.grades[0] <= 1]
    assert {role for one in moving for role in one.roles} >= {"opening", "review", "focus", "second", "game"}


def random_section(chance: Random) -> SectionState:
    grade = chance.randrange(6)
    mine = [c.key for c in SO_MI_FIRST.concepts if c.grade == grade]
    known = [c.key for c in SO_MI_FIRST.concepts if c.grade < grade]
    known += [key for key in mine if chance.random() < 0.4]
    taught = {key: Taught(chance.randrange(5), 0, 0) for key in mine if chance.random() < 0.3}
    return SectionState("X", grade, SO_MI_FIRST, frozenset(known), taught)


def test_no_activity_is_offered_with_a_song_that_lacks_what_it_asks_for() -> None:
    chance, songs = Random(11), shipped_cards()
    asked = offered = 0
    for _ in range(500):
        some = tuple(chance.sample(songs, 20))
        met = {song.id: Met(chance.randrange(1, 6)) for song in some if chance.random() < 0.6}
        question = LessonQuestion(random_section(chance), 45, some, met)
        slots = Slots(question)
        by_id = {song.id: song for song in some}
        for index in range(len(slots.slots)):
            for candidate in slots.candidates(index):
                offered += 1
                asks = activity(candidate.choice.activity).asks
                if asks and candidate.choice.song:
                    asked += 1
                    assert has_all(asks, by_id[candidate.choice.song]), candidate.choice
    assert offered > 10_000
    assert asked > 200


def test_activities_grow_and_say_what_they_ask_of_the_room() -> None:
    """At least half have three forms or more; stages come in their order; what touches goes without too."""
    grown = [one for one in CATALOGUE if len(one.forms) >= 2]
    assert 2 * len(grown) >= len(CATALOGUE)
    for one in CATALOGUE:
        numbers = [STAGES.index(form.stage) for form in one.forms]
        assert numbers == sorted(set(numbers)), one.key
        assert all(form.says.endswith((".", "?")) and form.says[0].isupper() for form in one.forms)
        assert one.size[0] <= one.size[1]
        text = " ".join((*one.steps, one.easier, one.harder))
        if re.search(r"hold hands|holds hands|partner's hands|own hands, right", text):
            assert one.untouched, one.key
        assert one.works.endswith("."), "a substitute sees when to go on"
        assert len(one.steps) >= 2
        if one.picture:
            assert one.picture.endswith(".")
    assert {key for data in (FORMS, UNTOUCHED, PICTURES, SIZES, WORKS) for key in data} <= {
        one.key for one in CATALOGUE
    }


def test_the_form_of_an_activity_follows_how_often_it_was_done() -> None:
    ring = activity("ring-game").forms
    assert [form_for(ring, n) for n in range(len(ring) + 1)] == [None, *ring]
    later = [form_for(ring, n) for n in range(len(ring) + 1, len(ring) + 9)]
    assert {form.stage for form in later if form} <= GROWN, "what has grown does not shrink"
    assert len(set(later)) > 1, "and does not stand still"
    assert form_for((), 3) is None
