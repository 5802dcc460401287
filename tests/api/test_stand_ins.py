"""Somebody stands in, somebody only reads, two share a school; a screen on another device."""

from __future__ import annotations

import re
from datetime import timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import OURS, PASSWORD, Place, event, mark, outcomes, signed_in, tell
from conftest import SETTINGS


@pytest.fixture
def owner(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def invited(owner: TestClient, role: str, sections: list[str]) -> TestClient:
    """Somebody new, in a browser of her own."""
    body = {"name": "Luisa", "role": role, "sections": sections}
    token = owner.post("/api/adults", json=body).json()["token"]
    login = f"luisa-{token[:8]}"
    new = TestClient(owner.app, headers=OURS, base_url="http://testserver")
    assert new.post(f"/api/links/{token}", json={"login": login, "password": PASSWORD}).status_code == 204
    assert new.post("/api/sign-in", json={"login": login, "password": PASSWORD}).status_code == 200
    return new


def other_section(owner: TestClient, kestrel: Place) -> str:
    body = {"name": "3B", "grade": 3, "minutes": 30, "names": "Ada\nBo", "meetings": []}
    return str(owner.post("/api/sections", json=body).json()["id"])


def to_today(connection: Connection, kestrel: Place, days: int = 0) -> None:
    """The lesson that is planned lies on another day than it was planned for."""
    day = SETTINGS.now().date() + timedelta(days=days)
    for table in ("planned_lesson", "held_lesson"):
        moved = text(f"UPDATE {table} SET day = :day WHERE id = :id")
        connection.execute(moved, {"day": day, "id": kestrel.ids["lesson_id"]})


def test_a_substitute_has_today_and_the_sections_given_and_nothing_else(
    owner: TestClient, kestrel: Place, connection: Connection
) -> None:
    ids = kestrel.ids
    lesson = f"/api/lessons/{ids['lesson_id']}"
    hearing = f"{lesson}/parts/{ids['part_id']}/hearing"
    luisa = invited(owner, "substitute", [ids["section_id"]])
    elsewhere = invited(owner, "substitute", [other_section(owner, kestrel)])
    nobody = invited(owner, "substitute", [])
    assert [one["name"] for one in luisa.get("/api/sections").json()] == ["2A"]
    assert [nobody.get("/api/sections").json(), nobody.get("/api/day").json()["entries"]] == [[], []]
    for path in (lesson, hearing, f"{lesson}/print", f"{lesson}/late"):
        to_today(connection, kestrel, 1)
        assert luisa.get(path).status_code == 404, path  # tomorrow's is not hers
        to_today(connection, kestrel)
        assert elsewhere.get(path).status_code == 404, path
        assert nobody.get(path).status_code == 404, path
        if not path.endswith("late"):
            assert luisa.get(path).status_code == 200, path
    heard = luisa.get(f"{hearing}?concept=so-mi").json()
    assert {one["reason"] for one in heard["queue"]} == {""}
    assert "" not in {one["reason"] for one in owner.get(hearing).json()["queue"]}
    for path in (f"/api/sections/{ids['section_id']}", "/api/songs", "/api/week", "/api/to-do"):
        assert luisa.get(path).status_code == 403, path
    assert outcomes(tell(elsewhere, event(kestrel, "started"))) == ["aside"]
    assert outcomes(tell(luisa, event(kestrel, "started"), mark(kestrel))) == ["taken", "taken"]
    by = connection.execute(
        text("SELECT t.name FROM class_event e JOIN teacher t ON t.id = e.teacher_id WHERE e.kind = 'marked'")
    )
    assert by.scalars().all() == ["Luisa"]
    evidence = f"/api/sections/{ids['section_id']}/ledger/{ids['child_id']}/so-mi"
    assert [one["by"] for one in owner.get(evidence).json()["marks"]] == ["Luisa"]
    to_today(connection, kestrel, -8)
    assert "aside" in outcomes(tell(luisa, mark(kestrel)))


def test_a_teacher_with_sections_of_her_own_sees_these_on_her_days(owner: TestClient, kestrel: Place) -> None:
    other = other_section(owner, kestrel)
    hers = invited(owner, "teacher", [other])
    names = {entry["section"]["name"] for entry in owner.get("/api/day").json()["entries"]}
    assert names == {"2A"}
    assert hers.get("/api/day").json()["entries"] == []
    assert hers.get("/api/day").json()["never"] == ["3B"]
    assert "2A" not in hers.get("/api/week").text
    assert "2A" in owner.get("/api/week").text
    assert len(hers.get("/api/sections").json()) == 2  # the rest stays within reach
    (me,) = [one for one in owner.get("/api/adults").json()["adults"] if one["name"] == "Luisa"]
    assert me["sections"] == [other]
    body = {"name": "Luisa", "role": "teacher", "sections": []}
    owner.put(f"/api/adults/{me['id']}", json=body)
    assert {entry["section"]["name"] for entry in hers.get("/api/day").json()["entries"]} == {"2A"}


def test_a_viewer_comes_in_and_finds_no_child(owner: TestClient, kestrel: Place) -> None:
    viewer = invited(owner, "viewer", [])
    assert viewer.get("/api/me").json()["role"] == "viewer"
    for path in ("/api/day", "/api/sections", f"/api/lessons/{kestrel.ids['lesson_id']}"):
        assert viewer.get(path).status_code == 403


def shown(client: TestClient, token: str) -> Any:
    return client.get("/api/projector", headers={"x-kopje-projector": token})


def test_a_screen_elsewhere_gets_its_frame_by_a_code_and_nothing_else(
    owner: TestClient, kestrel: Place, connection: Connection
) -> None:
    screen = TestClient(owner.app, headers=OURS, base_url="http://testserver")
    made = screen.post("/api/projectors").json()
    assert re.fullmatch(r"\d{6}", made["code"])
    assert shown(screen, made["token"]).json() == {"code": made["code"], "frame": None}
    parts = owner.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()["parts"]
    sung = next(one for one in parts if one["song"])
    spoken = next(one for one in parts if not one["song"] and not one["piece"])
    what = {"lesson_id": kestrel.ids["lesson_id"], "part_id": sung["id"]}
    wrong = owner.post("/api/projectors/pair", json={"code": "000000", **what})
    assert wrong.status_code == 404
    assert wrong.json()["title"].startswith("No screen waits under 000000")
    paired = owner.post("/api/projectors/pair", json={"code": made["code"], **what})
    assert paired.status_code == 201, paired.text
    again = owner.post("/api/projectors/pair", json={"code": made["code"], **what})
    assert again.status_code == 404  # a code does its work once
    frame = shown(screen, made["token"]).json()
    assert (frame["code"], frame["frame"]["title"]) == (None, sung["song"]["title"])
    assert "<svg" in frame["frame"]["svg"]
    one = f"/api/projectors/{paired.json()['id']}"
    assert owner.put(one, json={**what, "part_id": spoken["id"]}).status_code == 204
    assert shown(screen, made["token"]).json()["frame"] == {
        "title": spoken["title"],
        "svg": None,
        "question": "",
        "sign": "",
        "name": "",
        "rungs": [],
        "formation": spoken["wall"]["formation"],
        "moves": spoken["wall"]["moves"],
    }
    children = [row[0] for row in connection.execute(text("SELECT name FROM child"))]
    assert not [name for name in children if name in shown(screen, made["token"]).text]
    head = {"x-kopje-projector": made["token"]}
    for path in ("/api/me", "/api/sections", f"/api/lessons/{kestrel.ids['lesson_id']}"):
        assert screen.get(path, headers=head).status_code == 401
    other = TestClient(owner.app, headers=OURS, base_url="http://testserver")
    assert shown(other, "a token of nobody").status_code == 404
    assert owner.delete(one).status_code == 204
    assert shown(screen, made["token"]).status_code == 404
    connection.execute(text("UPDATE projector SET expires = '2026-01-01'"))
    late = owner.post("/api/projectors/pair", json={"code": kestrel.code, **what})
    assert late.status_code == 404


def test_nobody_fills_the_codes_up(owner: TestClient) -> None:
    screen = TestClient(owner.app, headers=OURS, base_url="http://testserver")
    answers = [screen.post("/api/projectors") for _ in range(25)]
    assert {one.status_code for one in answers} == {201, 429}
    assert int(answers[-1].headers["retry-after"]) > 60
