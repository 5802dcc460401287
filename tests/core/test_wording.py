"""What a school calls things: its phases and its syllables, without touching what is stored."""

from __future__ import annotations

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.elements import ORDER
from kopje.core.analysis.layers import line, spoken_rests
from kopje.core.errors import WordingError
from kopje.core.music.degree import NATURAL, RAISED, Degree
from kopje.core.music.rhythm_syllables import FIGURES, SYSTEMS, checked_own, sounding, spoken, syllables
from kopje.core.planning.year.arcs import lengths_of
from kopje.core.sequence.concepts import Sequence
from kopje.core.sequence.grades import CHOIR
from kopje.core.sequence.phases import JOIN_MAKE_SAY, LISTEN_TO_CREATE, MODELS
from kopje.core.sequence.section_state import SectionState, due
from kopje.core.sequence.shipped import SHIPPED
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.sequence.wording import Dates, Wording
from kopje.words import ENGLISH_CATALOGUE, Words
from making import declared, made_card, ready, refuses, said, taught, tune

SOL = Wording(so="sol", ti="si", model=LISTEN_TO_CREATE.key, phase_words={"echo": "sing back"})
SILENT = {"beat_rest", "half_rest", "bar_rest", "compound_beat_rest", "upbeat", "tie"}


def spoken_by(sequence: Sequence) -> Words:
    return Words(ENGLISH_CATALOGUE, sequence)


def of(sequence_words: Wording, **counts: tuple[int, int, int]) -> SectionState:
    state = declared("high-low", "contour", "so-mi", "quarter-eighths", "beat-rest", "two-beat-meter", "half")
    return SectionState(
        state.name, state.grade, SO_MI_FIRST.worded(sequence_words), state.declared, taught(**counts)
    )


def test_a_school_that_says_sol_hears_it_in_names_signs_reasons_and_songs() -> None:
    sequence = SO_MI_FIRST.worded(SOL)
    assert (sequence.concept("so-mi").name, sequence.concept("so-mi").sign) == ("sol and mi", "sol mi")
    assert sequence.concept("ti").name == "si"
    assert sequence.concept("syncopation").name == "syncopation"
    found = due(
        SectionState(
            "2A", 1, sequence, frozenset(map(type(sequence.concepts[0].key), ["high-low", "contour"]))
        )
    )
    assert any(
        "Sol and mi is next" in spoken_by(sequence).say(reason) for item in found for reason in item.reasons
    )
    from kopje.core.songs.contents import card

    low, words = card("x", tune("G,2 C2 | E2 C2 |"), sequence), spoken_by(sequence)
    assert "low so" not in [words.term(one.label) for one in low.contents]
    assert "low sol" in [words.term(one.label) for one in low.contents]
    assert made_card("y", "F2 A2").contents  # the shipped words are untouched beside it


@pytest.mark.parametrize(
    ("prepared", "word"), [(0, "listen"), (1, "listen"), (2, "sing back"), (3, "sing back")]
)
def test_the_phase_of_the_next_lesson_is_named_by_the_schools_model(prepared: int, word: str) -> None:
    la = next(item for item in due(of(SOL, la=(prepared, 0, 0))) if item.concept.key == "la")
    assert la.phase is not None
    assert (la.purpose, la.phase.word) == ("prepare", word)


def test_after_the_name_one_reads_and_then_creates() -> None:
    state = of(SOL, la=(4, 1, 4))
    la = next(item for item in due(state) if item.concept.key == "la")
    assert la.phase is not None
    assert (la.purpose, la.phase.word) == ("practise", "create")
    assert "La is named and created with in 4 lessons so far." in [
        spoken_by(state.sequence).say(reason) for reason in la.reasons
    ]


def test_lengths_of_arcs_come_from_the_model() -> None:
    assert lengths_of(JOIN_MAKE_SAY).prepare == 5
    assert lengths_of(LISTEN_TO_CREATE).least_practise == 4  # the practised place holds four
    assert all(model.lessons("present") == (1, 1, 1) for model in MODELS.values())


def test_the_plan_says_what_and_facts_say_how_far() -> None:
    state = of(Wording(), re=(0, 0, 0), la=(4, 1, 6), do=(2, 0, 0))
    state = SectionState(state.name, 2, state.sequence, state.declared, state.taught, ready("la"))  # type: ignore[arg-type]
    keys = [c.key for c in state.sequence.concepts if c.key in ("re", "la", "do")]
    found = {item.concept.key: item for item in due(state, keys)}
    assert "la" not in found  # named, practised and ready, whatever a plan made earlier says
    assert found["do"].purpose == "prepare"
    assert "The year's plan has it in this lesson." in [said(reason) for reason in found["re"].reasons]


