"""When a song is sung: seasons, weather and occasions, heard in its words or said by the teacher; and what a
day is like. Source: docs/sources.md#times."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterable
from datetime import date
from typing import Literal, get_args

Hemisphere = Literal["north", "south"]
HEMISPHERES: tuple[Hemisphere, ...] = get_args(Hemisphere)
SEASONS = ("spring", "summer", "autumn", "winter")
WEATHERS = ("rain", "snow", "wind", "fog", "sun", "storm")
OCCASIONS = ("harvest", "lanterns", "birthday", "welcome", "goodbye")
TIMES = (*SEASONS, *WEATHERS, *OCCASIONS)
ASKED = (*WEATHERS, *OCCASIONS)  # what one can say of a day; its season follows from the date
ENOUGH = 2  # times that a song must speak of it, where its title does not

_STEMS: dict[str, tuple[str, ...]] = {
    "snow": ("snow", "winter"),
    "frost": ("winter",),
    "frozen": ("winter",),
    "icicle": ("winter",),
    "mitten": ("winter",),
    "sledge": ("winter",),
    "blossom": ("spring",),
    "bud": ("spring",),
    "nest": ("spring",),
    "lark": ("spring",),
    "summer": ("summer",),
    "hammock": ("summer",),
    "autumn": ("autumn",),
    "walnut": ("autumn",),
    "barley": ("autumn", "harvest"),
    "sheaf": ("autumn", "harvest"),
    "harvest": ("autumn", "harvest"),
    "winter": ("winter",),
    "rain": ("rain",),
    "raining": ("rain",),
    "umbrella": ("rain",),
    "puddle": ("rain",),
    "drip": ("rain",),
    "wind": ("wind",),
    "kite": ("wind",),
    "breeze": ("wind",),
    "fog": ("fog",),
    "mist": ("fog",),
    "sunny": ("sun",),
    "sunlight": ("sun",),
    "thunder": ("storm",),
    "lightning": ("storm",),
    "hail": ("storm",),
    "lantern": ("lanterns",),
    "birthday": ("birthday",),
    "goodbye": ("goodbye",),
    "farewell": ("goodbye",),
    "hello": ("welcome",),
    "welcome": ("welcome",),
}  # a word, or its plural, as it stands in a song


def times_heard(title: str, words: Iterable[str]) -> frozenset[str]:
    """What the words speak of: in the title, or twice in the song.

    >>> sorted(times_heard("Snow on the Ridge", []))
    ['snow', 'winter']
    >>> sorted(times_heard("My Red Hat", "Wind has my hat, give it back, wind!".split()))
    ['wind']
    """
    counts: Counter[str] = Counter()
    for word in words:
        counts.update(_told_by(word))
    for word in title.split():
        counts.update(_told_by(word) * ENOUGH)
    return frozenset(time for time, count in counts.items() if count >= ENOUGH)


def _told_by(word: str) -> tuple[str, ...]:
    plain = word.casefold().strip(".,;:!?…“”\"'’()-")
    endings = (plain, plain.removesuffix("s"), plain.removesuffix("es"))
    return next((_STEMS[one] for one in endings if one in _STEMS), ())


def times_said(text: str) -> frozenset[str]:
    """Those of our words that a teacher's note names; all else in it is left to the reader.

    >>> sorted(times_said("Winter, when there is snow"))
    ['snow', 'winter']
    """
    return frozenset(time for time in TIMES if re.search(rf"\b{time}\b", text.casefold()))


def times_of(title: str, words: Iterable[str], said: str) -> frozenset[str]:
    """What somebody noted of it goes before what is heard."""
    return times_said(said) if said.strip() else times_heard(title, words)


def season(day: date, hemisphere: Hemisphere) -> str:
    """By whole months, as schools speak of them.

    >>> season(date(2026, 12, 1), "north"), season(date(2026, 12, 1), "south")
    ('winter', 'summer')
    """
    quarter = (day.month % 12) // 3  # 0 from December on
    turned = quarter + 2 * (hemisphere == "south")
    return ("winter", "spring", "summer", "autumn")[turned % 4]
