"""When songs are sung: the season, the weather and occasions weigh, a little, and say so."""

from __future__ import annotations

from dataclasses import replace
from datetime import date

import pytest

from core.test_lesson_set import asked
from kopje.core.planning.habits import AS_SHIPPED
from kopje.core.planning.lesson_set.compose import compose_set
from kopje.core.planning.lesson_set.question import SetQuestion
from kopje.core.planning.timely import timely
from kopje.core.songs.suitability import Met
from kopje.core.songs.times import HEMISPHERES, SEASONS, TIMES, season, times_of
from making import shipped


def wet_songs(rainy: bool, lessons: int = 2) -> tuple[SetQuestion, frozenset[str]]:
    """A class that knows twelve songs, three of them about rain."""
    question = asked(2, lessons, known=0)
    some = [
        replace(card, times=frozenset({"rain"}) if n in (3, 7, 11) else frozenset())
        for n, card in enumerate(question.songs[:12])
    ]
    said = {frame.day: frozenset({"rain"}) for frame in question.lessons} if rainy else {}
    found = replace(
        question,
        songs=tuple(some),
        met={card.id: Met(4) for card in some},
        done={key: 3 for key in ("sing-in", "mirror-moves", "walk-the-beat", "quiet-as-kestrel")},
        habits=replace(AS_SHIPPED, days=said),
        work=1.0,
    )
    return found, frozenset(card.id for card in some if card.times)


def test_a_rainy_day_sings_of_rain_and_says_why() -> None:
    sung = []
    for rainy in (False, True):
        question, wet = wet_songs(rainy)
        parts = [part for lesson in compose_set(question).lessons for part in lesson.parts]
        sung.append(sum(part.choice.song in wet for part in parts))
        codes = {reason.code for part in parts for reason in part.reasons if part.choice.song in wet}
        assert ("song_timely" in codes) is rainy
    assert sung[1] > sung[0]


@pytest.mark.parametrize("hemisphere", HEMISPHERES)
def test_every_month_has_its_season_and_the_other_half_of_the_world_has_the_opposite(hemisphere: str) -> None:
    habits = replace(AS_SHIPPED, hemisphere=hemisphere)
    year = [habits.times(date(2027, month, 15)) for month in range(1, 13)]
    assert [len(one) for one in year] == [1] * 12
    assert {name: sum(name in one for one in year) for name in SEASONS} == dict.fromkeys(SEASONS, 3)
    for month in range(1, 13):
        here, there = (season(date(2027, month, 1), one) for one in HEMISPHERES)
        assert (SEASONS.index(here) - SEASONS.index(there)) % 4 == 2


def test_a_song_of_another_season_waits_and_one_without_a_season_never_does() -> None:
    winter, summer = frozenset({"winter", "snow"}), frozenset({"summer"})
    assert timely(winter, summer)[0] > 0 > timely(winter, frozenset({"winter"}))[0]
    assert timely(winter, summer | {"snow"})[0] < 0, "what the teacher says of the day goes before"
    assert timely(frozenset({"rain"}), summer) == timely(frozenset(), summer) == (0, ())
    assert timely(winter, frozenset())[0] == 0, "where seasons do not count nothing waits"
    assert habits_without_seasons() == frozenset()


def habits_without_seasons() -> frozenset[str]:
    return AS_SHIPPED.times(date(2027, 1, 1))


def test_words_tell_and_a_note_goes_before_them() -> None:
    song = shipped("snow-on-the-ridge")
    heard = times_of(song.tune.title, song.sung_words, "")
    assert {"snow", "winter"} <= heard <= set(TIMES)
    assert times_of(song.tune.title, song.sung_words, "any time") == frozenset()
    assert times_of("Ladle Dance", ("ladle", "spoon"), "At harvest, in autumn") == {"harvest", "autumn"}
    words = shipped("frost-on-the-fence").sung_words
    assert "somebody" in words, "syllables are joined again"
