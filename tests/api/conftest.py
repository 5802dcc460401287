"""Two schools in one database, and a browser's worth of client for each."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, time, timedelta
from itertools import count
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, Engine
from sqlalchemy.orm import Session

from conftest import SETTINGS, new_database
from kopje.core.planning.catalogue import activity
from kopje.core.planning.meetings import Meeting
from kopje.core.practice.reading.given import Wish
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.main import create_app
from kopje.store import people, plans, recordings, songs
from kopje.store.tables import Child, School, Teacher
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.context import Context, Desk
from kopje.usecases.instruments import textures
from kopje.usecases.ledger.projections import RULES
from kopje.usecases.lessons import activity_shelf, kept_sets, propose_lesson
from kopje.usecases.practice import exercises
from kopje.usecases.room import projectors
from kopje.usecases.setup import (
    adults,
    school_calendar,
    school_habits,
    school_sequence,
    set_up_school,
    sign_in,
)
from kopje.usecases.setup.sign_in import hashed
from kopje.usecases.songs import ask_songbook
from kopje.usecases.songs.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songs.recordings import bring_shipped_pieces
from kopje.usecases.year import undo_year
from kopje.workers import Worker

PASSWORD = "a long password"
HASH = hashed(PASSWORD)
OURS = {"x-kopje-request": "1"}
BROWSER = "Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0"


@dataclass(frozen=True)
class Place:
    """A school with one section, a running lesson and one mark; `ids` by the names that paths and
    bodies use, `activity` the key of its own one, `code` what a screen waits under."""

    login: str
    ids: dict[str, str]
    activity: str = ""
    code: str = ""


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


TEXTURE = {
    "meter": "4/4",
    "phrase_bars": 4,
    "layers": [{"name": "Shakers", "family": "shaken", "rhythm": ["1", "1", "r2"]}],
}


def make_school(work: UnitOfWork, name: str) -> Place:
    school_id, teacher_id, now = uuid.uuid4(), uuid.uuid4(), SETTINGS.now()

    def ctx(session: Session) -> Context:
        return Context(session, school_id, teacher_id, now, uuid.uuid4)

    with work.begin() as session:
        session.add(School(id=school_id, name=name, created=now, rules=RULES))
        session.flush()
        owner = {"login": name.lower(), "name": "T", "role": "owner", "password_hash": HASH}
        session.add(Teacher(id=teacher_id, school_id=school_id, **owner))
        other_id = uuid.uuid4()
        other = {"login": f"{name.lower()}-two", "name": "U", "role": "owner", "password_hash": HASH}
        session.add(Teacher(id=other_id, school_id=school_id, **other))
        session.flush()
        sign_in.begin(
            session,
            teacher_id,
            f"token of {name}",
            f"device of {name}",
            BROWSER,
            now,
        )
        adults.invite(ctx(session), adults.Given("Ines", "teacher"))
        session.flush()
        (waiting,) = adults.adults(ctx(session)).waiting
        (device,) = people.devices(session, teacher_id, now)
        meetings = (Meeting(1, time(9, 50)), Meeting(4, time(9, 10)))
        new = set_up_school.NewSection("2A", 2, 30, ("Ama", "Jun", "Ines", "Tove", "Kofi", "Lien"), meetings)
        section = set_up_school.add_section(ctx(session), new)
        bring_shipped_songs(ctx(session), SETTINGS.songs)
        bring_shipped_pieces(ctx(session), SETTINGS.pieces)
        off = SETTINGS.now().date() + timedelta(days=7)
        (change,) = school_calendar.add_change(ctx(session), "lost", off, None, "Fire drill", [section.id])
        concert = school_calendar.add_concert(
            ctx(session), "Concert", date(2026, 12, 17), [section.id], ["do"]
        )
        undo_year.remember(ctx(session), section.id)
        like = activity_shelf.from_values({"title": f"Sing at {name}"}, "sing-in", ctx(session))
        own = activity_shelf.write(ctx(session), like)
        with_own = activity_shelf.as_changed(ctx(session))
        activity_shelf.keep_file(with_own, own, "a.png", b"\x89PNG\r\n\x1a\n" + bytes(20))
        (file,) = activity_shelf.look(with_own, own).files
        kept = ask_songbook.keep_question(ctx(session), "Quiet ones", {"has": ["re"]})
        layers = textures.keep(ctx(session), "Rain", TEXTURE)
    lesson_id = propose_lesson.propose(Desk(work, ctx), section.id)
    with work.begin() as session:
        child = session.query(Child).filter_by(section_id=section.id).order_by(Child.name).first()
        part = next(p for p in plans.parts(session, lesson_id) if activity(p.activity).way == "sing")
        assert child is not None
        unseen, shown = (
            projectors.begin(session, name, f"{one} screen of {name}", uuid.uuid4, now)
            for one in ("another", "a")
        )
        projectors.pair(ctx(session), shown.code or "")
        wish = Wish("rhythm", "quarter-eighths")
        exercise = exercises.next_exercise(ctx(session), section.id, wish).exercise
        kept_set = kept_sets.keep_set(ctx(session), str(section.id), 3, "Before the holidays")
        ids = {
            "school_id": school_id,
            "section_id": section.id,
            "set_key": section.id,
            "exercise_id": exercise.id,
            "song_id": next(s.id for s in songs.of_school(session, school_id) if s.title == "Beetle, Hurry"),
            "lesson_id": lesson_id,
            "part_id": part.id,
            "child_id": child.id,
            "mark_id": uuid.uuid4(),
            "change_id": change.id,
            "concert_id": concert.id,
            "question_id": kept.id,
            "texture_id": layers.id,
            "recording_id": recordings.on_the_shelf(session, school_id)[0].id,
            "file_id": file.id,
            "kept_id": kept_set.id,
            "event_id": uuid.uuid4(),
            "device": uuid.uuid4(),
            "adult_id": other_id,
            "invitation_id": waiting.id,
            "device_id": device.id,
            "projector_id": shown.id,
        }
    return Place(name.lower(), {key: str(value) for key, value in ids.items()}, own, unseen.code or "")


COUNTING = count(1)


def event(place: Place, kind: str, at: str = "", **what: Any) -> dict[str, Any]:
    """An event as a device of this school's teacher makes it; `at` another moment than now."""
    return {
        "id": str(uuid.uuid4()),
        "kind": kind,
        "section_id": place.ids["section_id"],
        "lesson_id": place.ids["lesson_id"],
        "clock": at or SETTINGS.now().isoformat(),
        "device": place.ids["device"],
        "sequence": next(COUNTING),
        **what,
    }


