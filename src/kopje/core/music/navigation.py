"""Signs that say where a tune goes on: Fine, da capo, dal segno, coda; as files and singers write them.

Source: docs/sources.md#performance.
"""

from __future__ import annotations

import re
from typing import Literal

Sign = Literal["fine", "segno", "coda", "to_coda", "da_capo", "dal_segno"]
JUMPS: tuple[Sign, ...] = ("da_capo", "dal_segno")
AT_HEAD: tuple[Sign, ...] = ("segno", "coda")  # the others stand at the end of their bar
WRITTEN: dict[Sign, str] = {
    "fine": "Fine",
    "segno": "Segno",
    "coda": "Coda",
    "to_coda": "To Coda",
    "da_capo": "D.C.",
    "dal_segno": "D.S.",
}
_MEANT: tuple[tuple[str, Sign], ...] = (
    (r"d\.?\s*c\.?|da\s*capo", "da_capo"),
    (r"d\.?\s*s\.?|dal\s*segno", "dal_segno"),
    (r"(to|da|al)\s*coda", "to_coda"),
    (r"fine", "fine"),
    (r"segno", "segno"),
    (r"coda", "coda"),
)


def sign_of(text: str) -> Sign | None:
    """The sign that a short text is; what follows “al” tells where it ends, which the tune shows itself.

    >>> sign_of("D.C. al Fine"), sign_of("^Fine."), sign_of("dacapo"), sign_of("Fine weather")
    ('da_capo', 'fine', 'da_capo', None)
    """
    plain = re.sub(r"\s+al\s+(fine|coda)\b.*", "", text.strip(' !+^_<>@".').lower()).strip(" .")
    return next((sign for pattern, sign in _MEANT if re.fullmatch(pattern, plain)), None)
