"""What a tune is made of, on cases small enough to check by ear."""

import json

import pytest

from kopje.api.analysis_json import analysis_json
from kopje.cli import main
from kopje.core.analysis.problems import problems
from kopje.core.analysis.repairs import repaired, repairs
from kopje.core.analysis.tone_set import tone_set_name
from kopje.core.music.degree import Degree
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.songs.suitability import fit
from making import declared, made_card, said, shipped, tune


def elements(body: str, meter: str = "2/4") -> list[tuple[str, int]]:
    return [(key, count) for key, count, _ in tune(body, meter=meter).element_rows]


@pytest.mark.parametrize(
    ("key", "body", "do", "resting", "tonality", "sure"),
    [
        ("F", "c2A2|A2A2|cAGA|F4|]", "F", "do", "major", 0.85),
        ("F", "c2A2|G2A2|cdGA|F4|]", "F", "do", "major", 0.85),
        ("Dm", "AAGG|FED2|EFED|D4|]", "F", "la", "minor", 0.95),
        ("Dm", "AAGG|FED2|EFED|F4|]", "F", "la", "minor", 0.60),
        ("D", "A2F2|AAF2|A2F2|A4|]", "D", None, "not_established", 0.40),
        ("C", "E2D2|C4|E2D2|C4|]", "C", "do", "not_established", 0.85),
        ("G dor", "G2B2|AGFG|ABcB|G4|]", "F", "re", "not_established", 0.95),
        ("F", "D2^C2|D2E2|F2E2|D4|]", "F", "la", "minor", 0.85),
    ],
)
def test_where_home_is_and_how_sure(
    key: str, body: str, do: str, resting: str, tonality: str, sure: float
) -> None:
    found = tune(body, key).tonality
    assert (str(found.do), found.resting, found.name, float(found.confidence)) == (
        do,
        resting,
        tonality,
        sure,
    )
    assert found.reasons


def test_fi_always_and_fa_never_over_la_is_heard_as_dorian() -> None:
    found = tune("A2c2|BA^FA|ABcB|A4|]", "C").tonality
    assert (str(found.do), found.resting, found.name, float(found.confidence)) == ("G", "re", "dorian", 0.6)


@pytest.mark.parametrize(
    ("slug", "tones", "name"),
    [
        ("kestrel-kestrel", "mi so", "bitonic"),
        ("my-umbrella-has-a-hole", "do re mi so", "tetratonic"),
        ("caterpillar-walk", "do re mi so la", "do-pentatonic"),
        ("here-comes-the-tram", "do re mi fa so", "major-pentachord"),
        ("owls-awake", "la, ti, do re mi", "minor-pentachord"),
        ("lantern-boat", "ti, do re mi fa so", "six-tone"),
    ],
)
def test_tone_sets_have_their_names(slug: str, tones: str, name: str) -> None:
    a = shipped(slug)
    assert (" ".join(map(str, a.tone_set)), a.tone_set_name) == (tones, name)


@pytest.mark.parametrize(
    ("body", "meter", "wanted"),
    [
        ("AA A2", "2/4", [("quarter", 1), ("two_eighths", 1)]),
        ("A c2 A", "2/4", [("syncopation", 1)]),
        ("A3 A", "2/4", [("dotted_quarter_eighth", 1)]),
        ("A A2 A A2", "3/4", [("quarter", 1), ("syncopation", 1)]),
        ("A/A/A/A/ A2", "2/4", [("quarter", 1), ("four_sixteenths", 1)]),
        ("A2-A2", "2/4", [("half", 1), ("tie", 1)]),
        ("zA A2", "2/4", [("quarter", 1), ("half_beat_rest", 1)]),
        ("z4", "2/4", [("bar_rest", 1)]),
        ("A2A AAA", "6/8", [("three_eighths", 1), ("quarter_eighth", 1)]),
        ("(3AAA A2", "2/4", [("quarter", 1), ("triplet", 1)]),
    ],
)
def test_rhythm_elements_by_exact_proportion(body: str, meter: str, wanted: list[tuple[str, int]]) -> None:
    closed = f"{body}|A4|]" if body == "z4" else f"{body}|]"
    found = [pair for pair in elements(closed, meter) if body != "z4" or pair[0] == "bar_rest"]
    assert found == wanted


def test_a_figure_without_a_name_is_shown_not_renamed() -> None:
    a = tune("A3/2z/ A2|]")
    assert [(figure.key, figure.text) for figure in a.figures] == [(None, "3/4 r1/4"), ("quarter", "1")]


def test_a_pickup_is_an_upbeat_and_its_whole_beats_are_named() -> None:
    rows = {key: (count, bars) for key, count, bars in tune("AA|c2A2|G2|]", meter="2/4").element_rows}
    assert rows["upbeat"] == (1, (0,))
    assert rows["two_eighths"] == (1, (0,))


