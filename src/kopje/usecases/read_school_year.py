"""The school's year at a glance: which section fits, which is short, which grade has the least slack."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from kopje.core.reasons import Reason, because, listed
from kopje.core.sequence.concepts import grade_name
from kopje.usecases.call import Call
from kopje.usecases.section_year import SectionYear, school_years, spare
from kopje.usecases.snapshot import snapshot


@dataclass(frozen=True)
class SchoolGlance:
    reason: Reason
    years: tuple[SectionYear, ...]


def school_year(call: Call) -> SchoolGlance:
    years = school_years(call, snapshot(call))
    return SchoolGlance(_least_slack(years), years)


def _least_slack(years: Sequence[SectionYear]) -> Reason:
    fitted = [one for one in years if one.plan is not None]
    if not fitted:
        return because("school_not_laid")
    grades: dict[int, int] = {}
    for one in fitted:
        grades[one.now.grade] = min(grades.get(one.now.grade, 10**6), spare(one))
    grade = min(grades, key=lambda key: (grades[key], key))
    short = [one.now.name for one in fitted if spare(one) < 0]
    left = grades[grade]
    return because("school_slack", grade=grade_name(grade), spare="yes" if left >= 0 else "no", count=abs(left),
                   left=len(short), sections=listed(short))  # fmt: skip
