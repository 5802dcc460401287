"""The year through the API: facts move the plan, the past stays, a collision changes nothing."""

from datetime import timedelta
from uuid import uuid4

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import Place, put_mark, signed_in, start_and_mark
from conftest import SETTINGS

TODAY = SETTINGS.now().date()


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def year(client: TestClient, place: Place) -> dict:  # type: ignore[type-arg]
    return client.get(f"/api/sections/{place.ids['section_id']}/year").json()


def test_until_terms_are_entered_a_year_is_assumed_and_said_to_be(client: TestClient, kestrel: Place) -> None:
    assert year(client, kestrel)["assumed"]
    term = {"name": "Term", "first": "2026-11-02", "last": "2026-12-18"}
    kept = client.put("/api/calendar", json={"terms": [term], "holidays": [], "cycle": 0})
    assert kept.status_code == 200, kept.text
    after = year(client, kestrel)
    assert not after["assumed"]
    assert len(after["lessons"]) == 13  # Tuesdays and Fridays of seven weeks, less the fire drill
    overlapping = client.put("/api/calendar", json={"terms": [term, term], "holidays": [], "cycle": 0})
    assert (overlapping.status_code, overlapping.json()["code"]) == (422, "calendar_unreadable")
    assert year(client, kestrel)["lessons"] == after["lessons"]


