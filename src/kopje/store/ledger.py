"""Marks, and the standings read from them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any
from uuid import UUID

from sqlalchemy import delete, func, select, text
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.store.owned import owned
from kopje.store.sections import on_roll
from kopje.store.tables import Child, Mark, StandingRow


def mark(session: Session, school_id: UUID, mark_id: UUID) -> Mark:
    return owned(session, Mark, school_id, mark_id, "mark")


def mark_anywhere(session: Session, mark_id: UUID) -> Mark | None:
    """Also another school's: an id can be used once only."""
    return session.get(Mark, mark_id)


def marks_of(session: Session, child_ids: Iterable[UUID], concepts: Iterable[str]) -> Sequence[Mark]:
    """Marks that count, oldest first."""
    return session.scalars(
        select(Mark)
        .where(Mark.child_id.in_(list(child_ids)), Mark.concept.in_(list(concepts)), Mark.withdrawn.is_(None))
        .order_by(Mark.moment)
    ).all()


def marked_concepts(session: Session, child_ids: Iterable[UUID]) -> Sequence[str]:
    return session.scalars(
        select(Mark.concept).where(Mark.child_id.in_(list(child_ids)), Mark.withdrawn.is_(None)).distinct()
    ).all()


def lesson_marks(session: Session, lesson_id: UUID) -> Sequence[Mark]:
    return session.scalars(
        select(Mark).where(Mark.lesson_id == lesson_id, Mark.withdrawn.is_(None)).order_by(Mark.moment)
    ).all()


def last_heard_alone(session: Session, child_ids: Iterable[UUID]) -> dict[UUID, datetime]:
    rows = session.execute(
        select(Mark.child_id, func.max(Mark.moment))
        .where(Mark.child_id.in_(list(child_ids)), Mark.voices == "alone", Mark.withdrawn.is_(None))
        .group_by(Mark.child_id)
    )
    return {child: moment for child, moment in rows}


def keep_standings(session: Session, rows: Sequence[dict[str, Any]]) -> None:
    """Insert or replace; a standing of None takes the row away."""
    for row in (row for row in rows if row["level"] is None):
        session.execute(
            delete(StandingRow).where(
                StandingRow.child_id == row["child_id"], StandingRow.concept == row["concept"]
            )
        )
    kept = [row for row in rows if row["level"] is not None]
    if kept:
        statement = insert(StandingRow).values(kept)
        changed = {name: statement.excluded[name] for name in ("level", "flag", "sentence", "last_alone")}
        session.execute(statement.on_conflict_do_update(index_elements=["child_id", "concept"], set_=changed))


def standing_row(session: Session, child_id: UUID, concept: str) -> StandingRow | None:
    return session.get(StandingRow, (child_id, concept))


def standings_of(session: Session, section_id: UUID, day: date) -> Sequence[StandingRow]:
    """Of everybody on the roll that day."""
    return session.scalars(
        select(StandingRow).join(Child, Child.id == StandingRow.child_id).where(on_roll(section_id, day))
    ).all()


def secure_counts(session: Session, section_id: UUID, day: date) -> dict[str, tuple[int, int]]:
    """By concept: (heard in all ways, secure or heard once and secure), of everybody on the roll that day."""
    heard = func.count().filter(StandingRow.level != "not_heard")
    secure = func.count().filter((StandingRow.level == "secure") | (StandingRow.flag == "once"))
    rows = session.execute(
        select(StandingRow.concept, heard, secure)
        .join(Child, Child.id == StandingRow.child_id)
        .where(on_roll(section_id, day))
        .group_by(StandingRow.concept)
    )
    return {concept: (count, good) for concept, count, good in rows}


GRID = text(
    """
    WITH roll AS (
        SELECT c.id, c.name, row_number() OVER (ORDER BY c.name, c.id) - 1 AS place
        FROM (
            SELECT * FROM child WHERE section_id = :section
            UNION ALL SELECT s.* FROM membership m JOIN child s ON s.id = m.child_id WHERE m.section_id = :section
        ) c WHERE c.joined <= :day AND (c."left" IS NULL OR c."left" > :day)
    )
    SELECT 'section', n.id::text, n.name, n.grade, n.minutes FROM section n
    WHERE n.id = :section AND n.school_id = :school
    UNION ALL SELECT 'child', r.id::text, r.name, r.place, 0 FROM roll r
    UNION ALL SELECT 'declared', d.concept, '', 0, 0 FROM declared d WHERE d.section_id = :section
    UNION ALL
    SELECT 'taught', c.concept, c.purpose, count(DISTINCT c.lesson_id), 0
    FROM cell c JOIN lesson l ON l.id = c.lesson_id
    WHERE l.section_id = :section AND c.concept IS NOT NULL AND c.purpose IS NOT NULL
        AND (c.tick = 'done' OR (c.tick = 'partly' AND c.purpose <> 'present'))
    GROUP BY c.concept, c.purpose
    UNION ALL
    SELECT 'stones', s.concept,
        string_agg(r.place || CASE s.flag WHEN 'due' THEN 'd' WHEN 'once' THEN 'o' WHEN 'partly' THEN 'p' ELSE
            CASE s.level WHEN 'secure' THEN 's' WHEN 'nearly' THEN 'n' ELSE 'y' END END, ' '),
        count(*) FILTER (WHERE s.level <> 'not_heard'),
        count(*) FILTER (WHERE s.level = 'secure' OR s.flag = 'once')
    FROM standing s JOIN roll r ON r.id = s.child_id GROUP BY s.concept
    """
)


@dataclass(frozen=True, slots=True)
class GridColumn:
    """One concept: how many were heard in all ways, how many of them are secure (or once), and the stones in short,
    made by the database (`0s 2n`: place on the roll, then s secure, d due, n nearly, o heard once, y not yet, p heard in
    one way only): a grid is many rows and no thought."""

    heard: int
    secure: int
    stones: str


@dataclass(frozen=True, slots=True)
class GridRows:
    """A section's ledger in one question to the database. `section` is (name, grade, minutes), `children` is (id, name) in the order of the roll;
    `taught` is (concept, purpose, lessons)."""

    section: tuple[str, int, int]
    children: tuple[tuple[str, str], ...]
    declared: frozenset[str]
    taught: tuple[tuple[str, str, int], ...]
    columns: dict[str, GridColumn]


def grid(session: Session, school_id: UUID, section_id: UUID, day: date) -> GridRows:
    """Of everybody on the roll that day; NotFoundError for a section that is not this school's."""
    rows = session.execute(GRID, {"section": section_id, "school": school_id, "day": day}).all()
    section = next(
        ((name, grade, minutes) for kind, _, name, grade, minutes in rows if kind == "section"), None
    )
    if section is None:
        raise NotFoundError("There is no such section in your school.", value=str(section_id))
    children = sorted((place, key, name) for kind, key, name, place, _ in rows if kind == "child")
    return GridRows(
        section,
        tuple((key, name) for _, key, name in children),
        frozenset(key for kind, key, *_ in rows if kind == "declared"),
        tuple((key, purpose, count) for kind, key, purpose, count, _ in rows if kind == "taught"),
        {key: GridColumn(heard, good, stones) for kind, key, stones, heard, good in rows if kind == "stones"},
    )
