"""Events, and the sums of events that are kept."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from datetime import date
from typing import Any
from uuid import UUID

from pydantic_core import to_json
from sqlalchemy import Text, Uuid, and_, any_, cast, delete, func, insert, literal, select, text, tuple_
from sqlalchemy.dialects.postgresql import ARRAY
from sqlalchemy.dialects.postgresql import insert as upsert
from sqlalchemy.orm import Session

from kopje.core.ledger.events import ClassEvent
from kopje.core.ledger.held import HeldLesson, TaughtPart, part_of, part_values
from kopje.store.owned import owned
from kopje.store.tables import AsideEvent, Child, Event, FactsRow, HeldLessonRow, Section, SongMetRow, Teacher


def _text(column: Any) -> Any:
    """Ids leave as text, as events have them; turning thousands of them into objects and back took a third
    of a batch."""
    return cast(column, Text)


COLUMNS = (
    _text(Event.id),
    Event.kind,
    _text(Event.section_id),
    _text(Event.lesson_id),
    Event.day,
    Event.moment,
    _text(Event.device),
    Event.sequence,
    _text(Event.child_id),
    _text(Event.part_id),
    _text(Event.target_id),
    Event.body,
    Event.off_day,
    Event.concept,
)
STANDS = ("marked", "judged")  # what a standing is made of
BODY = Event.body.op("-")(literal(["part", "parts", "lesson"], ARRAY(Text)))
JUDGED = tuple(BODY if column is Event.body else column for column in COLUMNS)


def _value(row: Any) -> ClassEvent:
    key, kind, section, lesson, day, moment, device, sequence, child, part, target, body, off, concept = row
    body = {**body, "concept": concept} if concept else body
    return ClassEvent(
        key, kind, section, lesson, day, moment, device, sequence, child, part, target, body, off
    )


def of_kinds(session: Session, section_id: UUID, kinds: Iterable[str]) -> list[ClassEvent]:
    """Everything of some kinds that happened in a class."""
    wanted = select(*COLUMNS).where(Event.section_id == section_id, Event.kind.in_(tuple(kinds)))
    return [_value(row) for row in session.execute(wanted)]


def lock_sections(session: Session, school_id: UUID, ids: Iterable[UUID]) -> set[UUID]:
    """Hold these sections, in the order of their ids, for what is added to them; those that are this
    school's."""
    chosen = select(Section.id).where(Section.school_id == school_id, Section.id.in_(set(ids)))
    return set(session.scalars(chosen.order_by(Section.id).with_for_update(key_share=True)))


def lock_children(session: Session, school_id: UUID, ids: Iterable[UUID]) -> set[UUID]:
    """Hold these children in the order of their ids, so that two devices that mark the same ones wait for
    each other."""
    chosen = select(Child.id).where(Child.school_id == school_id, Child.id.in_(set(ids)))
    return set(session.scalars(chosen.order_by(Child.id).with_for_update(key_share=True)))


def known(session: Session, ids: Iterable[UUID]) -> dict[UUID, Event]:
    """Events that are there already under these ids, whosever they are."""
    return {row.id: row for row in session.scalars(select(Event).where(Event.id.in_(set(ids))))}


def sequences_taken(
    session: Session, teacher_id: UUID, pairs: Iterable[tuple[UUID, int]]
) -> set[tuple[UUID, int]]:
    chosen = select(Event.device, Event.sequence).where(
        Event.teacher_id == teacher_id, tuple_(Event.device, Event.sequence).in_(list(pairs))
    )
    return {(device, sequence) for device, sequence in session.execute(chosen)}


# One statement of one shape for however many rows: it is planned once, and nothing is spelt out for each row.
ADD = text(
    """INSERT INTO class_event (id, school_id, kind, section_id, lesson_id, day, moment, clock, off_day, received, teacher_id,
        device, sequence, child_id, part_id, target_id, concept, body)
    SELECT id, school_id, kind, section_id, lesson_id, day, moment, clock, off_day, received, teacher_id, device, sequence,
        child_id, part_id, target_id, concept, body
    FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r(id uuid, school_id uuid, kind text, section_id uuid, lesson_id uuid,
        day date, moment timestamptz, clock timestamptz, off_day boolean, received timestamptz, teacher_id uuid, device uuid,
        sequence bigint, child_id uuid, part_id uuid, target_id uuid, concept text, body jsonb)"""
)


