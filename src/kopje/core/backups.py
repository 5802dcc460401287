"""Which backups are kept, when the next one is due, and when to say that none is recent."""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterable
from datetime import datetime, timedelta

DAYS, WEEKS, MONTHS = 7, 4, 12
OLD = timedelta(days=7)


def kept(made: Iterable[datetime]) -> set[datetime]:
    """Of all that were made those to keep: the last of each of the last 7 days, 4 weeks and 12 months in
    which any was made. So the newest is always among them, and a summer without school loses nothing.

    >>> days = [datetime(2026, 11, day) for day in range(1, 29)]
    >>> sorted(one.day for one in kept(days))
    [8, 15, 22, 23, 24, 25, 26, 27, 28]
    """
    newest_first = sorted(made, reverse=True)
    rules: tuple[tuple[Callable[[datetime], Hashable], int], ...] = (
        (lambda one: one.date(), DAYS),
        (lambda one: one.isocalendar()[:2], WEEKS),
        (lambda one: (one.year, one.month), MONTHS),
    )
    found: set[datetime] = set()
    for span, most in rules:
        last: dict[Hashable, datetime] = {}
        for one in newest_first:
            last.setdefault(span(one), one)
        found.update(list(last.values())[:most])
    return found


def due(last: datetime | None, now: datetime) -> bool:
    """One a day."""
    return last is None or last.date() < now.date()


def old(last: datetime | None, now: datetime) -> bool:
    """Whether the teacher has to be told."""
    return last is None or now - last > OLD
