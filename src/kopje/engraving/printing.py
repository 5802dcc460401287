"""Pages to PDF, by WeasyPrint in a worker process with a limit on time (docs/adr/0007-printing.md).

Nothing is fetched: pictures come inside the page, fonts from the folder that ships with the application.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape
from pathlib import Path
from typing import Literal

from kopje.core.errors import EngravingError
from kopje.engraving.card_paper import STYLE as CARDS
from kopje.engraving.card_paper import ThingSheet, thing_sheet
from kopje.engraving.drill_paper import STYLE as DRILLS
from kopje.engraving.drill_paper import DrillSheet, drill_sheet
from kopje.engraving.flat import FAMILY, picture_url, printable
from kopje.engraving.ledger_paper import STYLE as LEDGERS
from kopje.engraving.ledger_paper import LedgerSheet, ledger_sheets
from kopje.engraving.lesson_paper import STYLE as LESSONS
from kopje.engraving.lesson_paper import RunSheet, SetSheet, run_sheet, set_sheet
from kopje.engraving.practice_paper import STYLE as PRACTICE
from kopje.engraving.practice_paper import CardSheet, PlaceSheet, StaffPaper, practice_sheet
from kopje.engraving.report_paper import STYLE as REPORTS
from kopje.engraving.report_paper import ReportSheet, report_sheet
from kopje.workers import Worker, WorkerLimitError

Paper = Literal["A4", "letter"]
SECONDS = 8  # of processor time
MOST_DRAWN = 4_000  # things drawn on all pages, so that nobody waits longer than three seconds
FONTS = (
    ("Kopje Text", "atkinson-hyperlegible-next-latin-wght-normal*.woff2", "200 800"),
    ("Kopje Text", "atkinson-hyperlegible-next-latin-ext-wght-normal*.woff2", "200 800"),
)
STYLE = f"""
@page {{ margin: 16mm 15mm 18mm; @bottom-left {{ content: string(title); font: 8.5pt {FAMILY}; color: #5a554e }}
  @bottom-right {{ content: counter(page) " / " counter(pages); font: 8.5pt {FAMILY}; color: #5a554e }} }}
section + section {{ break-before: page }}
body {{ font: 10.5pt/1.4 {FAMILY}; color: #2a211b; margin: 0 }}
h1 {{ font-size: 20pt; margin: 0 0 2mm; string-set: title content(); line-height: 1.15 }}
h2 {{ font-size: 12pt; margin: 5mm 0 1mm }}
.lead {{ margin: 0 0 5mm; color: #5a554e }}
figure {{ margin: 0 0 4mm; break-inside: avoid }} figure img {{ display: block; max-width: 100%; max-height: 195mm }}
dl {{ display: grid; grid-template-columns: 24mm 1fr; gap: 1mm 4mm; margin: 3mm 0 0; border-top: 0.3mm solid #b9b3a9; padding-top: 3mm }}
dt {{ color: #5a554e }} dd {{ margin: 0 }}
"""


@dataclass(frozen=True, slots=True)
class Sheet:
    """One thing to print: title, a line below it, pictures of music with what they show, and facts at the
    foot."""

    title: str
    lead: str
    scores: tuple[tuple[str, str], ...]  # (svg, in words)
    facts: tuple[tuple[str, str], ...] = ()
    mirrored: bool = True  # hands as those see them who face the singer


Page = (
    CardSheet
    | PlaceSheet
    | StaffPaper
    | Sheet
    | RunSheet
    | SetSheet
    | DrillSheet
    | ReportSheet
    | LedgerSheet
    | ThingSheet
)


def document(sheets: Sequence[Page]) -> str:
    """The sheets as one HTML page that stands by itself."""
    title = escape(sheets[0].title) if sheets else ""
    inside = "".join(map(_section, sheets))
    return f'<!doctype html><html lang="en"><head><meta charset="utf-8"><title>{title}</title></head><body>{inside}</body></html>'


def _section(sheet: Page) -> str:
    if isinstance(sheet, CardSheet | PlaceSheet | StaffPaper):
        return practice_sheet(sheet)
    if isinstance(sheet, ThingSheet):
        return thing_sheet(sheet)
    if isinstance(sheet, RunSheet):
        return run_sheet(sheet)
    if isinstance(sheet, DrillSheet):
        return drill_sheet(sheet)
    if isinstance(sheet, LedgerSheet):
        return ledger_sheets(sheet)
    if isinstance(sheet, ReportSheet):
        return report_sheet(sheet)
    return set_sheet(sheet) if isinstance(sheet, SetSheet) else _sheet(sheet)


def _sheet(sheet: Sheet) -> str:
    pictures = "".join(
        f'<figure><img alt="{escape(said)}" src="{picture_url(printable(svg, sheet.mirrored))}"></figure>'
        for svg, said in sheet.scores
    )
    facts = "".join(f"<dt>{escape(name)}</dt><dd>{escape(value)}</dd>" for name, value in sheet.facts)
    return (
        f'<section><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>{pictures}'
        f"{f'<dl>{facts}</dl>' if facts else ''}</section>"
    )


def font_faces(folder: Path) -> str:
    """The page's fonts for the printer, from where the built page keeps them."""
    found = [(family, file, weight) for family, name, weight in FONTS for file in sorted(folder.glob(name))]
    return "".join(
        f"@font-face {{ font-family: '{family}'; src: url('{file.resolve().as_uri()}'); font-weight: {weight} }}"
        for family, file, weight in found
    )


def _print(html: str, fonts: str, paper: Paper) -> bytes:
    """In the worker."""
    from weasyprint import CSS, HTML
    from weasyprint.text.fonts import FontConfiguration
    from weasyprint.urls import URLFetcher

    known, inside = FontConfiguration(), URLFetcher(allowed_protocols=("data",))
    shipped_only = URLFetcher(allowed_protocols=("file",))
    style = CSS(
        string=f"@page {{ size: {paper} }}{fonts}{STYLE}{LESSONS}{DRILLS}{REPORTS}{LEDGERS}{PRACTICE}{CARDS}",
        font_config=known,
        url_fetcher=shipped_only,
    )
    document = HTML(string=html, url_fetcher=inside)
    return bytes(document.write_pdf(stylesheets=[style], font_config=known, pdf_variant="pdf/ua-1") or b"")


def _drawn(svg: str) -> int:
    return sum(svg.count(kind) for kind in ("<use", "<text", "<path")) + 2 * svg.count("layer hand")


class Printer:
    """One worker, started when something is first printed."""

    def __init__(self, fonts: Path) -> None:
        self._fonts = font_faces(fonts)
        self._worker = Worker(SECONDS)

    def pdf(self, sheets: Sequence[Page], paper: Paper = "A4") -> bytes:
        """The sheets one after another. EngravingError where it takes too long."""
        scores = [svg for sheet in sheets if isinstance(sheet, Sheet) for svg, _ in sheet.scores]
        if sum(map(_drawn, scores)) > MOST_DRAWN:
            raise EngravingError("print_too_much")
        html = document(sheets)
        try:
            return self._worker.run(_print, html, self._fonts, paper)
        except WorkerLimitError as problem:
            raise EngravingError("print_too_large") from problem

    def stop(self) -> None:
        self._worker.stop()
