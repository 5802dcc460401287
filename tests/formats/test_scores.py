"""Scores of one to four parts: read from every format, written again, held against each other."""

from __future__ import annotations

from dataclasses import replace
from itertools import combinations
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.formats.corpora import corpus

from kopje.core.analysis.timeline import sounds
from kopje.core.analysis.together import PARALLEL, remarks
from kopje.core.music.pitch import Pitch
from kopje.core.music.score import MOST_PARTS, Part, Score, as_round
from kopje.core.music.tune import Note, Tune
from kopje.formats.read import read_scores, read_tunes
from kopje.formats.write import write_score

DUO = b"""X:1
T:Two on the path
M:4/4
L:1/4
V:1 name="High"
V:2 name="Low"
K:F
V:1
F G A c | c A G F | G G A G | F4 |]
w: Two on the path and one is slow, o-pen the gate and go
V:2
[K:F] F E F A | A F E F | C E F E | F4 |]
w: Step on the stone and mind your toe, ask where the paths may go
"""
ON_ONE_STAFF = (
    "<score-partwise><part-list><score-part id='P1'><part-name>Choir</part-name></score-part></part-list>"
    "<part id='P1'>{bars}</part></score-partwise>"
)
VOICES = (
    "<measure><attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>2</beats>"
    "<beat-type>4</beat-type></time></attributes>{upper}<backup><duration>2</duration></backup>{lower}</measure>"
)
TONE = "<note><pitch><step>{step}</step><octave>4</octave></pitch><duration>1</duration><voice>{voice}</voice></note>"


def lines(score: Score) -> list[tuple[str, list[tuple[str, object, object]]]]:
    return [
        (part.name, [(str(s.pitch), s.onset, s.duration) for s in sounds(part.tune) if s.attack])
        for part in score.parts
    ]


def words(tune: Tune) -> list[str]:
    return [s.text for _, _, note in tune.notes() for s in note.syllables]


@pytest.mark.parametrize("ending", [".abc", ".musicxml", ".mid"])
def test_two_parts_are_kept_in_every_format(ending: str) -> None:
    (score,) = read_scores(DUO, "duo.abc")
    assert [part.name for part in score.parts] == ["High", "Low"]
    (again,) = read_scores(write_score(score, f"x{ending}"), f"x{ending}")
    assert lines(again) == lines(score)
    assert [words(part.tune) for part in again.parts] == [words(part.tune) for part in score.parts]
    alone = read_tunes(write_score(score, f"x{ending}"), f"x{ending}", 2)[0]
    assert [str(n.pitch) for _, _, n in alone.notes()][:3] == ["F4", "E4", "F4"]


def test_a_second_voice_on_a_staff_is_a_part_and_a_moment_of_one_is_not() -> None:
    def bars(lower: list[str]) -> bytes:
        both = (
            VOICES.format(
                upper="".join(TONE.format(step=s, voice=1) for s in "GG"),
                lower="".join(TONE.format(step=s, voice=2) for s in low),
            )
            for low in lower
        )
        return ON_ONE_STAFF.format(bars="".join(both)).encode()

    (score,) = read_scores(bars(["EE", "CC", "", ""]), "two.xml")
    assert [part.name for part in score.parts] == ["Choir 1", "Choir 2"]
    assert [len(part.tune.bars) for part in score.parts] == [4, 2]
    assert [problem.code for problem in score.tune.problems] == ["parts_unequal"]
    (thin,) = read_scores(bars(["EE", "", "", ""]), "thin.xml")
    assert len(thin.parts) == 1
    whole = read_tunes(bars(["EE", "CC", "", ""]), "two.xml")[0]
    assert [problem.code for problem in whole.problems] == ["voice_ignored"]


def test_the_part_with_words_leads_and_the_fifth_part_is_said_to_be_left_out() -> None:
    tune = read_tunes(DUO, "duo.abc")[0]
    dumb = replace(
        tune,
        bars=tuple(replace(b, notes=tuple(replace(n, syllables=()) for n in b.notes)) for b in tune.bars),
    )
    score = Score.of("Five", [*(Part(f"{n}", dumb) for n in range(5)), Part("sung", tune)])
    assert [part.name for part in score.parts] == ["0", "1", "2", "sung"]
    assert (len(score.parts), score.parts[score.lead].name) == (MOST_PARTS, "sung")
    assert score.tune.problems[-1].code == "parts_left_out"


