"""Practice on paper: cards to cut, worksheets of places, staff paper. Lengths in millimetres."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from html import escape

from kopje.core.errors import EngravingError
from kopje.engraving.flat import picture_url, printable

STYLE = """
.cards { display: grid; grid-template-columns: 1fr 1fr; gap: 0; margin-top: 3mm }
.cards figure { margin: 0; padding: 4mm 3mm; height: 46mm; border: 0.3mm dashed #8a837a; break-inside: avoid }
.cards figure img { max-height: 36mm; margin: auto } .cards figcaption { font-size: 8pt; color: #5a554e }
.places { display: grid; grid-template-columns: 1fr 1fr; gap: 3mm 8mm } .places li { break-inside: avoid }
.places ol, ol.places { list-style: none; margin: 0; padding: 0 } .places img { width: 52mm; display: block }
.places .answer { border-bottom: 0.3mm solid #2a211b; min-height: 7mm; width: 62mm }
.staves img { display: block; width: 100% }
"""
PAGE = {"A4": (180.0, 240.0), "letter": (186.0, 224.0)}  # inside the margins, below a title
FEWEST_LINES, MOST_LINES = 1, 8
NARROWEST, WIDEST = 1.5, 30.0  # between two lines
AIR = 2.5  # lines' gaps between two staves
NOTE = 12.0


@dataclass(frozen=True, slots=True)
class CardSheet:
    """Cards with lines to cut along: a picture and what is said of it."""

    title: str
    lead: str
    cards: tuple[tuple[str, str], ...]


@dataclass(frozen=True, slots=True)
class PlaceSheet:
    """Staves with a question each; `answers` are written in on the key, and left open on the sheet."""

    title: str
    lead: str
    staves: tuple[tuple[str, str], ...]  # (svg, the question)
    answers: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class StaffPaper:
    """Empty staves of so many lines, so far apart, as many as go on the page."""

    title: str
    lines: int
    gap: float
    paper: str = "A4"

    @property
    def staves(self) -> int:
        """How many go on a page.

        >>> StaffPaper("", 5, 2.0).staves, StaffPaper("", 2, 30.0).staves
        (18, 2)
        """
        _, height = PAGE[self.paper]
        return max(1, int(height // ((self.lines - 1 + AIR) * self.gap)))


PracticePage = CardSheet | PlaceSheet | StaffPaper


def practice_sheet(sheet: PracticePage) -> str:
    if isinstance(sheet, StaffPaper):
        return _staff_paper(sheet)
    if isinstance(sheet, CardSheet):
        return _cards(sheet)
    return _places(sheet)


def _head(title: str, lead: str) -> str:
    return f'<h1>{escape(title)}</h1><p class="lead">{escape(lead)}</p>'


def _cards(sheet: CardSheet) -> str:
    cards = "".join(
        f'<figure><img alt="{escape(said)}" src="{picture_url(printable(svg))}">'
        f"<figcaption>{escape(said)}</figcaption></figure>"
        for svg, said in sheet.cards
    )
    return f'<section>{_head(sheet.title, sheet.lead)}<div class="cards">{cards}</div></section>'


def _places(sheet: PlaceSheet) -> str:
    answers: Iterable[str] = sheet.answers or ("",) * len(sheet.staves)
    rows = "".join(
        f'<li><img alt="{escape(said)}" src="{picture_url(svg)}"><div>{n}. {escape(said)}</div>'
        f'<div class="answer">{escape(answer)}</div></li>'
        for n, ((svg, said), answer) in enumerate(zip(sheet.staves, answers, strict=True), 1)
    )
    return f'<section>{_head(sheet.title, sheet.lead)}<ol class="places">{rows}</ol></section>'


def _staff_paper(sheet: StaffPaper) -> str:
    if not FEWEST_LINES <= sheet.lines <= MOST_LINES or not NARROWEST <= sheet.gap <= WIDEST:
        raise EngravingError(
            "staff_paper", fewest=FEWEST_LINES, most=MOST_LINES, narrow=str(NARROWEST), wide=str(WIDEST),
            value=(sheet.lines, sheet.gap),
        )  # fmt: skip
    width, _ = PAGE[sheet.paper]
    high = (sheet.lines - 1 + AIR) * sheet.gap
    first = AIR / 2 * sheet.gap
    lines = "".join(
        f'<line x1="0" x2="{width}" y1="{first + n * sheet.gap:.2f}" y2="{first + n * sheet.gap:.2f}" '
        'stroke="#2a211b" stroke-width="0.3"/>'
        for n in range(sheet.lines)
    )
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {high:.2f}">{lines}</svg>'
    staves = f'<img alt="" src="{picture_url(svg)}">' * sheet.staves
    return f'<section class="staves"><h1>{escape(sheet.title)}</h1>{staves}</section>'


def places_svg(lines: int, heads: Iterable[tuple[int, str]], do: int | None, do_name: str) -> str:
    """A staff with notes at their places (1 is line 1, 2 space 1) and do marked at its head."""
    top = 2 * lines
    placed = list(heads)
    above = max([top, *(place for place, _ in placed)]) - top

    def y(place: int) -> float:
        return (top + above + 2 - place) * NOTE / 2

    parts = [
        f'<line x1="4" x2="156" y1="{y(2 * n - 1)}" y2="{y(2 * n - 1)}" stroke="#000" stroke-width="0.8"/>'
        for n in range(1, lines + 1)
    ]
    if do is not None:
        parts.append(
            f'<rect x="14" y="{y(do) - 4.2}" width="8.4" height="8.4" fill="none" stroke="#000" '
            'stroke-width="1.4"/>'
            f'<text x="26" y="{y(do) + 3.4}" font-size="10">{escape(do_name)}</text>'
        )
    for n, (place, says) in enumerate(placed):
        x = 70 + n * 48
        parts.append(f'<ellipse cx="{x}" cy="{y(place)}" rx="6.6" ry="5" fill="#000"/>')
        if says:
            parts.append(f'<text x="{x + 10}" y="{y(place) + 3.4}" font-size="10">{escape(says)}</text>')
    high = y(-1) + NOTE
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 160 {high}">{"".join(parts)}</svg>'
