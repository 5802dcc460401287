"""The state of sections, read set by set: the same number of queries however many sections there are.

It is read inside one transaction that sees one moment (`UnitOfWork.read`), and no song's file is touched.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, time
from typing import Any
from uuid import UUID

from sqlalchemy import text
from sqlalchemy.orm import Session

from kopje.core.errors import NotFoundError
from kopje.core.planning.calendar import Span
from kopje.core.planning.meetings import Meeting
from kopje.core.reasons import because

ONLY = "(CAST(:only AS uuid[]) IS NULL OR {0} = ANY(:only))"
SECTIONS = text(
    f"""SELECT n.id, n.name, n.grade, n.upper, n.minutes, n.rolled,
        (SELECT array_agg(concept) FROM declared d WHERE d.section_id = n.id) AS declared,
        (SELECT array_agg(song_id::text) FROM known_song k WHERE k.section_id = n.id) AS songs,
        (SELECT json_agg(json_build_array(activity, song_id)) FROM refusal r WHERE r.section_id = n.id) AS refused,
        (SELECT json_agg(json_build_array(concept, start, prepare, practise, next_year, not_before, not_after, pause_from,
            pause) ORDER BY concept) FROM arc_override w WHERE w.section_id = n.id) AS overrides,
        (SELECT count(*) FROM year_step y WHERE y.section_id = n.id) AS steps,
        f.facts::text, coalesce(f.version, 0), p.reserve, p.status, p.gap, p.short, p.left_out
    FROM section n LEFT JOIN section_facts f ON f.section_id = n.id LEFT JOIN year_plan p ON p.section_id = n.id
    WHERE n.school_id = :school AND n.ended IS NULL AND {ONLY.format("n.id")} ORDER BY n.grade, n.name"""
)
OF_GRADE = text(
    "SELECT id FROM section WHERE school_id = :school AND :grade IN (grade, upper) AND ended IS NULL"
)
ROLLS = text(
    f"""SELECT m.section_id, count(*) FROM (
        SELECT c.id, c.section_id FROM child c WHERE c.school_id = :school
        UNION ALL SELECT m.child_id, m.section_id FROM membership m WHERE m.school_id = :school
    ) m JOIN child c ON c.id = m.id
    WHERE c.joined <= :day AND (c."left" IS NULL OR c."left" > :day) AND {ONLY.format("m.section_id")}
    GROUP BY m.section_id"""
)
STONES = text(
    f"""SELECT g.section_id, json_agg(json_build_array(g.concept, g.level, g.children, g.last_full, g.singer))
    FROM (SELECT m.section_id, s.concept, s.level, count(*) AS children, s.last_full, m.singer FROM (
        SELECT child_id, concept, coalesce(word, level) AS level,
            CASE WHEN word IS NULL AND level = 'once' THEN last_full END AS last_full
        FROM standing WHERE school_id = :school
    ) s JOIN (
        SELECT c.id, c.section_id, CASE WHEN EXISTS (SELECT 1 FROM membership x WHERE x.child_id = c.id) THEN c.id END AS singer
        FROM child c WHERE c.school_id = :school AND c.joined <= :day AND (c."left" IS NULL OR c."left" > :day)
        UNION ALL SELECT x.child_id, x.section_id, x.child_id FROM membership x JOIN child c ON c.id = x.child_id
        WHERE x.school_id = :school AND c.joined <= :day AND (c."left" IS NULL OR c."left" > :day)
    ) m ON m.id = s.child_id
    WHERE {ONLY.format("m.section_id")}
    GROUP BY m.section_id, s.concept, s.level, s.last_full, m.singer) g GROUP BY g.section_id"""
)
SINGERS = text(
    """SELECT child_id, section_id FROM membership WHERE school_id = :school
    UNION SELECT c.id, c.section_id FROM membership m JOIN child c ON c.id = m.child_id WHERE m.school_id = :school"""
)
ARCS = text(
    f"""SELECT section_id, json_agg(json_build_array(concept, start, new, middle, warm_start, warm, presented, short, prepared,
        pause_after, pause) ORDER BY start, concept)
    FROM arc WHERE school_id = :school AND {ONLY.format("section_id")} GROUP BY section_id"""
)
PLANNED = text(
    f"""SELECT l.id, l.section_id, l.day, l.starts, l.minutes, l.status, l.version,
        coalesce(json_agg(json_build_array(p.id, p.slot, p.role, p.activity, p.material_kind, p.material_id, p.concept,
            p.purpose, p.minutes, p.new, p.left_over, p.pinned) ORDER BY p.position) FILTER (WHERE p.id IS NOT NULL), '[]')
    FROM planned_lesson l LEFT JOIN planned_part p ON p.lesson_id = l.id
    WHERE l.school_id = :school AND {ONLY.format("l.section_id")}
        AND (l.day >= :since OR EXISTS (SELECT 1 FROM held_lesson h WHERE h.id = l.id AND h.state = 'running'))
    GROUP BY l.id ORDER BY l.day, l.starts"""
)
NAMED = text("SELECT facts->'named' FROM section_facts WHERE school_id = :school")
CALENDAR = text(
    """SELECT s.cycle,
        (SELECT json_agg(json_build_array(kind, first, last, name) ORDER BY first) FROM period WHERE school_id = s.id),
        (SELECT json_agg(json_build_array(id, section_id, kind, day, starts, why) ORDER BY day, starts)
            FROM change WHERE school_id = s.id),
        (SELECT json_agg(json_build_array(id, name, day, section_ids, concepts, songs) ORDER BY day) FROM concert WHERE school_id = s.id),
        (SELECT json_agg(json_build_array(section_id, weekday, starts, minutes) ORDER BY weekday, starts)
            FROM meeting WHERE school_id = s.id)
    FROM school s WHERE s.id = :school"""
)


def _ids(only: Iterable[UUID] | None) -> list[UUID] | None:
    return None if only is None else list(only)


@dataclass(frozen=True, slots=True)
class PlanRow:
    """The plan of a section's year as it was last laid."""

    reserve: int
    status: str
    gap: int
    short: int
    left_out: list[str]


