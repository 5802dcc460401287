"""Melodic turns of a tune and the skeleton of a phrase. Source: docs/sources.md#motion."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from itertools import pairwise

from kopje.core.analysis.analysis import Analysis
from kopje.core.music.degree import Degree

SHORTEST, LONGEST = 2, 4


@dataclass(frozen=True, slots=True)
class Turn:
    """Tones that follow each other inside a phrase, how often, and in which bars they begin (one for each
    time)."""

    tones: tuple[Degree, ...]
    bars: tuple[int, ...]

    @property
    def count(self) -> int:
        return len(self.bars)

    def __str__(self) -> str:
        return " ".join(map(str, self.tones))


def turns(a: Analysis) -> tuple[Turn, ...]:
    """Every turn of 2 to 4 tones that comes at least twice, the most frequent and longest first.

    One that comes only inside a longer one is left out; a tone that only repeats is no turn.
    """
    places: dict[tuple[Degree, ...], list[int]] = defaultdict(list)
    for index in range(len(a.phrases)):
        line = [(sound, a.degree(sound)) for sound in a.attacks_in(a.phrases[index])]
        for size in range(SHORTEST, LONGEST + 1):
            for start in range(len(line) - size + 1):
                tones = tuple(degree for _, degree in line[start : start + size] if degree is not None)
                if len(tones) == size and len(set(tones)) > 1:
                    places[tones].append(line[start][0].bar)
    often = {tones: bars for tones, bars in places.items() if len(bars) > 1}
    kept = [Turn(tones, tuple(bars)) for tones, bars in often.items() if not _inside(tones, often)]
    return tuple(sorted(kept, key=lambda turn: (-turn.count * len(turn.tones), -len(turn.tones), turn.bars)))


def _inside(tones: tuple[Degree, ...], often: dict[tuple[Degree, ...], list[int]]) -> bool:
    """Whether it comes as often inside a longer turn as at all."""
    size = len(tones)
    return any(
        len(longer) > size
        and len(bars) >= len(often[tones])
        and any(longer[at : at + size] == tones for at in range(len(longer) - size + 1))
        for longer, bars in often.items()
    )


def skeleton(a: Analysis, index: int, strong: bool = False) -> tuple[Degree, ...]:
    """The tones of a phrase without repeats; `strong`: only those on strong beats.

    Falls back to all tones where none stands on a strong beat.
    """
    inside = a.attacks_in(a.phrases[index])
    chosen = [sound for sound in inside if sound.strong] if strong else list(inside)
    tones = [degree for degree in map(a.degree, chosen or inside) if degree is not None]
    return tuple(tones[:1]) + tuple(two for one, two in pairwise(tones) if one != two)
