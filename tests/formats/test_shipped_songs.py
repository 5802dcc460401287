"""The songs that ship: singable, their own, in many shapes, and what their facts say they are."""

from __future__ import annotations

import re
from collections import Counter
from fractions import Fraction
from pathlib import Path

import pytest
from tests.core.song_table import TABLE, cards, songs_for, table
from tests.formats.corpora import corpus
from tests.formats.originality import (
    MOST_COMMON,
    MOST_OF_ONE_RHYTHM,
    Shipped,
    borrowed,
    collected,
    common_share,
    shipped,
    too_alike,
)

from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.prosody import DOUBTFUL, odd_places
from kopje.core.analysis.together import remarks
from kopje.core.choir.rungs import rungs_of
from kopje.core.music.score import Score
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.facts import found_traits, tagged
from kopje.core.songs.singing_together import partners, rounds
from kopje.formats.read import read_scores
from kopje.formats.stress import stress_dictionary

SONGS = Path(__file__).parents[2] / "src" / "kopje" / "demo" / "songs"
PIECES = SONGS.parent / "pieces"
FILES = {file.stem: file.read_text() for file in sorted(SONGS.glob("*.abc"))}


def fact(slug: str, name: str) -> str:
    found = re.search(rf"^N:{name}: (.*)$", FILES[slug], re.MULTILINE)
    return found[1] if found else ""


def kind(slug: str) -> str:
    found = re.search(r"^R:(.*)$", FILES[slug], re.MULTILINE)
    return found[1] if found else ""


def score(slug: str) -> Score:
    return read_scores(FILES[slug].encode(), f"{slug}.abc")[0]


def of_kind(name: str) -> dict[str, Analysis]:
    return {slug: analyse(score(slug).tune) for slug in FILES if kind(slug) == name}


@pytest.mark.parametrize("slug", FILES)
def test_a_song_adds_up_is_worded_and_comes_home(slug: str) -> None:
    for number, part in enumerate(score(slug).parts, 1):
        a = analyse(part.tune)
        assert not a.problems
        verses = {s.verse for sound in a.attacks for s in sound.syllables}
        assert verses or number > 1
        for verse in verses:
            held = sum(all(s.verse != verse for s in sound.syllables) for sound in a.attacks)
            assert held * 8 <= len(a.attacks), "slurs are rare"
    a = analyse(score(slug).tune)
    if a.tonality.resting and kind(slug) != "choir":  # a choir's upper part may end on the third
        assert a.final is not None
        assert a.final.syllable == a.tonality.resting
    for name in ("source", "language", "rights", "role", "game"):
        assert fact(slug, name), name
    assert not [figure.text for figure in a.figures if figure.key is None]


@pytest.mark.parametrize("slug", FILES)
def test_the_words_sit_on_the_beat(slug: str) -> None:
    """No doubtful place that its author has not signed with a reason, one hint at most."""
    for part in score(slug).parts:
        odd = odd_places(analyse(part.tune), stress_dictionary())
        assert fact(slug, "signed") or not [place for place in odd if place.kind in DOUBTFUL], odd
        assert sum(place.kind == "hint" for place in odd) <= 1, odd


@pytest.mark.parametrize("slug", FILES)
def test_a_song_has_what_its_facts_say(slug: str) -> None:
    card = dict(cards())[slug]
    for part in fact(slug, "role").split("; "):
        verb, key = part.split()
        concept, content = SO_MI_FIRST.concept(key), card.content(ConceptKey(key))
        assert verb in ("prepares", "presents", "practises")
        assert content or concept.found_by == "any_song" or tagged([key], SO_MI_FIRST), part
        if verb == "presents" and content and not content.aspect:
            assert content.most_in_phrase >= 2 or content.turns >= 2, part


def test_every_concept_has_two_songs_that_present_it_and_three_that_practise_it() -> None:
    """But for the levels of reading: they are read from lines that nobody has sung."""
    for concept in SO_MI_FIRST.concepts:
        if concept.found_by != "any_song" and not rungs_of(concept.key):
            presents, practises = songs_for(concept)
            assert len(presents) >= 2, concept.key
            assert len(practises) >= 3, concept.key
    assert TABLE.read_text() == table(), "run python -m tests.core.song_table"


def test_the_songbook_is_wide() -> None:
    every = [analyse(score(slug).tune) for slug in FILES]
    pitched = [a for a in every if a.range]
    assert len(every) >= 90
    homes = Counter(str(a.tonality.do) for a in pitched)
    assert all(homes[letter] >= 2 for letter in ("C", "D", "Eb", "E", "F", "G", "A")), homes
    meters = Counter(str(a.tune.bars[0].meter) for a in every)
    assert all(meters[meter] >= 5 for meter in ("2/4", "4/4", "3/4", "6/8", "2/2")), meters
    assert meters["5/4"]
    other = sum(a.tonality.resting not in ("do", None) for a in pitched)
    assert other * 3 >= len(pitched), "a third in minor, la-pentatonic or a mode"
    assert {a.tonality.name for a in pitched} >= {"dorian", "phrygian", "lydian", "mixolydian"}
    kinds = Counter(kind(slug) for slug in FILES)
    wanted = {
        "round": 5,
        "partner song": 8,
        "recorder": 10,
        "choir": 9,
        "with bordun": 8,
        "cumulative": 2,
        "spoken rhyme": 4,
        "lullaby": 3,
    }
    assert all(kinds[name] >= count for name, count in wanted.items()), kinds


def test_rounds_and_partner_songs_fit_when_they_are_laid_over_each_other() -> None:
    for slug, a in of_kind("round").items():
        assert rounds(a)[0].fit.well, slug
    pairs = of_kind("partner song")
    for slug, a in pairs.items():
        other = re.search(r"Sing it with “([^”]+)”", fact(slug, "game"))
        assert other is not None
        (partner,) = (one for one in pairs.values() if one.tune.title == other[1])
        fit = partners(a, partner).fit
        assert fit is not None
        assert fit.well, slug


def test_parts_of_choir_pieces_do_not_clash_nor_run_side_by_side() -> None:
    for slug in of_kind("choir"):
        found = [one for one in remarks(score(slug)) if one.kind in ("clash", "parallel_fifths", "crossing")]
        assert not found, (slug, found)


def test_recorder_songs_lie_on_the_tones_of_its_order() -> None:
    levels = Counter(
        trait
        for a in of_kind("recorder").values()
        for trait in found_traits(a)
        if trait.startswith("recorder")
    )
    assert levels["recorder_three"] >= 3
    assert levels["recorder_five"] >= 4
    assert levels["recorder_eight"] >= 2


def test_no_two_songs_are_alike() -> None:
    songs = shipped()
    assert too_alike(songs) == []
    assert max(Counter(song.rhythm for song in songs).values()) <= MOST_OF_ONE_RHYTHM


def test_no_tune_is_borrowed_from_the_installed_collections() -> None:
    home = corpus()
    if home is None:
        pytest.skip("no collections installed")
    among = collected(home)
    assert among.tunes > 12_000
    for song in shipped():
        assert borrowed(song, among) == [], song.slug
        assert common_share(song, among) <= Fraction(MOST_COMMON), song.slug
    for file in sorted(PIECES.glob("*.abc")):
        for part in read_scores(file.read_bytes(), file.name)[0].parts:
            if part.name != "Wood":
                assert borrowed(Shipped(file.stem, analyse(part.tune)), among) == [], file.stem
