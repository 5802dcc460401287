"""Standings, and what the ledger and the rota ask of them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any
from uuid import UUID

from pydantic_core import to_json
from sqlalchemy import delete, func, select, text, tuple_
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.core.reasons import because
from kopje.store.sections import in_school, on_roll
from kopje.store.tables import Child, Section, StandingRow

KEEP = text(
    """INSERT INTO standing (child_id, concept, school_id, level, partly, last_full, last_alone, reasons, word, word_note, word_day)
    SELECT child_id, concept, school_id, level, partly, last_full, last_alone, reasons, word, word_note, word_day
    FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r(child_id uuid, concept text, school_id uuid, level text, partly boolean,
        last_full date, last_alone date, reasons jsonb, word text, word_note text, word_day date)
    ON CONFLICT (child_id, concept) DO UPDATE SET level = excluded.level, partly = excluded.partly,
        last_full = excluded.last_full, last_alone = excluded.last_alone, reasons = excluded.reasons,
        word = excluded.word, word_note = excluded.word_note, word_day = excluded.word_day"""
)


def keep_standings(session: Session, rows: Sequence[Mapping[str, Any]]) -> None:
    """Insert or replace; a row whose level is None is taken away."""
    gone = [(row["child_id"], row["concept"]) for row in rows if row["level"] is None]
    if gone:
        session.execute(
            delete(StandingRow).where(tuple_(StandingRow.child_id, StandingRow.concept).in_(gone))
        )
    kept = [row for row in rows if row["level"] is not None]
    if kept:
        session.execute(KEEP, {"rows": to_json(kept).decode()})


def standings_in(session: Session, section_id: UUID, concept: str, day: date) -> dict[UUID, StandingRow]:
    """Of everybody on the roll that day, in one concept."""
    rows = session.scalars(
        select(StandingRow)
        .join(Child, Child.id == StandingRow.child_id)
        .where(on_roll(section_id, day), StandingRow.concept == concept)
    )
    return {row.child_id: row for row in rows}


def last_heard_alone(session: Session, section_id: UUID, day: date) -> dict[UUID, date]:
    """The day each child on the roll was last heard alone, in any concept."""
    rows = session.execute(
        select(StandingRow.child_id, func.max(StandingRow.last_alone))
        .join(Child, Child.id == StandingRow.child_id)
        .where(on_roll(section_id, day), StandingRow.last_alone.is_not(None))
        .group_by(StandingRow.child_id)
    )
    return {child: last for child, last in rows if last}


def standings_of_section(
    session: Session, section_id: UUID, day: date
) -> Sequence[tuple[UUID, str, StandingRow]]:
    """(child, name, standing) of everybody on the roll that day, in every concept they were heard in."""
    rows = session.execute(
        select(Child.id, Child.name, StandingRow)
        .join(StandingRow, StandingRow.child_id == Child.id)
        .where(on_roll(section_id, day))
        .order_by(Child.name, Child.id)
    )
    return [(child, name, row) for child, name, row in rows]


def standings_of_concept(
    session: Session, school_id: UUID, concept: str, day: date
) -> Sequence[tuple[UUID, UUID, str, str, StandingRow]]:
    """(child, class, its name, child's name, standing) of everybody on a roll that day."""
    rows = session.execute(
        select(Child.id, Section.id, Section.name, Child.name, StandingRow)
        .join(Section, Section.id == Child.section_id)
        .join(StandingRow, StandingRow.child_id == Child.id)
        .where(Child.school_id == school_id, StandingRow.concept == concept, in_school(day))
    )
    return [(child, home, section, name, row) for child, home, section, name, row in rows]


def last_heard_of_all(
    session: Session, school_id: UUID, day: date
) -> Sequence[tuple[str, str, str, date | None]]:
    """(child, class, name, the day it was last heard alone) of everybody on a roll that day."""
    rows = session.execute(
        select(Child.id, Section.name, Child.name, func.max(StandingRow.last_alone))
        .join(Section, Section.id == Child.section_id)
        .outerjoin(StandingRow, StandingRow.child_id == Child.id)
        .where(Child.school_id == school_id, in_school(day))
        .group_by(Child.id, Section.name)
    )
    return [(str(child), section, name, last) for child, section, name, last in rows]


GRID = text(
    """
    WITH roll AS (
        SELECT c.id, c.name, row_number() OVER (ORDER BY c.name, c.id) - 1 AS place
        FROM (
            SELECT * FROM child WHERE section_id = :section
            UNION ALL SELECT s.* FROM membership m JOIN child s ON s.id = m.child_id WHERE m.section_id = :section
        ) c WHERE c.joined <= :day AND (c."left" IS NULL OR c."left" > :day)
    )
    SELECT 'section', n.id::text, n.name, n.grade, n.minutes, n.upper FROM section n
    WHERE n.id = :section AND n.school_id = :school
    UNION ALL SELECT 'child', r.id::text, r.name, r.place,
        coalesce((SELECT max(w.last_alone) FROM standing w WHERE w.child_id = r.id) - DATE '1970-01-01', -1), 0 FROM roll r
    UNION ALL
    SELECT 'stones', s.concept, string_agg(r.place || CASE WHEN s.word IS NOT NULL THEN
            CASE s.word WHEN 'secure' THEN 'S' WHEN 'once' THEN 'O' WHEN 'nearly' THEN 'N' ELSE 'Y' END
        WHEN s.partly THEN 'p' ELSE
            CASE s.level WHEN 'secure' THEN 's' WHEN 'once' THEN 'o' WHEN 'nearly' THEN 'n' ELSE 'y' END END
        || coalesce((s.last_full - DATE '1970-01-01')::text, ''), ' '), 0, 0, 0
    FROM standing s JOIN roll r ON r.id = s.child_id GROUP BY s.concept
    """
)


@dataclass(frozen=True, slots=True)
class GridRows:
    """A section's ledger in one question to the database. `section` is (name, grade, upper, minutes), `children` is
    (id, name, the day it was last heard alone in anything, in days since 1970) in the order of the roll. `stones` in short, by concept, made by the database (`0s20781 2n`:
    place on the roll, then s secure, o once, n nearly, y not yet, p heard in one way only, in capitals where
    the teacher said so; then the day it was last heard alone, in days since 1970): a grid is many rows and no thought."""

    section: tuple[str, int, int, int]
    children: tuple[tuple[str, str, int | None], ...]
    stones: dict[str, str]


def grid(session: Session, school_id: UUID, section_id: UUID, day: date) -> GridRows:
    """Of everybody on the roll that day; NotFoundError for a section that is not this school's."""
    rows = session.execute(GRID, {"section": section_id, "school": school_id, "day": day}).all()
    section = next(
        ((name, grade, upper, minutes) for kind, _, name, grade, minutes, upper in rows if kind == "section"),
        None,
    )
    if section is None:
        raise NotFoundError("no_such", what=because("what_section"), value=str(section_id))
    children = sorted((place, key, name, last) for kind, key, name, place, last, _ in rows if kind == "child")
    return GridRows(
        section,
        tuple((key, name, last if last >= 0 else None) for _, key, name, last in children),
        {key: stones for kind, key, stones, *_ in rows if kind == "stones"},
    )
