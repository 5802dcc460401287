"""How long somebody waits after wrong passwords. Source: docs/sources.md#sign-in."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

FREE_TRIES = 5
FREE_TRIES_OF_CLIENT = 30  # for all logins together, from where nobody has signed in yet
FIRST_WAIT, LONGEST_WAIT = 5, 300  # seconds


def seconds_to_wait(failures: Sequence[datetime], now: datetime, free: int = FREE_TRIES) -> int:
    """After so many failures each further one doubles the wait, from 5 seconds to 5 minutes.

    >>> moment = datetime(2026, 11, 24, 9, 10)
    >>> [seconds_to_wait([moment] * tries, moment) for tries in (4, 5, 6, 7, 20)]
    [0, 5, 10, 20, 300]
    """
    if len(failures) < free:
        return 0
    wait = min(FIRST_WAIT * 2 ** min(len(failures) - free, 10), LONGEST_WAIT)
    return max(0, int(wait - (now - failures[-1]).total_seconds() + 0.999))
