"""A mark: what one child showed, how, alone or not, with or without help. Source:
docs/sources.md#evidence."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, datetime
from typing import Literal

from kopje.core.sequence.concepts import ConceptKey, Way

Result = Literal["secure", "nearly", "not_yet"]
Voices = Literal["alone", "group", "class"]
Help = Literal["none", "model", "signs"]


@dataclass(frozen=True, slots=True)
class Mark:
    """One mark that counts (what was taken back is kept as an event, not judged).

    `day` is the day of the lesson it was made in; `moment` orders marks, on the same day too; `device` and
    `sequence` decide where two moments are the same. `broke`: of a reading that broke, in which strands."""

    concept: ConceptKey
    way: Way
    voices: Voices
    help: Help
    result: Result
    day: date
    moment: datetime
    device: str = ""
    sequence: int = 0
    broke: tuple[str, ...] = ()

    @property
    def order(self) -> tuple[date, datetime, str, int]:
        return self.day, self.moment, self.device, self.sequence

    @property
    def full(self) -> bool:
        """Alone and without help."""
        return self.voices == "alone" and self.help == "none"

    @property
    def half(self) -> bool:
        """In a small group, or alone with help."""
        return self.voices == "group" or (self.voices == "alone" and self.help != "none")
