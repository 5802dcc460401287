"""Working standings out again from the marks, after anything they depend on has changed."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date
from uuid import UUID

from kopje.core.ledger.marks import Mark
from kopje.core.ledger.standing import Standing, standing
from kopje.core.sequence.concepts import Concept, ConceptKey
from kopje.store import ledger, lessons, sections
from kopje.store import tables as t
from kopje.usecases.call import Call

YOUNG = 1  # in kindergarten and grade 1 any way counts


def value_of(row: t.Mark) -> Mark:
    """The stored mark as the rules see it, at local time."""
    return Mark(
        ConceptKey(row.concept), row.way, row.voices, row.help, row.result, row.moment.astimezone(),  # type: ignore[arg-type]
    )  # fmt: skip


def weeks_met(call: Call, section_id: UUID) -> list[date]:
    """The Monday of each week in which the section had a lesson."""
    days = lessons.days_done(call.session, section_id)
    return sorted({date.fromordinal(day.toordinal() - day.weekday()) for day in days})


def refresh_section(call: Call, section_id: UUID) -> None:
    """Everybody on the roll, in everything they were heard in: a lesson more can make a standing due."""
    children = [child.id for child in sections.roll(call.session, section_id, call.today)]
    refresh(call, section_id, children, ledger.marked_concepts(call.session, children))


def refresh(call: Call, section_id: UUID, children: Sequence[UUID], concepts: Iterable[str]) -> None:
    section = sections.section(call.session, call.school_id, section_id)
    keys = [key for key in concepts if key in call.sequence.by_key]
    weeks = weeks_met(call, section_id)
    marks: dict[tuple[UUID, str], list[Mark]] = {(child, key): [] for child in children for key in keys}
    for row in ledger.marks_of(call.session, children, keys):
        marks[row.child_id, row.concept].append(value_of(row))
    rows = [
        _row(call, child, call.sequence.concept(key), found, section, weeks)
        for (child, key), found in marks.items()
    ]
    ledger.keep_standings(call.session, [row for row in rows if row["level"] or len(children) == 1])


def _row(
    call: Call, child: UUID, concept: Concept, marks: list[Mark], section: t.Section, weeks: list[date]
) -> dict[str, object]:
    found: Standing = standing(
        concept, marks, any_way=section.grade <= YOUNG, weeks_met=weeks, since=section.rolled
    )
    alone = [mark.moment for mark in marks if mark.full]
    return {
        "child_id": child,
        "concept": concept.key,
        "school_id": call.school_id,
        "level": None if found.level == "not_heard" and not found.flag else found.level,
        "flag": found.flag,
        "sentence": found.sentence,
        "last_alone": max(alone, default=None),
    }
