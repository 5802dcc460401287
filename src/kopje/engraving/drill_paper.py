"""Drills on paper: blocks of lines, each with a box for what is done."""

from __future__ import annotations

from dataclasses import dataclass
from html import escape

STYLE = """
.drills ol { margin: 1mm 0 3mm; padding: 0; list-style: none }
.drills li { padding: 0.8mm 0 0.8mm 6mm; text-indent: -6mm; font-size: 12.5pt; break-inside: avoid }
.drills .box { margin: 0 2.4mm 0 0 } .drills h2 { break-after: avoid }
.drills p { break-after: avoid; margin: 0 0 1mm }
"""


@dataclass(frozen=True, slots=True)
class DrillBlock:
    """A heading, how it is done (may be empty), and its lines."""

    name: str
    how: str
    lines: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class DrillSheet:
    """What can be practised with one song."""

    title: str
    lead: str
    blocks: tuple[DrillBlock, ...]


def drill_sheet(sheet: DrillSheet) -> str:
    blocks = "".join(map(_block, sheet.blocks))
    return (
        f'<section class="drills"><h1>{escape(sheet.title)}</h1>'
        f'<p class="lead">{escape(sheet.lead)}</p>{blocks}</section>'
    )


def _block(block: DrillBlock) -> str:
    how = f'<p class="quiet">{escape(block.how)}</p>' if block.how else ""
    lines = "".join(f'<li><span class="box"></span>{escape(line)}</li>' for line in block.lines)
    return f"<h2>{escape(block.name)}</h2>{how}<ol>{lines}</ol>"
