"""Where a word may be cut into syllables: pyphen's places (its dictionaries are under MPL), filled up between
vowels to as many as are spoken."""

from __future__ import annotations

import re
from functools import lru_cache
from itertools import pairwise

import pyphen

_VOWELS = re.compile(r"[aeiouy]+", re.IGNORECASE)
_PAIRS = (
    "ch",
    "sh",
    "th",
    "ph",
    "wh",
    "gr",
    "br",
    "tr",
    "dr",
    "fr",
    "cr",
    "pr",
    "bl",
    "cl",
    "fl",
    "pl",
    "gl",
)


@lru_cache(maxsize=1)
def _table() -> pyphen.Pyphen:
    return pyphen.Pyphen(lang="en_US", left=1, right=1)


@lru_cache(maxsize=4096)
def syllables_of(word: str, count: int = 0) -> tuple[str, ...]:
    """A word in `count` parts; as many as the table says where it is 0.

    >>> syllables_of("open", 2), syllables_of("every"), syllables_of("lion", 2), syllables_of("table", 2)
    (('o', 'pen'), ('ev', 'ery'), ('li', 'on'), ('ta', 'ble'))
    """
    told = [int(place) for place in _table().positions(word)]
    if count == 0:
        return _cut(word, told)
    own = [place for place in _between(word) if not any(abs(place - other) <= 1 for other in told)]
    chosen = sorted((*told, *own))
    while len(chosen) >= count:
        chosen.remove(own.pop() if own else chosen[-1])
    while len(chosen) < count - 1:
        more = _inside(word, chosen)
        if more is None:
            break
        chosen = sorted((*chosen, more))
    return _cut(word, chosen)


def _cut(word: str, places: list[int]) -> tuple[str, ...]:
    edges = [0, *places, len(word)]
    return tuple(word[one:two] for one, two in pairwise(edges))


def _between(word: str) -> list[int]:
    """A place between each two groups of vowels."""
    found = []
    for one, two in pairwise(_VOWELS.finditer(word)):
        gap = word[one.end() : two.start()].lower()
        together = len(gap) < 2 or gap in _PAIRS
        ends_le = word[two.start() :].lower() in ("e", "es", "ed") and gap.endswith("l") and len(gap) > 1
        found.append(two.start() - 2 if ends_le else one.end() + (0 if together else 1))
    return found


def _inside(word: str, chosen: list[int]) -> int | None:
    """One more place: within a group of vowels, else in the middle of the longest part."""
    for group in reversed(list(_VOWELS.finditer(word))):
        if len(group[0]) > 1 and not any(group.start() < place <= group.end() for place in chosen):
            return group.start() + 1
    parts = [(two - one, one) for one, two in pairwise([0, *chosen, len(word)])]
    length, start = max(parts)
    return start + length // 2 if length > 1 else None
