"""Lessons on paper: what a substitute needs to run them, and a set as a table with boxes to tick."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

STYLE = """
.part { display: grid; grid-template-columns: 11mm 1fr; gap: 0 3mm; break-inside: avoid; padding: 2.2mm 0; border-top: 0.2mm solid #b9b3a9 }
.part .min { font-size: 15pt; line-height: 1.1 } .part h2 { margin: 0; font-size: 12pt } .part p { margin: 0.6mm 0 }
.part ol { margin: 0.8mm 0 0.8mm; padding-left: 5mm } .quiet { color: #5a554e } .box { display: inline-block; width: 3.2mm; height: 3.2mm; border: 0.3mm solid #2a211b; margin: 0 1mm 0 3mm }
section.wide { page: wide } @page wide { size: landscape; margin: 11mm 10mm 13mm }
table { border-collapse: collapse; width: 100%; font-size: 8.2pt; line-height: 1.25; table-layout: fixed }
th, td { border: 0.2mm solid #b9b3a9; padding: 1mm 1.3mm; text-align: left; vertical-align: top; overflow-wrap: break-word }
thead th { font-size: 8.6pt } .new { font-weight: 700 } td .box { margin: 0.8mm 0.6mm 0 0; width: 2.6mm; height: 2.6mm } th.slot { width: 17mm; font-weight: 600 }
"""


@dataclass(frozen=True, slots=True)
class PaperPart:
    """One part of a lesson: minutes, what, with what (“Echo Rock, start on A4”), steps, and lines below."""

    minutes: int
    title: str
    about: str
    steps: tuple[str, ...]
    lines: tuple[tuple[str, str], ...]


@dataclass(frozen=True, slots=True)
class RunSheet:
    """A lesson to be run from paper."""

    title: str
    lead: str
    parts: tuple[PaperPart, ...]


@dataclass(frozen=True, slots=True)
class PaperCell:
    """What stands in a slot of a set; `boxes` are the sections that tick it."""

    minutes: int
    title: str
    about: tuple[str, ...]
    new: str
    boxes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class SetSheet:
    """A set as a table: heads of its lessons, then for each slot its name and what stands in each lesson."""

    title: str
    lead: str
    corner: str
    heads: tuple[tuple[str, ...], ...]
    rows: tuple[tuple[str, tuple[tuple[PaperCell, ...], ...]], ...]


def run_sheet(sheet: RunSheet) -> str:
    parts = "".join(map(_part, sheet.parts))
    return f'<section><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>{parts}</section>'


def _part(part: PaperPart) -> str:
    about = f'<p class="quiet">{escape(part.about)}</p>' if part.about else ""
    steps = "".join(f"<li>{escape(step)}</li>" for step in part.steps)
    lines = "".join(f"<p><strong>{escape(name)}</strong> {escape(text)}</p>" for name, text in part.lines)
    return (
        f'<div class="part"><div class="min">{part.minutes}</div><div><h2>{escape(part.title)}'
        f'<span class="box"></span></h2>{about}<ol>{steps}</ol>{lines}</div></div>'
    )


def set_sheet(sheet: SetSheet) -> str:
    heads = "".join(f'<th scope="col">{"<br>".join(map(escape, lines))}</th>' for lines in sheet.heads)
    rows = "".join(
        f'<tr><th scope="row" class="slot">{escape(name)}</th>'
        f"{''.join(f'<td>{_cells(cells)}</td>' for cells in row)}</tr>"
        for name, row in sheet.rows
    )
    corner = f'<th scope="col" class="slot">{escape(sheet.corner)}</th>'
    return (
        f'<section class="wide"><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>'
        f"<table><thead><tr>{corner}{heads}</tr></thead><tbody>{rows}</tbody></table></section>"
    )


def _cells(cells: Sequence[PaperCell]) -> str:
    return "<hr>".join(
        f"<strong>{cell.minutes} {escape(cell.title)}</strong>"
        f"{''.join(f'<br>{escape(line)}' for line in cell.about)}"
        f"{f'<br><span class=new>▲ {escape(cell.new)}</span>' if cell.new else ''}<br>"
        f"{''.join(f'<span class=box></span>{escape(name)} ' for name in cell.boxes)}"
        for cell in cells
    )
