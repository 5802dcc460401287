"""Words and the tones they are sung on, verse by verse."""

from collections import Counter

import pytest

from kopje.core.analysis.text_setting import sums, sung_syllables
from making import SONGS, said, shipped, tune

SLUGS = sorted(file.stem for file in SONGS.glob("*.abc"))


def test_a_syllable_is_held_over_the_tones_that_have_none_and_another_verse_may_split_them() -> None:
    a = tune("c2A2|(AG) F2|]\nw: Who calls far_ off\nw: ech-o riv-er-side\n", "F")
    one, two = ([s for s in sung_syllables(a) if s.verse == verse] for verse in (1, 2))
    assert [(s.text, " ".join(map(str, s.tones))) for s in one] == [
        ("Who", "so"),
        ("calls", "mi"),
        ("far", "mi re"),
        ("off", "do"),
    ]
    assert [(s.before, s.text, s.after) for s in two] == [
        ("", "ech", "o"),
        ("ech", "o", ""),
        ("", "riv", "erside"),
        ("riv", "er", "side"),
        ("river", "side", ""),
    ]
    assert [said(s.reason) for s in sums(a)] == [
        "4 syllables on 5 tones; held over more than one in bar 2.",
        "5 syllables on 5 tones; not set as verse 1 in bar 2.",
    ]


def test_a_rest_ends_a_held_syllable_and_a_tone_behind_it_has_no_words() -> None:
    a = tune("c2z2|A2G2|]\nw: Ah * so\n", "F")
    assert [(s.text, len(s.tones)) for s in sung_syllables(a)] == [("Ah", 1), ("so", 1)]


@pytest.mark.parametrize("slug", SLUGS)
def test_every_tone_of_a_shipped_song_is_sung_once_in_each_verse(slug: str) -> None:
    a = shipped(slug)
    for verse in {syllable.verse for sound in a.attacks for syllable in sound.syllables}:
        words = [one for one in sung_syllables(a) if one.verse == verse]
        assert Counter(tone for one in words for tone in one.tones) == Counter(a.degrees)
        assert words[0].note == a.attacks[0].note


def test_the_contract_names_syllables_of_verse_1_under_their_first_tone() -> None:
    a = shipped("call-across-the-hill")
    first = [one for one in sung_syllables(a) if one.verse == 1]
    for degree, texts in a.words.items():
        assert set(texts) == {one.text.lower() for one in first if str(one.tones[0]) == degree}


def test_a_file_that_joins_all_its_syllables_makes_no_endless_word() -> None:
    words = sung_syllables(tune("c2A2|" * 100 + "c4|]\nw: " + "la-" * 201 + "\n", "F"))
    assert len(words) == 201
    assert max(len(one.before + one.after) for one in words) <= 2 * 24
