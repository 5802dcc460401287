"""Loading the made-up school: fourteen weeks of teaching and hearing, through the use cases a teacher uses.

A fixed seed makes the same autumn each time; dates count back from today.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from datetime import date, datetime, timedelta
from itertools import count
from random import Random
from typing import Any
from uuid import UUID
from zlib import crc32

from sqlalchemy.orm import Session

from kopje.core.choir.rungs import breaks_of
from kopje.core.ledger.marks import Result
from kopje.core.planning.calendar import Span
from kopje.core.planning.meetings import Meeting
from kopje.core.sequence.grades import CHOIR
from kopje.demo.school import NAMES, NOTES, SCHOOL, SECTIONS, SINGERS, TEACHER, Plan
from kopje.settings import Settings
from kopje.store import people, sections
from kopje.store import tables as t
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Context, Desk
from kopje.usecases.ledger import read_hearing
from kopje.usecases.lessons import compose_set, propose_lesson, read_lesson
from kopje.usecases.lessons.read_lesson import LessonView, PartView
from kopje.usecases.room import take_events
from kopje.usecases.setup import school_calendar, school_habits, set_up_school
from kopje.usecases.songs.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songs.recordings import bring_shipped_pieces
from kopje.usecases.year import plan_year

LOGIN, PASSWORD = "teacher", "kestrel ridge"
SEED = 20261124
WEEKS = 14
SET, SET_WORK = 6, 4.0  # lessons that lie planned before each grade, and what the solver may spend on them
SPORTS_DAY, FLU_WEEK = 38, 3  # days ago, weeks ago
BROUGHT = ("reading-1", "reading-2", "reading-3")
SKIPPED, PARTLY, NOT_REACHED, HEARD = 0.05, 0.05, 0.12, 0.92
RATED = 0.1  # of what is done so much is said to have gone well, or flat


@dataclass
class Autumn:
    """The simulation: a school, its sections, and the chance that rules it."""

    work: UnitOfWork
    settings: Settings
    chance: Random
    school_id: UUID
    teacher_id: UUID
    device: UUID
    counting: Iterator[int] = field(default_factory=lambda: count(1))

    def desk(self, moment: datetime) -> Desk:
        return Desk(self.work, lambda session: self.ctx(session, moment))

    def new_id(self) -> UUID:
        return UUID(int=self.chance.getrandbits(128), version=4)

    def ctx(self, session: Session, moment: datetime) -> Context:
        return Context(session, self.school_id, self.teacher_id, moment, self.new_id)


def load(
    work: UnitOfWork,
    settings: Settings,
    weeks: int = WEEKS,
    tell: Callable[[int], None] = lambda _: None,
    effort: float = SET_WORK,
) -> bool:
    """Load the school unless there is one already; says whether it did, and `tell`s of each week that
    begins, from 1. `effort`: how much the solver may work for each set (units of work)."""
    chance = Random(SEED)
    with work.begin() as session:
        if people.any_school(session):
            return False
    today = settings.now()
    first = today - timedelta(weeks=weeks)
    school, teacher, device = (UUID(int=chance.getrandbits(128), version=4) for _ in range(3))
    autumn = Autumn(work, settings, chance, school, teacher, device)
    with work.begin() as session:
        ids = (autumn.school_id, autumn.teacher_id)
        set_up_school.first_run(session, ids, SCHOOL, TEACHER, LOGIN, PASSWORD, first)
        ctx = autumn.ctx(session, first)
        bring_shipped_songs(ctx, settings.songs)
        bring_shipped_pieces(ctx, settings.pieces)
        by_plan = {plan: _section(ctx, plan, index).id for index, plan in enumerate(SECTIONS)}
        _choir(ctx, by_plan)
        _calendar(ctx, today.date(), by_plan)
        meetings = _meetings(ctx, by_plan, today.date())
    week = 0
    for moment, plan in meetings:
        if moment.date() >= first.date():
            if (moment.date() - first.date()).days // 7 >= week:
                week = (moment.date() - first.date()).days // 7 + 1
                tell(week)
            _teach(autumn, plan, by_plan[plan], moment)
    desk = autumn.desk(today)
    for plan, section_id in by_plan.items():
        if plan.name == "2A":
            with work.begin() as session:
                _late_joiner(autumn.ctx(session, today), section_id)
        plan_year.fit(desk, section_id)
        propose_lesson.propose(desk, section_id)
    for grade in sorted({plan.grade for plan in by_plan}):
        compose_set.compose(desk, f"grade-{grade}", SET, work=effort)
    return True


def _section(ctx: Context, plan: Plan, index: int) -> t.Section:
    start = index * 22
    names = [NAMES[(start + i * 7) % len(NAMES)] for i in range(plan.children)]
    meetings = tuple(Meeting(weekday, starts) for weekday, starts in plan.meetings)
    new = set_up_school.NewSection(plan.name, plan.grade, plan.minutes, tuple(dict.fromkeys(names)), meetings)
    return set_up_school.add_section(ctx, new)


def _choir(ctx: Context, by_plan: dict[Plan, UUID]) -> None:
    """Every third child of grades 4 and 5 sings in the choir; last year it read to the third level."""
    choir = next(key for plan, key in by_plan.items() if plan.grade == CHOIR)
    older = sections.children(ctx.session, ctx.school_id, (4, 5), ctx.today)
    set_up_school.set_singers(ctx, choir, [child.id for child, _ in older[::3]][:SINGERS])
    set_up_school.declare(ctx, choir, BROUGHT)


def _late_joiner(ctx: Context, section_id: UUID) -> None:
    """A child who came a few weeks ago."""
    set_up_school.add_child(ctx, section_id, "Zlata", ctx.today - timedelta(days=30))


def _calendar(ctx: Context, today: date, by_plan: dict[Plan, UUID]) -> None:
    """Three terms around today, with what that year took away: sports day, a flu week, three lessons that
    only 2B lost."""
    monday = today - timedelta(days=today.weekday(), weeks=WEEKS)

    def span(name: str, first_week: int, weeks: int) -> Span:
        first = monday + timedelta(weeks=first_week)
        return Span(first, first + timedelta(weeks=weeks, days=-3), name)

    terms = [span("First term", 0, 10), span("Second term", 11, 14), span("Third term", 26, 14)]
    holidays = [span("Autumn break", 10, 1), span("Winter holidays", 18, 2), span("Spring break", 25, 1)]
    school_calendar.set_periods(ctx, terms, holidays, 0)
    school_habits.set_room(ctx, {}, None, "north")
    school_calendar.add_change(ctx, "lost", today - timedelta(days=SPORTS_DAY), None, "Sports day", [])
    little = [key for plan, key in by_plan.items() if plan.grade <= 1]
    for offset in range(5):
        day = today - timedelta(days=today.weekday(), weeks=FLU_WEEK) + timedelta(days=offset)
        school_calendar.add_change(ctx, "lost", day, None, "Flu week", little)
    trip = [key for plan, key in by_plan.items() if plan.name == "2B"]
    for ago in range(50, 60):
        school_calendar.add_change(ctx, "lost", today - timedelta(days=ago), None, "Trip", trip)
    wanted = {2: ["four-beat-meter"], 3: ["low-la"], 4: ["syncopation"], 5: ["dotted-eighth"]}
    concert = terms[1].first + timedelta(weeks=5, days=3)
    for grade, concepts in wanted.items():
        mine = [key for plan, key in by_plan.items() if plan.grade == grade]
        school_calendar.add_concert(ctx, "Autumn concert", concert, mine, concepts)


def _meetings(ctx: Context, by_plan: dict[Plan, UUID], today: date) -> list[tuple[datetime, Plan]]:
    """Every lesson that the calendar really gave before today, in order."""
    found = school_calendar.calendar(ctx)
    past = [
        (datetime.combine(one.day, one.starts).astimezone(), plan)
        for plan, key in by_plan.items()
        for one in found.lessons(key)
        if one.day < today
    ]
    return sorted(past, key=lambda pair: (pair[0], pair[1].name))


def _teach(autumn: Autumn, plan: Plan, section_id: UUID, moment: datetime) -> None:
    """One lesson: propose, start, go through it, hear children, end. What happened is sent at its end, as
    one batch."""
    lesson_id = propose_lesson.propose(autumn.desk(moment), section_id)
    with autumn.work.begin() as session:
        ctx = autumn.ctx(session, moment)
        lesson = read_lesson.lesson(ctx, lesson_id)
        telling = Telling(autumn, lesson, moment)
        telling.event("started")
        parts = lesson.parts
        short = autumn.chance.random() < NOT_REACHED
        for part in parts[: len(parts) - 2] + parts[-1:] if short else parts:
            draw = autumn.chance.random()
            how = "skipped" if draw < SKIPPED else "partly" if draw < SKIPPED + PARTLY else "done"
            if (
                how != "skipped"
                and ctx.habits.repertoire.activity(part.choice.activity).hears
                and autumn.chance.random() < HEARD
            ):
                _hear(autumn, ctx, plan, telling, part)
            if how != "skipped":
                telling.passes(part)
            telling.event("ticked", part_id=part.id, body={"tick": how})
            if how == "done" and autumn.chance.random() < RATED:
                telling.event("rated", part_id=part.id, body={"rating": _liked(part.choice.activity)})
        if autumn.chance.random() < 0.3:
            telling.event("noted", body={"note": autumn.chance.choice(NOTES)})
        telling.event("ended")
        take_events.take(autumn.ctx(session, telling.clock), telling.clock, telling.events)


@dataclass
class Telling:
    """What happens in one lesson, event by event."""

    autumn: Autumn
    lesson: LessonView
    clock: datetime
    events: list[take_events.ReportedEvent] = field(default_factory=list)
    heard: set[UUID] = field(default_factory=set)
    begun: datetime = field(init=False)

    def __post_init__(self) -> None:
        self.begun = self.clock

    def passes(self, part: PartView) -> None:
        """As long as the part takes: some activities always need more than they say, or less."""
        habit = 1 + (crc32(part.choice.activity.encode()) % 5 - 2) / 8
        self.begun += timedelta(minutes=part.minutes * habit * self.autumn.chance.uniform(0.9, 1.15))
        self.clock = max(self.clock, self.begun)

    def event(self, kind: str, **what: Any) -> None:
        self.clock += timedelta(seconds=20)
        self.events.append(
            take_events.ReportedEvent(
                self.autumn.new_id(),
                kind,
                self.lesson.section.id,
                self.lesson.id,
                self.clock,
                self.autumn.device,
                next(self.autumn.counting),
                **what,
            )
        )


def _hear(autumn: Autumn, ctx: Context, plan: Plan, telling: Telling, part: PartView) -> None:
    """Four to six children in the order of the queue; the absent are passed over."""
    found = read_hearing.hearing_in(ctx, telling.lesson, part.id)
    if found.concept is None:
        return
    taught = telling.lesson.section.facts.taught.get(found.concept.key, {})
    times = sum(taught.values())
    talent = plan.rhythm if found.concept.line == "rhythm" else plan.melody
    wanted = autumn.chance.choice((4, 5, 5, 6))
    for place in found.queue:
        child_id = UUID(place.child)
        if child_id in telling.heard:
            continue
        telling.heard.add(child_id)
        if _absent(autumn, child_id, telling.lesson):
            telling.event("absent", child_id=child_id)
            continue
        result = _result(autumn, child_id, talent, times)
        body = {
            "concept": found.concept.key,
            "way": found.way,
            "voices": found.voices,
            "help": found.help,
            "result": result,
            **_broke(child_id, found.concept.key, result),
        }
        telling.event("marked", child_id=child_id, part_id=part.id, body=body)
        wanted -= 1
        if not wanted:
            return


def _liked(activity: str) -> str:
    """With this school's classes one activity in six mostly falls flat."""
    return "flat" if crc32(activity.encode()) % 6 == 0 else "well"


def _broke(child_id: UUID, concept: str, result: Result) -> dict[str, list[str]]:
    """What breaks when a child reads: with most of them it is the same thing each time."""
    breaks = breaks_of(concept)
    if result == "secure" or not breaks:
        return {}
    return {"broke": [breaks[(child_id.int >> 20) % len(breaks)]]}


def _absent(autumn: Autumn, child_id: UUID, lesson: LessonView) -> bool:
    """Now and then anybody; one child in sixteen is never there on Thursdays."""
    always = child_id.int % 16 == 0 and lesson.day.weekday() == 3
    return always or autumn.chance.random() < 0.05


def _result(autumn: Autumn, child_id: UUID, talent: float, times: int) -> Result:
    """A child's own ease, its section's, and how often the thing was done decide the odds."""
    ease = (child_id.int >> 40) % 100 / 100
    odds = 0.25 + 0.45 * talent + 0.25 * ease + 0.035 * min(times, 6) - 0.1
    draw = autumn.chance.random()
    return "secure" if draw < odds else "nearly" if draw < odds + 0.6 * (1 - odds) else "not_yet"
