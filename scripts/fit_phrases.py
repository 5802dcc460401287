"""Fit the tables of `core/analysis/phrase_weights.py` on half of the installed tunes that show their
phrases; `make proof` tries the other half.

Phrases are the lines of the folk songs, and the fermatas of four-part pieces; dance tunes are left out,
whose lines of text are not phrases. Needs numpy and the corpus, both of the test environment. Prints the
tables; two minutes."""

from __future__ import annotations

import math
import sys
from collections import Counter
from itertools import pairwise
from pathlib import Path

import numpy as np

sys.path.insert(0, str(Path(__file__).resolve().parents[1] / "tests"))

from formats import borders
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.heard_phrases import HALVES, Line, traces
from kopje.core.analysis.phrase_weights import SCALE, WEIGHTS
from kopje.core.exact import Fraction
from kopje.core.music.tune import blinded

STEPS, RATE, PENALTY = 400, 0.1, 1e-5
LENGTH_SHARE, READY = (
    0.5,
    1.0,
)  # lengths speak half as loud as places do; borders are set a little more readily than even


def main() -> None:
    columns = {
        kind: at for kind, at in zip(WEIGHTS, np.cumsum([0, *map(len, WEIGHTS.values())]), strict=False)
    }
    rows, right, lengths = [], [], Counter[int]()
    for _, tune in borders.phrased(learning=True):
        truth = borders.borders(analyse(tune))
        timeline = analyse(blinded(tune)).timeline
        line = Line(tuple(sound for sound in timeline if sound.attack), timeline[-1].end)
        edges = [0]
        for at in range(1, len(line.tones)):
            rows.append([columns[kind] + column for kind, column in traces(line, at).items()])
            right.append(line.tones[at].onset in truth)
            if right[-1]:
                edges.append(at)
        sizes = [line.bars(at) for at in (*edges, len(line.tones))]
        lengths.update(round(Fraction(b - a) * HALVES) for a, b in pairwise(sizes))
    weights = _fitted(np.array(rows), np.array(right, float), sum(map(len, WEIGHTS.values())))
    print(f"SCALE = {SCALE}\nWEIGHTS: dict[str, tuple[int, ...]] = {{")
    for kind, old in WEIGHTS.items():
        part = weights[columns[kind] : columns[kind] + len(old)] + (READY if kind == "rest" else 0)
        print(f'    "{kind}": ({", ".join(str(round(SCALE * x)) for x in part)}),')
    total = sum(lengths.values())

    def said(count: float) -> int:
        return round(SCALE * LENGTH_SHARE * math.log(count / total))

    kept = {size: said(count) for size, count in sorted(lengths.items()) if count > 5}
    print(f"}}\nLENGTHS: dict[int, int] = {kept}\nLENGTH_OTHER = {said(0.5)}")


def _fitted(rows: np.ndarray, right: np.ndarray, size: int) -> np.ndarray:
    """Logistic regression over the columns, by Adam; the same data give the same weights."""
    weights, mean, spread = np.zeros(size), np.zeros(size), np.zeros(size)
    for step in range(STEPS):
        chance = 1 / (1 + np.exp(-weights[rows].sum(1)))
        slope = np.bincount(rows.ravel(), np.repeat(chance - right, rows.shape[1]), size) / len(right)
        slope += PENALTY * weights
        mean, spread = 0.9 * mean + 0.1 * slope, 0.999 * spread + 0.001 * slope**2
        weights -= RATE * (1 if step < 280 else 0.2) * mean / (np.sqrt(spread) + 1e-8)
    return weights


if __name__ == "__main__":
    main()
