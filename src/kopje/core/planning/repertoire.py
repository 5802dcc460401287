"""The activities that may be used: those that ship, and the teacher's own.

Source: docs/sources.md#activities."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from kopje.core.errors import PlanError
from kopje.core.planning.activities import Activity
from kopje.core.planning.catalogue import CATALOGUE


@dataclass(frozen=True)
class Repertoire:
    """`offered`: what the composer may take; `gone`: own ones that were put away, still known by name where
    they were done or lie planned; `timed`: minutes that activities really took with a class."""

    offered: tuple[Activity, ...] = CATALOGUE
    gone: tuple[Activity, ...] = ()
    timed: Mapping[str, int] = field(default_factory=dict)

    @classmethod
    def with_own(cls, own: Iterable[Activity], gone: Iterable[Activity] = ()) -> Repertoire:
        return cls((*CATALOGUE, *own), tuple(gone))

    @cached_property
    def _by_key(self) -> dict[str, Activity]:
        return {one.key: one for one in (*self.gone, *self.offered)}

    def activity(self, key: str) -> Activity:
        """PlanError for one that is not known."""
        found = self._by_key.get(key)
        if found is None:
            raise PlanError("activity_unknown", key=key, value=key)
        return found

    def known(self, key: str) -> Activity | None:
        """None for one that is no longer there, though it was done once."""
        return self._by_key.get(key)

    def lasting(self, minutes: Mapping[str, int]) -> Repertoire:
        """The same with other usual minutes, by activity, each within what the activity bears.

        >>> Repertoire().lasting({"sing-in": 9}).activity("sing-in").minutes
        (2, 4, 4)
        """
        if not minutes:
            return self
        offered = tuple(_lasting(one, minutes.get(one.key)) for one in self.offered)
        return Repertoire(offered, self.gone, minutes)


def _lasting(item: Activity, usual: int | None) -> Activity:
    if usual is None:
        return item
    least, _, most = item.minutes
    return replace(item, minutes=(least, min(max(usual, least), most), most))


SHIPPED_ACTIVITIES = Repertoire()
