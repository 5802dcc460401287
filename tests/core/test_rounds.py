"""Rounds of questions: fairly asked, and every answer right by a reckoning of its own."""

from __future__ import annotations

from collections import Counter

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kopje.core.analysis.analysis import analyse
from kopje.core.errors import PracticeError
from kopje.core.exact import Fraction
from kopje.core.ledger.luck import luck, luck_over
from kopje.core.music.degree import Degree
from kopje.core.music.pitch import LETTERS
from kopje.core.practice.asks.along import along
from kopje.core.practice.asks.places import Lines, how_they_lie, place_name
from kopje.core.practice.asks.question import Question, Row, fair_row, heard
from kopje.core.practice.asks.rounds import KINDS, OF_SONGS, Knows, a_round, kinds_for
from kopje.core.practice.asks.songs import Clues, guess
from kopje.core.practice.games import sequences
from kopje.core.practice.reading.chance import Chance
from kopje.core.practice.reading.levels import in_order
from kopje.core.reasons import Reason
from kopje.formats.read import read_scores
from kopje.words import ENGLISH_WORDS

SETS = (
    ("so", "mi"),
    ("so", "mi", "la"),
    ("mi", "re", "do"),
    ("do", "re", "mi", "so", "la"),
    ("la,", "do", "re", "mi", "so", "la"),
    ("so,", "la,", "ti,", "do", "re", "mi", "fa", "so", "la", "ti", "do'"),
)
SCALE = {"C": 0, "D": 2, "E": 4, "F": 5, "G": 7, "A": 9, "B": 11}
SEMITONES = {"do": 0, "re": 2, "mi": 4, "fa": 5, "so": 7, "la": 9, "ti": 11}


def knows(tones: tuple[str, ...]) -> Knows:
    return Knows(in_order(tones), ("quarter", "two_eighths"), ("2/4", "4/4"))


def said(reason: Reason) -> str:
    return ENGLISH_WORDS.say(reason)


def pitches(row: Row) -> list[int | None]:
    return [tone.midi for tone in row]


def test_rows_are_those_that_luck_is_reckoned_over() -> None:
    """Every row that may be comes, none other, about as often as each other one."""
    for count, answers in ((3, 2), (5, 2), (4, 3)):
        rows = Counter(fair_row(count, answers, Chance(seed)) for seed in range(6000))
        if answers == 2:
            assert set(rows) == set(sequences(count, 2))
        assert max(rows.values()) < 2 * min(rows.values())
        for right in range(count + 1):
            assert luck(answers, count, right) == luck_over(sorted(rows), answers, right)
    with pytest.raises(PracticeError):
        fair_row(0, 2, Chance(1))


@settings(deadline=None, max_examples=60)
@given(st.sampled_from(SETS), st.integers(0, 2**31 - 1), st.integers(3, 12), st.sampled_from((1, 2, 3, 5)))
def test_every_answer_is_right(tones: tuple[str, ...], seed: int, count: int, lines: Lines) -> None:
    here = knows(tones)
    for kind in kinds_for(here):
        if kind in OF_SONGS:
            continue
        try:
            game = a_round(kind, here, count, seed, lines, "F" if seed % 2 else "G")
        except PracticeError:
            assert (kind in ("find", "lie") and lines < 3) or (kind == "lie" and lines < 5)
            continue
        assert len(game.questions) == count
        assert game == a_round(kind, here, count, seed, lines, "F" if seed % 2 else "G")
        for question in game.questions:
            options = [(said(one.says), one.line) for one in question.choices]
            assert len(set(map(str, options))) == len(options), (kind, options)
            assert said(question.says)
            assert said(question.why)
            RIGHT[kind](question, options[question.answer][0])


def _place(question: Question, right: str) -> None:
    staff = question.staff
    assert staff is not None
    assert right == _counted(staff.heads[0].place, staff.lines)


def _counted(place: int, lines: int) -> str:
    """Walking up from below line 1."""
    names = ["below line 1"]
    for n in range(1, lines + 1):
        names += [f"line {n}", f"space {n}"]
    names[-1] = f"above line {lines}"
    return names[place]


def _find(question: Question, right: str) -> None:
    staff = question.staff
    assert staff is not None
    assert staff.do is not None
    head = staff.reveal[0]
    degree = Degree.parse(head.says)
    assert head.place - staff.do == degree.index + 7 * degree.octave
    assert right == _counted(head.place, staff.lines)


def _letter(question: Question, right: str) -> None:
    staff = question.staff
    assert staff is not None
    first = {"G": "E", "F": "G"}[staff.clef]  # on line 1
    assert right == LETTERS[(LETTERS.index(first) + staff.heads[0].place - 1) % 7]


def _lie(question: Question, right: str) -> None:
    staff = question.staff
    assert staff is not None
    names = [_counted(head.place, staff.lines) for head in staff.heads]
    on = ["line" if name.startswith("line") else "space" for name in names]
    assert right == {1: f"both {'on lines' if on[0] == 'line' else 'in spaces'}"}.get(
        len(set(on)), "one on a line, one in a space"
    )


def _direction(question: Question, right: str) -> None:
    (one, two) = pitches(question.heard[0])
    assert one is not None
    assert two is not None
    assert right == ("up" if two > one else "down" if two < one else "the same")


