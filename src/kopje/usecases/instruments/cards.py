"""Cards of instruments: which, how they are laid, on paper."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from kopje.core.errors import TextureError
from kopje.core.instruments.cards.laying import Laid, asked, laid
from kopje.core.instruments.cards.sounding import INSTRUMENTS, Sounding, of_sounding
from kopje.core.reasons import because, listed
from kopje.engraving.card_paper import Sort, ThingCard, ThingSheet
from kopje.engraving.instruments_drawn import instrument_svg
from kopje.usecases.context import Context

Parts = Literal["three", "two"]
SORTS: dict[Parts, tuple[Sort, ...]] = {"three": ("whole", "picture", "name"), "two": ("picture", "name")}


@dataclass(frozen=True)
class CardNow:
    """A card of the set; `number` from 1 is printed on it."""

    number: int
    key: str
    name: str
    soundings: tuple[str, ...]
    svg: str


@dataclass(frozen=True)
class CardSet:
    """The cards, how they are laid, and for each the cards whose names are offered; counted from 0."""

    cards: tuple[CardNow, ...]
    laid: Laid
    asked: tuple[tuple[int, ...], ...]


def card_set(ctx: Context, sounding: Sounding | None, seed: int) -> CardSet:
    """All instruments, or those of one family by how they sound."""
    keys = of_sounding(sounding)
    alike = [INSTRUMENTS[key] for key in keys]
    questions = tuple(asked(alike, at, seed) for at in range(len(keys)))
    return CardSet(_cards(ctx, keys), laid(len(keys), seed), questions)


def _cards(ctx: Context, keys: Sequence[str]) -> tuple[CardNow, ...]:
    found = []
    for n, key in enumerate(keys, 1):
        name = ctx.words.word(f"instrument_{key}")
        sounds = tuple(ctx.words.word(f"sounding_{one}") for one in INSTRUMENTS[key])
        found.append(CardNow(n, key, name, sounds, instrument_svg(key, name)))
    return tuple(found)


def printed(ctx: Context, sounding: Sounding | None, parts: Parts, only: int | None) -> list[ThingSheet]:
    """Cards to cut, each kind on sheets of its own, and the list by which a lost one is found; `only` that
    number in all its kinds. TextureError for a number that the set has not."""
    cards = _cards(ctx, of_sounding(sounding))
    if only is not None and not 1 <= only <= len(cards):
        raise TextureError("cards_no_number", most=len(cards), value=only)
    say = ctx.words.say
    about = because(f"sounding_{sounding}") if sounding else because("cards_all")
    title = say(because("cards_title", which=about))
    if only is not None:
        card = cards[only - 1]
        every = tuple(_on_paper(card, sort) for sort in SORTS[parts])
        return [ThingSheet(title, say(because("cards_alone", name=card.name)), every)]
    sheets = [
        ThingSheet(
            title,
            say(because(f"cards_{sort}", count=len(cards))),
            tuple(_on_paper(card, sort) for card in cards),
        )
        for sort in SORTS[parts]
    ]
    names = tuple(say(because("cards_in_list", name=one.name, sounds=listed(one.soundings))) for one in cards)
    return [*sheets, ThingSheet(title, say(because("cards_list")), (), names)]


def _on_paper(card: CardNow, sort: Sort) -> ThingCard:
    return ThingCard(card.number, card.svg, card.name, sort)
