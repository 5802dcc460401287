"""Everything of a child is taken out, and erased; who looked is known; times are kept to; a school ends."""

from __future__ import annotations

import json
from datetime import date, timedelta
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import OURS, PASSWORD, Place, event, mark, outcomes, start_and_mark, tell
from conftest import SETTINGS
from kopje.core.errors import BackupError
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.formats import erasure_list
from kopje.main import create_app
from kopje.store import people
from kopje.store.work import UnitOfWork
from kopje.usecases.ledger.projections import rebuild_and_compare
from kopje.usecases.setup.backups import Backups
from kopje.usecases.setup.privacy import erase_again, keep_to_times
from kopje.usecases.setup.start_up import of_school


@pytest.fixture
def backups(work: UnitOfWork, tmp_path: Path) -> Backups:
    return Backups(work, tmp_path / "backups", SETTINGS.now)


@pytest.fixture
def owner(
    work: UnitOfWork, engraver: Engraver, printer: Printer, backups: Backups, kestrel: Place
) -> TestClient:
    app = create_app(SETTINGS, work, engraver, printer)
    app.state.services = app.state.services.__class__(**{**vars(app.state.services), "backups": backups})
    client = TestClient(app, headers=OURS, base_url="http://testserver")
    client.post("/api/sign-in", json={"login": kestrel.login, "password": PASSWORD})
    start_and_mark(client, kestrel)
    return client


def every_cell(connection: Connection) -> str:
    """Everything there is, as one text."""
    tables = connection.execute(
        text("SELECT table_name FROM information_schema.tables WHERE table_schema = 'public'")
    )
    found = []
    for (name,) in tables.all():
        found += [row[0] for row in connection.execute(text(f'SELECT t::text FROM "{name}" t'))]
    return "\n".join(found)


def test_everything_of_a_child_is_taken_out_and_it_is_known_who_did(
    owner: TestClient, kestrel: Place
) -> None:
    child = kestrel.ids["child_id"]
    tell(owner, event(kestrel, "absent", child_id=child))
    evidence = f"/api/sections/{kestrel.ids['section_id']}/ledger/{child}/so-mi"
    assert owner.get(evidence).status_code == 200
    answer = owner.get(f"/api/children/{child}/everything")
    found = json.loads(answer.content)
    assert "attachment" in answer.headers["content-disposition"]
    assert found["name"] not in answer.headers["content-disposition"]
    assert [one["kind"] for one in found["told"]] == ["marked", "absent"]
    assert (found["told"][0]["by"], found["told"][0]["concept"]) == ("T", "so-mi")
    assert [one["concept"] for one in found["standings"]] == ["so-mi"]
    assert [one["what"] for one in found["looked_at"]] == ["child_looked_at"]
    page = owner.get(f"/api/children/{child}/everything", params={"kind": "html"}).text
    assert found["name"] in page
    assert "secure; singing or playing it, alone, no help. Marked by T." in page
    log = owner.get("/api/privacy").json()["accesses"]
    assert sorted(one["what"] for one in log) == ["child_looked_at"] + 2 * ["child_taken_out"]
    assert {(one["who"], one["child"]) for one in log} == {("T", found["name"])}


def test_an_erased_child_is_nowhere_and_does_not_come_back(
    owner: TestClient, kestrel: Place, connection: Connection, work: UnitOfWork, backups: Backups
) -> None:
    child = kestrel.ids["child_id"]
    name = connection.scalar(text("SELECT name FROM child WHERE id = :id"), {"id": child})
    other = connection.scalar(text("SELECT id FROM child WHERE id <> :id LIMIT 1"), {"id": child})
    back = event(kestrel, "taken_back", target_id=kestrel.ids["mark_id"])
    assert outcomes(tell(owner, mark(kestrel, child_id=str(other)), back)) == ["taken", "taken"]
    tell(owner, event(kestrel, "noted", note=f"{name} sang all of it; Amaryllis did not"))
    owner.get(f"/api/children/{child}/everything")
    backups.usual.mkdir(parents=True)
    (backups.usual / "kopje-20261101-090000.zip").write_bytes(b"")
    answer = owner.delete(f"/api/children/{child}")
    assert answer.status_code == 200, answer.text
    assert [one[:10] for one in answer.json()["backups"]] == ["2026-11-01"]
    assert [one["lesson_id"] for one in answer.json()["notes"]] == [kestrel.ids["lesson_id"]]
    rest = [line for line in every_cell(connection).splitlines() if child in line]
    assert len(rest) == 1, rest  # an id
    assert name not in rest[0]  # without a name
    later = tell(owner, mark(kestrel), event(kestrel, "absent", child_id=child))
    assert outcomes(later) == ["erased", "erased"]
    assert outcomes(tell(owner, mark(kestrel, child_id=str(other)))) == ["taken"]
    told = owner.get("/api/privacy").json()
    assert [(one["child_id"], len(one["backups"])) for one in told["erased"]] == [(child, 1)]
    assert told["accesses"] == []
    (listed,) = erasure_list.read(backups.usual)
    assert str(listed.child) == child
    with work.begin() as session:
        for one in people.schools(session):  # sums are what the events say
            assert not any(rebuild_and_compare(of_school(session, one, SETTINGS.now())).rows.values())
    assert owner.delete(f"/api/children/{child}").status_code == 404