def _move(question: Question, right: str) -> None:
    one, two = (Degree.parse(str(tone.degree)) for tone in question.heard[0])
    apart = abs((two.index + 7 * two.octave) - (one.index + 7 * one.octave))
    assert right == {0: "the same again", 1: "a step", 2: "a skip"}.get(apart, "a leap")


def _same(question: Question, right: str) -> None:
    one, two = question.heard
    assert right == ("the same" if pitches(one) == pitches(two) else "not the same")


def _line(question: Question, right: str) -> None:
    lines = [choice.line for choice in question.choices]
    assert [line is not None and heard(line) == question.heard[0] for line in lines].count(True) == 1
    chosen = lines[question.answer]
    assert chosen is not None
    assert heard(chosen) == question.heard[0]
    assert right == "this one"


def _tones(question: Question, right: str) -> None:
    assert set(right.split()) == {str(tone.degree) for tone in question.heard[0]}


def _home(question: Question, right: str) -> None:
    """The last tone of the tune is home, and the pattern before it rests on the first home."""
    ends = str(question.heard[0][-1].degree).strip(",'")
    begins = str(question.orient[0].degree).strip(",'")
    homes = {"do, major": ("do", "do"), "la, minor": ("la", "la"), "first do, then la": ("do", "la")}
    assert homes[right] == (begins, ends)


def _sign(question: Question, right: str) -> None:
    assert question.line is not None
    do = question.line.do
    written = [
        SCALE[do.letter]
        + do.alter
        + 12 * (do.octave + 1)
        + SEMITONES[e.degree.syllable]
        + 12 * e.degree.octave
        for e in question.line.voices[0]
        if e.degree
    ]
    sounds = pitches(question.heard[0])
    assert right == ("with it" if sounds == written else "without it")
    forgotten, kept = question.after
    assert pitches(kept) == written
    assert pitches(forgotten) != written


RIGHT = {
    "place": _place, "find": _find, "letter": _letter, "lie": _lie, "direction": _direction, "move": _move,
    "same": _same, "line": _line, "tones": _tones, "home": _home, "sign": _sign,
}  # fmt: skip


def test_a_class_gets_what_its_tones_allow() -> None:
    assert kinds_for(knows(())) == ("place", "letter", "song")
    assert "sign" not in kinds_for(knows(("do", "re", "mi")))
    assert kinds_for(knows(SETS[-1])) == KINDS
    with pytest.raises(PracticeError):
        a_round("direction", knows(()), 10, 1)
    with pytest.raises(PracticeError):
        a_round("place", knows(()), 2, 1)
    with pytest.raises(PracticeError):
        a_round("along", knows(SETS[-1]), 5, 1)


def test_luck_of_a_round() -> None:
    """Ten questions with four answers: from six on; five with two have to be all right."""
    assert a_round("place", knows(()), 10, 1).least_right == 6
    game = a_round("same", knows(("so", "mi")), 5, 1)
    assert (game.choices, game.least_right) == (2, 5)
    assert luck(2, 5, 5) == Fraction(1, 24)


def test_tones_lie_alike_wherever_do_is() -> None:
    for do in range(1, 6):
        assert how_they_lie(do, do + 2) == how_they_lie(do + 2, do + 4) != "each"
        assert how_they_lie(do, do + 1) == "each"
    assert said(place_name(-1, 5)) == "on the ledger line below"
    assert said(place_name(13, 5)) == "on ledger line 2 above"


TUNE = b"X:1\nT:Up the hill\nM:2/4\nL:1/8\nK:F\nF2A2|c2A2|G2GA|F4|]\n"


def test_along_a_song_move_by_move() -> None:
    """Inside its phrases: from one to the next there is no move."""
    a = analyse(read_scores(TUNE, "hill.abc")[0].parts[0].tune, "la")
    asked = along(a, 20, Chance(5))
    right = [said(one.choices[one.answer].says) for one in asked]
    assert right == [
        "a skip up to mi", "a skip up to so", "a skip down to mi", "stays on re",
        "a step up to mi", "a skip down to do",
    ]  # fmt: skip
    assert [said(one.says) for one in asked][:2] == [
        "Bar 1, on do: what comes next?",
        "Bar 1, on mi: what comes next?",
    ]
    assert next(pitches(one.after[0]) for one in asked) == [65, 69]
    assert along(a, 3, Chance(5), first=4)[0].says == asked[4].says
    with pytest.raises(PracticeError):
        along(a, 3, Chance(5), first=6)


def test_guessing_a_song_by_more_and_more_clues() -> None:
    songs = [Clues(f"Song {n}", f"ta {n}", "↗ ↘", f"do re {n}", "") for n in range(6)]
    for question in guess(songs, 6, Chance(3)):
        title = said(question.choices[question.answer].says)
        assert len(question.choices) == 4
        assert len(question.clues) == 3
        assert said(question.clues[0]) == title.replace("Song", "ta")
    asked = [said(q.choices[q.answer].says) for q in guess(songs, 6, Chance(3))]
    assert len(set(asked)) == 6
    alike = [Clues("One", "ta", "", "", ""), Clues("Two", "ta", "", "", "")]
    with pytest.raises(PracticeError):
        guess(alike, 3, Chance(1))
