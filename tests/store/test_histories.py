"""Whatever happened, in whatever order and from however many devices it came: the sums are those of all
events."""

from __future__ import annotations

import uuid
from dataclasses import replace
from datetime import datetime, timedelta
from random import Random
from typing import Any, get_args

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy import Connection, text
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from api.conftest import Place, make_school
from conftest import SETTINGS
from kopje.core.ledger.marks import Help, Result, Voices
from kopje.store import events, plans
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import rebuild, rebuild_and_compare
from kopje.usecases.room.take_events import ReportedEvent, take
from kopje.usecases.setup import set_up_school

KINDS = (
    "started",
    "ticked",
    "marked",
    "marked",
    "marked",
    "taken_back",
    "absent",
    "noted",
    "ended",
    "reopened",
    "rated",
    "not_held",
)


class School:
    """A class and a choir that share children, each with a planned lesson of the same parts."""

    def __init__(self, work: UnitOfWork, place: Place) -> None:
        ids = {name: uuid.UUID(value) for name, value in place.ids.items()}
        self.work, self.school, self.section, self.lesson = (
            work,
            ids["school_id"],
            ids["section_id"],
            ids["lesson_id"],
        )
        with work.begin() as session:
            self.teacher = session.execute(
                text("SELECT id FROM teacher WHERE school_id = :id AND login NOT LIKE '%-two'"),
                {"id": self.school},
            ).scalar_one()
            self.parts = [part.id for part in plans.parts(session, self.lesson)]
            self.children = list(
                session.execute(
                    text("SELECT id FROM child WHERE school_id = :id ORDER BY name"), {"id": self.school}
                ).scalars()
            )
            ctx = self.ctx(session)
            self.choir = set_up_school.add_section(ctx, set_up_school.NewSection("Choir", 13, 40, (), ())).id
            set_up_school.set_singers(ctx, self.choir, self.children[:3])
        self.choir_lesson = uuid.uuid4()

    def ctx(self, session: Session) -> Context:
        return Context(session, self.school, self.teacher, SETTINGS.now(), uuid.uuid4)

    def sums(self) -> dict[str, dict[str, Any]]:
        with self.work.begin() as session:
            return events.sums(session, self.school)


@pytest.fixture
def school(work: UnitOfWork) -> School:
    return School(work, make_school(work, "Kestrel"))


def history(school: School, chance: Random, length: int) -> list[ReportedEvent]:
    """A random history of two devices: marks by all rules, things taken back, also twice and before their
    target was sent."""
    devices, counts = [uuid.uuid4(), uuid.uuid4()], [0, 0]
    found: list[ReportedEvent] = []
    clock = SETTINGS.now() - timedelta(minutes=200)
    for _ in range(length):
        clock += timedelta(seconds=chance.choice((0, 1, 30)))
        which, kind = chance.randrange(2), chance.choice(KINDS)
        counts[which] += 1
        in_choir = chance.random() < 0.25
        one = ReportedEvent(
            uuid.uuid4(),
            kind,
            school.choir if in_choir else school.section,
            school.choir_lesson if in_choir else school.lesson,
            clock,
            devices[which],
            counts[which],
        )
        found.append(_filled(school, chance, one, found, in_choir))
    return found


def _filled(
    school: School, chance: Random, one: ReportedEvent, before: list[ReportedEvent], in_choir: bool
) -> ReportedEvent:
    body: dict[str, Any] = {}
    if in_choir and one.kind in ("started", "not_held"):
        moment: datetime = SETTINGS.now()
        body["lesson"] = {"day": moment.date().isoformat(), "starts": "08:00", "minutes": 40}
    child = chance.choice(school.children[:3] if in_choir else school.children)
    part = None if in_choir else chance.choice(school.parts)
    if one.kind == "marked":
        body |= {
            "concept": chance.choice(("so-mi", "quarter-eighths", "re")),
            "way": chance.choice(("sing", "hear", "read")),
            "voices": chance.choice(get_args(Voices)),
            "help": chance.choice(get_args(Help)),
            "result": chance.choice(get_args(Result)),
        }
        return replace(one, child_id=child, part_id=part, body=body)
    if one.kind == "taken_back":
        return replace(one, target_id=chance.choice(before).id if before else uuid.uuid4())
    if one.kind == "absent":
        return replace(one, child_id=child)
    if one.kind in ("ticked", "rated"):
        body["tick" if one.kind == "ticked" else "rating"] = chance.choice(
            ("done", "partly", "skipped") if one.kind == "ticked" else ("well", "flat")
        )
        return replace(one, part_id=part or uuid.uuid4(), body=body)
    return replace(one, body={"note": "Sing it lower."} if one.kind == "noted" else body)


def sent(school: School, reported: list[ReportedEvent], chance: Random, most: int) -> None:
    """In batches of random size."""
    rest = list(reported)
    while rest:
        size = chance.randint(1, most)
        with school.work.begin() as session:
            take(school.ctx(session), SETTINGS.now(), rest[:size])
        rest = rest[size:]


@settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(chance=st.randoms(use_true_random=False), length=st.integers(1, 40))
def test_rebuilding_gives_what_adding_one_by_one_gave(
    school: School, connection: Connection, chance: Random, length: int
) -> None:
    inner = connection.begin_nested()
    sent(school, history(school, chance, length), chance, 6)
    kept = school.sums()
    with school.work.begin() as session:
        rebuild(school.ctx(session))
    assert school.sums() == kept
    with school.work.begin() as session:
        assert set(rebuild_and_compare(school.ctx(session)).rows.values()) == {0}
    inner.rollback()


@settings(max_examples=10, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(chance=st.randoms(use_true_random=False), length=st.integers(2, 30))
def test_what_is_sent_later_or_twice_ends_in_the_same_sums(
    school: School, connection: Connection, chance: Random, length: int
) -> None:
    """Standings depend on what was made, not on when it arrived; what a lesson was needs only that it is
    known by then."""
    reported = history(school, chance, length)
    begin = ReportedEvent(
        uuid.uuid4(),
        "started",
        school.choir,
        school.choir_lesson,
        SETTINGS.now() - timedelta(hours=5),
        uuid.uuid4(),
        1,
        body={"lesson": {"day": SETTINGS.now().date().isoformat(), "starts": "08:00", "minutes": 40}},
    )
    ends = []
    for order in (reported, chance.sample(reported, len(reported))):
        inner = connection.begin_nested()
        sent(school, [begin], chance, 1)
        sent(school, order, chance, 5)
        sent(school, chance.sample(order, len(order) // 2), chance, 5)
        ends.append({name: rows for name, rows in school.sums().items() if "standing" in name})
        inner.rollback()
    assert ends[0] == ends[1]


def test_what_happened_cannot_be_changed(school: School, connection: Connection) -> None:
    sent(school, history(school, Random(3), 5), Random(3), 5)
    inner = connection.begin_nested()
    with pytest.raises(DBAPIError, match="never changed"):
        connection.execute(text("UPDATE class_event SET day = day - 1"))
    inner.rollback()
