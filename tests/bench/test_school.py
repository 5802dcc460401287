"""A school of 24 sections and 600 children: what its pages ask, and a batch of events, beside the bare
statements."""

from __future__ import annotations

import json
import uuid
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import time, timedelta
from itertools import count
from random import Random
from typing import Any

import psycopg
import pytest
from fastapi.testclient import TestClient
from sqlalchemy import event
from sqlalchemy.orm import Session

from api.conftest import OURS, PASSWORD, Place, make_school
from bench.serving import Browser, serving
from bench.timing import alternating, p95, say
from conftest import SETTINGS, new_database
from kopje.core.planning.meetings import Meeting
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.main import create_app
from kopje.store import plans
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.context import Context, Desk
from kopje.usecases.lessons import propose_lesson
from kopje.usecases.room.take_events import ReportedEvent, take
from kopje.usecases.setup import set_up_school
from kopje.usecases.year import plan_year

SECTIONS, CHILDREN, LESSONS = 24, 25, 3
COUNTING = count(1)
CONCEPTS = [concept.key for concept in SO_MI_FIRST.concepts[:40]]


@dataclass(frozen=True)
class School:
    """The big school behind a server, a bare connection to its database, and what one more batch needs."""

    browser: Browser
    plain: psycopg.Connection
    place: Place
    client: TestClient
    asked: list[str]
    children: list[uuid.UUID]


@pytest.fixture(scope="module")
def school() -> Iterator[School]:
    engine = engine_for(new_database("bench_school"))
    work, chance = UnitOfWork(engine), Random(9)
    place = make_school(work, "Big")
    ids = uuid.UUID(place.ids["school_id"])
    plain = psycopg.connect(
        engine.url.set(drivername="postgresql").render_as_string(hide_password=False), autocommit=True
    )
    teacher = plain.execute("SELECT id FROM teacher").fetchone()[0]  # type: ignore[index]
    for weeks in range(LESSONS, -1, -1):
        moment = SETTINGS.now() - timedelta(weeks=weeks)
        desk = Desk(work, lambda session, at=moment: Context(session, ids, teacher, at, uuid.uuid4))  # type: ignore[misc]
        if weeks == LESSONS:
            with work.begin() as session:
                sections = [_section(desk.ctx(session), number) for number in range(SECTIONS - 1)]
            for section in sections:
                plan_year.fit(desk, section)
        for section in sections:
            lesson = propose_lesson.propose(desk, section)
            if weeks:
                with work.begin() as session:
                    _teach(desk.ctx(session), session, section, lesson, chance)
    plain.execute("ANALYZE")
    asked: list[str] = []
    event.listen(engine, "before_cursor_execute", lambda _c, _k, statement, *_: asked.append(statement))
    children = [
        row[0]
        for row in plain.execute("SELECT id FROM child WHERE section_id = %s", (place.ids["section_id"],))
    ]
    with (
        serving(engine, "big") as browser,
        TestClient(create_app(SETTINGS, work), headers=OURS, base_url="http://testserver") as client,
    ):
        client.post("/api/sign-in", json={"login": "big", "password": PASSWORD})
        yield School(browser, plain, place, client, asked, children)
    plain.close()
    engine.dispose()


