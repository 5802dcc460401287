"""The school's year at a glance: which section fits, which is short, which grade has the least slack."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from kopje.core.reasons import Reason, because, listed
from kopje.core.sequence.grades import grade_name
from kopje.usecases.context import Context
from kopje.usecases.snapshot import snapshot
from kopje.usecases.year.section_year import SectionYear, school_years, spare


@dataclass(frozen=True)
class SchoolGlance:
    """`tightest`: the grade that the sentence names; None while no year is laid."""

    reason: Reason
    tightest: int | None
    years: tuple[SectionYear, ...]


def school_year(ctx: Context) -> SchoolGlance:
    years = school_years(ctx, snapshot(ctx))
    said, grade = _least_slack(years)
    return SchoolGlance(said, grade, years)


def _least_slack(years: Sequence[SectionYear]) -> tuple[Reason, int | None]:
    fitted = [one for one in years if one.plan is not None]
    if not fitted:
        return because("school_not_laid"), None
    grades: dict[int, int] = {}
    for one in fitted:
        grades[one.now.grade] = min(grades.get(one.now.grade, 10**6), spare(one))
    grade = min(grades, key=lambda key: (grades[key], key))
    short = [one.now.name for one in fitted if spare(one) < 0]
    left = grades[grade]
    said = because(
        "school_slack",
        grade=grade_name(grade),
        spare="yes" if left >= 0 else "no",
        count=abs(left),
        left=len(short),
        sections=listed(short),
    )
    return said, grade