def add(session: Session, rows: Sequence[Mapping[str, Any]]) -> None:
    if rows:
        session.execute(ADD, {"rows": to_json(rows).decode()})


def of_lessons(session: Session, lessons: Iterable[UUID]) -> Sequence[ClassEvent]:
    """Every event of these lessons, in no order."""
    return [_value(row) for row in session.execute(select(*COLUMNS).where(Event.lesson_id.in_(set(lessons))))]


def marks_with_backs(
    session: Session, pairs: Iterable[tuple[UUID, str]], school_id: UUID
) -> Sequence[ClassEvent]:
    """The marks of (child, concept) pairs and the teacher's words on them, with whatever takes them back, and
    takes that back. Of their bodies only what is judged: how a lesson looked is longer than everything else,
    and a child has many marks."""
    children, keys = zip(*asked, strict=True) if (asked := list(pairs)) else ((), ())
    listed = func.unnest(literal(list(children), ARRAY(Uuid)), literal(list(keys), ARRAY(Text)))
    wanted = listed.table_valued("child", "concept").render_derived(name="wanted")
    marked = (
        select(*JUDGED)
        .where(Event.school_id == school_id, Event.kind.in_(STANDS))
        .join(wanted, and_(Event.child_id == wanted.c.child, Event.concept == wanted.c.concept))
    )
    found = [_value(row) for row in session.execute(marked)]
    targets = [event.id for event in found]
    while targets:
        ids = literal(targets, ARRAY(Uuid(as_uuid=False)))
        back = select(*JUDGED).where(Event.target_id == any_(ids))
        backs = [_value(row) for row in session.execute(back)]
        found += backs
        targets = [event.id for event in backs]
    return found


ROUNDS = text(
    """SELECT min(m.day), count(DISTINCT m.child_id), extract(epoch FROM max(m.moment) - min(m.moment))::float
    FROM class_event m WHERE m.section_id = :section AND m.kind = 'marked' AND m.part_id IS NOT NULL AND NOT m.off_day
        AND NOT m.body ? 'together' AND NOT EXISTS (SELECT 1 FROM class_event b WHERE b.target_id = m.id)
    GROUP BY m.lesson_id, m.part_id HAVING count(DISTINCT m.child_id) >= :least AND max(m.moment) > min(m.moment)"""
)


def rounds(session: Session, section_id: UUID, least: int) -> list[tuple[date, int, float]]:
    """(day, children, seconds from the first mark to the last) of the parts in which at least so many children
    of a section were marked one by one. A mark that anything ever took back is left out: this is a pace, no
    evidence."""
    found = session.execute(ROUNDS, {"section": section_id, "least": least})
    return [(day, children, seconds) for day, children, seconds in found]


def backs(session: Session, school_id: UUID) -> Sequence[ClassEvent]:
    """Every “taken back” of a school."""
    chosen = select(*JUDGED).where(Event.school_id == school_id, Event.kind == "taken_back")
    return [_value(row) for row in session.execute(chosen)]


def replacements(session: Session, school_id: UUID) -> list[tuple[str, str]]:
    """(the mark that was corrected, the mark that stands for it) of a school."""
    of = Event.body["supersedes"].astext
    chosen = select(of, _text(Event.id)).where(
        Event.school_id == school_id, Event.kind == "marked", Event.body.has_key("supersedes")
    )
    return [(old, new) for old, new in session.execute(chosen)]


def all_marks(session: Session, school_id: UUID) -> Iterator[tuple[ClassEvent, str, str]]:
    """Every mark that was ever made, in order, those that were taken back too; with the name of its section
    and of whoever made it. Read in lots, so that a large school does not stand in memory."""
    chosen = (
        select(*COLUMNS, Section.name, Teacher.name)
        .join(Section, Section.id == Event.section_id)
        .join(Teacher, Teacher.id == Event.teacher_id)
        .where(Event.school_id == school_id, Event.kind == "marked")
        .order_by(Event.day, Event.moment, Event.device, Event.sequence)
    )
    for *row, section, teacher in session.execute(chosen.execution_options(yield_per=2000)):
        yield _value(row), section, teacher


def all_held(session: Session, school_id: UUID) -> Iterator[tuple[HeldLesson, str]]:
    """Every lesson that began, in order, with the name of its section."""
    chosen = (
        select(HeldLessonRow, Section.name)
        .join(Section, Section.id == HeldLessonRow.section_id)
        .where(HeldLessonRow.school_id == school_id)
        .order_by(HeldLessonRow.day, HeldLessonRow.starts, HeldLessonRow.id)
    )
    for row, section in session.execute(chosen.execution_options(yield_per=500)):
        yield _held(row), section


