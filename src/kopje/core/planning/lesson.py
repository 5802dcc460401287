"""A lesson as values: what was asked of the composer, and what it proposes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Literal

from kopje.core.ledger.events import Tick
from kopje.core.ledger.held import TaughtPart
from kopje.core.planning.activities import Activity, Role
from kopje.core.planning.facts import Recent
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.planning.material import Material
from kopje.core.reasons import Reason
from kopje.core.recordings.piece import PieceCard
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.phases import Purpose
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import SongCard
from kopje.core.songs.suitability import Met

Status = Literal["best_possible", "best_found"]
New = Literal["name", "song", "piece", "activity"]


@dataclass(frozen=True, slots=True)
class Choice:
    """What fills a slot: an activity, with its song or recorded piece and its concept where it has them."""

    activity: str
    song: str | None = None
    concept: ConceptKey | None = None
    purpose: Purpose | None = None
    piece: str | None = None

    @classmethod
    def of(cls, activity: str, material: Material, concept: str | None, purpose: Purpose | None) -> Choice:
        key = ConceptKey(concept) if concept else None
        return cls(activity, material.song, key, purpose, material.recording)

    @property
    def material(self) -> Material:
        return Material.of_recording(self.piece) if self.piece else Material.of_song(self.song)

    @property
    def thing(self) -> str | None:
        """The song or the piece: what comes once in a lesson, and is met and known."""
        return self.song or self.piece


@dataclass(frozen=True, slots=True)
class LeftOver:
    """A part of the lesson before (held on `day`) that was skipped, done partly, or not reached (`tick`
    None)."""

    choice: Choice
    role: Role
    tick: Tick | None
    day: date

    @classmethod
    def of(cls, part: TaughtPart, day: date) -> LeftOver:
        choice = Choice.of(part.activity, part.material, part.concept, part.purpose)
        return cls(choice, part.role, part.tick, day)  # type: ignore[arg-type]  # a role as it was stored


@dataclass(frozen=True)
class LessonQuestion:
    """Everything the composer may know. `met`: songs and recorded pieces, by id. `pins` by the id of the
    slot; `left_over` are carried to the front. `named_lately`, `owed`, `recent`, `held`, `rated`, `why` and
    `rolls` are as in a set."""

    state: SectionState
    minutes: int
    songs: tuple[SongCard, ...]
    met: Mapping[str, Met] = field(default_factory=dict)
    done: Mapping[str, int] = field(default_factory=dict)
    lately: frozenset[str] = frozenset()
    left_over: tuple[LeftOver, ...] = ()
    no_place: tuple[LeftOver, ...] = ()  # also left over, but too many to carry at once
    laid: tuple[ConceptKey, ...] = ()  # what the year's plan has in this lesson
    pins: Mapping[str, Choice] = field(default_factory=dict)
    refused: frozenset[tuple[str, str | None]] = frozenset()
    today: date | None = None
    pieces: tuple[PieceCard, ...] = ()
    named_lately: Mapping[ConceptKey, int] = field(default_factory=dict)
    owed: Mapping[str, int] = field(default_factory=dict)
    recent: tuple[Recent, ...] = ()
    held: int = 0
    habits: Habits = AS_SHIPPED
    rolls: tuple[int, ...] = ()
    warm: frozenset[str] = frozenset()  # songs for a concert: they are offered first
    rated: Mapping[str, tuple[int, int]] = field(default_factory=dict)
    why: Mapping[str, str] = field(default_factory=dict)

    @property
    def day(self) -> frozenset[str]:
        """What the day is like (core/songs/times.py)."""
        return self.habits.times(self.today)


@dataclass(frozen=True, slots=True)
class Part:
    """One planned activity in its slot; `new` says what is new to the class, None when nothing is."""

    slot: str
    role: Role
    choice: Choice
    activity: Activity
    minutes: int
    new: New | None
    left_over: bool
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class LessonPlan:
    """The proposal; `unmet` lists wishes that could not be kept."""

    parts: tuple[Part, ...]
    minutes: int
    available: int
    status: Status
    unmet: tuple[Reason, ...]
