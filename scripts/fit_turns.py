"""Fit the tables of `core/practice/reading/turn_weights.py` on one third of the installed folk songs, by tune
family. Needs the corpus of the test environment; prints the module; two minutes."""

from __future__ import annotations

import sys
from collections import Counter
from itertools import pairwise
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parents[1] / "tests"))

from formats.turns import RealPhrase, phrases
from kopje.core.practice.reading.turns import BEFORE, FARTHEST, HIGH, LOW, SCALE, Place, held

FITTED = 0
STRENGTH = 6  # so many sightings of the rarer context weigh as much as the commoner one
HEAD = '''"""How usual each beginning, move and place is. Made by scripts/fit_turns.py.

Fitted on a third of the installed folk songs, divided by tune family. Beginnings and moves in thousandths:
for moves nine rows by the move before (a fifth down or more, ..., a fifth up or more), in each for every
height from seven letters below do to nine above eleven moves, from a sixth down to a sixth up. Places in
sixteenths, by syllable: downbeat, other beat, off the beat, last. Source: docs/sources.md#turns."""
'''


def main() -> None:
    every = [one for one in phrases() if one.third == FITTED]
    print(HEAD)
    by_home = {home: [one for one in every if one.home == home] for home in ("do", "la")}
    _say("FIRST", {home: [_first(found)] for home, found in by_home.items()}, flat=True)
    _say("MOVES", {home: _moves(found) for home, found in by_home.items()})
    _say("PLACES", {home: _places(found) for home, found in by_home.items()})


def _say(name: str, tables: dict[str, list[str]], flat: bool = False) -> None:
    print(f"{name}: dict[str, {'str' if flat else 'tuple[str, ...]'}] = {{")
    for home, rows in tables.items():
        if flat:
            print(f'    "{home}": "{rows[0]}",')
        else:
            print(f'    "{home}": (')
            for row in rows:
                print(f'        "{row}",')
            print("    ),")
    print("}")


def _first(found: list[RealPhrase]) -> str:
    counts = Counter(held(one.steps[0]) for one in found)
    total = sum(counts.values())
    return " ".join(str(max(round(1000 * counts[s] / total), 1)) for s in range(LOW, HIGH + 1))


def _moves(found: list[RealPhrase]) -> list[str]:
    full: Counter[tuple[int, int, int]] = Counter()
    two: Counter[tuple[int, int]] = Counter()
    one: Counter[tuple[int, int]] = Counter()
    for phrase in found:
        before = 0
        for a, b in pairwise(phrase.steps):
            move, height = b - a, held(a)
            if abs(move) <= FARTHEST:
                full[before, height, move] += 1
                two[height, move] += 1
                one[before, move] += 1
            before = min(max(move, -BEFORE), BEFORE)
    span = range(-FARTHEST, FARTHEST + 1)

    def share(counts: Counter[tuple[int, int]], key: int, move: int) -> float:
        return (counts[key, move] + 0.2) / (sum(counts[key, m] for m in span) + 0.2 * len(span))

    rows = []
    for before in range(-BEFORE, BEFORE + 1):
        row = []
        for height in range(LOW, HIGH + 1):
            seen = sum(full[before, height, m] for m in span)
            for move in span:
                general = (share(two, height, move) * share(one, before, move)) ** 0.5
                row.append((full[before, height, move] + STRENGTH * general) / (seen + STRENGTH))
        rows.append(" ".join(str(max(round(1000 * x), 1)) for x in row))
    return rows


def _places(found: list[RealPhrase]) -> list[str]:
    counts = {place: Counter[int]() for place in Place}
    for phrase in found:
        for step, place in zip(phrase.steps, phrase.places, strict=True):
            counts[place][step % 7] += 1
    whole = sum(counts.values(), Counter[int]())
    total = sum(whole.values())
    rows = []
    for place in Place:
        here = sum(counts[place].values())
        factors = [
            (counts[place][n] / here) / (whole[n] / total) if whole[n] and here else 1 for n in range(7)
        ]
        rows.append(" ".join(str(min(max(round(SCALE * f), 1), 4 * SCALE)) for f in factors))
    return rows


if __name__ == "__main__":
    main()