@dataclass(frozen=True, slots=True)
class LessonChangeRow:
    """A lesson lost or an extra one (see the table)."""

    id: UUID
    section_id: UUID | None
    kind: str
    day: date
    starts: time | None
    why: str


@dataclass(frozen=True, slots=True)
class ConcertRow:
    """A concert, its sections, what is named before it, and songs that are kept warm for it."""

    id: UUID
    name: str
    day: date
    section_ids: tuple[UUID, ...]
    concepts: tuple[str, ...]
    songs: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class CalendarRow:
    """Terms and holidays in order, one-offs, concerts; meetings by section."""

    cycle: int
    terms: tuple[Span, ...]
    holidays: tuple[Span, ...]
    changes: tuple[LessonChangeRow, ...]
    concerts: tuple[ConcertRow, ...]
    meetings: dict[UUID, tuple[Meeting, ...]]


@dataclass(frozen=True)
class ArcOverrideRow:
    """The teacher's word on one concept (see the table)."""

    concept: str
    start: int | None = None
    prepare: int | None = None
    practise: int | None = None
    next_year: bool = False
    not_before: date | None = None
    not_after: date | None = None
    pause_from: int | None = None
    pause: int | None = None


@dataclass(frozen=True, slots=True)
class SectionRow:
    """A section with what belongs to it alone."""

    id: UUID
    name: str
    grade: int
    upper: int
    minutes: int
    rolled: date | None
    declared: frozenset[str]
    refused: frozenset[tuple[str, str | None]]
    overrides: tuple[ArcOverrideRow, ...]
    facts: str | None
    version: int
    plan: PlanRow | None
    steps: int = 0  # changes of its year that can be taken back
    songs: frozenset[str] = frozenset()  # known, as the teacher says


@dataclass(frozen=True, slots=True)
class PlannedRow:
    """A planned lesson; `parts` as (id, slot, role, activity, material kind and id, concept, purpose,
    minutes, new, left over, pinned)."""

    id: UUID
    section_id: UUID
    day: date
    starts: time
    minutes: int
    status: str
    version: int
    parts: list[list[Any]]


def sections(session: Session, school_id: UUID, only: Iterable[UUID] | None) -> list[SectionRow]:
    found = []
    for row in session.execute(SECTIONS, {"school": school_id, "only": _ids(only)}):
        (
            key,
            name,
            grade,
            upper,
            minutes,
            rolled,
            declared,
            songs,
            refused,
            overrides,
            steps,
            facts,
            version,
            *plan,
        ) = row
        laid = PlanRow(*plan) if plan[1] is not None else None
        no = frozenset((activity, song) for activity, song in refused or ())
        said = tuple(_override(*one) for one in overrides or ())
        known = frozenset(declared or ())
        found.append(
            SectionRow(
                key,
                name,
                grade,
                upper,
                minutes,
                rolled,
                known,
                no,
                said,
                facts,
                version,
                laid,
                steps,
                frozenset(songs or ()),
            )
        )
    return found


