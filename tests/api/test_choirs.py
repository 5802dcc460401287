"""A choir is made of children of the classes: one child, one standing, wherever it was heard."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, event, signed_in, start_and_mark, tell

MEETS = [{"weekday": 2, "starts": "14:30", "minutes": 50}]


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.fixture
def choir(client: TestClient) -> str:
    new = {"name": "Choir", "grade": 13, "minutes": 60, "names": "Ama\nJun\nGuest", "meetings": MEETS}
    made = client.post("/api/sections", json=new)
    assert made.status_code == 201, made.text
    return str(made.json()["id"])


def ledger(client: TestClient, section: str) -> dict[str, Any]:
    found: dict[str, Any] = client.get(f"/api/sections/{section}/ledger").json()
    return found


def child(client: TestClient, section: str, name: str) -> str:
    return next(one["id"] for one in ledger(client, section)["children"] if one["name"] == name)


def sung_in(client: TestClient, place: Place, choir: str, child_id: str, result: str) -> dict[str, Any]:
    """A mark for so-mi made in a rehearsal; the answer to it."""
    overview = client.get(f"/api/sections/{choir}").json()
    lesson = overview["open_lesson"] or client.post(f"/api/sections/{choir}/lesson").json()
    lesson = client.get(f"/api/lessons/{lesson['id']}").json()
    here = {"section_id": choir, "lesson_id": lesson["id"]}
    body = {"child_id": child_id, "part_id": lesson["parts"][0]["id"], "concept": "so-mi", "way": "sing"}
    body |= {"voices": "alone", "help": "none", "result": result}
    return tell(client, event(place, "started", **here), event(place, "marked", **here, **body))[-1]


def test_names_of_the_classes_are_the_same_children_and_others_are_the_choirs_own(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    mine = kestrel.ids["section_id"]
    for name in ("Ama", "Jun"):
        assert child(client, choir, name) == child(client, mine, name)
    assert "Guest" not in [one["name"] for one in ledger(client, mine)["children"]]
    sings = {one["name"]: one["sings"] for one in client.get(f"/api/sections/{choir}/singers").json()}
    assert sings == {"Ama": True, "Jun": True, "Ines": False, "Tove": False, "Kofi": False, "Lien": False}


def test_what_is_shown_in_the_choir_counts_in_the_class(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    mine, who = kestrel.ids["section_id"], child(client, choir, "Jun")
    assert sung_in(client, kestrel, choir, who, "secure")["outcome"] == "taken"
    for section in (mine, choir):
        evidence = client.get(f"/api/sections/{section}/ledger/{who}/so-mi").json()
        assert (evidence["level"], len(evidence["marks"])) == ("once", 1)


def test_a_singer_that_leaves_the_choir_keeps_its_marks(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    mine, who = kestrel.ids["section_id"], child(client, choir, "Jun")
    sung_in(client, kestrel, choir, who, "secure")
    left = client.put(
        f"/api/sections/{choir}/singers", json={"child_ids": [child(client, mine, "Ama")]}
    ).json()
    assert [one["name"] for one in left if one["sings"]] == ["Ama"]
    assert sorted(one["name"] for one in ledger(client, choir)["children"]) == ["Ama", "Guest"]
    assert client.get(f"/api/sections/{mine}/ledger/{who}/so-mi").json()["level"] == "once"
    refused = sung_in(client, kestrel, choir, who, "secure")
    assert refused["outcome"] == "aside"  # who does not sing here is not marked here


def test_a_child_that_leaves_the_school_is_gone_from_both(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    mine, who = kestrel.ids["section_id"], child(client, choir, "Jun")
    day = client.get("/api/day").json()["today"]
    client.put(f"/api/children/{who}", json={"name": "Jun", "section_id": mine, "left": day})
    for section in (mine, choir):
        assert "Jun" not in [one["name"] for one in ledger(client, section)["children"]]
    client.put(f"/api/children/{who}", json={"name": "Jun", "section_id": mine, "left": None})
    for section in (mine, choir):
        assert "Jun" in [one["name"] for one in ledger(client, section)["children"]]


def test_a_choir_has_its_own_ladder_and_its_own_rehearsals(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    grades = {one["key"]: one["grade"] for one in client.get("/api/sequence").json()["concepts"]}
    year = client.post(f"/api/sections/{choir}/year/fit").json()
    assert {grades[arc["concept"]["key"]] for arc in year["arcs"]} == {13}
    assert year["short"] == 0  # the ladder goes on next year
    lesson = client.post(f"/api/sections/{choir}/lesson").json()
    assert lesson["minutes"] == 50  # the meeting's own
    assert {part["slot"] for part in lesson["parts"]} >= {"Warm-up", "Sight-singing", "Repertoire"}
    class_lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    assert "Repertoire" not in {part["slot"] for part in class_lesson["parts"]}


def test_nobody_goes_up_a_grade_in_a_choir(client: TestClient, kestrel: Place, choir: str) -> None:
    start_and_mark(client, kestrel)
    assert "Choir" not in [one["was"] for one in client.get("/api/roll-over").json()]
    client.post("/api/sections", json={"name": "3A", "grade": 3, "minutes": 30, "names": "", "meetings": []})
    client.post("/api/roll-over")
    sections = {one["name"]: one for one in client.get("/api/sections").json()}
    assert (sections["Choir"]["id"], sections["Choir"]["grade"]) == (choir, 13)
    assert "Jun" in [one["name"] for one in ledger(client, choir)["children"]]
