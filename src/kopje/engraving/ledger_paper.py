"""A section's ledger on paper: a stone for each child and concept, told apart without colour."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

from kopje.engraving.flat import picture_url

NAMES, WIDE = 34.0, 8.6  # millimetres: the names, a column
STYLE = f"""
.ledger {{ page: wide }}
.ledger .lead {{ margin-bottom: 0 }}
.ledger table {{ border-collapse: collapse; table-layout: fixed; width: auto; font-size: 9pt }}
.ledger th, .ledger td {{ border: 0; padding: 0; font-weight: 400; text-align: left; white-space: nowrap }}
.ledger .names {{ width: {NAMES}mm }}
.ledger .stones {{ width: {WIDE}mm }}
.ledger thead th {{ height: 32mm; vertical-align: bottom }}
.ledger thead span {{ display: block; transform: rotate(-62deg); transform-origin: 0 100%; margin-left: 4mm;
  width: 32mm }}
.ledger tbody th, .ledger tbody td {{ border-bottom: 0.1mm solid #b9b3a9; height: 4.7mm; line-height: 4.4mm }}
.ledger tbody tr:nth-child(5n) > * {{ border-bottom: 0.25mm solid #2a211b }}
.ledger tbody img {{ height: 4.4mm; display: block }}
.ledger tfoot td {{ font-size: 6.5pt; text-align: center; font-variant-numeric: tabular-nums }}
.ledger tfoot th {{ font-size: 8pt }}
.ledger .key {{ margin: 2mm 0 0; font-size: 8pt }}
.ledger .key img {{ width: 4mm; height: 4mm; vertical-align: middle; margin: 0 1mm 0 0 }}
.ledger .key span {{ margin-right: 5mm; white-space: nowrap }}
"""
MOST_COLUMNS = 26  # as many stand beside the names on a page
STONE = "M4 21.5 L1.8 14.5 L5.5 7 L12.5 2.6 L20 6.2 L22.4 14.8 L19.6 21.5 Z"
LOW = "M2.6 17 L4 21.5 L19.6 21.5 L21.4 17 Z"
HIGH = "M2.1 14.8 L4.1 10 L21.1 10 L22.3 14.8 Z"
FULL = f'<path d="{STONE}" fill="#000"/>'
HOLLOW = '<circle cx="12.2" cy="14.2" r="4.6" fill="#fff"/>'
NOTCH = '<path d="M9 0 L16 0 L12.5 10 Z" fill="#fff" stroke="#000" stroke-width="1.3"/>'
INSIDE = {
    "s": FULL,
    "d": FULL + NOTCH,
    "o": FULL + HOLLOW,
    "e": FULL + HOLLOW + NOTCH,
    "n": f'<path d="{LOW}"/><path d="{HIGH}"/>',
    "y": f'<path d="{LOW}"/>',
    "p": '<circle cx="12.4" cy="13.4" r="2.6" fill="none" stroke="#000" stroke-width="1.6"/>',
    "": "",
}
HOOK = "M15.5 18.5 L18.5 22 L24 14.5"
SAID = "".join(
    f'<path d="{HOOK}" fill="none" stroke="{ink}" stroke-width="{width}"/>'
    for ink, width in (("#fff", 5), ("#000", 2.4))
)


@dataclass(frozen=True, slots=True)
class LedgerSheet:
    """`stones` by child are letters, one for each concept, as in the grid (s secure, d secure and due, o
    once, e once and due, n nearly, y not yet, p in one way only, none for not heard; a capital where the
    teacher said so). `foot`: how many of those who were heard are secure. `says`: what each letter means, in
    words, also `said`, for the teacher's own word."""

    title: str
    lead: str
    concepts: tuple[str, ...]
    children: tuple[tuple[str, tuple[str, ...]], ...]
    foot: tuple[str, ...]
    foot_says: str
    says: dict[str, str]


def ledger_sheets(sheet: LedgerSheet) -> str:
    """As many pages as the concepts need; the key below each."""
    starts = range(0, max(len(sheet.concepts), 1), MOST_COLUMNS)
    return "".join(_page(sheet, slice(start, start + MOST_COLUMNS)) for start in starts)


def _page(sheet: LedgerSheet, part: slice) -> str:
    concepts = sheet.concepts[part]
    columns = '<col class="names">' + '<col class="stones">' * len(concepts)
    head = "".join(f'<th scope="col"><span>{escape(one)}</span></th>' for one in concepts)
    rows = "".join(
        f'<tr><th scope="row">{escape(name)}</th><td colspan="{len(concepts)}">'
        f"{_row(concepts, stones[part], sheet.says)}</td></tr>"
        for name, stones in sheet.children
    )
    foot = "".join(f"<td>{escape(one)}</td>" for one in sheet.foot[part])
    body = f"<thead><tr><th></th>{head}</tr></thead><tbody>{rows}</tbody>"
    last = f'<tfoot><tr><th scope="row">{escape(sheet.foot_says)}</th>{foot}</tr></tfoot>'
    wide = f"width: {NAMES + WIDE * len(concepts)}mm"
    return (
        f'<section class="ledger"><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>'
        f'<table style="{wide}"><colgroup>{columns}</colgroup>{body}{last}</table>'
        f'<p class="key">{_key(sheet.says)}</p></section>'
    )


def _row(concepts: Sequence[str], stones: Sequence[str], says: dict[str, str]) -> str:
    """One picture, so that a page of 700 stones is drawn in a second; in words it says each of them."""
    step = 24 * WIDE / 4.4
    drawn = "".join(
        f'<g transform="translate({step * i + 8} 0)">{_stone(x)}</g>' for i, x in enumerate(stones)
    )
    said = "; ".join(f"{name}: {_name(one, says)}" for name, one in zip(concepts, stones, strict=True))
    return f'<img alt="{escape(said)}" src="{_picture(drawn, step * len(stones))}">'


def _name(letter: str, says: dict[str, str]) -> str:
    name = says[letter.lower()]
    return f"{name}, {says['said']}" if letter.isupper() else name


def _key(says: dict[str, str]) -> str:
    shown = [*((letter, says[letter]) for letter in INSIDE), ("S", says["said"])]
    return "".join(
        f'<span><img alt="" src="{_picture(_stone(one))}">{escape(name)}</span>' for one, name in shown
    )


def _stone(letter: str) -> str:
    """The glyph of the page (StandingGlyph.vue), in black."""
    edge = ' stroke-dasharray="2 2"' if letter in ("", "p") else ""
    return (
        f'{INSIDE[letter.lower()]}<path d="{STONE}" fill="none" stroke="#000" stroke-width="1.3"'
        f' stroke-linejoin="round"{edge}/>{SAID if letter.isupper() else ""}'
    )


def _picture(drawn: str, width: float = 24) -> str:
    return picture_url(f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:.1f} 24">{drawn}</svg>')
