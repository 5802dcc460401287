"""Paper shows what the screen shows: the notes are there, nothing is cut off, nothing is fetched."""

from __future__ import annotations

from collections.abc import Iterator

import pypdfium2
import pytest

from kopje.core.analysis.layers import hands, phrase_marks
from kopje.core.errors import EngravingError
from kopje.engraving.mei import Under, mei
from kopje.engraving.printing import Printer, Sheet
from kopje.engraving.render import Engraver
from kopje.settings import Settings
from making import refuses, shipped, tune

WHITE = 250


@pytest.fixture(scope="module")
def engraver() -> Iterator[Engraver]:
    engraver = Engraver()
    yield engraver
    engraver.stop()


@pytest.fixture(scope="module")
def printer() -> Iterator[Printer]:
    printer = Printer(Settings().web / "assets")
    yield printer
    printer.stop()


def dark(page: pypdfium2.PdfPage) -> tuple[int, tuple[int, int, int, int]]:
    """How many pixels of a page are not white, and the share of the page's box they lie in, in hundredths."""
    picture = page.render(scale=1).to_pil().convert("L").point(lambda value: 255 if value < WHITE else 0)
    left, top, right, bottom = picture.getbbox()
    wide, high = picture.size
    box = (100 * left // wide, 100 * top // high, 100 * right // wide, 100 * bottom // high)
    return picture.histogram()[255], box


def test_a_sheet_shows_its_notes_its_layers_and_its_facts(engraver: Engraver, printer: Printer) -> None:
    a = shipped("call-across-the-hill")
    plain, full = Under(words=False), Under((), True, hands(a), phrase_marks(a))
    pages = []
    for under in (plain, full):
        (svg,) = engraver.pages(mei(a.tune, under), 1800, 1950, True)
        sheet = Sheet(a.tune.title, "do = F", ((svg, "Score"),), (("Game", "Pass it on"),))
        document = pypdfium2.PdfDocument(printer.pdf([sheet]))
        assert len(document) == 1
        text = document[0].get_textpage().get_text_range()
        assert "Call Across the Hill" in text
        assert "Pass it on" in text
        assert ("Who" in text) == under.words
        pages.append(dark(document[0]))
    empty = dark(pypdfium2.PdfDocument(printer.pdf([Sheet("Call Across the Hill", "do = F", ())]))[0])
    assert pages[0][0] > empty[0] + 2000, "the notes are not on the page"
    assert pages[1][0] > pages[0][0] + 1000, "hands, phrases and words are not on the page"
    for _, (left, top, right, bottom) in pages:
        assert left > 3
        assert top > 3
        assert right < 97
        assert bottom < 98


def test_several_sheets_begin_on_pages_of_their_own(printer: Printer) -> None:
    printed = pypdfium2.PdfDocument(printer.pdf([Sheet("One", "", ()), Sheet("Two", "", ())]))
    assert [page.get_textpage().get_text_range().split()[0] for page in printed] == ["One", "Two"]


def test_long_music_goes_on_on_further_pages(engraver: Engraver, printer: Printer) -> None:
    a = tune("|".join("c2A2 G2F2" for _ in range(150)) + "|]", "F", "4/4")
    pages = engraver.pages(mei(a.tune), 1800, 1950)
    assert len(pages) > 1
    printed = pypdfium2.PdfDocument(
        printer.pdf([Sheet("Long", "", tuple((svg, "Score") for svg in pages))], "letter")
    )
    assert len(printed) == len(pages)
    assert tuple(round(x) for x in printed[0].get_size()) == (612, 792)
    assert all(dark(page)[0] > 3000 for page in printed)


def test_what_would_take_too_long_is_refused_before_it_is_begun(engraver: Engraver, printer: Printer) -> None:
    a = tune("|".join("c2A2 G2F2" for _ in range(400)) + "|]", "F", "4/4")
    pages = engraver.pages(mei(a.tune, Under((), False, hands(a))), 1800, 1950)
    with refuses(EngravingError, "Leave some of the layers out"):
        printer.pdf([Sheet("Long", "", tuple((svg, "Score") for svg in pages))])


def test_what_is_typed_into_a_title_is_text_and_fetches_nothing(printer: Printer) -> None:
    title = '<img src="http://127.0.0.1:9/x.png"><script>1</script>'
    document = pypdfium2.PdfDocument(printer.pdf([Sheet(title, title, (), ((title, title),))]))
    assert "<script>" in document[0].get_textpage().get_text_range()


def test_a_printer_that_is_killed_says_so_and_prints_again(
    printer: Printer, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(printer._worker, "seconds", 0.001)
    with refuses(EngravingError, "too large to print"):
        printer.pdf([Sheet("Slow", "", ())])
    monkeypatch.undo()
    assert printer.pdf([Sheet("Again", "", ())]).startswith(b"%PDF")