def of_child(session: Session, school_id: UUID, child_id: UUID) -> Sequence[ClassEvent]:
    """Its marks and the teacher's words on it, with whatever takes them back, and takes that back."""
    concepts = select(Event.concept).where(Event.child_id == child_id, Event.concept.is_not(None))
    pairs = [(child_id, key) for key in session.scalars(concepts.distinct()) if key]
    return marks_with_backs(session, pairs, school_id) if pairs else ()


def tellers(session: Session, ids: Iterable[str]) -> dict[str, str]:
    """Who told each of these events, by name, whether or not they still may come in."""
    chosen = select(_text(Event.id), Teacher.name).join(Teacher, Teacher.id == Event.teacher_id)
    return {key: name for key, name in session.execute(chosen.where(Event.id.in_(set(map(UUID, ids)))))}


def pairs_of(session: Session, ids: Iterable[UUID]) -> set[tuple[UUID, str]]:
    """(child, concept) of the marks and words among these events."""
    chosen = select(Event.child_id, Event.concept).where(Event.id.in_(set(ids)), Event.kind.in_(STANDS))
    return {(child, concept) for child, concept in session.execute(chosen) if child and concept}


def ends_of_chains(session: Session, ids: Iterable[UUID]) -> set[UUID]:
    """What these ids finally take back: a “taken back” leads on to its target, up to an event of another
    kind."""
    found: set[UUID] = set()
    wanted = set(ids)
    while wanted:
        rows = session.execute(
            select(Event.id, Event.kind, Event.target_id).where(Event.id.in_(wanted))
        ).all()
        found |= {key for key, kind, _ in rows if kind != "taken_back"}
        wanted = {target for _, kind, target in rows if kind == "taken_back" and target} - found
    return found


def keep_held(session: Session, school_id: UUID, lessons: Iterable[UUID], held: Iterable[HeldLesson]) -> None:
    """Put what these lessons are now in the place of what was kept of them."""
    session.execute(delete(HeldLessonRow).where(HeldLessonRow.id.in_(set(lessons))))
    rows = [
        {
            "id": UUID(x.id),
            "section_id": UUID(x.section),
            "school_id": school_id,
            "day": x.day,
            "starts": x.starts,
            "minutes": x.minutes,
            "state": x.state,
            "note": x.note,
            "started": x.started,
            "ended": x.ended,
            "parts": [
                {**part_values(p), "tick": p.tick, "rating": p.rating, "took": p.took, "why": p.why}
                for p in x.parts
            ],
            "absent": sorted(x.absent),
        }
        for x in held
    ]
    if rows:
        session.execute(insert(HeldLessonRow), rows)


def held(session: Session, lesson_id: UUID) -> HeldLesson | None:
    row = session.get(HeldLessonRow, lesson_id, populate_existing=True)
    return _held(row) if row else None


def held_lessons(session: Session, school_id: UUID, ids: Iterable[UUID]) -> Sequence[HeldLesson]:
    """Of these lessons those that began."""
    chosen = select(HeldLessonRow).where(HeldLessonRow.school_id == school_id, HeldLessonRow.id.in_(set(ids)))
    return [_held(row) for row in session.scalars(chosen.execution_options(populate_existing=True))]


def held_of(session: Session, section_ids: Iterable[UUID]) -> Sequence[HeldLesson]:
    chosen = select(HeldLessonRow).where(HeldLessonRow.section_id.in_(set(section_ids)))
    return [_held(row) for row in session.scalars(chosen.execution_options(populate_existing=True))]


def _held(row: HeldLessonRow) -> HeldLesson:
    parts = tuple(_ticked(values) for values in row.parts)
    return HeldLesson(
        str(row.id),
        str(row.section_id),
        row.day,
        row.starts,
        row.minutes,
        row.state,  # type: ignore[arg-type]
        parts,
        row.note,
        row.started,
        row.ended,
        frozenset(row.absent),
    )


def _ticked(values: Mapping[str, Any]) -> TaughtPart:
    part = part_of(values)
    return TaughtPart(
        part.id,
        part.slot,
        part.role,
        part.activity,
        part.material,
        part.concept,
        part.purpose,
        part.minutes,
        part.new,
        part.left_over,
        values.get("tick"),
        values.get("rating"),
        values.get("took"),
        values.get("why", ""),
    )


