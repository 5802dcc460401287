"""How far a child was on each day of a year, by strand. Source: docs/sources.md#growth."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from kopje.core.ledger.marks import Mark
from kopje.core.ledger.rules import AS_SHIPPED, LedgerRules
from kopje.core.ledger.standing import Level, standing
from kopje.core.sequence.concepts import STRANDS, Concept

LAYERS: tuple[Level, ...] = ("secure", "once", "nearly", "not_yet")  # from the ground up


@dataclass(frozen=True, slots=True)
class Word:
    """The teacher's own word on a standing, from a day on."""

    level: Level
    day: date


@dataclass(frozen=True, slots=True)
class Stratum:
    """A strand over the days: for each day how many of its concepts lay in each of `LAYERS`."""

    strand: str
    days: tuple[tuple[int, ...], ...]


def growth(
    concepts: Iterable[Concept],
    marks: Mapping[str, Sequence[Mark]],
    words: Mapping[str, Word],
    days: Sequence[date],
    rules: LedgerRules = AS_SHIPPED,
) -> tuple[Stratum, ...]:
    """Of every strand in which anything was heard, in the order of strands. What a day shows is the standing
    from the marks up to it; a word counts from its day on."""
    found: dict[str, list[list[int]]] = {}
    for concept in concepts:
        mine, word = marks.get(concept.key, ()), words.get(concept.key)
        if not mine and word is None:
            continue
        layers = found.setdefault(concept.strand, [[0] * len(LAYERS) for _ in days])
        for place, day in enumerate(days):
            level = _level(concept, mine, word, day, rules)
            if level in LAYERS:
                layers[place][LAYERS.index(level)] += 1
    strands = sorted(found, key=STRANDS.index)
    return tuple(Stratum(strand, tuple(map(tuple, found[strand]))) for strand in strands)


def _level(
    concept: Concept, marks: Sequence[Mark], word: Word | None, day: date, rules: LedgerRules
) -> Level:
    if word is not None and word.day <= day:
        return word.level
    return standing(concept, (mark for mark in marks if mark.day <= day), rules).level
