"""A plan for one song: what must be learned of it, and one step a lesson that it is known well enough for."""

from __future__ import annotations

from dataclasses import replace
from datetime import date

import pytest

from kopje.core.analysis.analysis import analyse
from kopje.core.planning.catalogue.song_needs import SONG_NEEDS
from kopje.core.planning.focus_song import as_lessons, focus_steps, to_learn
from kopje.core.planning.lesson import LessonQuestion
from kopje.core.reasons import Reason
from kopje.core.songs.suitability import Met
from kopje.formats.read import read_scores
from making import declared, shipped_cards

CARDS = shipped_cards()
SONG = "X:1\nT:x\nM:2/4\nL:1/4\nK:F\nFF|AF|GG|F2|FF|AF|GG|F2|cc|AA|cc|A2|FF|AF|GA|F2|]\n"


def sung(abc: str) -> list[Reason]:
    return list(to_learn(analyse(read_scores(abc.encode(), "x.abc")[0].parts[0].tune)))


def test_each_phrase_is_learned_once_and_of_one_that_is_like_another_only_what_differs() -> None:
    head, *lines = sung(SONG)  # a a b a'
    assert dict(head.params) == {"lines": 3, "all": 4}
    assert [one.code for one in lines] == ["focus_line", "phrase_differs", "focus_line"]
    assert dict(lines[0].params) == {"label": "a", "number": 1, "times": 2}
    assert dict(lines[2].params)["label"] == "b", "what comes once comes last"


@pytest.mark.parametrize("grade", [0, 2, 4])
@pytest.mark.parametrize("known", [0, 3])
def test_a_song_grows_from_lesson_to_lesson_and_nothing_is_asked_too_early(grade: int, known: int) -> None:
    asked = LessonQuestion(declared("so-mi", grade=grade), 40, CARDS, today=date(2026, 12, 1))
    for card in CARDS[::9]:
        met = {card.id: Met(known, date(2026, 11, 20))} if known else {}
        steps = focus_steps(replace(asked, met=met), card, 6)
        parts = [step.part for step in steps if step.part is not None]
        assert all(part.choice.song == card.id for part in parts)
        assert len({part.choice.activity for part in parts}) == len(parts)
        for step in steps:
            if step.part is None:
                assert [reason.code for reason in step.reasons] == ["focus_nothing"]
            else:
                assert SONG_NEEDS.get(step.part.choice.activity, 0) <= known + step.lesson
        stages = [step.stage for step in steps]
        assert (stages[0] == "meet") == (known == 0)
        assert sum(map(len, as_lessons(steps, 6))) == len(parts)
