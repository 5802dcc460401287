"""A lesson set as values: what is asked, and what is proposed. Source: docs/sources.md#composer."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Literal

from kopje.core.planning.facts import Recent
from kopje.core.planning.habits import AS_SHIPPED, Habits
from kopje.core.planning.lesson import Choice, LeftOver, LessonQuestion, Part
from kopje.core.reasons import Reason
from kopje.core.recordings.piece import PieceCard
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.contents import SongCard
from kopje.core.songs.suitability import Met

SetStatus = Literal["best_possible", "teaching_best", "best_found", "impossible"]
RETURNS = 2  # how often a thing comes again after its first meeting
USUAL_WORK = 5.0  # near to seconds of a quiet machine


@dataclass(frozen=True)
class LessonFrame:
    """A lesson as it is given: its day (the first of its sections'), its minutes (the least of them), what
    the year has laid in it, what is settled in it by the key of the slot, and what stands there as yet."""

    day: date
    minutes: int
    laid: tuple[ConceptKey, ...] = ()
    pins: Mapping[str, Choice] = field(default_factory=dict)
    lengths: Mapping[str, int] = field(default_factory=dict)  # minutes of pinned parts
    there: Mapping[str, Choice] = field(default_factory=dict)
    left_over: tuple[LeftOver, ...] = ()
    no_place: tuple[LeftOver, ...] = ()  # also left over, but too many to carry at once
    voice: int | None = None  # minutes in which the teacher wants to lead with her voice at most
    out: frozenset[str] | None = None  # what the classes before and after use; None where none is near


@dataclass(frozen=True)
class SetQuestion:
    """Everything the composer may know.

    Of several sections `state` is the one furthest behind in each concept, `met` and `done` what every one
    of them knows. `named_lately`: concepts named in the last lessons, with the number of coming lessons in
    which they still have to be practised. `owed`: songs and pieces met lately, with the lessons in which
    they should come again. `warm`: songs for a concert that comes, with the lessons in which they
    should be sung. `recent`: what was done in the last lessons, `held`: how many there were in all.
    `rated`: how often an activity went well and fell flat, `why`: what was said of it then. `rolls`:
    how many children each section has. `keep`: change as little as can be of what stands
    there."""

    state: SectionState
    lessons: tuple[LessonFrame, ...]
    songs: tuple[SongCard, ...] = ()
    pieces: tuple[PieceCard, ...] = ()
    met: Mapping[str, Met] = field(default_factory=dict)
    done: Mapping[str, int] = field(default_factory=dict)
    lately: frozenset[str] = frozenset()
    named_lately: Mapping[ConceptKey, int] = field(default_factory=dict)
    owed: Mapping[str, int] = field(default_factory=dict)
    warm: Mapping[str, int] = field(default_factory=dict)
    refused: frozenset[tuple[str, str | None]] = frozenset()
    recent: tuple[Recent, ...] = ()
    held: int = 0
    habits: Habits = AS_SHIPPED
    rolls: tuple[int, ...] = ()
    rated: Mapping[str, tuple[int, int]] = field(default_factory=dict)
    why: Mapping[str, str] = field(default_factory=dict)
    keep: bool = False
    work: float = USUAL_WORK


@dataclass(frozen=True)
class SetLesson:
    """A composed lesson. `available`: minutes for its parts; `unmet`: wishes that could not be kept in it."""

    day: date
    parts: tuple[Part, ...]
    available: int
    unmet: tuple[Reason, ...] = ()


@dataclass(frozen=True)
class SetPlan:
    """`cost` in points of the table of prices, `gap` at most so many from the best of what was looked at,
    `relaxed` the numbers of the must-rules that were given up, `looked_at` how many choices there were."""

    lessons: tuple[SetLesson, ...]
    status: SetStatus
    cost: int
    gap: int
    relaxed: tuple[int, ...] = ()
    unmet: tuple[Reason, ...] = ()
    looked_at: int = 0


def first_lesson(question: SetQuestion) -> LessonQuestion:
    """What one would ask for the first lesson of a set alone, without what is pinned or left over."""
    frame = question.lessons[0]
    return LessonQuestion(
        state=question.state,
        minutes=frame.minutes,
        songs=question.songs,
        pieces=question.pieces,
        met=question.met,
        done=question.done,
        laid=frame.laid,
        today=frame.day,
        habits=question.habits,
        rolls=question.rolls,
        rated=question.rated,
        why=question.why,
    )