def test_a_choir_reads_its_levels_one_after_the_other_and_classes_never_get_them() -> None:
    for sequence in SHIPPED.values():
        levels = [c for c in sequence.concepts if c.strand == "sight-singing"]
        assert [c.grade for c in levels] == [CHOIR] * 12
    choir = SectionState("Choir", CHOIR, SO_MI_FIRST, frozenset())
    assert [item.concept.key for item in due(choir)] == ["reading-1"]
    five = SectionState("5A", 5, SO_MI_FIRST, frozenset(c.key for c in SO_MI_FIRST.concepts if c.grade <= 5))
    assert due(five) == ()


@given(
    st.integers(0, 6),
    st.integers(-1, 1),
    st.integers(-2, 2),
    st.sampled_from(["so", "sol"]),
    st.sampled_from(["ti", "si"]),
)
def test_every_degree_keeps_a_name_of_its_own(index: int, alter: int, octave: int, so: str, ti: str) -> None:
    words = Wording(so=so, ti=ti)  # type: ignore[arg-type]
    shown = words.syllable(str(Degree(index, alter, octave)))
    others = {
        words.syllable(str(Degree(i, a, octave)))
        for i in range(7)
        for a in (-1, 0, 1)
        if (i, a) != (index, alter)
    }
    assert shown not in others


@pytest.mark.parametrize("system", SYSTEMS)
def test_every_figure_is_spoken_in_every_system_one_syllable_a_note(system: str) -> None:
    counts = {
        "quarter": 1,
        "two_eighths": 2,
        "four_sixteenths": 4,
        "triplet": 3,
        "syncopation": 3,
        "six_sixteenths": 6,
    }
    for key in set(ORDER) - SILENT:
        assert syllables(key, system), key  # type: ignore[arg-type]
    for key, count in counts.items():
        assert len(syllables(key, system)) == count  # type: ignore[arg-type]
    assert not any(syllables(key, system) for key in SILENT)  # type: ignore[arg-type]


def test_counting_goes_on_with_the_beat() -> None:
    assert syllables("four_sixteenths", "counting", 2) == ("2", "e", "&", "a")
    assert syllables("dotted_quarter_eighth", "counting", 3) == ("3", "4&")
    assert [NATURAL[4], RAISED["so"]] == ["so", "si"]


def test_what_children_are_told_is_said_in_the_schools_words() -> None:
    breath = Wording(
        terms={"phrase": "breath", "phrases": "breaths", "rest": "silence", "home": "house tone"}
    )
    sequence = SO_MI_FIRST.worded(breath)
    assert sequence.concept("beat-rest").name == "beat silence"
    assert sequence.concept("phrase").name == "breaths a and b"
    assert sequence.concept("do").prompt == "Which tone feels like house tone?"
    words = spoken_by(sequence)
    assert words.word("figure_beat_rest") == "beat silence"
    assert words.word("figure_half_beat_rest") == "half-beat silence"
    assert spoken_by(SO_MI_FIRST).word("figure_beat_rest") == "beat rest"
    assert breath.step("Breathe at each phrase; the rest of you listen.").startswith(
        "Breathe at each breath; the rest"
    )


@given(st.dictionaries(st.sampled_from(FIGURES), st.integers(1, 6)))
def test_own_syllables_are_one_for_each_note_that_sounds_or_are_refused(counts: dict[str, int]) -> None:
    own = {figure: "  ".join(["pa"] * count) for figure, count in counts.items()}
    if all(sounding(figure) == count for figure, count in counts.items()):
        kept = checked_own(own)
        for figure, count in counts.items():
            assert syllables(figure, "beat-function", own=kept) == ("pa",) * count
    else:
        with refuses(WordingError, "syllables?, one for each note that sounds"):
            checked_own(own)


def test_a_rest_is_silent_until_the_school_gives_it_a_word() -> None:
    a = tune("F2 z2 | F F F2 |")
    assert spoken_rests(a, Wording()) == {}
    own = Wording(own_rhythm=checked_own({"beat_rest": " sh ", "two_eighths": "go ing", "half": ""}))
    assert list(spoken_rests(a, own).values()) == ["sh"]
    assert list(line(a, "rhythm", own).values()) == ["ta", "go", "ing", "ta"]
    assert (spoken("beat_rest", "ta-titi", own.own_rhythm), spoken("beat_rest", "ta-titi")) == ("sh", "")


@pytest.mark.parametrize(
    ("dates", "short", "long"),
    [
        ("day_first", "24 Nov", "24 November 2026"),
        ("month_first", "Nov 24", "November 24, 2026"),
        ("iso", "2026-11-24", "2026-11-24"),
    ],
)
def test_dates_are_written_as_the_school_writes_them(dates: Dates, short: str, long: str) -> None:
    words = spoken_by(SO_MI_FIRST.worded(Wording(dates=dates)))
    assert words.word("sung_lately", day=date(2026, 11, 24)) == f"Sung lately, on {short}."
    assert long in words.word("rolled_over_already", day=date(2026, 11, 24))
