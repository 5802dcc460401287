"""Why something is so: every judgement in Kopje carries the reasons it was made from."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

Weight = Literal["for", "against", "bars", "note"]


@dataclass(frozen=True, slots=True)
class Reason:
    """One reason: a stable code, what it is about, one plain sentence, and which way it pulls.

    `bars` means that the reason alone rules the thing out.
    """

    code: str
    subject: str
    sentence: str
    weight: Weight = "note"


@dataclass(frozen=True, slots=True)
class Verdict:
    """All the reasons at once; the yes or no is derived from them, never stored beside them."""

    reasons: tuple[Reason, ...]

    @classmethod
    def of(cls, reasons: Iterable[Reason | None]) -> Verdict:
        return cls(tuple(reason for reason in reasons if reason is not None))

    @property
    def allowed(self) -> bool:
        return not any(reason.weight == "bars" for reason in self.reasons)

    @property
    def bars(self) -> tuple[Reason, ...]:
        return tuple(reason for reason in self.reasons if reason.weight == "bars")


def listed(words: Iterable[str], most: int | None = None) -> str:
    """Join words as one says them; beyond `most` the rest is counted.

    >>> listed(["do", "re", "mi"]), listed(["do", "re", "mi", "fa"], 2)
    ('do, re and mi', 'do, re and 2 more')
    """
    items = list(words)
    if most is not None and len(items) > most + 1:
        items = [*items[:most], f"{len(items) - most} more"]
    if len(items) < 2:
        return "".join(items)
    return f"{', '.join(items[:-1])} and {items[-1]}"


def counted(number: int, noun: str, plural: str | None = None) -> str:
    """
    >>> counted(1, "child", "children"), counted(3, "lesson")
    ('1 child', '3 lessons')
    """
    return f"{number} {noun if number == 1 else plural or noun + 's'}"
