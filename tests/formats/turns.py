"""Phrases of real tunes as letters from do, divided into thirds by tune family, so that variants of one tune
stay together: one third to fit on, one to judge with, one to be compared with."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from hashlib import sha256
from itertools import pairwise

from formats import borders
from kopje.core.analysis.analysis import Analysis, analyse
from kopje.core.analysis.phrases import Phrase
from kopje.core.exact import Fraction
from kopje.core.practice.reading.turns import Place

INCIPIT = 6  # tones, repeats left out, by which tunes are called variants of one another
THIRDS = 3


@dataclass(frozen=True)
class RealPhrase:
    """`steps`: letters above do; `chromatic`: a tone is altered; `bars`: the bar of each attack, from 0;
    `beats`: where in its bar each begins."""

    third: int
    home: str
    steps: tuple[int, ...]
    chromatic: bool
    places: tuple[Place, ...]
    bars: tuple[int, ...]
    beats: tuple[Fraction, ...]
    meter: str


def phrases(most: int | None = None) -> Iterator[RealPhrase]:
    """Every phrase of the folk songs that is established on do or la and stays in its key."""
    found = [analyse(tune) for name, tune in borders.lined(seed=1, most=most) if name in borders.PHRASED]
    kept = [a for a in found if a.tonality.do is not None and a.tonality.name in ("major", "minor")]
    families = _families([_incipit(a) for a in kept], [a.tune.title.split(" ")[0].lower() for a in kept])
    for a, family in zip(kept, families, strict=True):
        third = sha256(str(family).encode()).digest()[0] % THIRDS
        home = "do" if a.tonality.name == "major" else "la"
        for phrase in a.phrases:
            one = _phrase(a, phrase, third, home)
            if one is not None:
                yield one


def _phrase(a: Analysis, phrase: Phrase, third: int, home: str) -> RealPhrase | None:
    sounds = [s for s in a.timeline[phrase.first : phrase.stop] if s.attack and s.pitch]
    degrees = [a.degree(s) for s in sounds]
    if len(sounds) < 4 or len({s.area for s in sounds}) > 1 or any(one is None for one in degrees):
        return None
    first = sounds[0].bar
    last = len(sounds) - 1
    places = tuple(Place.of(s.place, s.meter.beat, n == last) for n, s in enumerate(sounds))
    return RealPhrase(
        third,
        home,
        tuple(d.step for d in degrees if d),
        any(d.alter for d in degrees if d),
        places,
        tuple(s.bar - first for s in sounds),
        tuple(s.place / s.meter.beat for s in sounds),
        str(sounds[0].meter),
    )


def _incipit(a: Analysis) -> tuple[int, ...]:
    steps = [s.pitch.step for s in a.attacks if s.pitch]
    moves = [two - one for one, two in pairwise(steps) if two != one]
    return tuple(moves[:INCIPIT])


def _families(*signs: list[object]) -> list[int]:
    """One number for each tune, the same where two tunes share a sign, or each shares one with a third."""
    parent = list(range(len(signs[0])))

    def root(n: int) -> int:
        while parent[n] != n:
            parent[n] = parent[parent[n]]
            n = parent[n]
        return n

    for by in signs[:1]:
        seen: dict[object, int] = {}
        for n, sign in enumerate(by):
            parent[root(n)] = root(seen.setdefault(sign, n))
    return [root(n) for n in range(len(parent))]
