"""Signing in, the first run, and requests that did not come from our page."""

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import OURS, PASSWORD, Place, signed_in
from kopje.api.problems import STATUS
from kopje.core import errors
from kopje.core.errors import KopjeError
from kopje.core.roster import cleaned_names


def every(kind: type[KopjeError]) -> set[type[KopjeError]]:
    return {kind}.union(*(every(sub) for sub in kind.__subclasses__()))


def test_every_refusal_of_the_core_has_its_status() -> None:
    in_module = {e for e in every(KopjeError) if e.__module__ == errors.__name__} - {KopjeError}
    assert in_module == set(STATUS)
    assert len({e.code for e in in_module}) == len(in_module)


def test_a_wrong_password_and_an_unknown_name_sound_the_same(app_client: TestClient, kestrel: Place) -> None:
    wrong = app_client.post("/api/sign-in", json={"login": "kestrel", "password": "no"})
    unknown = app_client.post("/api/sign-in", json={"login": "nobody", "password": "no"})
    assert wrong.status_code == unknown.status_code == 401
    assert wrong.json() == unknown.json()


def test_after_five_failures_sign_in_slows_down(app_client: TestClient, kestrel: Place) -> None:
    for _ in range(5):
        app_client.post("/api/sign-in", json={"login": "kestrel", "password": "no"})
    slowed = app_client.post("/api/sign-in", json={"login": "Kestrel", "password": PASSWORD})
    assert slowed.status_code == 429
    assert int(slowed.headers["retry-after"]) > 0


def test_signing_out_everywhere_ends_every_device(app_client: TestClient, kestrel: Place) -> None:
    one, two = signed_in(app_client, kestrel), signed_in(app_client, kestrel)
    assert two.get("/api/me").json()["school"] == "Kestrel"
    one.post("/api/sign-out-everywhere")
    assert two.get("/api/me").status_code == 401


def test_the_cookie_is_kept_from_scripts_and_other_sites(
    app_client: TestClient, kestrel: Place, connection: Connection
) -> None:
    answer = app_client.post("/api/sign-in", json={"login": "kestrel", "password": PASSWORD})
    cookie = answer.headers["set-cookie"]
    assert "HttpOnly" in cookie
    assert "SameSite=strict" in cookie
    token = cookie.split("=")[1].split(";")[0]
    assert (
        connection.execute(text("SELECT count(*) FROM sign_in WHERE token_hash = :t"), {"t": token}).scalar()
        == 0
    )
    assert answer.headers["content-security-policy"].startswith("default-src 'self'")


@pytest.mark.parametrize("headers", [{}, {**OURS, "origin": "https://elsewhere.example"}])
def test_a_request_from_another_site_changes_nothing(
    app_client: TestClient, kestrel: Place, headers: dict[str, str]
) -> None:
    client = signed_in(app_client, kestrel)
    client.headers.pop("x-kopje-request")
    assert client.post("/api/songs/shipped", headers=headers).status_code == 403


def test_the_first_run_happens_once(app_client: TestClient) -> None:
    section = {
        "name": "1B",
        "grade": 1,
        "minutes": 30,
        "names": "Ama\nJun\n\nAma",
        "meetings": [{"weekday": 1, "starts": "09:10"}],
    }
    body = {"school": "New", "teacher": "Noor", "login": "noor", "password": PASSWORD, "section": section}
    found = app_client.get("/api/first-run").json()
    assert (found["needed"], found["weekday"], found["clock"]) == (True, 1, "09:05")
    assert app_client.post("/api/first-run", json=body).status_code == 201
    assert app_client.get("/api/day").json()["entries"][0]["section"]["name"] == "1B"
    assert app_client.get("/api/songs").json()["total"] >= 12
    again = app_client.post("/api/first-run", json=body)
    assert (again.status_code, again.json()["code"]) == (409, "already_set_up")


def test_pasted_names_are_cleaned_and_told_apart() -> None:
    assert cleaned_names(["Ama,", "", " Jun\t", "Ama"]) == ("Ama", "Jun", "Ama 2")
