"""A year's plan as values: arcs with their phases on lesson numbers. Source: docs/sources.md#fitting."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from statistics import median_low
from typing import Literal

from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.core.sequence.phases import PhaseModel

Place = Literal["new", "practised", "warm"]
Phase = Literal["prepare", "present", "practise", "warm", "assess"]
Status = Literal["best_possible", "best_found", "kept"]  # kept: in the order of an earlier plan
PLACES: tuple[Place, ...] = ("new", "practised", "warm")
CORE = 10  # priority from which a concept is core
PRACTISED = 4  # practise lessons on the practised place; later ones keep warm
SHORT_STRANDS = frozenset(
    {"form", "expression", "voice", "unpitched", "barred", "recorder", "ensemble", "vocabulary", "beat"}
)
SHORT_PREPARE, SHORT_PRACTISE = 1, 2


@dataclass(frozen=True, slots=True)
class Lengths:
    """Least and usual lessons of the phases that may give way; present and assess are one each."""

    prepare: int = 4
    practise: int = 6
    least_prepare: int = 3
    least_practise: int = 4


USUAL = Lengths()
ENOUGH_ARCS = 6  # finished arcs from which a school's own usual lengths are read


def spread(
    new: int, middle: int, after: int, pause: int
) -> tuple[list[tuple[int, int]], list[tuple[int, int]]]:
    """(offset from the start, lessons) of the runs in the new and in the practised place, cut by the pause.

    >>> spread(5, 4, 2, 3), spread(5, 4, 0, 0)
    (([(0, 2), (5, 3)], [(8, 4)]), ([(0, 5)], [(5, 4)]))
    """
    if not pause:
        return ([(0, new)] if new else []), ([(new, middle)] if middle else [])
    first, second = min(after, new), min(max(after - new, 0), middle)
    news = [(0, first), (first + pause, new - first)]
    middles = [(new, second), (new + second + pause, middle - second)]
    return [run for run in news if run[1]], [run for run in middles if run[1]]


def lengths_of(phases: PhaseModel) -> Lengths:
    """The lengths of a school's phase model."""
    (least_prepare, prepare, _), (least_practise, practise, _) = (
        phases.lessons("prepare"),
        phases.lessons("practise"),
    )
    return Lengths(prepare, practise, least_prepare, max(least_practise, PRACTISED))


def learned(finished: Iterable[tuple[int, int]], usual: Lengths = USUAL) -> Lengths:
    """A school's own usual lengths, from (prepared, practised) lessons of finished arcs: the medians, within
    3 to 6 and 4 to 8.

    >>> learned([(5, 7)] * 6).prepare, learned([(9, 9)] * 3) == USUAL
    (5, True)
    """
    arcs = list(finished)
    if len(arcs) < ENOUGH_ARCS:
        return usual
    prepare, practise = (int(median_low(values)) for values in zip(*arcs, strict=True))
    return Lengths(min(max(prepare, 3), 6), min(max(practise, 4), 8))


@dataclass(frozen=True, slots=True)
class Demand:
    """One concept to be laid. `prepared`, `presented`, `practised` are lessons already held (a begun arc).

    `earliest` and `latest` are lesson numbers between which it is presented; `fixed` is a start the teacher
    chose. The teacher can split it: after `pause_after` of its lessons to come (prepare to practise) it
    rests for `pause`."""

    concept: Concept
    priority: int
    prepared: int = 0
    presented: bool = False
    practised: int = 0
    earliest: int | None = None
    latest: int | None = None
    fixed: int | None = None
    lengths: Lengths = USUAL
    pause_after: int = 0
    pause: int = 0

    @property
    def key(self) -> ConceptKey:
        return self.concept.key

    @property
    def begun(self) -> bool:
        return self.presented or self.prepared > 0

    @property
    def short(self) -> bool:
        return self.concept.strand in SHORT_STRANDS

    def left(self, prepare: int, practise: int) -> tuple[int, int, int]:
        """(new, practised, warm) lessons still to come with these lengths; a begun arc keeps what
        it has had."""
        if self.short:
            held = self.prepared + self.presented + self.practised
            return 0, 0, max(SHORT_PREPARE + 1 + SHORT_PRACTISE - held, 1)
        new = 0 if self.presented else max(prepare - self.prepared, 0) + 1
        rest = max(practise - self.practised, 0)
        middle = max(PRACTISED - self.practised, 0)
        return new, middle, max(rest - middle, 0) + 1

    @property
    def rest(self) -> tuple[int, int]:
        """(lessons before it rests, lessons of rest) where that lies inside what is still to come; (0, 0)
        otherwise."""
        new, middle, _ = self.usual
        inside = self.pause and not self.short and self.pause_after < new + middle
        return (self.pause_after, self.pause) if inside else (0, 0)

    @property
    def usual(self) -> tuple[int, int, int]:
        return self.left(self.lengths.prepare, self.lengths.practise)

    @property
    def least(self) -> tuple[int, int, int]:
        if self.begun or self.rest[1]:
            return self.usual
        return self.left(self.lengths.least_prepare, self.lengths.least_practise)


