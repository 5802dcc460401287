"""Who gets in, from where, and how it ends: doors, links, passwords, devices."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import OURS, PASSWORD, Place, signed_in
from conftest import SETTINGS
from kopje.api.doors import MOST_BODY, MOST_FILES
from kopje.main import create_app
from kopje.store.work import UnitOfWork

NEW = "a quite new password"


def code(answer: object) -> tuple[int, str]:
    return answer.status_code, answer.json()["code"]  # type: ignore[attr-defined]


def test_only_names_that_are_ours_are_answered(app_client: TestClient) -> None:
    for host in (
        "testserver",
        "localhost:8000",
        "127.0.0.1:8000",
        "[::1]:8000",
        "192.168.1.20",
        "TESTSERVER.",
    ):
        assert app_client.get("/api/first-run", headers={"host": host}).status_code == 200, host
    for host in (
        "evil.example",
        "127.0.0.1.evil.example",
        "localhost.evil.example:8000",
        "",
        "testserver@evil",
    ):
        answer = app_client.get("/api/first-run", headers={"host": host})
        assert code(answer) == (421, "host_unknown"), host


def test_a_body_is_not_read_further_than_it_may_be_long(app_client: TestClient, kestrel: Place) -> None:
    """Before anybody has signed in, and whatever the head says of its length."""
    read = 0

    def endless() -> Iterator[bytes]:
        nonlocal read
        for _ in range(200):
            read += 1 << 20
            yield bytes(1 << 20)

    told = app_client.post("/api/sign-in", content=b"{}", headers={"content-length": str(10**12)})
    assert code(told) == (413, "body_too_large")
    untold = app_client.post("/api/sign-in", content=endless())
    assert code(untold) == (413, "body_too_large")
    form = {"content-type": "multipart/form-data; boundary=x"}
    files = app_client.post(
        "/api/songs", content=b"--x", headers={**form, "content-length": str(MOST_FILES + 1)}
    )
    assert code(files) == (413, "body_too_large")
    assert app_client.post("/api/sign-in", content=b" " * MOST_BODY).status_code == 422
    strange = app_client.post("/api/sign-in", content=b"{}", headers={"content-length": "-1"})
    assert strange.status_code in (400, 413)


def test_the_first_run_asks_for_the_code_that_was_printed(work: UnitOfWork) -> None:
    client = TestClient(create_app(SETTINGS, work, first_code="Hill-2345"), headers=OURS)
    body = {
        "school": "Hill",
        "teacher": "Noor",
        "login": "noor",
        "password": PASSWORD,
        "bring_songs": False,
        "section": {"name": "2A", "grade": 2, "minutes": 30, "names": "Ama", "meetings": []},
    }
    assert client.get("/api/first-run").json()["code"]
    assert code(client.post("/api/first-run", json=body)) == (401, "sign_in_failed")
    assert client.get("/api/first-run").json()["needed"]
    assert client.post("/api/first-run", json={**body, "code": " hill-2345 "}).status_code == 201


def test_the_schema_is_for_those_who_are_signed_in(app_client: TestClient, kestrel: Place) -> None:
    assert app_client.get("/api/openapi.json").status_code == 401
    assert "paths" in signed_in(app_client, kestrel).get("/api/openapi.json").json()


def test_a_link_lets_one_adult_in_once_and_removing_ends_it_at_once(
    app_client: TestClient, kestrel: Place
) -> None:
    owner = signed_in(app_client, kestrel)
    link = owner.post("/api/adults", json={"name": "Ines", "role": "teacher"}).json()["token"]
    stranger = TestClient(app_client.app, headers=OURS)
    assert stranger.get(f"/api/links/{link}").json() == {
        "name": "Ines",
        "school": "Kestrel",
        "role": "teacher",
        "login": None,
    }
    taken = stranger.post(f"/api/links/{link}", json={"login": "kestrel", "password": NEW})
    assert code(taken)[0] == 409
    assert stranger.post(f"/api/links/{link}", json={"login": "ines", "password": NEW}).status_code == 204
    assert stranger.get(f"/api/links/{link}").status_code == 404
    assert stranger.post(f"/api/links/{link}", json={"login": "x", "password": NEW}).status_code == 404
    assert stranger.post("/api/sign-in", json={"login": "ines", "password": NEW}).json()["role"] == "teacher"
    assert stranger.get("/api/adults").status_code == 403
    (ines,) = (one for one in owner.get("/api/adults").json()["adults"] if one["name"] == "Ines")
    assert owner.delete(f"/api/adults/{ines['id']}").status_code == 200
    assert stranger.get("/api/me").status_code == 401
    again = stranger.post("/api/sign-in", json={"login": "ines", "password": NEW})
    assert again.status_code == 401


def test_somebody_always_owns_the_school(app_client: TestClient, kestrel: Place) -> None:
    owner = signed_in(app_client, kestrel)
    mine, other = owner.get("/api/me").json()["id"], kestrel.ids["adult_id"]
    assert owner.delete(f"/api/adults/{other}").status_code == 200
    assert code(owner.delete(f"/api/adults/{mine}"))[0] == 409
    less = owner.put(f"/api/adults/{mine}", json={"name": "T", "role": "teacher"})
    assert code(less)[0] == 409
    assert owner.get("/api/me").json()["role"] == "owner"


def test_a_changed_password_ends_the_other_devices_and_one_is_signed_out_alone(
    app_client: TestClient, kestrel: Place
) -> None:
    here, there, third = (signed_in(app_client, kestrel) for _ in range(3))
    assert code(here.put("/api/me/password", json={"old": "no", "new": NEW}))[0] == 401
    devices = here.get("/api/devices").json()
    assert [one["here"] for one in devices].count(True) == 1
    assert devices[0]["here"]
    others = {one["id"] for one in third.get("/api/devices").json() if one["here"]}
    assert here.delete(f"/api/devices/{others.pop()}").status_code == 204
    assert third.get("/api/me").status_code == 401
    assert there.get("/api/me").status_code == 200
    assert here.put("/api/me/password", json={"old": PASSWORD, "new": NEW}).status_code == 204
    assert there.get("/api/me").status_code == 401
    assert here.get("/api/me").status_code == 200
    sent = {"login": kestrel.login, "password": NEW, "end_others": True}
    assert there.post("/api/sign-in", json=sent).status_code == 200
    assert here.get("/api/me").status_code == 401


def test_an_owner_s_link_sets_a_forgotten_password(app_client: TestClient, kestrel: Place) -> None:
    owner = signed_in(app_client, kestrel)
    link = owner.post(f"/api/adults/{kestrel.ids['adult_id']}/new-password").json()["token"]
    client = TestClient(app_client.app, headers=OURS)
    assert client.get(f"/api/links/{link}").json()["login"] == "kestrel-two"
    assert client.post(f"/api/links/{link}", json={"login": "x", "password": NEW}).status_code == 204
    assert client.post("/api/sign-in", json={"login": "kestrel-two", "password": NEW}).status_code == 200


def test_a_stranger_s_tries_do_not_keep_a_teacher_out_on_her_own_device(
    app_client: TestClient, kestrel: Place
) -> None:
    known = signed_in(app_client, kestrel)
    known.post("/api/sign-out")
    stranger = TestClient(app_client.app, headers=OURS)
    for _ in range(5):
        assert (
            stranger.post("/api/sign-in", json={"login": kestrel.login, "password": "no"}).status_code == 401
        )
    for client, status in ((stranger, 429), (known, 200)):
        answer = client.post("/api/sign-in", json={"login": kestrel.login, "password": PASSWORD})
        assert answer.status_code == status


def test_many_logins_from_one_place_are_slowed_too(app_client: TestClient, kestrel: Place) -> None:
    answers = [
        app_client.post("/api/sign-in", json={"login": f"guess-{n}", "password": "no"}).status_code
        for n in range(32)
    ]
    assert answers.count(401) == 30
    assert set(answers[30:]) == {429}


@pytest.mark.parametrize(("days", "status"), [(0, 200), (-1, 401)])
def test_who_comes_for_some_days_gets_in_until_the_last(
    app_client: TestClient, kestrel: Place, connection: Connection, days: int, status: int
) -> None:
    client = signed_in(app_client, kestrel)
    until = SETTINGS.now().date() + timedelta(days=days)
    connection.execute(text("UPDATE teacher SET until = :until"), {"until": until})
    assert client.get("/api/me").status_code == status
    again = client.post("/api/sign-in", json={"login": kestrel.login, "password": PASSWORD})
    assert again.status_code == status
