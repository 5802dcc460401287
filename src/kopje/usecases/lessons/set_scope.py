"""Whose set it is: the sections of a grade together, or one section; with the lessons that come next."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date, time
from functools import cached_property
from itertools import pairwise
from uuid import UUID

from kopje.core.errors import NotFoundError, PlanError
from kopje.core.planning.calendar import LessonTime
from kopje.core.planning.fetch import stays_out
from kopje.core.planning.habits import voice_share
from kopje.core.planning.lesson import Choice, LeftOver
from kopje.core.planning.lesson_set import together
from kopje.core.planning.lesson_set.question import LessonFrame, SetQuestion
from kopje.core.planning.template import Template
from kopje.core.reasons import because
from kopje.core.sequence.section_state import SectionState, due
from kopje.usecases.context import Context
from kopje.usecases.lessons.propose_lesson import split_owed
from kopje.usecases.lessons.read_fetch import needs_of
from kopje.usecases.snapshot import Planned, PlannedPart, SectionNow, snapshot
from kopje.usecases.songs.recordings import piece_cards
from kopje.usecases.songs.songbook import cards

GRADE = "grade-"
MOST, USUAL = 6, 6


@dataclass(frozen=True)
class SetScope:
    """A set's sections, in order of their names, and how many lessons of each it holds."""

    key: str
    sections: tuple[SectionNow, ...]
    count: int
    busy: Mapping[date, int] = field(default_factory=dict)  # lessons of all the school by day
    out: Mapping[tuple[UUID, date, time], frozenset[str]] = field(default_factory=dict)  # beside its lessons

    @cached_property
    def ids(self) -> tuple[UUID, ...]:
        return tuple(one.id for one in self.sections)

    @cached_property
    def state(self) -> SectionState:
        return together.state_together([one.state for one in self.sections])

    @property
    def template(self) -> Template:
        return self.sections[0].school.template(self.state.grade)

    @cached_property
    def times(self) -> tuple[tuple[LessonTime | None, ...], ...]:
        """Lesson by lesson the times of each section; None where a section had it, or has none left."""
        near = [_coming(one, self.count) for one in self.sections]
        planned = [
            [_contents(one.planned_at(at.day, at.starts)) for at in times]
            for one, times in zip(self.sections, near, strict=True)
        ]
        ahead = together.steps_ahead(planned)
        coming = [[*([None] * by), *times] for by, times in zip(ahead, near, strict=True)]
        length = min(max((len(one) for one in coming), default=0), self.count)
        return tuple(tuple(one[n] if n < len(one) else None for one in coming) for n in range(length))

    def first(self, section: int) -> int:
        """The column in which a section's next lesson stands."""
        return next((n for n, row in enumerate(self.times) if row[section] is not None), 0)

    def planned(self, number: int, section: int) -> Planned | None:
        at = self.times[number][section]
        return self.sections[section].planned_at(at.day, at.starts) if at else None

    def parts(self, number: int) -> list[PlannedPart]:
        """Everything that is planned in a lesson, section by section."""
        every = [self.planned(number, section) for section in range(len(self.sections))]
        return [part for planned in every if planned is not None for part in planned.parts]

    def minutes(self, number: int) -> int:
        """The least of its sections' minutes."""
        return min(
            at.minutes or one.minutes
            for at, one in zip(self.times[number], self.sections, strict=True)
            if at is not None
        )

    def owed(self, section: int) -> list[LeftOver]:
        """What a section left over in its last lesson, for its next."""
        facts = self.sections[section].facts
        return [LeftOver.of(part, facts.over[-1].day) for part in facts.left_over] if facts.over else []


def _contents(planned: Planned | None) -> frozenset[Choice]:
    return frozenset(part.choice for part in planned.parts) if planned else frozenset()


def _coming(now: SectionNow, count: int) -> list[LessonTime]:
    """The next lessons of the calendar that neither were held nor are running."""
    running = now.facts.running
    begun = {(running.day, running.starts)} if running else set()
    return [
        at for at in now.lessons if at.day >= now.today and (at.day, at.starts) not in now.held_at | begun
    ][:count]


def known_id(key: str) -> UUID:
    """NotFoundError for what is no id at all."""
    try:
        return UUID(key)
    except ValueError:
        raise NotFoundError("no_such", what=because("what_section"), value=key) from None


def scope_of(ctx: Context, key: str, count: int = USUAL) -> SetScope:
    """NotFoundError for a grade without sections or a section that is not there; PlanError when there is
    nothing to plan."""
    every = snapshot(ctx)
    if key.startswith(GRADE):
        mine = tuple(one for one in every.sections if str(one.grade) == key.removeprefix(GRADE))
    else:
        mine = tuple(one for one in every.sections if str(one.id) == key)
    if not mine:
        raise NotFoundError("no_such", what=because("what_section"), value=key)
    without = next((one for one in mine if not one.calendar.meetings.get(one.id)), None)
    if without is not None:
        raise PlanError("plan_no_meetings", section=without.name)
    busy = Counter(at.day for one in every.sections for at in one.lessons)
    scope = SetScope(key, mine, min(count, MOST), busy, _beside(every.sections, mine))
    if not scope.times:
        raise PlanError("plan_no_lesson_left", section=mine[0].name)
    return scope


