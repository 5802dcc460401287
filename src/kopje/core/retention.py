"""How long what is known of a child is kept after it has left. Source: docs/privacy.md."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date


@dataclass(frozen=True, slots=True)
class Times:
    """`left_years` after a child has left it is erased; 0: on the day after. `log_days`: how long it is known
    who looked."""

    left_years: int = 2
    log_days: int = 365


def goes_on(left: date, years: int) -> date:
    """The day on which a child who left is erased: so many years later, never on the very day.

    >>> goes_on(date(2026, 6, 12), 2), goes_on(date(2028, 2, 29), 1), goes_on(date(2026, 6, 12), 0)
    (datetime.date(2028, 6, 13), datetime.date(2029, 3, 2), datetime.date(2026, 6, 13))
    """
    last = min(left.year + years, date.max.year - 1)
    month, day = (3, 1) if (left.month, left.day) == (2, 29) and years else (left.month, left.day)
    return date.fromordinal(date(last, month, day).toordinal() + 1)
