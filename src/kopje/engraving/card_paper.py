"""Cards of instruments on paper: lines to cut along, numbers by which a lost one is found. Millimetres."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from html import escape
from typing import Literal

from kopje.engraving.flat import picture_url

STYLE = """
.thing-cards { display: grid; grid-template-columns: repeat(3, 1fr); gap: 0; margin-top: 3mm }
.thing-cards > div { border: 0.3mm dashed #8a837a; box-sizing: border-box; height: 54mm; padding: 2.5mm; break-inside: avoid; text-align: center; position: relative }
.thing-cards img { height: 33mm; margin: 1mm auto 0; display: block } .thing-cards .name { font-size: 15pt; font-weight: 650; margin: 1mm 0 0 }
.thing-cards .alone { padding-top: 20mm; font-size: 19pt } .thing-cards .number { position: absolute; right: 2mm; bottom: 1mm; font-size: 8pt; color: #5a554e }
.thing-list { columns: 2; padding-left: 8mm }
"""
Sort = Literal["whole", "picture", "name"]


@dataclass(frozen=True, slots=True)
class ThingCard:
    """A card: its number in the set, its drawing and its name, and which of them is on it."""

    number: int
    svg: str
    name: str
    sort: Sort


@dataclass(frozen=True, slots=True)
class ThingSheet:
    """Cards to cut; or, where there are none, a list of the set's names in the order of their numbers."""

    title: str
    lead: str
    cards: tuple[ThingCard, ...] = ()
    names: tuple[str, ...] = ()


def thing_sheet(sheet: ThingSheet) -> str:
    cut = f'<div class="thing-cards">{"".join(map(_card, sheet.cards))}</div>' if sheet.cards else ""
    return (
        f'<section><h1>{escape(sheet.title)}</h1><p class="lead">{escape(sheet.lead)}</p>'
        f"{cut}{_list(sheet.names)}</section>"
    )


def _card(card: ThingCard) -> str:
    number = f'<div class="number">{card.number}</div>'
    if card.sort == "name":
        return f'<div><p class="name alone">{escape(card.name)}</p>{number}</div>'
    picture = f'<img alt="{escape(card.name)}" src="{picture_url(card.svg)}">'
    name = f'<p class="name">{escape(card.name)}</p>' if card.sort == "whole" else ""
    return f"<div>{picture}{name}{number}</div>"


def _list(names: Iterable[str]) -> str:
    rows = "".join(f"<li>{escape(one)}</li>" for one in names)
    return f'<ol class="thing-list">{rows}</ol>' if rows else ""
