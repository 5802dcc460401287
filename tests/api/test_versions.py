"""Two write the same thing: whoever comes second is told, and nothing of either is lost."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in
from api.test_every_route import OPERATIONS, SCHEMA
from kopje.api.versions import READS, WRITES

# What is written as a whole, but not looked at as a whole before, or has a version of its own.
OTHERWISE = {
    "changePassword",  # the old one is asked for
    "pinPart",  # of a lesson, which has its own version
    "changeChild",  # a roll is read, not a child
    "setBackupFolder",
    "sealBackups",
    "careForChild",  # of a page that shows much more
    "keepReport",  # each is kept under a number of its own
    "showFrame",  # the last word is what is shown
}


@pytest.fixture
def one(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.fixture
def two(app_client: TestClient, kestrel: Place) -> TestClient:
    """The same teacher in another window, or another one."""
    return signed_in(app_client, kestrel)


def test_everything_that_is_put_has_a_version() -> None:
    put = {op["operationId"] for method, _, op in OPERATIONS if method == "put"}
    assert put == (set(WRITES) & put) | OTHERWISE
    named = {op["operationId"] for methods in SCHEMA["paths"].values() for op in methods.values()}
    assert set(READS) | set(WRITES) <= named
    assert set(READS.values()) == set(WRITES.values())


def test_a_stale_write_is_refused_names_who_was_first_and_can_be_chosen_again(
    one: TestClient, two: TestClient, kestrel: Place
) -> None:
    section, song = kestrel.ids["section_id"], kestrel.ids["song_id"]
    detail = one.get(f"/api/sections/{section}/detail").json()
    grades = {"name": "2A", "grade": 2, "upper": None, "minutes": 30, "meetings": detail["meetings"]}
    cases: list[tuple[str, str, dict[str, Any], dict[str, Any]]] = [
        ("/school", "/school", {"name": "Kestrel", "time_zone": None}, {"name": "K", "time_zone": None}),
        ("/room", "/room", {"counts": {}}, {"counts": {}, "voice": 20}),
        (f"/sections/{section}/detail", f"/sections/{section}", grades, {**grades, "minutes": 35}),
        (f"/songs/{song}", f"/songs/{song}/annotations", {"do": "G"}, {"do": "F"}),
        (
            f"/sections/{section}/declared",
            f"/sections/{section}/declared",
            {"concepts": []},
            {"concepts": ["do"]},
        ),
    ]
    for read, write, first, second in cases:
        seen = one.get(f"/api{read}").headers["etag"]
        assert two.get(f"/api{read}").headers["etag"] == seen
        head = {"if-match": seen}
        done = one.put(f"/api{write}", json=first, headers=head)
        assert done.status_code == 200, (write, done.text)
        stale = two.put(f"/api{write}", json=second, headers=head)
        assert (stale.status_code, stale.json()["code"]) == (409, "stale_write"), write
        assert stale.json()["title"].startswith("T wrote this meanwhile")
        now = two.get(f"/api{read}").headers["etag"]
        assert now == done.headers["etag"] != seen
        chosen = two.put(f"/api{write}", json=second, headers={"if-match": now})
        assert chosen.status_code == 200, chosen.text
        assert one.put(f"/api{write}", json=first).status_code == 200  # who does not mind is not asked


def test_what_was_refused_raises_no_version_and_another_thing_s_is_not_taken(
    one: TestClient, kestrel: Place
) -> None:
    seen = one.get("/api/school").headers["etag"]
    zone = {"name": "Kestrel", "time_zone": "Nowhere/Never"}
    assert one.put("/api/school", json=zone, headers={"if-match": seen}).status_code == 409
    assert one.get("/api/school").headers["etag"] == seen
    room = one.get("/api/room").headers["etag"]
    good = {"name": "Kestrel", "time_zone": None}
    assert one.put("/api/school", json=good, headers={"if-match": room}).status_code == 200
    assert one.put("/api/school", json=good, headers={"if-match": "*, x"}).status_code == 200