Beside = tuple[SectionNow, LessonTime]


def _beside(
    every: Iterable[SectionNow], mine: tuple[SectionNow, ...]
) -> dict[tuple[UUID, date, time], frozenset[str]]:
    """What the classes of others that come shortly before or after a lesson of mine will have out."""
    own = {one.id for one in mine}
    found: dict[tuple[UUID, date, time], frozenset[str]] = {}
    for (here, at), (there, other) in _neighbours(every):
        planned = there.planned_at(other.day, other.starts)
        if here.id in own and there.id not in own and planned is not None:
            key = (here.id, at.day, at.starts)
            found[key] = found.get(key, frozenset()) | frozenset(needs_of(there, planned).things)
    return found


def _neighbours(every: Iterable[SectionNow]) -> Iterator[tuple[Beside, Beside]]:
    """Coming lessons with the one shortly before and shortly after them."""
    days: dict[date, list[Beside]] = {}
    for one in every:
        for at in one.lessons:
            if at.day >= one.today:
                days.setdefault(at.day, []).append((one, at))
    for row in days.values():
        row.sort(key=lambda lesson: (lesson[1].starts, lesson[0].name))
        for first, second in pairwise(row):
            (one, at), (_, following) = first, second
            if stays_out(at.starts, at.minutes or one.minutes, following.starts):
                yield first, second
                yield second, first


def question_of_set(ctx: Context, scope: SetScope, keep: bool, work: float) -> SetQuestion:
    """What the composer is asked for a set."""
    state, facts = scope.state, [one.facts for one in scope.sections]
    concepts = [item.concept for item in due(state, ())]
    frames = tuple(_frame(scope, number) for number in range(len(scope.times)))
    for frame in frames:
        concepts += [ctx.sequence.concept(key) for key in frame.laid if key in ctx.sequence.by_key]
    met = together.met_by_all([{**one.songs, **one.pieces} for one in facts])
    refused = frozenset(pair for one in scope.sections for pair in one.row.refused)
    return SetQuestion(
        state=state,
        lessons=frames,
        songs=cards(ctx, state, concepts, met),
        pieces=piece_cards(ctx),
        met=met,
        done=together.done_by_all([one.done for one in facts]),
        lately=frozenset.union(*(one.lately for one in facts)),
        named_lately=together.named_lately(facts),
        owed=together.still_owed(facts),
        warm=_for_concerts(scope, frames),
        refused=refused,
        recent=together.recent_of_all([one.recent for one in facts]),
        held=min(len(one.over) for one in facts),
        rolls=tuple(one.roll for one in scope.sections),
        habits=ctx.habits.lasting(together.minutes_of_all(facts)),
        rated=together.rated_by_all(facts),
        why=together.said_by_any(facts),
        keep=keep,
        work=work,
    )


def _for_concerts(scope: SetScope, frames: Sequence[LessonFrame]) -> dict[str, int]:
    concerts = [concert for one in scope.sections for concert in one.concert_songs]
    return together.kept_warm(concerts, frames[0].day, len(frames))


def _frame(scope: SetScope, number: int) -> LessonFrame:
    """What all sections share; what one section alone left over is put into its own lesson afterwards."""
    parts = scope.parts(number)
    pinned = [part for part in parts if part.pinned]
    day = min(at.day for at in scope.times[number] if at is not None)
    alone = len(scope.sections) == 1
    owed = scope.owed(0) if number == 0 and alone else []
    carried, no_place = split_owed(owed)
    laid = [
        key
        for at, one in zip(scope.times[number], scope.sections, strict=True)
        if at is not None
        for key in one.laid_in(at.day, at.starts)
    ]
    return LessonFrame(
        day=day,
        minutes=scope.minutes(number),
        laid=tuple(dict.fromkeys(laid)),
        pins={part.slot: part.choice for part in reversed(pinned) if not part.left_over},
        lengths={part.slot: part.minutes for part in reversed(pinned) if not part.left_over},
        there={part.slot: part.choice for part in reversed(parts) if not part.left_over},
        left_over=carried,
        no_place=no_place,
        out=_out(scope, number),
        voice=voice_share(scope.sections[0].school.voice, scope.busy.get(day, 1)),
    )


def _out(scope: SetScope, number: int) -> frozenset[str] | None:
    """What is out beside any of its sections; None where no class is near."""
    keys = [
        (one.id, at.day, at.starts)
        for at, one in zip(scope.times[number], scope.sections, strict=True)
        if at is not None
    ]
    near = [scope.out[key] for key in keys if key in scope.out]
    return frozenset[str]().union(*near) if near else None
