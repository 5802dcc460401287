"""The numbers in the rules of the ledger, which a school may change. Source: docs/sources.md#ledger-rules."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Any

from kopje.core.errors import LedgerRuleError
from kopje.core.exact import Fraction

LEAST, MOST = 50, 100  # per cent of those heard
WINDOW = (2, 6)
WEEKS = (3, 52)


@dataclass(frozen=True, slots=True)
class LedgerRules:
    """`ready`: of those heard so many in a hundred have it, before a class is ready; `by_concept` other
    numbers for some concepts. `newest`: of so many full marks `good` have to be secure. `weeks`: what was
    not heard alone for so many weeks in which a section met is due."""

    ready: int = 80
    good: int = 2
    newest: int = 3
    weeks: int = 10
    by_concept: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))

    def threshold(self, concept: str) -> Fraction:
        return Fraction(self.by_concept.get(concept, self.ready), 100)


AS_SHIPPED = LedgerRules()


def rules_of(values: Mapping[str, Any]) -> LedgerRules:
    """From plain values, with the shipped number for what is left out. LedgerRuleError for one that cannot
    be."""
    found = LedgerRules(
        int(values.get("ready", AS_SHIPPED.ready)),
        int(values.get("good", AS_SHIPPED.good)),
        int(values.get("newest", AS_SHIPPED.newest)),
        int(values.get("weeks", AS_SHIPPED.weeks)),
        MappingProxyType({str(key): int(share) for key, share in values.get("by_concept", {}).items()}),
    )
    for share in (found.ready, *found.by_concept.values()):
        _within(share, LEAST, MOST, "rule_ready")
    _within(found.newest, *WINDOW, "rule_newest")
    _within(found.good, 1, found.newest, "rule_good")
    _within(found.weeks, *WEEKS, "rule_weeks")
    return found


def _within(number: int, least: int, most: int, said: str) -> None:
    if not least <= number <= most:
        raise LedgerRuleError(said, least=least, most=most, value=number)


def values_of(rules: LedgerRules) -> dict[str, Any]:
    """What differs from the shipped rules."""
    plain = {name: getattr(rules, name) for name in ("ready", "good", "newest", "weeks")}
    found: dict[str, Any] = {name: n for name, n in plain.items() if n != getattr(AS_SHIPPED, name)}
    return {**found, **({"by_concept": dict(rules.by_concept)} if rules.by_concept else {})}
