"""How much each trace of a tone speaks for resting on a tone so many semitones below it. Made by
scripts/fit_tonality.py.

Fitted on one half of the installed tunes whose file names a tonic (seed 1), tried on the other:
docs/measured.md has the rates. Rows are traces, columns the semitones from the tone asked about (0 to 11) up
to the tone that left the trace, in twentieths."""

WEIGHTS: dict[str, tuple[int, ...]] = {
    "length": (86, -31, -40, 10, 64, -2, -45, 77, -23, -66, -61, 2),
    "downbeats": (17, -31, 6, 4, 15, -8, -7, 16, -20, 21, -1, -11),
    "endings": (24, -18, 15, 13, 5, -7, -26, 8, -8, -8, 4, 1),
    "beginnings": (6, -19, 15, -13, 21, 0, -17, 11, -27, 10, 12, 4),
    "first": (13, -13, 1, -1, 16, -3, -16, 23, -22, 3, 1, -10),
    "first_downbeat": (22, -3, -9, 17, 13, -6, -24, 14, 4, -7, -14, -13),
    "last": (39, -18, -5, -10, 13, -6, -32, 7, -1, -4, -4, -13),
    "before_last": (-2, -6, 16, -7, 6, -2, 0, 7, -24, 6, -3, 6),
    "lowest": (7, -5, -9, -12, 2, -11, -1, 7, 14, -5, 11, 2),
    "highest": (12, -18, 1, 13, 4, -3, -12, -2, -1, 1, 11, -6),
    "heard": (13, -11, 4, -3, -2, 30, -22, 17, 3, -9, -23, 10),
}
SCALE = 20
