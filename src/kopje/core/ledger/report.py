"""What is said of a child: blocks put together from standings, in an order that begins with what it can do.

Nothing is invented: a block says what standings say, and a block of which there is nothing to say is left
out. There is no grade. Source: docs/sources.md#report."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from kopje.core.errors import ReportError

BlockKey = Literal["sure", "once", "nearly", "learning", "again", "nobody", "heard", "next"]
BLOCKS: tuple[BlockKey, ...] = get_args(BlockKey)
OF_LEVEL: Mapping[str, BlockKey] = {
    "secure": "sure",
    "once": "once",
    "nearly": "nearly",
    "not_yet": "learning",
    "not_heard": "nobody",
}
BLANKS = ("{name}", "{things}")
LONGEST = 400  # letters of a school's own sentence


@dataclass(frozen=True, slots=True)
class Block:
    key: BlockKey
    things: tuple[str, ...]


def blocks(stands: Iterable[tuple[str, str, bool]]) -> tuple[Block, ...]:
    """From (what it is called, level, due), in the order of the report. What is to be heard again is said
    beside what it had.

    >>> [(one.key, one.things) for one in blocks([("la", "secure", True), ("re", "nearly", False)])]
    [('sure', ('la',)), ('nearly', ('re',)), ('again', ('la',))]
    """
    found: dict[BlockKey, list[str]] = {}
    for name, level, due in stands:
        found.setdefault(OF_LEVEL[level], []).append(name)
        if due:
            found.setdefault("again", []).append(name)
    return tuple(Block(key, tuple(found[key])) for key in BLOCKS if key in found)


def own_words(given: Mapping[str, str]) -> dict[str, str]:
    """A school's own sentences by block; empty ones fall back to the shipped. ReportError for a block that
    there is not, and for blanks that cannot be filled."""
    found = {key: text.strip() for key, text in given.items() if text.strip()}
    for key, text in found.items():
        if key not in BLOCKS:
            raise ReportError("report_no_block", key=key, value=key)
        rest = text
        for blank in BLANKS:
            rest = rest.replace(blank, "")
        if "{" in rest or "}" in rest:
            raise ReportError("report_blanks", text=text, value=text, path=key)
        if len(text) > LONGEST:
            raise ReportError("report_long", most=LONGEST, value=text, path=key)
    return found


def filled(text: str, name: str, things: str) -> str:
    """
    >>> filled("{name} sings {things}.", "Ama", "la")
    'Ama sings la.'
    """
    return text.replace("{name}", name).replace("{things}", things)
