"""Fit the weights of `core/analysis/tonic_weights.py` on half of the installed tunes; `make proof` tries
them on the other half.

Needs numpy and the corpus, both of the test environment. Prints the table; a few minutes.
"""

from __future__ import annotations

import sys
from pathlib import Path

import numpy as np

sys.path.insert(0, str(Path(__file__).resolve().parents[1] / "tests"))

from formats import tonics
from kopje.core.analysis.analysis import analyse
from kopje.core.analysis.tonic_model import SHARES, traces
from kopje.core.analysis.tonic_weights import SCALE, WEIGHTS
from kopje.core.music.tune import blinded

STEPS, RATE, PENALTY = 600, 0.1, 1e-4


def main() -> None:
    rows, right = [], []
    for piece in tonics.half(tonics.labelled(), learning=True):
        found = analyse(blinded(piece.tune))
        shares = traces(found.timeline, found.phrases)
        vector = [np.roll(np.array(shares[kind]) / SHARES, -tonic) for tonic in range(12) for kind in WEIGHTS]
        rows.append(np.array(vector).reshape(12, -1))
        right.append(piece.tonic)
    weights = _fitted(np.stack(rows), np.array(right))
    table = np.round(weights * SCALE).astype(int).reshape(len(WEIGHTS), 12)
    for kind, row in zip(WEIGHTS, table, strict=True):
        print(f'    "{kind}": ({", ".join(map(str, row))}),')


def _fitted(found: np.ndarray, right: np.ndarray) -> np.ndarray:
    """Softmax over the twelve tones, by Adam; the same data give the same weights."""
    weights = np.zeros(found.shape[2])
    mean, spread = np.zeros_like(weights), np.zeros_like(weights)
    wanted = found[np.arange(len(right)), right].sum(0)
    for step in range(STEPS):
        score = found @ weights
        chance = np.exp(score - score.max(1, keepdims=True))
        chance /= chance.sum(1, keepdims=True)
        slope = (np.einsum("nt,ntf->f", chance, found) - wanted) / len(right) + PENALTY * weights
        mean, spread = 0.9 * mean + 0.1 * slope, 0.999 * spread + 0.001 * slope**2
        weights -= RATE * (1 if step < 400 else 0.2) * mean / (np.sqrt(spread) + 1e-8)
    return weights


if __name__ == "__main__":
    main()