pitches = st.builds(Pitch, st.sampled_from("CDEFGAB"), st.sampled_from([0, 0, 0, 1, -1]), st.integers(3, 5))


@settings(max_examples=60, deadline=None)
@given(st.lists(st.lists(pitches, min_size=8, max_size=8), min_size=2, max_size=4))
def test_what_parts_do_together_is_found_as_by_hand(rows: list[list[Pitch]]) -> None:
    """Quarters against quarters in 4/4: every rule can be read off the two lists."""
    tune = read_tunes(DUO, "duo.abc")[0]

    def part(row: list[Pitch]) -> Part:
        bars = tuple(
            replace(tune.bars[n], notes=tuple(Note("note", tune.bars[0].notes[0].duration, p) for p in four))
            for n, four in enumerate((row[:4], row[4:]))
        )
        return Part("", replace(tune, bars=bars))

    score = Score("Made", tuple(map(part, rows)))
    found = {(r.kind, frozenset((r.upper, r.lower))): set(r.bars) for r in remarks(score)}
    for one, two in combinations(range(len(rows)), 2):
        pair = frozenset((one, two))
        high, low = sorted((one, two), key=lambda n: (-sum(p.midi for p in rows[n]), n))
        apart = [a.midi - b.midi for a, b in zip(rows[high], rows[low], strict=True)]
        bars = [1] * 4 + [2] * 4
        crossing = {bar for bar, by in zip(bars, apart, strict=True) if by < 0}
        clash = {bar for bar, by in zip(bars, apart, strict=True) if by % 12 in (1, 11)}
        assert found.get(("crossing", pair), set()) == crossing
        assert found.get(("clash", pair), set()) == clash
        for by, kind in PARALLEL.items():
            moved = {
                bars[n]
                for n in range(1, 8)
                if apart[n] % 12 == apart[n - 1] % 12 == by
                and all(rows[k][n] != rows[k][n - 1] for k in (high, low))
            }
            assert found.get((kind, pair), set()) == moved


def test_four_parts_of_real_chorales_are_read_and_written_again() -> None:
    home = corpus()
    if home is None:
        pytest.skip("no collections installed")
    files = sorted((Path(home) / "corpus" / "bach").glob("*.mxl"))[::40]
    assert len(files) >= 8
    fifths = bars = 0
    for file in files:
        (score,) = read_scores(file.read_bytes(), file.name)
        assert 1 <= len(score.parts) <= MOST_PARTS
        lead = read_tunes(file.read_bytes(), file.name)[0]
        assert score.tune.bars == lead.bars
        for ending in (".musicxml", ".abc"):
            (again,) = read_scores(write_score(score, f"x{ending}"), f"x{ending}")
            assert [row for _, row in lines(again)] == [row for _, row in lines(score)], file.name
        if [part.name for part in score.parts] == ["Soprano", "Alto", "Tenor", "Bass"]:
            fifths += sum(len(one.bars) for one in remarks(score) if one.kind == "parallel_fifths")
            bars += len(score.tune.bars)
    assert bars > 100
    assert fifths * 50 <= bars  # what this music is famous for avoiding


def test_a_round_lays_the_tune_over_itself() -> None:
    tune = read_tunes(DUO, "duo.abc")[0]
    score = as_round(tune, 3, 2)
    first, second, third = (lines(score)[n][1] for n in range(3))
    assert [(p, d) for p, _, d in first] == [(p, d) for p, _, d in second] == [(p, d) for p, _, d in third]
    assert [row[0][1] for row in (first, second, third)] == [0, 8, 16]
    assert len({len(part.tune.bars) for part in score.parts}) == 1


def test_where_nobody_asks_the_first_voice_with_words_is_read_else_the_first_with_pitches() -> None:
    drum = b"X:1\nT:Drum\nM:2/4\nL:1/4\nK:C\nV:1\n[K:C clef=perc] BB|BB|\nV:2\n[K:C] CE|G2|\n"
    assert [str(n.pitch) for _, _, n in read_tunes(drum, "drum.abc")[0].notes()] == ["C4", "E4", "G4"]
    sung = drum.replace(b"[K:C] CE", b"[K:C] GE") + b"V:3\nEC|C2|\nw: one two three\n"
    assert str(next(iter(read_tunes(sung, "sung.abc")[0].notes()))[2].pitch) == "E4"
    assert read_scores(sung, "sung.abc")[0].lead == 2
