"""The engraver's SVG as a picture that stands by itself, for paper and for small images.

The printer leaves out a picture inside a picture and takes its time for every group and every rule of style;
so what the engraver groups is laid flat, and each line carries its own ink. Hands are drawn here from the
table that the page draws them from."""

from __future__ import annotations

import json
import re
from base64 import b64encode
from pathlib import Path
from typing import Any

from lxml import etree

from kopje.core.music.degree import LOWERED, RAISED

HANDS: dict[str, list[str]] = json.loads((Path(__file__).parent / "hands.json").read_text())
NATURAL_OF = {sign: tone for table in (RAISED, LOWERED) for tone, sign in table.items()}
# Units of the engraver: of one drawn unit, a syllable's width, a row of text.
HAND_SIZE, HAND_BOX, ROW = 17.0, 220.0, 440.0
Element = Any  # lxml's element; its stubs leave it open
SVG, XLINK = "{http://www.w3.org/2000/svg}", "{http://www.w3.org/1999/xlink}"
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


def _draw_hands(root: Element, mirrored: bool) -> None:
    """Hands in place of the syllables that hold their places; as those see them who face the singer, or as
    the singer does."""
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


def picture_url(svg: str) -> str:
    """The address of a picture that stands inside the page itself."""
    return f"data:image/svg+xml;base64,{b64encode(svg.encode()).decode()}"


def printable(svg: str, mirrored: bool = True) -> str:
    """The engraver's SVG for paper, and for a picture that stands by itself.

    A nested picture would be left out by the printer, so it becomes a scaled group; what the engraver groups
    is laid flat and each line carries its own ink, because the printer takes its time for every group and
    every rule."""
    root: Element = etree.fromstring(svg.encode())
    _draw_hands(root, mirrored)
    box = [float(x) for x in root.get("viewBox", "0 0 1 1").split()]
    flat = etree.Element(
        f"{SVG}svg",
        viewBox=root.get("viewBox", ""),
        width=f"{box[2]:g}px",
        height=f"{box[3]:g}px",
        nsmap=NAMES,
    )
    for part in root:
        if part.tag == f"{SVG}defs":
            flat.append(part)
        elif part.tag == f"{SVG}svg":
            inner = [float(x) for x in part.get("viewBox", "0 0 1 1").split()]
            group = etree.SubElement(flat, f"{SVG}g", transform=f"scale({box[2] / inner[2]:g})", fill=INK)
            _lay_flat(part, group, frozenset())
    return str(etree.tostring(flat, encoding="unicode"))


def _lay_flat(part: Element, group: Element, around: frozenset[str]) -> None:
    """Append what is drawn in a part to a group; `around`: what the engraver calls the groups that it stands
    in."""
    for child in list(part):
        classes = set(child.get("class", "").split())
        # Set in the colour of the layers: texts under the notes, words of rests, letters of phrases.
        own_words = "layer" in classes or {"dir", "phrase"} <= classes
        known = around | classes | ({OURS} if own_words else set())
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
    plain = {
        "x": text.get("x", "0"),
        "y": text.get("y", "0"),
        "font-size": piece.get("font-size", "405px"),
        "font-family": FAMILY,
        "fill": colour,
        "font-weight": "600" if bold else "400",
    }
    if text.get("text-anchor"):
        plain["text-anchor"] = text.get("text-anchor")
    etree.SubElement(group, f"{SVG}text", plain).text = (piece.text or "").strip()
