"""How a school teaches: the order of its lessons, and the activities it uses."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date

from kopje.core.planning.repertoire import SHIPPED_ACTIVITIES, Repertoire
from kopje.core.planning.template import SHIPPED_TEMPLATES, Template, Templates
from kopje.core.songs.times import Hemisphere, season


@dataclass(frozen=True)
class Habits:
    """Of a school, or of one section where `repertoire` has the minutes it really needs. `room`: how many of
    a thing the room has, where they were counted. `voice`: minutes a day that the teacher's voice should do
    at most. `days`: what the teacher said a day is like, `hemisphere`: by which seasons the school lives,
    None where songs are sung in any."""

    repertoire: Repertoire = SHIPPED_ACTIVITIES
    templates: Templates = SHIPPED_TEMPLATES
    days: Mapping[date, frozenset[str]] = field(default_factory=dict)
    hemisphere: Hemisphere | None = None
    room: Mapping[str, int] = field(default_factory=dict)
    voice: int | None = None

    def template(self, grade: int) -> Template:
        return self.templates.of(grade)

    def season(self, day: date) -> str | None:
        """None where seasons do not count."""
        return season(day, self.hemisphere) if self.hemisphere else None

    def times(self, day: date | None) -> frozenset[str]:
        """What a day is like: its season, the weather, an occasion."""
        if day is None:
            return frozenset()
        now = self.season(day)
        return self.days.get(day, frozenset()) | ({now} if now else set())

    def lasting(self, minutes: Mapping[str, int]) -> Habits:
        return replace(self, repertoire=self.repertoire.lasting(minutes)) if minutes else self


AS_SHIPPED = Habits()


def voice_share(limit: int | None, lessons: int) -> int | None:
    """What of a day's minutes of the teacher's voice one of so many lessons may take.

    >>> voice_share(90, 6), voice_share(None, 6)
    (15, None)
    """
    return None if limit is None else limit // max(lessons, 1)
