"""Pages to PDF, by WeasyPrint in a worker process with a limit on time (docs/adr/0007-printing.md).

Nothing is fetched: pictures come inside the page, fonts from the folder that ships with the application.
"""

from __future__ import annotations

import json
import re
from base64 import b64encode
from collections.abc import Sequence
from concurrent.futures import TimeoutError as FutureTimeoutError
from dataclasses import dataclass
from html import escape
from pathlib import Path
from threading import Lock
from typing import Any, Literal

from lxml import etree
from pebble import ProcessExpired, ProcessPool

from kopje.core.errors import EngravingError
from kopje.core.music.degree import LOWERED, RAISED

HANDS: dict[str, list[str]] = json.loads((Path(__file__).parent / "hands.json").read_text())
NATURAL_OF = {sign: tone for table in (RAISED, LOWERED) for tone, sign in table.items()}
HAND_SIZE, HAND_BOX, ROW = (
    17.0,
    220.0,
    440.0,
)  # units of the engraver: of one drawn unit, a syllable's width, a row of text
Element = Any  # lxml's element; its stubs leave it open
Paper = Literal["A4", "letter"]
SECONDS = 8
MOST_DRAWN = 4_000  # things drawn on all pages, so that nobody waits longer than three seconds
SVG, XLINK = "{http://www.w3.org/2000/svg}", "{http://www.w3.org/1999/xlink}"
FONTS = (("Kopje Text", "atkinson-hyperlegible-next-latin-wght-normal*.woff2", "200 800"),
         ("Kopje Text", "atkinson-hyperlegible-next-latin-ext-wght-normal*.woff2", "200 800"))  # fmt: skip