def test_a_note_held_over_the_bar_line_is_cut_there() -> None:
    a = tune("A2 A2-|A c A2|]")
    assert [figure.text for figure in a.figures if figure.key is None] == ["~1/2 1/2"]


def test_mi_so_is_a_skip_and_a_repeat_is_no_step() -> None:
    assert shipped("kestrel-kestrel").motion["step"] == 0
    assert shipped("frost-on-the-fence").motion["half_step"] > 0


def test_bars_that_do_not_add_up_are_named_by_number() -> None:
    a = tune("A2A2|A2A2A2|A2|A4|]")
    assert [(p.bar, p.code, said(p.reason)) for p in a.problems] == [
        (2, "bar_too_long", "Bar 2 has 3 beats, the meter asks for 2."),
        (3, "bar_too_short", "Bar 3 has 1 beat, the meter asks for 2."),
    ]


@pytest.mark.parametrize(
    ("body", "told", "mended"),
    [
        ("A2A2|A2|]", "Bar 2 has 1 beat, the meter asks for 2.", "A rest of 1 beat at its end."),
        (
            "A2A2A|A4|]",
            "Bar 1 has 2 and a half beats, the meter asks for 2.",
            "Its longest tone half a beat shorter.",
        ),
        (
            "A4|A3|A4|]",
            "Bar 2 has 1 and a half beats, the meter asks for 2.",
            "A rest of half a beat at its end.",
        ),
    ],
)
def test_bars_are_told_and_mended_as_a_teacher_would(body: str, told: str, mended: str) -> None:
    """A last bar may be short only to pay a pickup back."""
    a = tune(body)
    assert told in [said(p.reason) for p in a.problems]
    ways = repairs(a.tune)
    assert mended in [said(way.reason) for way in ways]
    for way in ways:
        again = problems(repaired(a.tune, {way.bar: way.how}))
        assert not [p for p in again if p.bar == way.bar], way


def test_minor_told_from_do_has_the_sets_of_minor() -> None:
    names = [Degree.parse(t) for t in ("do", "re", "me", "fa", "so")]
    assert tone_set_name(names, "do") == "minor-pentachord"
    assert tone_set_name([*names, Degree.parse("le"), Degree.parse("ti")], "do") == "harmonic-minor"
    assert tone_set_name([Degree.parse(t) for t in ("do", "me", "fa", "so", "te")], "do") == "la-pentatonic"


def test_only_a_step_is_a_step() -> None:
    """Low la by a skip, twice by repeating, never by step."""
    card = made_card("skips", "F2 D2 | D2 F2 | F2 D2 | D2 F2 | G2 F2 | F4 |]")
    low = card.content(ConceptKey("low-la"))
    assert low is not None
    assert (low.count, low.by_step) == (4, 0)
    found = fit(card, SO_MI_FIRST.concept("low-la"), "prepare", declared("so-mi", "do"))
    assert not any("by step" in said(reason) for reason in found.verdict.reasons)


def test_the_pickup_must_be_paid_back() -> None:
    assert [p.code for p in tune("A2|A2A2|A4|]").problems] == ["pickup_not_completed"]
    assert not tune("A2|A2A2|A2|]").problems


def test_form_words_and_phrases_of_a_shipped_song() -> None:
    a = shipped("lantern-boat")
    assert a.form == "a a' b a'"
    assert a.words["ti,"] == ("y's", "off")


def test_the_command_prints_the_contract(tmp_path: object, capsys: pytest.CaptureFixture[str]) -> None:
    file = tmp_path / "goat.abc"  # type: ignore[operator]
    file.write_bytes(b"X:1\nT:Goat\nM:2/4\nL:1/8\nK:F\nAAA2|GGG2|AAGG|GGF2|]\n")
    assert main(["analyse", str(file), "--json"]) == 0
    found = json.loads(capsys.readouterr().out)
    assert list(found) == list(analysis_json(shipped("my-umbrella-has-a-hole")))
    assert (found["do"], found["resting_tone"], found["pickup_beats"], found["bars"]) == ("F", "do", "0", 4)
    assert found["rhythm"][:3] == ["1/2", "1/2", "1"]
    assert found["elements"][0] == {"key": "quarter", "count": 3, "bars": [1, 2, 4]}
    assert found["phrases"][0]["bars"] == [1, 1] or found["phrases"][0]["bars"][0] == 1


def test_the_command_refuses_in_one_line(tmp_path: object, capsys: pytest.CaptureFixture[str]) -> None:
    file = tmp_path / "empty.abc"  # type: ignore[operator]
    file.write_bytes(b"\n")
    assert main(["analyse", str(file)]) == 2
    assert capsys.readouterr().err.count("\n") == 1
