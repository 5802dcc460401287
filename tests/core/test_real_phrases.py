"""Phrases of real songs as reading: what the song has there; readable is what the fit rule says."""

from __future__ import annotations

import itertools

import pytest

from core.reading_rules import broken
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.annotations import Annotations
from kopje.core.analysis.elements import figures
from kopje.core.analysis.key_choice import VOICES
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.given import Offer, Wish
from kopje.core.practice.reading.levels import numbered_level
from kopje.core.practice.reading.real import excerpts, laid_for, laid_for_level, of_level, suits
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.contents import card, card_of
from kopje.core.songs.suitability import fit, readable
from kopje.formats.abc_write import write_abc
from kopje.formats.read import read_scores
from making import SONGS, declared, shipped

SLUGS = sorted(file.stem for file in SONGS.glob("*.abc"))
NAMED = ("quarter-eighths", "so-mi", "beat-rest", "la", "do", "half", "re", "four-beat-meter")
STATE = declared(*NAMED, grade=3)


@pytest.mark.parametrize("bars", [2, 4, 8])
def test_a_phrase_is_what_the_song_has_in_these_bars(bars: int) -> None:
    """Its tones, figures and places, also once written down and read again; its edges cut nothing."""
    count = 0
    for slug in SLUGS:
        a = shipped(slug)
        for one in excerpts(a, bars):
            count += 1
            inside = [s for s in a.timeline if one.first <= s.bar < one.first + bars]
            assert inside[0].place == 0
            assert [one.made.do.sounding(degree) for degree in one.degrees] == [
                s.pitch for s in inside if s.attack
            ]
            written = write_abc(as_score(one.made, slug))
            again = analyse(
                read_scores(written.encode(), "x.abc")[0].parts[0].tune,
                "la",
                Annotations(do=one.made.do, resting=one.made.resting),
            )
            assert [again.degree(s) for s in again.attacks] == one.degrees
            there = [
                f.key for f in figures(a.tune) if one.first <= f.bar < one.first + bars and f.key != "tie"
            ]
            assert [f.key for f in figures(again.tune) if f.key != "tie"] == there
            assert sum(s.duration for s in again.timeline) == bars * again.tune.bars[0].meter.length
    assert count > 20


def test_readable_is_what_the_fit_rule_says() -> None:
    """Of these bars taken for a song of their own: nothing bars it, its range apart."""
    concept = SO_MI_FIRST.by_key[ConceptKey("re")]
    both = {True: 0, False: 0}
    for slug in SLUGS:
        for one in excerpts(shipped(slug), 4):
            written = write_abc(as_score(one.made, slug)).encode()
            tune = read_scores(written, "x.abc")[0].parts[0].tune
            alone = card(
                slug, analyse(tune, "la", Annotations(do=one.made.do, resting=one.made.resting)), SO_MI_FIRST
            )
            here = card_of(slug, slug, one.outline, SO_MI_FIRST)
            if here.content(concept.key) is None:
                assert alone.content(concept.key) is None
                continue
            codes = {
                r.code for r in fit(alone, concept, "practise", STATE).verdict.reasons if r.weight == "bars"
            }
            says = readable(here, STATE)
            assert says == ("unknown" not in codes and "target_missing" not in codes), (
                slug,
                one.first,
                codes,
            )
            both[says] += 1
    assert min(both.values()) > 5


def test_a_phrase_lies_in_the_voice_and_moves_no_farther_than_was_wished() -> None:
    voice = VOICES[2]
    offer = Offer("melody", "re", ("do", "re", "mi", "so", "la"), ("quarter",), ("2/4",), ("re",))
    found = [one for slug in SLUGS for one in excerpts(shipped(slug), 4)]
    stepwise = [one for one in found if suits(one, offer, Wish("melody", "re", motion="steps"))]
    for one in stepwise:
        steps = [degree.step for degree in one.degrees]
        assert all(abs(a - b) <= 1 for a, b in itertools.pairwise(steps))
    chosen = [one for one in found if suits(one, offer, Wish("melody", "re"))]
    assert len(stepwise) < len(chosen)
    for one in chosen:
        made = laid_for(one, offer, Wish("melody", "re"), voice)
        if made is not None:
            heights = [made.do.sounding(degree).midi for degree in one.degrees]
            assert voice.low.midi <= min(heights)
            assert max(heights) <= voice.high.midi
        bare = laid_for(one, Offer("rhythm", "half"), Wish("rhythm", "half"), voice)
        assert bare is not None
        assert not bare.pitched


def test_a_phrase_of_a_level_keeps_its_rules_and_cannot_be_read_a_level_before() -> None:
    """By the checker that was written apart: its tones, figures, moves, keys, range, and what is new."""
    of_lines = (
        "highest tone",
        "bar 2",
        "bar 6",
        "goes to",
        "turn one",
        "ends on",
        "end at",
        "outside",
        "four",
    )
    count = 0
    for number in (1, 2, 3, 6):
        task = numbered_level(number)
        for slug in SLUGS:
            for one in (found for bars in (2, 4, 8) for found in excerpts(shipped(slug), bars)):
                wish = Wish("level", f"reading-{number}", one.bars)
                made = laid_for_level(one, task, wish, None) if of_level(one, task, wish) else None
                if made is None:
                    continue
                count += 1
                score = as_score(made, slug)
                said = [s for s in broken(score, number, made.do) if not any(word in s for word in of_lines)]
                assert said == [], (slug, one.first)
                if number > 1:
                    below = {2: 1, 3: 2, 6: 3}[number]
                    stops = [
                        s
                        for s in broken(score, below, made.do)
                        if ": tone" in s or "figure" in s or "move" in s
                    ]
                    assert stops, (slug, one.first)
    assert count > 5
