"""How much each trace speaks for a phrase to begin here, and how usual each length is. Made by
scripts/fit_phrases.py.

Fitted on one half of the installed folk songs and four-part pieces that show their phrases, tried on the
other: docs/measured.md has the rates. Columns as in `heard_phrases.traces`; lengths in half bars; all in
twentieths."""

SCALE = 20
WEIGHTS: dict[str, tuple[int, ...]] = {
    "rest": (10, 50, 56),
    "last": (-12, -20, -4, -4, 20, 23, 36),
    "relative": (-19, -8, 0, 4, 21, 23),
    "peak": (-12, -17, -14, -3, -8, 3, -5, 1, 13),
    "jump": (1, -14, -4, 1, 11),
    "place": (-6, 8, -8, -7),
    "from_start": (-13, -7, 22, 35),
    "to_end": (-10, -4, 12, 16),
    "half": (-8, 8),
    "like_start": (-9, 6, 22),
    "before": (-19, 3, -7),
}
LENGTHS: dict[int, int] = {
    0: -50,
    1: -62,
    2: -36,
    3: -40,
    4: -6,
    5: -33,
    6: -23,
    7: -40,
    8: -17,
    9: -44,
    10: -35,
    11: -58,
    12: -44,
    13: -66,
    14: -60,
    15: -69,
    16: -55,
}
LENGTH_OTHER = -100
