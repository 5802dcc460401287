"""Where the sections of a grade will be on a day, and how far they are apart."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from kopje.core.planning.calendar import held_by
from kopje.core.reasons import Listed, Reason, because, listed
from kopje.core.sequence.concepts import Concept
from kopje.store.snapshot import sections_of_grade
from kopje.usecases.context import Context
from kopje.usecases.snapshot import SectionNow, snapshot
from kopje.usecases.year.read_week import at_work
from kopje.usecases.year.section_year import CORE, SectionYear, school_years, spare


@dataclass(frozen=True, slots=True)
class Whereabouts:
    """Where a section will be on a day if the plan holds: lessons held by then, and what is at work in the
    next."""

    section: SectionNow
    lessons: int
    at_work: tuple[tuple[Concept, str], ...]
    behind: int
    spare: int


def whereabouts(ctx: Context, grade: int, day: date) -> tuple[Whereabouts, ...]:
    """The sections of a grade side by side. `behind`: how many lessons more it needs than the one furthest
    on."""
    ids = sections_of_grade(ctx.session, ctx.school_id, grade)
    years = school_years(ctx, snapshot(ctx, ids))
    to_go = [lessons_to_go(one, day) for one in years]
    least = min(to_go, default=0)
    return tuple(
        Whereabouts(one.now, held_by(one.lessons, day), _at_work(one, day), left - least, spare(one))
        for one, left in zip(years, to_go, strict=True)
    )


def lessons_to_go(found: SectionYear, day: date) -> int:
    """Lessons that the new place must still hold for what the grade is to learn: from today by what was
    really taught; from a later day on by what the plan will not have held by then."""
    needed = {d.key: d.usual[0] for d in found.question.demands if d.priority >= CORE}
    if day <= found.now.today:
        return sum(needed.values())
    held = held_by(found.lessons, day)
    if found.plan is None:
        return max(sum(needed.values()) - (held - found.next_lesson + 1), 0)
    for arc in found.plan.arcs:
        if arc.concept in needed and not arc.short:
            needed[arc.concept] = max(arc.start + arc.new - max(arc.start, held + 1), 0)
    return sum(needed.values())


def _at_work(found: SectionYear, day: date) -> tuple[tuple[Concept, str], ...]:
    number = held_by(found.lessons, day)
    on_day = any(one.day == day for one in found.lessons)
    return at_work(found, number if on_day else min(number + 1, len(found.lessons)))


def drift(found: Sequence[Whereabouts]) -> Reason:
    """How far the sections of a grade are apart, and what would bring them together."""
    if len(found) < 2:
        return because("drift_one" if found else "drift_none")
    behind = [one for one in found if one.behind > 0]
    if not behind:
        return because("drift_level", sections=listed(one.section.name for one in found))
    ahead = listed(one.section.name for one in found if one.behind == 0)
    parts = tuple(
        because("drift_behind", section=one.section.name, count=one.behind, ahead=ahead) for one in behind
    )
    worst = max(behind, key=lambda one: one.behind)
    free = max((one.spare for one in found if one.behind == 0), default=0)
    said = Listed(parts, by="semicolon")
    if free <= 0:
        return because("drift", behind=said)
    return because(
        "drift_with_help", behind=said, ahead=ahead, count=min(worst.behind, free), section=worst.section.name
    )
