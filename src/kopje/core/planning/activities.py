"""What an activity is. The shipped ones are in `catalogue`. Source: docs/sources.md#activities."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from kopje.core.ledger.marks import Help, Voices
from kopje.core.sequence.arcs import Purpose
from kopje.core.sequence.concepts import Line, Way

Energy = Literal["seated", "standing", "moving"]
SongRole = Literal["none", "known", "target"]
Role = Literal["opening", "voice", "review", "focus", "second", "play", "game", "closing"]


@dataclass(frozen=True, slots=True)
class Activity:
    """One activity.

    `minutes` is (least, usual, most). `song`: none, one they know, or the one chosen for the concept.
    `hears` children can be heard in `way` with `help`, `voices` at a time. `steps` may name {song}, {concept}
    and {section}; before a concept is presented {concept} reads "the new sound".
    """

    key: str
    title: str
    kind: str
    roles: tuple[Role, ...]
    grades: tuple[int, int]
    minutes: tuple[int, int, int]
    energy: Energy
    steps: tuple[str, ...]
    song: SongRole = "none"
    purposes: tuple[Purpose, ...] = ()
    lines: tuple[Line, ...] = ("rhythm", "melody", "other")
    hears: int = 0
    way: Way = "sing"
    voices: Voices = "alone"
    help: Help = "none"
    props: str = ""
    care: str = ""
    routine: bool = False  # known from its second lesson, never carried over

    @property
    def with_concept(self) -> bool:
        return bool(self.purposes)

    def fits_grade(self, grade: int) -> bool:
        return self.grades[0] <= grade <= self.grades[1]
