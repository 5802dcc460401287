"""When a section meets."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import time


@dataclass(frozen=True, slots=True, order=True)
class Meeting:
    """A meeting of the weekly pattern (weekday 0 is Monday) or of an n-day cycle (its day 0..n-1).

    `minutes`: its own length; None: as long as the section's lessons usually are.
    """

    weekday: int
    starts: time
    minutes: int | None = None