def _section(ctx: Context, number: int) -> uuid.UUID:
    grade, letter = divmod(number, 4)
    meetings = (
        Meeting(number % 5, time(8 + number // 5, 0)),
        Meeting((number + 2) % 5, time(8 + number // 5, 30)),
    )
    names = tuple(f"Child {number} {n}" for n in range(CHILDREN))
    return set_up_school.add_section(
        ctx, set_up_school.NewSection(f"{grade}{'CDEF'[letter]}", grade, 30, names, meetings)
    ).id


def _teach(ctx: Context, session: Session, section: uuid.UUID, lesson: uuid.UUID, chance: Random) -> None:
    """Everything done, every child heard in four concepts."""
    device = uuid.uuid4()

    def reported(kind: str, **more: Any) -> ReportedEvent:
        return ReportedEvent(uuid.uuid4(), kind, section, lesson, ctx.now, device, next(COUNTING), **more)

    children = [child.id for child in _roll(session, section, ctx)]
    concepts = chance.sample([c.key for c in ctx.sequence.concepts[:30]], 4)
    marks = [
        reported(
            "marked",
            child_id=child,
            body={
                "concept": concept,
                "way": "sing",
                "voices": "alone",
                "help": "none",
                "result": chance.choice(("secure", "nearly", "not_yet")),
            },
        )
        for child in children
        for concept in concepts
    ]
    ticks = [
        reported("ticked", part_id=part.id, body={"tick": "done"}) for part in plans.parts(session, lesson)
    ]
    take(ctx, ctx.now, [reported("started"), *ticks, *marks, reported("ended")])


def _roll(session: Session, section: uuid.UUID, ctx: Context) -> Any:
    from kopje.store import sections

    return sections.roll(session, section, ctx.today)


SHOWN = {
    "standing": "x.child_id, x.concept, x.level, x.partly, x.last_full",
    "planned_part": "x.id, x.lesson_id, x.slot, x.activity, x.concept, x.minutes, x.left_over",
}
WHERE = ("period", "meeting", "change", "concert")
HEARD = ("child", "membership", "standing")  # what a year still needs comes from who has what
YEAR = ("arc", "arc_override", "section_facts", "declared", "year_plan")


def of_school(*tables: str) -> list[str]:
    return [f"SELECT {SHOWN.get(x, 'x.*')} FROM {x} x WHERE x.school_id = %(school)s" for x in tables]


def of_grade(*tables: str) -> list[str]:
    section = {"standing": "(SELECT section_id FROM child c WHERE c.id = x.child_id)"}
    return [
        f"SELECT {SHOWN.get(x, 'x.*')} FROM {x} x JOIN section n ON n.id = {section.get(x, 'x.section_id')} "
        "WHERE n.school_id = %(school)s AND n.grade = 2"
        for x in tables
    ]


PAGES = {
    "today": ("/api/day", of_school("section", *WHERE, "planned_lesson", "planned_part", "section_facts")),
    "week": ("/api/week", of_school("section", *WHERE, *HEARD, "planned_lesson", "planned_part", *YEAR)),
    "a grade's year": (
        "/api/year/grade?grade=2",
        [*of_school("section", *WHERE), *of_grade("child", "standing", *YEAR)],
    ),
    "the school's year": ("/api/year", of_school("section", *WHERE, *HEARD, *YEAR)),
}
LEDGER = (
    "SELECT * FROM section WHERE id = %(section)s",
    "SELECT * FROM section_facts WHERE section_id = %(section)s",
    "SELECT * FROM declared WHERE section_id = %(section)s",
    'SELECT id, name, joined, "left" FROM child WHERE section_id = %(section)s',
    """SELECT s.child_id, s.concept, s.level, s.partly, s.last_full FROM standing s JOIN child c ON c.id = s.child_id
    WHERE c.section_id = %(section)s""",
)


def test_pages_of_a_big_school(school: School) -> None:
    values = {"school": school.place.ids["school_id"]}
    for name, (path, tables) in PAGES.items():
        mine, bare = alternating(
            40,
            lambda path=path: school.browser.get(path),  # type: ignore[misc]
            lambda tables=tables: [school.plain.execute(one, values).fetchall() for one in tables],  # type: ignore[misc]
        )
        say(
            f"{name} of {SECTIONS} sections, {_count(school, path)} queries; p95",
            p95(mine),
            p95(bare),
            "at most 3",
        )
    sections = [one["id"] for one in school.browser.get("/api/sections")]
    mine, bare = alternating(
        10,
        lambda: [school.browser.get(f"/api/sections/{one}/ledger") for one in sections],
        lambda: [
            school.plain.execute(table, {"section": one}).fetchall() for one in sections for table in LEDGER
        ],
    )
    queries = _count(school, f"/api/sections/{sections[0]}/ledger")
    say(f"the ledgers of {SECTIONS} sections, {queries} queries each; p95", p95(mine), p95(bare), "at most 3")


def _count(school: School, path: str) -> int:
    school.asked.clear()
    assert school.client.get(path).status_code == 200
    return sum(
        statement.lstrip().startswith("SELECT") or "WITH" in statement[:20] for statement in school.asked
    )


INSERT = """INSERT INTO class_event (id, school_id, kind, section_id, lesson_id, day, moment, clock, off_day, received, teacher_id,
device, sequence, child_id, part_id, target_id, concept, body) SELECT %s, school_id, kind, section_id, lesson_id, day, moment, clock,
off_day, received, teacher_id, %s, %s, %s, part_id, target_id, %s, body FROM class_event WHERE id = %s"""


def test_a_batch_of_200_events(school: School) -> None:
    place, children = school.place, school.children

    def batch() -> bytes:
        device = str(uuid.uuid4())
        events = [
            {
                "id": str(uuid.uuid4()),
                "kind": "marked",
                "section_id": place.ids["section_id"],
                "lesson_id": place.ids["lesson_id"],
                "clock": SETTINGS.now().isoformat(),
                "device": device,
                "sequence": n + 1,
                "child_id": str(children[n % len(children)]),
                "part_id": place.ids["part_id"],
                "concept": CONCEPTS[n // len(children)],
                "way": "sing",
                "voices": "alone",
                "help": "none",
                "result": "secure",
            }
            for n in range(200)
        ]
        return json.dumps({"sent": SETTINGS.now().isoformat(), "events": events}).encode()

    first = school.browser.post("/api/events", batch())[0]["id"]
    waiting = [batch() for _ in range(12)]

    def singly() -> None:
        device = uuid.uuid4()
        with school.plain.transaction():
            for n in range(200):
                school.plain.execute(
                    INSERT,
                    (
                        uuid.uuid4(),
                        device,
                        n + 1,
                        children[n % len(children)],
                        CONCEPTS[n // len(children)],
                        first,
                    ),
                )

    mine, bare = alternating(10, lambda: school.browser.post("/api/events", waiting.pop()), singly)
    say(
        "a batch of 200 marks, judged and kept, beside 200 single INSERTs; p95",
        p95(mine),
        p95(bare),
        "at most 3",
    )