def keep_facts(
    session: Session, school_id: UUID, section_id: UUID, facts: dict[str, Any], songs: list[dict[str, Any]]
) -> None:
    """Facts in the place of those that were kept; the version rises when they are other facts."""
    row = upsert(FactsRow).values(section_id=section_id, school_id=school_id, facts=facts, version=1)
    changed = FactsRow.facts != row.excluded.facts
    session.execute(
        row.on_conflict_do_update(
            index_elements=["section_id"],
            set_={"facts": row.excluded.facts, "version": FactsRow.version + literal(1)},
            where=changed,
        )
    )
    session.execute(delete(SongMetRow).where(SongMetRow.section_id == section_id))
    if songs:
        session.execute(insert(SongMetRow), songs)


def facts_version(session: Session, section_id: UUID) -> int:
    """0 where nothing has happened yet."""
    return session.scalar(select(FactsRow.version).where(FactsRow.section_id == section_id)) or 0


def put_aside(session: Session, rows: Sequence[Mapping[str, Any]]) -> None:
    """Keep events that could not be taken; those that are kept already stay as they are."""
    if rows:
        session.execute(upsert(AsideEvent).values(list(rows)).on_conflict_do_nothing())


def aside(session: Session, school_id: UUID, teacher_id: UUID) -> Sequence[AsideEvent]:
    return session.scalars(
        select(AsideEvent)
        .where(
            AsideEvent.school_id == school_id,
            AsideEvent.teacher_id == teacher_id,
            AsideEvent.settled.is_(None),
        )
        .order_by(AsideEvent.received, AsideEvent.id)
    ).all()


def one_aside(session: Session, school_id: UUID, event_id: UUID) -> AsideEvent:
    return owned(session, AsideEvent, school_id, event_id, "event")


def aside_ids(session: Session, ids: Iterable[UUID]) -> set[UUID]:
    return set(session.scalars(select(AsideEvent.id).where(AsideEvent.id.in_(set(ids)))))


USED = text(
    """SELECT DISTINCT concept FROM class_event WHERE school_id = :school AND concept IS NOT NULL
    UNION SELECT DISTINCT p.concept FROM planned_part p WHERE p.school_id = :school AND p.concept IS NOT NULL
    UNION SELECT DISTINCT part->>'concept' FROM held_lesson h CROSS JOIN LATERAL jsonb_array_elements(h.parts) AS part
    WHERE h.school_id = :school AND part->>'concept' IS NOT NULL"""
)


def used_concepts(session: Session, school_id: UUID) -> set[str]:
    """Keys of concepts that were marked, or stand in a lesson."""
    return set(session.scalars(USED, {"school": school_id}))


def clear_sums(session: Session, school_id: UUID) -> None:
    """Take away everything that can be worked out again from the events of a school."""
    for table in ("held_lesson", "section_facts", "song_met", "standing"):
        session.execute(text(f"DELETE FROM {table} WHERE school_id = :school"), {"school": school_id})


def lessons_with_events(session: Session, school_id: UUID) -> list[tuple[UUID, UUID]]:
    """(section, lesson) of everything that happened."""
    chosen = select(Event.section_id, Event.lesson_id).where(Event.school_id == school_id).distinct()
    return [(section, lesson) for section, lesson in session.execute(chosen)]


def marked_pairs(session: Session, school_id: UUID) -> set[tuple[UUID, str]]:
    """Every (child, concept) that was ever marked or judged."""
    chosen = select(Event.child_id, Event.concept).where(Event.school_id == school_id, Event.kind.in_(STANDS))
    return {(child, concept) for child, concept in session.execute(chosen.distinct()) if child and concept}


SUMS = {
    "standing": "SELECT child_id || ' ' || concept, to_jsonb(s) FROM standing s WHERE school_id = :school",
    "held_lesson": "SELECT id::text, to_jsonb(h) FROM held_lesson h WHERE school_id = :school",
    "section_facts": "SELECT section_id::text, facts FROM section_facts WHERE school_id = :school",
    "song_met": "SELECT section_id || ' ' || song_id, to_jsonb(m) FROM song_met m WHERE school_id = :school",
}


def sums(session: Session, school_id: UUID) -> dict[str, dict[str, Any]]:
    """Every row that can be worked out again, by table and key."""
    return {
        table: {key: row for key, row in session.execute(text(query), {"school": school_id})}
        for table, query in SUMS.items()
    }
