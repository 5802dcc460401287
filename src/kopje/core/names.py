"""Names as people write them: without what cannot be seen, and told apart by their look.

Source: docs/sources.md#names."""

from __future__ import annotations

import unicodedata

UNSEEN = ("Cc", "Cf", "Co", "Cn", "Cs", "Zl", "Zp")  # controls, marks of direction, signs of no width


def shown(text: str) -> str:
    r"""The text as it is seen: composed, on one line, without what has no width or turns others round.

    >>> shown(" A\u202ema\u200b  Osei\n")
    'Ama Osei'
    """
    text = "".join(" " if c.isspace() else c for c in unicodedata.normalize("NFC", text))
    return " ".join("".join(c for c in text if unicodedata.category(c) not in UNSEEN).split())


def look(text: str) -> str:
    """The same for texts that look the same to whoever reads a list quickly.

    >>> look("Ａma") == look("ama") == look("AMA")
    True
    """
    return unicodedata.normalize("NFKC", shown(text)).casefold()
