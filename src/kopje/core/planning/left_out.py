"""Games that a child is kept out of, and how an activity goes for it all the same. Source:
docs/sources.md#left-out."""

from __future__ import annotations

from collections.abc import Collection
from typing import Literal

from kopje.core.ledger.marks import Voices
from kopje.core.planning.activities import Activity
from kopje.core.reasons import Reason, because

GameKind = Literal["touch", "alone"]
KINDS: tuple[GameKind, ...] = ("touch", "alone")


def goes_without(item: Activity, kinds: Collection[str]) -> tuple[tuple[GameKind, Reason], ...]:
    """What of these kinds is in an activity, and its form for those who are kept out; nothing where all can
    join as it is.

    >>> from kopje.core.planning.catalogue import CATALOGUE
    >>> bare = next(one for one in CATALOGUE if not one.untouched and not one.hears)
    >>> goes_without(bare, ["touch", "alone"])
    ()
    """
    found: list[tuple[GameKind, Reason]] = []
    if "touch" in kinds and item.untouched:
        found.append(("touch", because("without_touch", form=item.untouched)))
    if "alone" in kinds and item.may_pass:
        found.append(("alone", because("without_alone")))
    return tuple(found)


def heard_with_others(kinds: Collection[str], voices: Voices) -> bool:
    """Whether a child that is kept out of these kinds is not asked where so many are heard at a time."""
    return "alone" in kinds and voices == "alone"
