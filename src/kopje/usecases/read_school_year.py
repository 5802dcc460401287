"""The school's year at a glance: which section fits, which is short, which grade has the least slack."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from kopje.core.reasons import counted, listed
from kopje.core.sequence.concepts import grade_name
from kopje.store import sections
from kopje.usecases.call import Call
from kopje.usecases.school_calendar import calendar
from kopje.usecases.section_year import SectionYear, section_year, spare
from kopje.usecases.whereabouts import Whereabouts


@dataclass(frozen=True)
class SchoolGlance:
    sentence: str
    years: tuple[SectionYear, ...]


def school_year(call: Call) -> SchoolGlance:
    cal = calendar(call)
    years = tuple(section_year(call, one.id, cal) for one in sections.sections(call.session, call.school_id))
    return SchoolGlance(_least_slack(years), years)


def _least_slack(years: Sequence[SectionYear]) -> str:
    fitted = [one for one in years if one.plan is not None]
    if not fitted:
        return "No year is laid yet. Lay the first one to see what fits."
    grades: dict[int, int] = {}
    for one in fitted:
        grades[one.section.grade] = min(grades.get(one.section.grade, 10**6), spare(one))
    grade = min(grades, key=lambda key: (grades[key], key))
    name = grade_name(grade)
    short = [one.section.name for one in fitted if one.short]
    tail = f" Short of lessons: {listed(short)}." if short else " Every section fits."
    if grades[grade] < 0:
        return f"{name} has the least slack: short by {counted(-grades[grade], 'lesson')}.{tail}"
    return f"{name} has the least slack: {counted(grades[grade], 'lesson')} to spare.{tail}"


def drift(found: Sequence[Whereabouts]) -> str:
    """How far the sections of a grade are apart, and what would bring them together."""
    if len(found) < 2:
        return (
            "Only one section in this grade: nothing can drift apart."
            if found
            else "No section in this grade."
        )
    behind = [one for one in found if one.behind > 0]
    if not behind:
        return f"{listed(one.section.name for one in found)} are side by side."
    ahead = listed(one.section.name for one in found if one.behind == 0)
    parts = [f"{one.section.name} is {counted(one.behind, 'lesson')} behind {ahead}" for one in behind]
    worst = max(behind, key=lambda one: one.behind)
    free = max((one.spare for one in found if one.behind == 0), default=0)
    help_ = f"{ahead} can use {counted(worst.behind, 'lesson')} for retention and creating while {worst.section.name} catches up"
    return f"{'; '.join(parts)}. {help_}." if free >= 0 else f"{'; '.join(parts)}."
