"""Meter and beat. Source: docs/sources.md#meter."""

from __future__ import annotations

import re
from dataclasses import dataclass

from kopje.core.errors import MeterError
from kopje.core.exact import Fraction
from kopje.core.lazy import lazy

COMPOUND_UPPERS = (6, 9, 12)


@dataclass(frozen=True)
class Meter:
    """A time signature. Lengths are in quarters; the beat of 6/8 is the dotted quarter.

    >>> Meter.parse("6/8").beat, Meter.parse("2/2").beats
    (Fraction(3, 2), 2)
    """

    upper: int
    lower: int
    symbol: str | None = None  # "common" or "cut", for the engraver
    told_beat: Fraction | None = None  # the teacher counts so: slow 6/8 in eighths, 3/8 in one

    @classmethod
    def parse(cls, text: str) -> Meter:
        """Read `2/4`, `C`, `C|`, `3+2/8`; MeterError otherwise."""
        text = text.strip()
        if text in ("C", "C|"):
            return cls(4, 4, "common") if text == "C" else cls(2, 2, "cut")
        match = re.fullmatch(r"\(?(\d{1,2}(?:\+\d{1,2})*)\)?/(\d{1,3})", text.replace(" ", ""))
        if match:
            upper, lower = sum(map(int, match[1].split("+"))), int(match[2])
            if 1 <= upper <= 64 and lower in (1, 2, 4, 8, 16, 32, 64):
                return cls(upper, lower)
        raise MeterError("not_a_meter", text=text, value=text)

    def __str__(self) -> str:
        return f"{self.upper}/{self.lower}"

    @property
    def compound(self) -> bool:
        if self.told_beat is not None:
            return int(self.told_beat.numerator) % 3 == 0
        return self.upper in COMPOUND_UPPERS

    @lazy
    def length(self) -> Fraction:
        """Quarters in a full bar."""
        return Fraction(4 * self.upper, self.lower)

    @lazy
    def beat(self) -> Fraction:
        """Quarters in a beat: the dotted note in compound meter, the lower number's note otherwise."""
        if self.told_beat is not None:
            return self.told_beat
        return Fraction(12 if self.compound else 4, self.lower)

    @property
    def beats(self) -> int:
        if self.told_beat is not None:
            return max(int(self.length / self.told_beat), 1)
        return self.upper // 3 if self.compound else self.upper
