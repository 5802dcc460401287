"""Practice on paper: what stands on the sheet, what stays empty, how many staves go on a page."""

from __future__ import annotations

from xml.etree import ElementTree

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kopje.core.errors import EngravingError
from kopje.core.music.meter import Meter
from kopje.core.practice.reading.as_score import as_score
from kopje.core.practice.reading.own import melody
from kopje.engraving.mei import StaffLook, Under, mei_score
from kopje.engraving.practice_paper import AIR, PAGE, PlaceSheet, StaffPaper, places_svg, practice_sheet

SVG = "{http://www.w3.org/2000/svg}"
MADE = melody(["do", "re", "mi"], ["quarter", "half"], "F", Meter.parse("2/4"), 4, 3)
SCORE = as_score(MADE, "line")
STEPS = [event.degree.step for event in MADE.voices[0] if event.degree]


def with_staff(look: StaffLook) -> str:
    return mei_score(SCORE, 0, Under((), words=False, staff=look))


def test_hidden_notes_leave_their_place() -> None:
    plain, some = with_staff(StaffLook()), with_staff(StaffLook(hidden=frozenset({1, 2})))
    assert plain.count("<note") - some.count("<note") == 2
    assert some.count("<space") == 2
    assert plain.count("dur=") == some.count("dur=")


@given(st.sampled_from([1, 2, 3, 5]), st.integers(-2, 8))
def test_notes_stand_where_do_puts_them(lines: int, do: int) -> None:
    """Each note as many places over do as its tone has letters over it; no clef, no signature."""
    look = StaffLook(lines=lines, places={n: do + step for n, step in enumerate(STEPS)}, do=do)
    written = with_staff(look)
    root = ElementTree.fromstring(written)
    mei = "{http://www.music-encoding.org/ns/mei}"
    places = [int(note.get("loc", "")) for note in root.iter(f"{mei}note")]
    assert places[0] == do - 1
    assert [place - places[0] for place in places[1:]] == STEPS
    assert "clef" not in written
    assert "keysig" not in written
    assert f'lines="{lines}"' in written


@given(st.integers(1, 8), st.integers(2, 30), st.sampled_from(["A4", "letter"]))
def test_as_many_staves_as_go_on_a_page(lines: int, gap: int, paper: str) -> None:
    sheet = StaffPaper("Staff paper", lines, gap, paper)
    one = (lines - 1 + AIR) * gap
    assert sheet.staves == 1 or sheet.staves * one <= PAGE[paper][1] < (sheet.staves + 1) * one
    assert practice_sheet(sheet).count("<img") == sheet.staves


def test_too_wide_staves_are_refused() -> None:
    for lines, gap in ((0, 4), (5, 31), (9, 4), (5, 1)):
        with pytest.raises(EngravingError):
            practice_sheet(StaffPaper("Staff paper", lines, gap))


def test_a_worksheet_shows_its_answers_only_on_the_key() -> None:
    svg = places_svg(5, [(2, "so"), (12, "")], 4, "do")
    root = ElementTree.fromstring(svg)
    heads = [float(one.get("cy", "")) for one in root.iter(f"{SVG}ellipse")]
    lines = sorted(float(one.get("y1", "")) for one in root.iter(f"{SVG}line"))
    assert lines[-1] > heads[0] > lines[-2]  # space 1
    assert heads[1] < lines[0]
    sheet = PlaceSheet("Places", "Write", ((svg, "Where does the note lie?"),))
    assert "space 1" not in practice_sheet(sheet)
    assert "space 1" in practice_sheet(PlaceSheet("Key", "", sheet.staves, ("space 1",)))
