"""What stands in a line of ABC music, piece by piece."""

from __future__ import annotations

import re

from kopje.core.exact import Fraction

TOKEN = re.compile(
    r"""(?P<field>\[[A-Za-z]:[^\[\]\n]*\])
    |\[(?P<ending>\d[\d,.-]*|(?="))
    |(?P<chord>\[[^\[\]|:\n]*\])(?P<chordlen>\d*/*\d*)
    |(?P<bar>:*\|+[\]:]*|\[\||::+|:\|)(?P<number>\d[\d,.-]*)?
    |(?P<text>"[^"]*"|![^!\s]*!|\+[a-z][^+\s]*\+)
    |(?P<grace>\{[^}]*\}?)
    |\((?P<tuplet>\d)(?::(?P<q>\d?))?(?::(?P<r>\d{0,2}))?
    |(?P<acc>\^\^|\^|__|_|=)?(?P<note>[A-Ga-gzxZ])(?P<oct>[,']*)(?P<len>\d*/*\d*)
    |(?P<broken>[<>]+)
    |(?P<tie>-)
    |(?P<over>&)
    |(?P<other>.)""",
    re.VERBOSE,
)
INSIDE = re.compile(r"(\^\^|\^|__|_|=)?([A-Ga-g])([,']*)(\d*/*\d*)")
TUPLET_OF = {2: 3, 3: 2, 4: 3, 6: 2, 8: 3}
BREATHS = (
    "!breath!",
    "!shortphrase!",
    "!mediumphrase!",
    "!longphrase!",
    "+breath+",
)


def multiple(text: str) -> Fraction:
    """`3/2`, `/`, `//`, `/4`, `2` as a multiple of the unit."""
    match = re.fullmatch(r"(\d*)(/*)(\d*)", text)
    if not match or not text:
        return Fraction(1)
    top, slashes, bottom = match.groups()
    below = int(bottom[:6]) if bottom and slashes else 2 ** min(len(slashes), 20)
    return Fraction(int(top[:6] or 1), max(below, 1))


STRANGE = re.compile(r"[h-twyI-KNQRVWY]")  # letters that mean nothing among notes