def mark(place: Place, result: str = "secure", **what: Any) -> dict[str, Any]:
    full = {
        "child_id": place.ids["child_id"],
        "part_id": place.ids["part_id"],
        "concept": "so-mi",
        "way": "sing",
        "voices": "alone",
        "help": "none",
        "result": result,
    }
    return event(place, "marked", **(full | what))


def tell(client: TestClient, *events: dict[str, Any], sent: str = "") -> list[dict[str, Any]]:
    """Send a batch; the answers."""
    body = {"sent": sent or SETTINGS.now().isoformat(), "events": list(events)}
    answer = client.post("/api/events", json=body)
    assert answer.status_code == 200, answer.text
    return answer.json()  # type: ignore[no-any-return]


def outcomes(answers: list[dict[str, Any]]) -> list[str]:
    return [one["outcome"] for one in answers]


def start_and_mark(client: TestClient, place: Place) -> None:
    """A lesson begins, a child is marked, and an event about somebody else's child goes aside."""
    stray = event(place, "absent", id=place.ids["event_id"], child_id=str(uuid.uuid4()))
    found = tell(client, event(place, "started"), mark(place, id=place.ids["mark_id"]), stray)
    assert outcomes(found) == ["taken", "taken", "aside"]


@pytest.fixture(scope="session")
def solver() -> Iterator[Worker]:
    solver = Worker()
    yield solver
    solver.stop()


@pytest.fixture
def app_client(work: UnitOfWork, engraver: Engraver, printer: Printer, solver: Worker) -> TestClient:
    """Signed out."""
    return TestClient(
        create_app(SETTINGS, work, engraver, printer, solver), headers=OURS, base_url="http://testserver"
    )


def signed_in(client: TestClient, place: Place) -> TestClient:
    one = TestClient(client.app, headers=OURS, base_url="http://testserver")
    answer = one.post("/api/sign-in", json={"login": place.login, "password": PASSWORD})
    assert answer.status_code == 200, answer.text
    return one


@dataclass(frozen=True)
class Schools:
    engine: Engine
    kestrel: Place
    heron: Place


@pytest.fixture(scope="session")
def schools(worker: str) -> Iterator[Schools]:
    """Both schools, made once for all tests of a worker: reading in a hundred songs takes seconds."""
    engine = engine_for(new_database(f"kopje_schools_{worker}"))
    work = UnitOfWork(engine)
    yield Schools(engine, make_school(work, "Kestrel"), make_school(work, "Heron"))
    engine.dispose()


@pytest.fixture
def connection(request: pytest.FixtureRequest) -> Iterator[Connection]:
    """On the database with the schools if the test asks for one, else on an empty one; everything a test
    does is undone."""
    schools = {"kestrel", "heron"} & set(request.fixturenames)
    engine: Engine = (
        request.getfixturevalue("schools").engine if schools else request.getfixturevalue("engine")
    )
    school_sequence.forget()
    school_habits.forget()
    with engine.connect() as connection:
        outer = connection.begin()
        yield connection
        outer.rollback()


@pytest.fixture
def kestrel(schools: Schools) -> Place:
    return schools.kestrel


@pytest.fixture
def heron(schools: Schools) -> Place:
    return schools.heron
