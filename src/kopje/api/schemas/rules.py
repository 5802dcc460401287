"""The rules of the ledger on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from kopje.api.schemas.base import Body, Read
from kopje.core.ledger.rules import AS_SHIPPED, LedgerRules
from kopje.usecases.ledger.change_rules import WouldChange

Answered = Literal["ready", "teach_again", "split", "hear_more", "nobody_heard"]
Number = Annotated[int, Field(ge=0, le=100)]


class RulesRead(Read):
    """Of those heard `ready` in a hundred have it, before a class is ready (`by_concept` for some); of the
    `newest` marks made alone and without help `good` have to be secure; after `weeks` it is to be heard
    again."""

    ready: int
    good: int
    newest: int
    weeks: int
    by_concept: dict[str, int]
    shipped: bool
    as_shipped: dict[str, int]

    @classmethod
    def of(cls, rules: LedgerRules) -> RulesRead:
        return cls(
            ready=rules.ready,
            good=rules.good,
            newest=rules.newest,
            weeks=rules.weeks,
            by_concept=dict(rules.by_concept),
            shipped=rules == AS_SHIPPED,
            as_shipped={name: getattr(AS_SHIPPED, name) for name in ("ready", "good", "newest", "weeks")},
        )


class RulesBody(Body):
    ready: Number = Field(examples=[80])
    good: Number = Field(examples=[2])
    newest: Number = Field(examples=[3])
    weeks: Number = Field(examples=[10])
    by_concept: Annotated[dict[str, Number], Field(max_length=200)] = Field(default={}, examples=[{"re": 90}])


class TurnedRead(Read):
    section: str
    concept: str
    before: Answered
    after: Answered


class WouldChangeRead(Read):
    """How many standings of children would be other ones, and which answers on sections."""

    standings: int
    turned: list[TurnedRead]

    @classmethod
    def of(cls, found: WouldChange) -> WouldChangeRead:
        return cls(standings=found.standings, turned=[TurnedRead.model_validate(one) for one in found.turned])
