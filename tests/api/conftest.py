"""Two schools in one database, and a browser's worth of client for each."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, time

import pytest
from fastapi.testclient import TestClient

from conftest import SETTINGS
from kopje.core.planning.catalogue import activity
from kopje.core.planning.meetings import Meeting
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.main import create_app
from kopje.store import lessons, songs
from kopje.store.tables import Child, School, Teacher
from kopje.store.work import UnitOfWork
from kopje.usecases import ask_songbook, propose_lesson, school_calendar, set_up_school
from kopje.usecases.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.call import Call
from kopje.usecases.sign_in import hashed

PASSWORD = "a long password"
HASH = hashed(PASSWORD)
OURS = {"x-kopje-request": "1"}


@dataclass(frozen=True)
class Place:
    """A school with one section, a running lesson and one mark; `ids` by the names that paths and bodies use."""

    login: str
    ids: dict[str, str]


@pytest.fixture(scope="session")
def engraver() -> Iterator[Engraver]:
    engraver = Engraver()
    engraver.start()
    yield engraver
    engraver.stop()


@pytest.fixture(scope="session")
def printer() -> Iterator[Printer]:
    printer = Printer(SETTINGS.web / "assets")
    yield printer
    printer.stop()


def make_school(work: UnitOfWork, name: str) -> Place:
    with work.begin() as session:
        school_id, teacher_id = uuid.uuid4(), uuid.uuid4()
        now = SETTINGS.now()
        session.add(School(id=school_id, name=name, created=now))
        session.flush()
        session.add(
            Teacher(
                id=teacher_id,
                school_id=school_id,
                login=name.lower(),
                name="T",
                role="owner",
                password_hash=HASH,
            )
        )
        session.flush()
        call = Call(session, school_id, teacher_id, now, uuid.uuid4)
        meetings = (Meeting(1, time(9, 50)), Meeting(4, time(9, 10)))
        new = set_up_school.NewSection("2A", 2, 30, ("Ama", "Jun", "Ines", "Tove", "Kofi", "Lien"), meetings)
        section = set_up_school.add_section(call, new)
        bring_shipped_songs(call, SETTINGS.songs)
        lesson = propose_lesson.propose(call, section.id)
        child = session.query(Child).filter_by(section_id=section.id).first()
        cell = next(c for c in lessons.cells(session, lesson.id) if activity(c.activity).way == "sing")
        assert child is not None
        (change,) = school_calendar.add_change(
            call, "lost", SETTINGS.now().date(), None, "Fire drill", [section.id]
        )
        concert = school_calendar.add_concert(call, "Concert", date(2026, 12, 17), [section.id], ["do"])
        kept = ask_songbook.keep_question(call, "Quiet ones", {"has": ["re"]})
        ids = {"school_id": school_id, "section_id": section.id, "song_id": songs.songs(session, school_id)[0].id,
               "lesson_id": lesson.id, "cell_id": cell.id, "child_id": child.id, "mark_id": uuid.uuid4(),
               "change_id": change.id, "concert_id": concert.id, "question_id": kept.id}  # fmt: skip
        return Place(name.lower(), {key: str(value) for key, value in ids.items()})


def start_and_mark(client: TestClient, place: Place) -> None:
    client.post(f"/api/lessons/{place.ids['lesson_id']}/start")
    put_mark(client, place, place.ids["mark_id"])


def put_mark(client: TestClient, place: Place, mark_id: str, **more: str):
    body = {key: place.ids[key] for key in ("lesson_id", "cell_id", "child_id")}
    body |= {"concept": "so-mi", "result": "secure", "moment": SETTINGS.now().isoformat()} | more
    return client.put(f"/api/marks/{mark_id}", json=body)


@pytest.fixture
def app_client(work: UnitOfWork, engraver: Engraver, printer: Printer) -> TestClient:
    """Signed out."""
    return TestClient(
        create_app(SETTINGS, work, engraver, printer), headers=OURS, base_url="http://testserver"
    )


def signed_in(client: TestClient, place: Place) -> TestClient:
    one = TestClient(client.app, headers=OURS, base_url="http://testserver")
    answer = one.post("/api/sign-in", json={"login": place.login, "password": PASSWORD})
    assert answer.status_code == 200, answer.text
    return one


@pytest.fixture
def kestrel(work: UnitOfWork) -> Place:
    return make_school(work, "Kestrel")


@pytest.fixture
def heron(work: UnitOfWork) -> Place:
    return make_school(work, "Heron")