@dataclass(frozen=True, slots=True)
class Arc:
    """One concept laid from lesson `start` on. `new` and `middle` lessons follow each other; `warm_start`
    begins the rest.

    Numbers count lessons of the year from 1; the last warm lesson assesses. A short arc lies in its warm
    place only."""

    concept: ConceptKey
    start: int
    new: int
    middle: int
    warm_start: int
    warm: int
    presented: bool = False
    short: bool = False
    prepared: int = 0
    pause_after: int = 0
    pause: int = 0

    def after(self, lessons: int) -> int:
        """The lesson in which its lesson number `lessons` (0 first) of preparing and practising lies, the
        pause left out."""
        return self.start + lessons + (self.pause if lessons >= self.pause_after else 0)

    @property
    def middle_end(self) -> int:
        """The first lesson after its practised ones."""
        return self.start + self.new + self.middle + self.pause

    @property
    def present(self) -> int | None:
        """The lesson that names it; None where that is past."""
        if self.presented:
            return None
        if self.short:
            return self.warm_start + max(SHORT_PREPARE - self.prepared, 0)
        return self.after(self.new - 1)

    @property
    def assess(self) -> int:
        return self.warm_start + self.warm - 1

    @property
    def end(self) -> int:
        return max(self.assess, self.middle_end - 1)

    def phase(self, lesson: int) -> Phase | None:
        """What the arc does in a lesson."""
        if self.present == lesson:
            return "present"
        if self.short:
            if not self.warm_start <= lesson <= self.assess:
                return None
            return (
                "assess" if lesson == self.assess else "prepare" if self._before_name(lesson) else "practise"
            )
        if self.start <= lesson < self.middle_end:
            return self._before_warm(lesson - self.start)
        if lesson == self.assess:
            return "assess"
        return "warm" if self.warm_start <= lesson < self.assess else None

    def _before_warm(self, passed: int) -> Phase | None:
        if passed >= self.pause_after:
            if passed < self.pause_after + self.pause:
                return None
            passed -= self.pause
        return "prepare" if passed < self.new else "practise"

    def _before_name(self, lesson: int) -> bool:
        return self.present is not None and lesson < self.present

    def place(self, lesson: int) -> Place | None:
        phase = self.phase(lesson)
        if phase is None:
            return None
        if self.short or phase in ("warm", "assess"):
            return "warm"
        return "new" if phase in ("prepare", "present") else "practised"


@dataclass(frozen=True, slots=True)
class Concert:
    """`lesson`: the last lesson before it; its concepts are presented by then."""

    name: str
    lesson: int
    concepts: frozenset[ConceptKey] = frozenset()


@dataclass(frozen=True)
class YearQuestion:
    """What is to be laid, in the order of the sequence, over lessons `first`..`last`; `reserve` lessons at
    the end stay free of arcs that have not begun. `ready` holds what counts as known before lesson `first`.
    """

    demands: tuple[Demand, ...]
    first: int
    last: int
    reserve: int = 2
    ready: frozenset[ConceptKey] = frozenset()
    concerts: tuple[Concert, ...] = ()
    before: Mapping[ConceptKey, int] = field(default_factory=dict)  # starts of an earlier plan, to stay near

    @cached_property
    def by_key(self) -> dict[ConceptKey, Demand]:
        return {demand.key: demand for demand in self.demands}

    @property
    def lessons(self) -> int:
        return max(self.last - self.first + 1, 0)

    @property
    def horizon(self) -> int:
        """The last lesson that a new arc may use."""
        return self.last - self.reserve

    @cached_property
    def chains(self) -> tuple[tuple[Demand, ...], ...]:
        """Demands by strand line, in order: within one the next starts once the earlier one was practised 4
        times."""
        lines: dict[str, list[Demand]] = {}
        for demand in self.demands:
            lines.setdefault(demand.concept.strand, []).append(demand)
        return tuple(tuple(line) for line in lines.values())

    def needs(self, demand: Demand) -> tuple[Demand, ...]:
        """Prerequisites that are themselves to be laid."""
        found = (self.by_key.get(key) for key in demand.concept.needs if key not in self.ready)
        return tuple(one for one in found if one is not None)

    def missing(self, demand: Demand) -> tuple[ConceptKey, ...]:
        """Prerequisites that are neither known nor to be laid."""
        return tuple(k for k in demand.concept.needs if k not in self.ready and k not in self.by_key)


@dataclass(frozen=True)
class YearPlan:
    """Arcs in order of their start; what found no room. `status`: best possible, or best found with
    a bound."""

    arcs: tuple[Arc, ...]
    left_out: tuple[ConceptKey, ...]
    status: Status = "best_found"
    cost: int = 0
    bound: int = 0

    @cached_property
    def by_key(self) -> dict[ConceptKey, Arc]:
        return {arc.concept: arc for arc in self.arcs}


def laid_in(arcs: Iterable[Arc], lesson: int) -> tuple[ConceptKey, ...]:
    """What a plan has in the lesson of a number (0: in none): what is new, then what is practised, then short
    arcs; what is only kept warm is left to review."""
    places = [(arc.place(lesson), arc) for arc in arcs] if lesson else []
    order = ("new", "practised", "warm")
    found = sorted(
        (order.index(place), arc.concept) for place, arc in places if place and (place != "warm" or arc.short)
    )
    return tuple(concept for _, concept in found)


def levels_in(lessons: int, usual: Lengths) -> int:
    """How many levels of a ladder these lessons hold, at least one. Each is prepared while the one before is
    practised for its first lessons, and the last is practised and assessed too. The rest of the ladder goes
    on next year, and no year is short of it.

    Source: docs/sources.md#reading-ladder.
    """
    step = usual.prepare + 1 + PRACTISED
    whole = usual.prepare + 1 + usual.practise + 1
    return 1 + max((lessons - whole) // step, 0)
