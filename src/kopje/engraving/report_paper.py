"""A report on paper: a page for one child."""

from __future__ import annotations

from dataclasses import dataclass
from html import escape

STYLE = """ .report { font-size: 12pt } .report h2 { font-size: 12.5pt; margin: 6mm 0 0.5mm; break-after:
avoid } .report p { margin: 0; white-space: pre-line } .report .foot { margin-top: 10mm; color: #5a554e;
font-size: 9.5pt } """


@dataclass(frozen=True, slots=True)
class ReportSheet:
    """`blocks`: (heading, text)."""

    title: str
    lead: str
    blocks: tuple[tuple[str, str], ...]
    foot: str


def report_sheet(sheet: ReportSheet) -> str:
    said = "".join(f"<h2>{escape(heading)}</h2><p>{escape(text)}</p>" for heading, text in sheet.blocks)
    head = f'<h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>'
    foot = f'<p class="foot">{escape(sheet.foot)}</p>'
    return f'<section class="report">{head}{said}{foot}</section>'
