"""Instruments by how they sound. Families overlap: one that is struck can be shaken too.

Source: docs/sources.md#cards.
"""

from __future__ import annotations

from typing import Literal, get_args

Sounding = Literal["struck", "scraped", "shaken", "plucked", "bowed", "blown", "keys"]
SOUNDINGS: tuple[Sounding, ...] = get_args(Sounding)
INSTRUMENTS: dict[str, tuple[Sounding, ...]] = {
    "hand_drum": ("struck",),
    "tambourine": ("struck", "shaken"),
    "snare_drum": ("struck",),
    "bass_drum": ("struck",),
    "kettledrum": ("struck",),
    "maracas": ("shaken",),
    "rainstick": ("shaken",),
    "jingle_bells": ("shaken",),
    "guiro": ("scraped", "struck"),
    "claves": ("struck",),
    "wood_block": ("struck", "scraped"),
    "triangle": ("struck",),
    "cymbals": ("struck", "scraped"),
    "gong": ("struck",),
    "hand_bell": ("shaken", "struck"),
    "xylophone": ("struck",),
    "glockenspiel": ("struck",),
    "recorder": ("blown",),
    "flute": ("blown",),
    "clarinet": ("blown",),
    "panpipes": ("blown",),
    "trumpet": ("blown",),
    "trombone": ("blown",),
    "horn": ("blown",),
    "violin": ("bowed", "plucked"),
    "cello": ("bowed", "plucked"),
    "guitar": ("plucked", "struck"),
    "harp": ("plucked",),
    "thumb_piano": ("plucked",),
    "piano": ("keys", "struck"),
    "accordion": ("keys", "blown"),
}


def of_sounding(family: Sounding | None) -> tuple[str, ...]:
    """Those of a family; all where none is asked for.

    >>> of_sounding("scraped")
    ('guiro', 'wood_block', 'cymbals')
    """
    return tuple(key for key, families in INSTRUMENTS.items() if family is None or family in families)