def _override(
    concept: str,
    start: int | None,
    prepare: int | None,
    practise: int | None,
    next_year: bool,
    not_before: str | None,
    not_after: str | None,
    *pause: int | None,
) -> ArcOverrideRow:
    first, last = (date.fromisoformat(day) if day else None for day in (not_before, not_after))
    return ArcOverrideRow(concept, start, prepare, practise, next_year, first, last, *pause)


def section(session: Session, school_id: UUID, section_id: UUID) -> SectionRow:
    """NotFoundError for one that is not this school's, or has left it."""
    found = sections(session, school_id, [section_id])
    if not found:
        raise NotFoundError("no_such", what=because("what_section"), value=str(section_id))
    return found[0]


def sections_of_grade(session: Session, school_id: UUID, grade: int) -> list[UUID]:
    asked = {"school": school_id, "grade": grade}
    return list(session.execute(OF_GRADE, asked).scalars())


def rolls(session: Session, school_id: UUID, only: Iterable[UUID] | None, day: date) -> dict[UUID, int]:
    """How many are on each roll."""
    asked = {"school": school_id, "only": _ids(only), "day": day}
    return {section: count for section, count in session.execute(ROLLS, asked)}


Stones = tuple[str, str, int, str | None, str | None]


def stones(
    session: Session, school_id: UUID, only: Iterable[UUID] | None, day: date
) -> list[tuple[UUID, list[Stones]]]:
    """By section (concept, level, children; of those who showed it once the last day; the child where it
    sings in a choir too: then more sections than one say when it is due)."""
    asked = {"school": school_id, "only": _ids(only), "day": day}
    return [(section, found) for section, found in session.execute(STONES, asked)]


def sections_of_singers(session: Session, school_id: UUID) -> dict[str, list[UUID]]:
    """The class and the choirs of every child that sings in a choir."""
    found: dict[str, list[UUID]] = {}
    for child, section in session.execute(SINGERS, {"school": school_id}):
        found.setdefault(str(child), []).append(section)
    return found


def calendar(session: Session, school_id: UUID) -> CalendarRow:
    """The school's calendar in one query."""
    cycle, periods, changes, concerts, meetings = session.execute(CALENDAR, {"school": school_id}).one()
    spans: dict[str, list[Span]] = {"term": [], "holiday": []}
    for kind, first, last, name in periods or ():
        spans[kind].append(Span(_day(first), _day(last), name))
    meets: dict[UUID, list[Meeting]] = {}
    for section_id, weekday, starts, minutes in meetings or ():
        meets.setdefault(UUID(section_id), []).append(Meeting(weekday, time.fromisoformat(starts), minutes))
    return CalendarRow(
        cycle,
        tuple(spans["term"]),
        tuple(spans["holiday"]),
        tuple(
            LessonChangeRow(
                UUID(key),
                UUID(section_id) if section_id else None,
                kind,
                _day(day),
                time.fromisoformat(starts) if starts else None,
                why,
            )
            for key, section_id, kind, day, starts, why in changes or ()
        ),
        tuple(
            ConcertRow(
                UUID(key), name, _day(day), tuple(map(UUID, section_ids)), tuple(concepts), tuple(sung)
            )
            for key, name, day, section_ids, concepts, sung in concerts or ()
        ),
        {key: tuple(found) for key, found in meets.items()},
    )


_day = date.fromisoformat


def arcs(session: Session, school_id: UUID, only: Iterable[UUID] | None) -> dict[UUID, list[list[Any]]]:
    """By section, in order of their start (see the table)."""
    return {
        section: found for section, found in session.execute(ARCS, {"school": school_id, "only": _ids(only)})
    }


def planned(
    session: Session, school_id: UUID, only: Iterable[UUID] | None, since: date
) -> dict[UUID, list[PlannedRow]]:
    """Lessons planned from a day on, and those that are running, in order."""
    asked = {"school": school_id, "only": _ids(only), "since": since}
    found: dict[UUID, list[PlannedRow]] = {}
    for row in session.execute(PLANNED, asked):
        found.setdefault(row[1], []).append(PlannedRow(*row))
    return found


def named(session: Session, school_id: UUID) -> list[tuple[int, int]]:
    """Of every concept that was prepared and named in a section of the school: lessons prepared, and
    practised."""
    found = session.execute(NAMED, {"school": school_id}).scalars()
    return [(prepared, practised) for pairs in found for prepared, practised in pairs or ()]
