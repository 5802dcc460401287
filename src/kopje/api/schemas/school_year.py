"""The school's year, a grade's and the week, on the wire."""

from __future__ import annotations

from datetime import date
from uuid import UUID

from kopje.api.schemas.base import Read
from kopje.api.schemas.concepts import ConceptRead
from kopje.api.schemas.people import SectionRead
from kopje.usecases.year.read_school_year import SchoolGlance
from kopje.usecases.year.read_week import WeekDay, WeekLesson
from kopje.usecases.year.section_year import spare
from kopje.usecases.year.whereabouts import Whereabouts
from kopje.words import Words


class AtWorkRead(Read):
    concept: ConceptRead
    phase: str


class WhereRead(Read):
    section: SectionRead
    lessons: int
    at_work: list[AtWorkRead]
    behind: int
    spare: int

    @classmethod
    def of(cls, w: Whereabouts, words: Words) -> WhereRead:
        return cls(
            section=SectionRead.model_validate(w.section),
            lessons=w.lessons,
            behind=w.behind,
            spare=w.spare,
            at_work=[AtWorkRead(concept=ConceptRead.of(c, words), phase=phase) for c, phase in w.at_work],
        )


class GradeRead(Read):
    """A grade's sections side by side on a day, and the drift between them in words."""

    grade: int
    day: date
    sentence: str
    sections: list[WhereRead]


class SlackRead(Read):
    """One section in the school's year at a glance."""

    section: SectionRead
    sentence: str
    short: int
    spare: int
    held: int
    lessons: int
    next_lesson: int
    fitted: bool


class SchoolYearRead(Read):
    """`tightest`: the grade with the least slack, which the sentence names; null while no year is laid."""

    sentence: str
    tightest: int | None
    sections: list[SlackRead]

    @classmethod
    def of(cls, found: SchoolGlance, words: Words) -> SchoolYearRead:
        rows = [
            SlackRead(
                section=SectionRead.model_validate(y.now),
                sentence=words.say(y.reason),
                short=y.short,
                spare=spare(y),
                held=y.held,
                lessons=len(y.lessons),
                next_lesson=y.next_lesson,
                fitted=y.plan is not None,
            )
            for y in found.years
        ]
        return cls(sentence=words.say(found.reason), tightest=found.tightest, sections=rows)


class WeekLessonRead(Read):
    """One lesson of the week: its number, what is due in it, and what must be set up since the
    class before."""

    section: SectionRead
    starts: str
    number: int
    at_work: list[AtWorkRead]
    lesson_id: UUID | None
    state: str
    left_over: int
    fetch: list[str]
    change: str

    @classmethod
    def of(cls, w: WeekLesson, words: Words) -> WeekLessonRead:
        return cls(
            section=SectionRead.model_validate(w.entry.section),
            starts=f"{w.time.starts:%H:%M}",
            number=w.time.number,
            at_work=[AtWorkRead(concept=ConceptRead.of(c, words), phase=phase) for c, phase in w.at_work],
            lesson_id=w.entry.lesson_id,
            state=w.entry.state or "",
            left_over=w.entry.left_over,
            fetch=[words.term(one) for one in w.needs.said],
            change=words.term(w.change) if w.change else "",
        )


class WeekDayRead(Read):
    day: date
    holiday: str
    lessons: list[WeekLessonRead]

    @classmethod
    def of(cls, w: WeekDay, words: Words) -> WeekDayRead:
        holiday = words.term(w.holiday) if w.holiday else ""
        return cls(day=w.day, holiday=holiday, lessons=[WeekLessonRead.of(one, words) for one in w.lessons])