FAMILY = "'Kopje Text', 'DejaVu Sans', sans-serif"
NAMES: Any = {None: SVG[1:-1], "xlink": XLINK[1:-1]}
INK, LAYER = "#000", "#4a4590"
HAND_INK = {
    "fill": "none",
    "stroke": "#2a211b",
    "stroke-width": "2.2",
    "stroke-linejoin": "round",
    "stroke-linecap": "round",
}
# The engraver's own style was left out for the screen; on paper each line carries what it needs.
STROKED = {"staff", "barLine", "stem", "ledgerLines", "slur", "tie", "phrase", "tuplet", "beam"}
OURS = " ours"  # no class of the engraver has a blank
GLYPHS = {f"{SVG}use"}
DRAWN = {f"{SVG}{name}" for name in ("path", "rect", "polygon", "polyline", "ellipse", "line")}
STYLE = f"""
@page {{ margin: 16mm 15mm 18mm; @bottom-left {{ content: string(title); font: 8.5pt {FAMILY}; color: #5a554e }}
  @bottom-right {{ content: counter(page) " / " counter(pages); font: 8.5pt {FAMILY}; color: #5a554e }} }}
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
    """One thing to print: title, a line below it, pictures of music with what they show, and facts at the foot."""

    title: str
    lead: str
    scores: tuple[tuple[str, str], ...]  # (svg, in words)
    facts: tuple[tuple[str, str], ...] = ()
    mirrored: bool = True  # hands as those see them who face the singer


def page(sheet: Sheet) -> str:
    """The sheet as HTML that stands by itself."""
    pictures = "".join(
        f'<figure><img alt="{escape(said)}" src="{_inside(printable(svg, sheet.mirrored))}"></figure>'
        for svg, said in sheet.scores
    )
    facts = "".join(f"<dt>{escape(name)}</dt><dd>{escape(value)}</dd>" for name, value in sheet.facts)
    return (
        f'<!doctype html><html lang="en"><head><meta charset="utf-8"><title>{escape(sheet.title)}</title></head>'
        f'<body><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>{pictures}'
        f"{f'<dl>{facts}</dl>' if facts else ''}</body></html>"
    )


def _inside(svg: str) -> str:
    return f"data:image/svg+xml;base64,{b64encode(svg.encode()).decode()}"


def _draw_hands(root: Element, mirrored: bool) -> None:
    """Hands in place of the syllables that hold their places; as those see them who face the singer, or as the singer does."""
    for verse in root.xpath("//*[contains(@class, 'verse layer hand')]"):
        text = next(verse.iter(f"{SVG}text"))
        said = re.match("[a-z]+", "".join(text.itertext()).strip())
        shapes = HANDS.get(NATURAL_OF.get(said[0], said[0])) if said else None
        if not shapes:
            continue
        x, y = float(text.get("x", "0")) + HAND_BOX / 2, float(text.get("y", "0"))
        y += (0.45 if "lower" in verse.get("class", "") else 0.0) * ROW - 22 * HAND_SIZE
        left = x - 20 * HAND_SIZE if mirrored else x + 20 * HAND_SIZE
        side = HAND_SIZE if mirrored else -HAND_SIZE
        where = f"translate({left:g} {y:g}) scale({side:g} {HAND_SIZE:g})"
        hand = etree.SubElement(text.getparent(), f"{SVG}g", HAND_INK, transform=where)
        for path in shapes:
            etree.SubElement(hand, f"{SVG}path", d=path)
        text.getparent().remove(text)


def printable(svg: str, mirrored: bool = True) -> str:
    """The engraver's SVG for paper, and for a picture that stands by itself.

    A nested picture would be left out by the printer, so it becomes a scaled group; what the engraver groups is laid flat and each
    line carries its own ink, because the printer takes its time for every group and every rule.
    """
    root: Element = etree.fromstring(svg.encode())
    _draw_hands(root, mirrored)
    box = [float(x) for x in root.get("viewBox", "0 0 1 1").split()]
    flat = etree.Element(f"{SVG}svg", viewBox=root.get("viewBox", ""), width=f"{box[2]:g}px", height=f"{box[3]:g}px",
                         nsmap=NAMES)  # fmt: skip
    for part in root:
        if part.tag == f"{SVG}defs":
            flat.append(part)
        elif part.tag == f"{SVG}svg":
            inner = [float(x) for x in part.get("viewBox", "0 0 1 1").split()]
            group = etree.SubElement(flat, f"{SVG}g", transform=f"scale({box[2] / inner[2]:g})", fill=INK)
            _lay_flat(part, group, frozenset())
    return str(etree.tostring(flat, encoding="unicode"))


def _lay_flat(part: Element, group: Element, around: frozenset[str]) -> None:
    """Append what is drawn in a part to a group; `around`: what the engraver calls the groups that it stands in."""
    for child in list(part):
        classes = set(child.get("class", "").split())
        ours = {"verse", "layer"} <= classes or {
            "dir",
            "phrase",
        } <= classes  # set in the colour of the layers
        known = around | classes | ({OURS} if ours else set())
        if "placeholder" in known:
            continue
        if child.tag == f"{SVG}text":
            _text(child, group, known)
        elif child.tag in DRAWN or child.tag in GLYPHS:
            if child.tag in DRAWN and known & STROKED and not child.get("stroke"):
                child.set("stroke", LAYER if "phrase" in known else INK)
            if "phrase" in known:
                child.set("fill", LAYER)
            group.append(_bare(child))
        elif child.tag == f"{SVG}g":
            moved = child.get("transform")
            inside = etree.SubElement(group, f"{SVG}g", _kept(child)) if moved else group
            _lay_flat(child, inside, known)


def _bare(element: Element) -> Element:
    for name in {"id", "class"} & set(element.attrib):
        del element.attrib[name]
    return element


def _kept(element: Element) -> dict[str, str]:
    return {name: value for name, value in element.attrib.items() if name not in ("id", "class")}


def _text(text: Element, group: Element, known: frozenset[str]) -> None:
    """A text of one size as one element; one of several pieces stays as it is."""
    pieces = [piece for piece in text.iter(f"{SVG}tspan") if (piece.text or "").strip()]
    colour = LAYER if OURS in known else INK
    if len(pieces) != 1:
        text.set("fill", colour)
        text.set("font-family", FAMILY)
        group.append(text)
        return
    (piece,) = pieces
    bold = colour == LAYER or any(
        "bold" in (one.get("font-weight") or "") for one in text.iter(f"{SVG}tspan")
    )
    plain = {"x": text.get("x", "0"), "y": text.get("y", "0"), "font-size": piece.get("font-size", "405px"),
             "font-family": FAMILY, "fill": colour, "font-weight": "600" if bold else "400"}  # fmt: skip
    if text.get("text-anchor"):
        plain["text-anchor"] = text.get("text-anchor")
    etree.SubElement(group, f"{SVG}text", plain).text = (piece.text or "").strip()


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
    ours = URLFetcher(allowed_protocols=("file",))
    style = CSS(string=f"@page {{ size: {paper} }}{fonts}{STYLE}", font_config=known, url_fetcher=ours)
    document = HTML(string=html, url_fetcher=inside)
    return bytes(document.write_pdf(stylesheets=[style], font_config=known, pdf_variant="pdf/ua-1") or b"")


def _drawn(svg: str) -> int:
    return sum(svg.count(kind) for kind in ("<use", "<text", "<path")) + 2 * svg.count("layer hand")


class Printer:
    """One worker, started when something is first printed."""

    def __init__(self, fonts: Path) -> None:
        self._fonts = font_faces(fonts)
        self._pool: ProcessPool | None = None
        self._lock = Lock()

    def pdf(self, sheets: Sequence[Sheet], paper: Paper = "A4") -> bytes:
        """The sheets one after another. EngravingError where it takes too long."""
        with self._lock:
            if self._pool is None:
                self._pool = ProcessPool(max_workers=1)
        if sum(_drawn(svg) for sheet in sheets for svg, _ in sheet.scores) > MOST_DRAWN:
            raise EngravingError("This is too much to print at once. Leave some of the layers out.")
        html = "".join(page(sheet) for sheet in sheets)
        try:
            return bytes(
                self._pool.schedule(_print, args=(html, self._fonts, paper), timeout=SECONDS).result()
            )
        except (FutureTimeoutError, ProcessExpired, MemoryError) as problem:
            raise EngravingError("This is too large to print. On the screen everything works.") from problem

    def stop(self) -> None:
        if self._pool is not None:
            self._pool.stop()  # type: ignore[no-untyped-call]
            self._pool.join(timeout=5)
            self._pool = None
