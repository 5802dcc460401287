"""What is said about a tune beyond its tones: relations of phrases, turns, how hard it is, how a bar can be
mended."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.difficulty import difficulty
from kopje.core.analysis.melodic_turns import skeleton, turns
from kopje.core.analysis.relations import relations
from kopje.core.analysis.repairs import repaired, repairs
from kopje.core.music.tune import transposed
from making import SONGS, shipped, tune
from making import said as in_words

SLUGS = sorted(file.stem for file in SONGS.glob("*.abc"))


@pytest.mark.parametrize(
    ("body", "said"),
    [
        ("c2A2|G4|\nc2A2|G2F2|]", "a' differs from a: do is added on the last tone."),
        ("c2A2|G2F2|\nc2A2|G2G2|]", "a' differs from a: re instead of do on the last tone."),
        ("c2A2|F4|\nccA2|F4|]", "a' differs from a: so is split for a syllable in bar 3 after beat 1."),
        ("ccA2|F4|\nc2A2|F4|]", "a' differs from a: two tones so are joined in bar 3 on beat 1."),
        ("c2A2|c4|\nB2G2|B4|]", "a' is a, a step lower."),
        ("c2A2|F4|\nc2A2|F4|]", "a is the same as phrase 1."),
    ],
)
def test_related_phrases_are_told_apart_exactly(body: str, said: str) -> None:
    assert [in_words(one.reason) for one in relations(tune(body, "F"))] == [said]


def test_a_phrase_in_the_parallel_tonality_has_its_own_do() -> None:
    a = tune("C2E2|G2E2|D2C2|C4|\nC2_E2|G2_E2|D2C2|C4|]")
    assert [(str(home.do), home.resting, home.name) for home in a.homes] == [
        ("C", "do", "major"),
        ("Eb", "la", "minor"),
    ]
    half = len(a.attacks) // 2
    assert " ".join(map(str, a.degrees[half:])) == "la, do mi do ti, la, la,"
    both = tune("C2E2|G2E2|D2C2|C4|\nC2_E2|G2E2|D2C2|C4|]")
    assert [home.name for home in both.homes] == ["major", "major"]


@pytest.mark.parametrize(
    ("body", "do", "name", "tones"),
    [
        ("C2E2|G2E2|D2C2|C4|\nC2_E2|G2_E2|D2C2|C4|]", "Eb", "minor", "la, ti, do mi"),  # a tie: the last
        ("C2E2|G2E2|D2C2|C4|\nC2_E2|G2_E2|D2C2|C4|\nC2_E2|G2_E2|D2C2|C4|]", "Eb", "minor", "la, ti, do mi"),
        ("C2E2|G2E2|D2C2|C4|\nC2E2|G2E2|D2C2|C4|\nC2_E2|G2_E2|D2C2|C4|]", "C", "major", "do re mi so"),
    ],
)
def test_a_song_is_called_what_most_of_it_is(body: str, do: str, name: str, tones: str) -> None:
    a = tune(body)
    assert (str(a.tonality.do), a.tonality.name) == (do, name)
    assert " ".join(map(str, a.tone_set)) == tones


def test_turns_are_counted_in_phrases_and_a_turn_inside_a_longer_one_is_not_said_twice() -> None:
    a = tune("c2A2|cA c2|\nc2A2|cA c2|]", "F")
    assert [(str(turn), turn.count) for turn in turns(a)] == [
        ("so mi so", 4),
        ("so mi so mi", 2),
        ("mi so mi so", 2),
    ]
    assert " ".join(map(str, skeleton(tune("ccAA|GGF2|]", "F"), 0))) == "so mi re do"
    assert " ".join(map(str, skeleton(tune("cdAA|GAF2|]", "F"), 0, strong=True))) == "so re"


@given(st.sampled_from(SLUGS), st.integers(-4, 4))
@settings(max_examples=40, deadline=None)
def test_moving_a_song_changes_neither_its_relations_nor_its_turns_nor_how_hard_it_is_but_for_the_key(
    slug: str, fifths: int
) -> None:
    one = shipped(slug)
    steps = {0: (0, 0), 1: (4, 7), 2: (1, 2), 3: (5, 9), 4: (2, 4)}[abs(fifths)]
    two = analyse(transposed(one.tune, *(steps if fifths >= 0 else (-steps[0], -steps[1]))))
    assert [r.reason for r in relations(one)] == [r.reason for r in relations(two)]
    assert turns(one) == turns(two)
    assert [a for a in difficulty(one) if a.name != "key"] == [a for a in difficulty(two) if a.name != "key"]
    assert all(1 <= axis.step <= 5 and axis.why for axis in difficulty(one))


@pytest.mark.parametrize(
    "body", ["A2A2|A2AAA|A2A|A4|]", "A2A2|A2A2A2|A4|]", "A2A2|A2|A4|]", "A2A2|A2A2z2|A4|]", "A2A2|A|A4|]"]
)
def test_every_way_offered_mends_its_bar(body: str) -> None:
    a = tune(body)
    bad = {problem.bar for problem in a.problems}
    offered = repairs(a.tune)
    assert {way.bar for way in offered} == bad
    for way in offered:
        after = analyse(repaired(a.tune, {way.bar: way.how}))
        assert way.bar not in {problem.bar for problem in after.problems}
        assert len(after.attacks) == len(a.attacks)
