"""A lesson as values: what was asked of the composer, and what it proposes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Literal

from kopje.core.planning.activities import Activity, Role
from kopje.core.reasons import Reason
from kopje.core.sequence.arcs import SectionState
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.songs.contents import SongCard
from kopje.core.songs.fit import Met

Status = Literal["best_possible", "best_found"]


@dataclass(frozen=True, slots=True)
class Choice:
    """What fills a slot: an activity, with its song and concept where it has them."""

    activity: str
    song: str | None = None
    concept: ConceptKey | None = None
    purpose: Purpose | None = None


@dataclass(frozen=True, slots=True)
class LeftOver:
    """A cell of the lesson before that was skipped, done partly, or not reached."""

    choice: Choice
    role: Role
    why: str


@dataclass(frozen=True)
class LessonQuestion:
    """Everything the composer may know. `pins` and the result count slots from 0, left-overs in front."""

    state: SectionState
    minutes: int
    songs: tuple[SongCard, ...]
    met: Mapping[str, Met] = field(default_factory=dict)
    done: Mapping[str, int] = field(default_factory=dict)
    lately: frozenset[str] = frozenset()
    left_over: tuple[LeftOver, ...] = ()
    laid: tuple[ConceptKey, ...] = ()  # what the year's plan has in this lesson
    pins: Mapping[int, Choice] = field(default_factory=dict)
    refused: frozenset[tuple[str, str | None]] = frozenset()
    today: date | None = None


@dataclass(frozen=True, slots=True)
class Cell:
    """One proposed activity. `index` counts slots; `new` says what is new to the class, None when nothing is."""

    index: int
    slot: str
    role: Role
    choice: Choice
    activity: Activity
    minutes: int
    new: str | None
    left_over: bool
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class LessonPlan:
    """The proposal; `unmet` lists wishes that could not be kept."""

    cells: tuple[Cell, ...]
    minutes: int
    available: int
    status: Status
    unmet: tuple[Reason, ...]
