"""Recorded pieces: what was tapped, what it tells, and how our own sound."""

from itertools import pairwise
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.together import remarks
from kopje.core.errors import RecordingError
from kopje.core.music.score import Score
from kopje.core.recordings.performance import WOOD, performed
from kopje.core.recordings.piece import CHANGES, Mark, Piece, tapped
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.formats.pieces import read_piece
from kopje.formats.read import read_scores

FOLDER = Path(__file__).parents[2] / "src" / "kopje" / "demo" / "pieces"
OURS = sorted(FOLDER.glob("*.abc"))
LENGTH = 120_000
moments = st.integers(0, LENGTH - 1)
taps = st.lists(
    st.builds(Mark, moments, st.sampled_from(["", "x", "y", "z"]), st.just(""))
    | st.builds(Mark, moments, st.just(""), st.sampled_from(CHANGES)),
    max_size=30,
)


def parts(letters: str) -> Piece:
    return tapped("", LENGTH, [Mark(n * 9_000, one) for n, one in enumerate(letters)], "four", [])


@given(taps)
def test_sections_fill_the_piece_without_gaps_whatever_was_tapped(marks: list[Mark]) -> None:
    piece = tapped("", LENGTH, marks, "free", [])
    sections = piece.sections
    assert all(one.ends == two.begins for one, two in pairwise(sections))
    if sections:
        assert (sections[0].begins, sections[-1].ends) == (0, LENGTH)
        assert sections[0].label == "a"


@given(taps)
def test_tapped_again_it_is_the_same(marks: list[Mark]) -> None:
    piece = tapped("", LENGTH, marks, "two", ["rondo"])
    assert tapped("", LENGTH, piece.marks, "two", ["rondo"]) == piece
    assert list(piece.marks) == sorted(piece.marks, key=lambda mark: mark.at)


@pytest.mark.parametrize(
    ("letters", "traits"),
    [
        ("aaba", {"aaba", "phrases", "same_different"}),
        ("abac", {"abac", "phrases", "same_different"}),
        ("abaca", {"rondo", "phrases", "same_different"}),
        ("ab", {"phrases"}),
        ("aa", set()),
    ],
)
def test_the_parts_tell_the_form(letters: str, traits: set[str]) -> None:
    assert parts(letters).traits == traits | {"felt_four"}


def test_a_concept_is_heard_in_it_by_what_was_tapped_or_by_the_teachers_word() -> None:
    rondo, la = SO_MI_FIRST.concept("rondo"), SO_MI_FIRST.concept("la-minor")
    assert parts("abaca").has(rondo)
    assert not parts("abab").has(rondo)
    assert not parts("abaca").has(la)
    assert tapped("", LENGTH, [], "two", ["la-minor"]).has(la)


@pytest.mark.parametrize(
    ("length", "marks", "said"),
    [
        (3_000, [], "recording_length"),
        (40 * 60_000, [], "recording_length"),
        (60_000, [Mark(60_000, "a")], "recording_mark_outside"),
        (60_000, [Mark(1_000, "", "purple")], "recording_change"),
        (LENGTH, [Mark(n * 900, "ab"[n % 2]) for n in range(130)], "recording_marks"),
    ],
)
def test_what_cannot_be_is_refused_and_said(length: int, marks: list[Mark], said: str) -> None:
    with pytest.raises(RecordingError) as refused:
        tapped("", length, marks, "two", [])
    assert refused.value.reason.code == said


@pytest.mark.parametrize("file", OURS, ids=lambda file: file.stem)
def test_our_own_pieces_are_sound(file: Path) -> None:
    data = file.read_bytes()
    own, score = read_piece(data, file.name), read_scores(data, file.name)[0]
    assert not [problem for part in score.parts for problem in analyse(part.tune).problems]
    assert len({len(part.tune.bars) for part in score.parts}) == 1
    assert 30_000 <= own.piece.length <= 70_000
    assert own.rights == "Apache-2.0"
    assert own.question.endswith(("?", "."))
    assert {key for key in own.piece.tags} <= set(SO_MI_FIRST.by_key)
    assert len(own.piece.sections) >= 3
    pitched = Score.of(score.title, [part for part in score.parts if part.name != "Wood"])
    assert not [one for one in remarks(pitched) if one.kind in ("clash", "crossing")]
    # A part that comes back has most of the tones it had, at the same places.
    tune = own.performance.tones
    heard: dict[str, set[tuple[int | None, int]]] = {}
    for section in own.piece.sections:
        begins, length = section.begins, section.ends - section.begins
        inside = [t for t in tune if begins <= t.at < section.ends]
        shape = {(t.midi, round(20 * (t.at - begins) / length)) for t in inside if t.instrument != WOOD}
        first = heard.setdefault(section.label, shape)
        assert len(first & shape) >= 0.7 * len(first), (section.label, section.begins)


def test_tempo_loudness_and_wood_are_heard() -> None:
    own = read_piece((FOLDER / "the-kettle-wakes-up.abc").read_bytes(), "the-kettle-wakes-up.abc")
    lengths = [section.ends - section.begins for section in own.piece.sections]
    assert lengths == sorted(lengths, reverse=True)
    march = read_piece((FOLDER / "lunch-box-march.abc").read_bytes(), "lunch-box-march.abc")
    loud, soft = march.piece.sections[:2]
    strength = [t.strength for t in march.performance.tones if t.midi and loud.begins <= t.at < loud.ends]
    softer = [t.strength for t in march.performance.tones if t.midi and soft.begins <= t.at < soft.ends]
    assert max(softer) < min(strength)
    assert any(t.midi is None for t in march.performance.tones)


def test_a_score_lasts_as_long_as_its_tempo_says() -> None:
    text = b"X:1\nT:t\nM:4/4\nL:1/4\nQ:1/4=120\nK:C\nc d e f|g a b c'|c d e f|g4|]\n"
    score = read_scores(text, "t.abc")[0]
    assert performed(score, {}, ["piano"]).length == 8_000
    assert performed(score, {3: 60}, ["piano"]).length == 4_000 + 8_000
    assert performed(score, {3: 60}, ["piano"]).bars == {1: 0, 2: 2_000, 3: 4_000, 4: 8_000}