def test_what_was_erased_since_a_backup_is_erased_again_when_it_is_brought_back(
    owner: TestClient, kestrel: Place, connection: Connection, work: UnitOfWork, tmp_path: Path
) -> None:
    """The database is as the backup had it; the list lies beside the file."""
    child, school = kestrel.ids["child_id"], kestrel.ids["school_id"]
    line = {"school": school, "child": child, "erased": SETTINGS.now().isoformat()}
    (tmp_path / erasure_list.FILE).write_text("no line\n[1]\n" + json.dumps(line) + "\n" + json.dumps(line))
    assert erase_again(work, [tmp_path, tmp_path / "nowhere"], SETTINGS.now()) == 1
    assert erase_again(work, [tmp_path], SETTINGS.now()) == 0
    assert owner.get(f"/api/children/{child}/everything").status_code == 404
    whole = {"school": school, "child": None, "erased": SETTINGS.now().isoformat()}
    (tmp_path / erasure_list.FILE).write_text(json.dumps(whole))
    with pytest.raises(BackupError, match="restore_erased"):
        erase_again(work, [tmp_path], SETTINGS.now())
    assert school not in every_cell(connection)


def test_children_who_left_go_when_their_time_is_over(
    owner: TestClient, kestrel: Place, connection: Connection, work: UnitOfWork, backups: Backups
) -> None:
    ids, today = kestrel.ids, SETTINGS.now().date()
    left = {"child": ids["child_id"], "day": date(today.year - 1, today.month, today.day)}
    connection.execute(text('UPDATE child SET joined = :day, "left" = :day WHERE id = :child'), left)
    before = SETTINGS.now() - timedelta(days=40)
    owner.get(f"/api/children/{ids['child_id']}/everything")
    connection.execute(text("UPDATE access SET moment = :then"), {"then": before})
    assert owner.get("/api/privacy").json()["waiting"] == 1
    assert keep_to_times(work, backups, SETTINGS.now()) == 0
    assert owner.put("/api/privacy", json={"left_years": 1, "log_days": 30}).json()["log_days"] == 30
    assert keep_to_times(work, backups, SETTINGS.now()) == 0  # not on the very day
    assert owner.get("/api/privacy").json()["accesses"] == []
    assert keep_to_times(work, backups, SETTINGS.now() + timedelta(days=1)) == 1
    assert owner.get(f"/api/children/{ids['child_id']}/everything").status_code == 404
    assert len(erasure_list.read(backups.usual)) == 1
    assert owner.put("/api/privacy", json={"left_years": 1, "log_days": 3}).status_code == 422


def test_a_school_is_erased_whole_and_its_neighbour_stays(
    owner: TestClient, kestrel: Place, heron: Place, connection: Connection, backups: Backups
) -> None:
    backups.usual.mkdir(parents=True)
    file = backups.usual / "kopje-20261101-090000.zip"
    file.write_bytes(b"")
    slip = owner.post("/api/school/erase", json={"name": "Heron"})
    assert slip.status_code == 409
    assert slip.json()["title"].startswith("To erase the school write its name, “Kestrel”")
    theirs = sum(heron.ids["school_id"] in line for line in every_cell(connection).splitlines())
    done = owner.post("/api/school/erase", json={"name": "Kestrel"})
    assert (done.status_code, done.json()) == (200, {"backups": 0}), done.text
    cells = every_cell(connection)
    assert [one for one in ("school_id", "child_id") if kestrel.ids[one] in cells] == []
    assert sum(heron.ids["school_id"] in line for line in cells.splitlines()) == theirs
    assert file.exists()  # the neighbour is in it too
    assert owner.get("/api/me").status_code == 401


def test_a_list_that_cannot_be_read_stops_nothing(tmp_path: Path) -> None:
    (tmp_path / erasure_list.FILE).write_bytes(b"\xff\x00{]\n" * 1000 + b'{"school": 1}\n')
    assert erasure_list.read(tmp_path) == []
