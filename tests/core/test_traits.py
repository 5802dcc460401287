"""Detectors: each finds what it is named after, in the bars where it is, and nothing where it is not."""

from __future__ import annotations

import pytest

from kopje.core.analysis.traits import DETECTORS, forms, traits
from kopje.core.reasons import because
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.shipped import SHIPPED
from kopje.core.songs.facts import TRAITS, found_traits
from kopje.core.songs.singing_together import partners, rounds
from kopje.words import ENGLISH_WORDS
from making import tune

ONE, TWO = "one two three four", "five six nine ten"


def sung(*lines: str) -> str:
    """Lines of music, each with its words under it."""
    return "\n".join(f"{music}\nw:{words}" for music, words in zip(lines[::2], lines[1::2], strict=True))


A, B, C, D = "c2A2|c2A2|", "A2F2|F4|", "FGAB|c4|", "d2d2|c4|"


@pytest.mark.parametrize(
    ("body", "trait", "bars"),
    [
        ("c2z2|c2A2|z4|F4|]", "rest", (1, 3)),
        ("c2A2|F4|]", "rest", ()),
        ("c2A2|F2z2|]", "rest", ()),  # silence behind the last tone is no silence in the song
        ("c4|A4|F4|c4|]", "long_short", ()),
        ("c2c2|AAF2|c4|F4|]", "long_short", (2,)),
        ("F2G2|A2c2|]", "contour", (1,)),
        ("c2A2|c2A2|]", "contour", ()),
        ("F2F2|G2A2|]", "contour", (1,)),  # repeated tones go along
        ("F2A2|c2c2|]", "leap", ()),
        ("F2c2|F2F2|]", "leap", (1, 2)),
        (A + "\n" + A + "\n" + B + "\n" + A + "]", "aaba", (1, 3, 5, 7)),
        (A + "\n" + B + "\n" + A + "\n" + C + "]", "abac", (1, 3, 5, 7)),
        (A + "\n" + B + "\n" + A + "\n" + B + "]", "abac", ()),
        (A + "\n" + C + "\n" + A + "\n" + D + "\n" + A + "]", "rondo", (1, 5, 9)),
        (A + "\n" + C + "\n" + A + "\n" + C + "\n" + A + "]", "rondo", ()),
        (sung(A, ONE, B, "yes I am", A, TWO, B, "yes I am"), "call_answer", (3, 7)),
        (sung(A, ONE, B, "yes I am", A, TWO, B, "no it's not"), "call_answer", ()),
        (sung(A, f"{ONE}\nw:{TWO}", B, "home we go\nw:home we go"), "verse_refrain", (3,)),
        (sung(A, ONE, B, "home we go"), "verse_refrain", ()),
        ("c2A2|1 F4:|2 F4|]", "endings", (2, 3)),
        ("|:c2A2|F4:|", "repeat_sign", (2,)),
        ("c2A2|!fermata!F4|]", "fermata", (2,)),
        ("c2.A2|!>!F4|]", "staccato", (1,)),
        ("c2.A2|!>!F4|]", "accent", (2,)),
        ("!p!c2A2|!f!F4|]", "louder_softer", (2,)),
        ("!p!c2A2|F4|]", "louder_softer", ()),
        ("c2A2|c2d2|]", "few_lines", (1, 2)),
        ("c2A2|F2C2|]", "few_lines", ()),
        ("F2A2|F4|]", "do_in_space", (1, 2)),
        ("F2A2|F4|]", "do_on_line", ()),
        ("F2B2|F4|]", "needs_sign", (1,)),
        ("F2A2|c4|]", "needs_sign", ()),
        ("F2A2|G2E2|F2A2|F4|]", "two_chords", (2,)),
    ],
)  # fmt: skip
def test_a_trait_is_found_where_it_is(body: str, trait: str, bars: tuple[int, ...]) -> None:
    assert traits(tune(body, "F")).get(trait, ()) == bars


@pytest.mark.parametrize(
    ("meter", "body", "felt"),
    [
        ("2/4", "c2A2|F4|]", "felt_two"),
        ("2/2", "c4A4|F8|]", "felt_two"),
        ("3/4", "c2A2F2|F6|]", "felt_three"),
        ("4/4", "c2A2F2F2|F8|]", "felt_four"),
        ("6/8", "c3A3|F6|]", "felt_compound"),
    ],
)
def test_a_meter_is_felt_in_its_beats(meter: str, body: str, felt: str) -> None:
    found = {key for key in traits(tune(body, "F", meter)) if key.startswith("felt")}
    assert found == {felt}


def test_a_form_is_seen_in_phrases_and_in_groups_of_them() -> None:
    assert dict(forms("abacab"))[2] == ("a", "b", "a")
    assert dict(forms("aabb")) == {1: ("a", "a", "b", "b"), 2: ("a", "b")}


ROUND = "F2A2 c2A2|F4 F4|\nA2c2 f2c2|A4 A4|]"


def test_a_round_is_tried_out_and_a_song_that_rubs_is_none() -> None:
    best = rounds(tune(ROUND, "F", "4/4"))[0]
    assert (best.voices, best.after, best.fit.clashes) == (2, 2, ())
    assert "round" in found_traits(tune(ROUND, "F", "4/4"))
    rubbing = rounds(tune("F2E2 F2E2|F4 F4|\nF2F2 E2E2|E4 F4|]", "F", "4/4"))[0]
    assert rubbing.fit.clashes
    assert not rubbing.fit.well


def test_partners_share_meter_home_and_length_and_are_laid_over_each_other_in_one_key() -> None:
    one, other = (
        tune("F2A2 c2c2|c4 A4|F2A2 G2E2|F8|]", "F", "4/4"),
        tune("E4 C4|E2E2 C4|E4 D2B,2|C8|]", "C", "4/4"),
    )
    found = partners(one, other)
    assert found.score is not None
    assert str(found.score.parts[1].tune.bars[3].notes[0].pitch) == "F4"
    assert found.fit is not None
    assert not found.fit.clashes
    assert partners(one, tune("c2A2|F4|]", "F")).why == because("partners_meter")
    assert partners(one, tune("A2c2 e2c2|A8|A2c2 e2c2|A8|]", "Am", "4/4")).why == because("partners_home")


@pytest.mark.parametrize("name", SHIPPED)
def test_a_sequence_is_found_shown_and_carried_by_a_year(name: str) -> None:
    """No core concept needs an optional one; each is found by what there is a detector for; each grade's core
    fits a year of lessons (one every week, kindergarten to grade 2 two)."""
    sequence = SHIPPED[name]
    optional = {c.key for c in sequence.concepts if not c.core}
    for concept in sequence.concepts:
        assert not (concept.core and set(concept.needs) & optional), concept.key
        assert set(concept.traits) <= set(TRAITS)
        assert concept.shown or concept.grade == CHOIR, concept.key
        assert not (concept.any_song and concept.found_in_music), concept.key
    for grade in range(6):
        lessons = 72 if grade <= 2 else 36
        new_places = [
            c
            for c in sequence.concepts
            if c.grade == grade and c.core and (c.line != "other" or c.strand == "staff")
        ]
        assert len(new_places) <= (lessons - 5) // 5, (grade, [c.key for c in new_places])
    assert {way for c in sequence.concepts for way in c.ways} == {"hear", "sing", "read", "write", "create"}


def test_every_trait_has_a_name() -> None:
    for key in TRAITS:
        assert ENGLISH_WORDS.say(because(f"trait_{key}"))
    assert set(DETECTORS) < set(TRAITS)
