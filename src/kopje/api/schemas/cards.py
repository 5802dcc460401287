"""Cards of instruments, on the wire."""

from __future__ import annotations

from kopje.api.schemas.base import Read
from kopje.usecases.instruments.cards import CardSet


class ThingCardRead(Read):
    """A card; `number` is printed on it, `soundings` say how the instrument sounds."""

    number: int
    key: str
    name: str
    soundings: list[str]
    svg: str


class CardSetRead(Read):
    """The cards; rows of pictures and of names as they are laid, and for each card those whose names are
    offered beside its picture, all counted from 0."""

    cards: list[ThingCardRead]
    pictures: list[list[int]]
    names: list[list[int]]
    asked: list[list[int]]

    @classmethod
    def of(cls, found: CardSet) -> CardSetRead:
        return cls(
            cards=[ThingCardRead.model_validate(one) for one in found.cards],
            pictures=[list(row) for row in found.laid.pictures],
            names=[list(row) for row in found.laid.names],
            asked=[list(one) for one in found.asked],
        )