def test_a_lost_lesson_moves_only_what_follows(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    before = client.post(f"/api/sections/{section}/year/fit").json()
    assert before["fitted"]
    day = before["lessons"][before["next_lesson"] + 8]
    lost = {"kind": "lost", "day": day, "starts": None, "why": "Assembly", "section_ids": [section]}
    assert client.post("/api/changes", json=lost).status_code == 201
    after = client.post(f"/api/sections/{section}/year/fit").json()
    assert len(after["lessons"]) == len(before["lessons"]) - 1
    assert after["lessons"][: before["next_lesson"]] == before["lessons"][: before["next_lesson"]]
    begun = {
        arc["concept"]["key"]: arc["start"]
        for arc in before["arcs"]
        if arc["start"] < before["next_lesson"] + 8
    }
    assert begun.items() <= {arc["concept"]["key"]: arc["start"] for arc in after["arcs"]}.items()


def test_the_teachers_word_is_kept_and_taken_back(client: TestClient, kestrel: Place) -> None:
    address = f"/api/sections/{kestrel.ids['section_id']}/year"
    laid = client.post(f"{address}/fit").json()
    start = laid["next_lesson"] + 10
    wish = {"concept": "do", "start": start, "prepare": None, "practise": None, "next_year": False}
    refused = client.put(f"{address}/wishes", json={"wishes": [wish], "reserve": None})
    assert refused.status_code == 409
    assert f"Do begins in lesson {start}. Concert needs do by lesson" in refused.json()["title"]
    assert year(client, kestrel)["wishes"] == []
    client.delete(f"/api/concerts/{kestrel.ids['concert_id']}")
    moved = client.put(f"{address}/wishes", json={"wishes": [wish], "reserve": None}).json()
    do = next(arc for arc in moved["arcs"] if arc["concept"]["key"] == "do")
    assert (do["start"], do["fixed"]) == (start, True)
    later = client.put(
        f"{address}/wishes", json={"wishes": [{**wish, "start": None, "next_year": True}], "reserve": None}
    ).json()
    assert [one["key"] for one in later["next_year"]] == ["do"]
    past = client.put(f"{address}/wishes", json={"wishes": [{**wish, "start": 1}], "reserve": None})
    assert past.status_code == 409
    assert "not among the lessons to come" in past.json()["title"]
    assert [one["key"] for one in year(client, kestrel)["next_year"]] == ["do"]


def test_where_sections_will_be_and_how_long_until_the_concert(client: TestClient, kestrel: Place) -> None:
    client.post(f"/api/sections/{kestrel.ids['section_id']}/year/fit")
    day = (TODAY + timedelta(days=16)).isoformat()
    found = client.get("/api/year/grade", params={"grade": 2, "day": day}).json()
    assert found["sentence"] == "Only one section in this grade: nothing can drift apart."
    assert found["sections"][0]["at_work"]
    assert "until Concert" in year(client, kestrel)["until_concert"]
    assert "Grade 2 has the least slack" in client.get("/api/year").json()["sentence"]


def test_a_child_moves_with_its_evidence_and_the_same_table_twice_changes_nothing(
    client: TestClient, kestrel: Place
) -> None:
    wanted = {"name": "2B", "grade": 2, "minutes": 30, "meetings": [], "children": ["Ama", "Bo"]}
    assert client.post("/api/roster", json={"sections": [wanted]}).json()[0]["children"] == 2
    again = client.post("/api/roster", json={"sections": [wanted]}).json()[0]
    assert (again["new"], again["children"], again["already"]) == (False, 0, 2)
    other = next(one["id"] for one in client.get("/api/sections").json() if one["name"] == "2B")
    body = {"name": "Lien", "section_id": other, "left": None}
    moved = client.put(f"/api/children/{kestrel.ids['child_id']}", json=body)
    assert moved.json()["section_id"] == other
    names = [one["name"] for one in client.get(f"/api/sections/{other}/ledger").json()["children"]]
    assert names == ["Ama", "Bo", "Lien"]


def test_another_sequence_counts_at_once_and_keeps_what_was_heard(client: TestClient, kestrel: Place) -> None:
    start_and_mark(client, kestrel)
    changed = client.post("/api/sequence/start", json={"shipped": "scale", "number": None}).json()
    assert changed["along"] == ["so and mi"] or "so and mi" in changed["along"]
    assert {"do-so", "so-mi"} <= {one["key"] for one in client.get("/api/concepts").json()}
    ledger = client.get(f"/api/sections/{kestrel.ids['section_id']}/ledger").json()
    assert "so-mi" in {column["concept"]["key"] for column in ledger["columns"]}
    edited = [{**one, "grade": 5} if one["key"] == "mi" else one for one in changed["concepts"]]
    kept = client.put(
        "/api/sequence", json={"name": "Ours", "concepts": sorted(edited, key=lambda one: one["grade"])}
    )
    assert kept.status_code == 422
    assert "stands before" in kept.json()["title"]
    assert client.get("/api/sequence").json()["number"] == changed["number"]
    csv = client.get("/api/sequence/file", params={"kind": "csv"})
    looked = client.post("/api/sequence/look", files={"files": ("ours.csv", csv.content)}).json()
    assert looked["concepts"] == changed["concepts"]


def test_into_the_next_year_children_go_up_with_their_marks_and_are_to_be_heard_again(
    client: TestClient, kestrel: Place, connection: Connection
) -> None:
    start_and_mark(client, kestrel)
    put_mark(client, kestrel, str(uuid4()), moment="2026-11-20T09:00:00+00:00", concept="la")
    client.post(
        "/api/roster",
        json={"sections": [{"name": "3A", "grade": 3, "minutes": 45, "meetings": [], "children": ["Bo"]}]},
    )
    steps = client.get("/api/roll-over").json()
    assert [(s["was"], s["becomes"], s["children"]) for s in steps] == [
        ("", "2A", 0),
        ("2A", "3A", 6),
        ("3A", "", 1),
    ]
    assert [one["name"] for one in client.get("/api/sections").json()] == ["2A", "3A"]
    assert client.post("/api/roll-over").json() == steps
    after = {one["name"]: one for one in client.get("/api/sections").json()}
    assert {name: one["grade"] for name, one in after.items()} == {"2A": 2, "3A": 3}
    assert after["3A"]["id"] == kestrel.ids["section_id"]
    assert after["3A"]["minutes"] == 45
    ledger = client.get(f"/api/sections/{after['3A']['id']}/ledger").json()
    assert (len(ledger["children"]), sorted(ledger["stones"])) == (6, ["la", "so-mi"])
    assert client.get(f"/api/sections/{after['2A']['id']}/ledger").json()["children"] == []
    assert connection.execute(text('SELECT count(*) FROM child WHERE "left" IS NOT NULL')).scalar() == 1
