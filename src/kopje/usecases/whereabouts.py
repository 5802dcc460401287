"""Where the sections of a grade will be on a day, and how far they are apart."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from kopje.core.planning.calendar import held_by
from kopje.core.planning.year.arcs import YearQuestion
from kopje.core.sequence.concepts import Concept
from kopje.store import sections
from kopje.store import tables as t
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar
from kopje.usecases.section_year import CORE, SectionYear, section_year, spare


@dataclass(frozen=True, slots=True)
class Whereabouts:
    """Where a section will be on a day if the plan holds: lessons held by then, and what is at work in the next."""

    section: t.Section
    lessons: int
    at_work: tuple[tuple[Concept, str], ...]
    behind: int
    spare: int


def whereabouts(call: Call, grade: int, day: date) -> tuple[Whereabouts, ...]:
    """The sections of a grade side by side. `behind`: how many lessons more it needs than the one furthest on."""
    cal = calendar(call)
    years = [
        section_year(call, one.id, cal)
        for one in sections.sections(call.session, call.school_id)
        if one.grade == grade
    ]
    to_go = [lessons_to_go(one.question) for one in years]
    least = min(to_go, default=0)
    return tuple(
        Whereabouts(
            one.section, held_by(one.lessons, day), _at_work(call, one, day), left - least, spare(one)
        )
        for one, left in zip(years, to_go, strict=True)
    )


def lessons_to_go(question: YearQuestion) -> int:
    """Lessons that the new place must still hold for what the grade is to learn."""
    return sum(demand.usual[0] for demand in question.demands if demand.priority >= CORE)


def _at_work(call: Call, found: SectionYear, day: date) -> tuple[tuple[Concept, str], ...]:
    number = held_by(found.lessons, day)
    on_day = any(one.day == day for one in found.lessons)
    lesson = number if on_day else min(number + 1, len(found.lessons))
    if lesson < found.next_lesson:
        return tuple(
            (call.sequence.concept(touch.concept), touch.purpose)
            for touch in found.touches
            if touch.lesson == lesson
        )
    arcs = found.plan.arcs if found.plan else ()
    return tuple((call.sequence.concept(a.concept), a.phase(lesson) or "") for a in arcs if a.phase(lesson))
