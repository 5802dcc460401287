"""Split classes, classes below kindergarten, and a section that is changed."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, signed_in


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def added(client: TestClient, name: str, grade: int, upper: int | None = None) -> str:
    meets = [{"weekday": 2, "starts": "10:30", "minutes": None}]
    new = {
        "name": name,
        "grade": grade,
        "upper": upper,
        "minutes": 30,
        "names": "Bo\nTaru",
        "meetings": meets,
    }
    made = client.post("/api/sections", json={**new, "meetings": meets})
    assert made.status_code == 201, made.text
    return str(made.json()["id"])


def laid(client: TestClient, section: str) -> dict[str, int]:
    """The grades of the concepts that the year of a section holds or leaves out, by key."""
    grades = {one["key"]: one["grade"] for one in client.get("/api/sequence").json()["concepts"]}
    year = client.post(f"/api/sections/{section}/year/fit").json()
    every = [arc["concept"]["key"] for arc in year["arcs"]] + [one["key"] for one in year["left_out"]]
    return {key: grades[key] for key in every}


def test_a_split_class_learns_what_both_grades_learn(client: TestClient) -> None:
    two, three, both = added(client, "2B", 2), added(client, "3B", 3), added(client, "2/3", 2, 3)
    assert (
        client.get(f"/api/sections/{both}/declared").json()
        == client.get(f"/api/sections/{two}/declared").json()
    )
    core = {one["key"] for one in client.get("/api/sequence").json()["concepts"] if one["core"]}
    assert set(laid(client, both)) & core == (set(laid(client, two)) | set(laid(client, three))) & core
    for grade in (2, 3):
        names = [
            one["section"]["name"]
            for one in client.get("/api/year/grade", params={"grade": grade}).json()["sections"]
        ]
        assert "2/3" in names
    sentence = client.get("/api/songs", params={"section": both, "fits": True}).json()
    younger = client.get("/api/songs", params={"section": two, "fits": True}).json()
    assert sentence["total"] == younger["total"]  # its voices are those of its youngest


def test_a_class_below_kindergarten_begins_where_the_sequence_begins(client: TestClient) -> None:
    section = added(client, "PK", -1)
    assert set(laid(client, section).values()) == {0}
    lesson = client.post(f"/api/sections/{section}/lesson").json()
    parts: list[dict[str, Any]] = lesson["parts"]
    assert parts
    assert any("Made for kindergarten" in reason["sentence"] for part in parts for reason in part["reasons"])


def test_grades_that_no_class_holds_are_refused(client: TestClient, kestrel: Place) -> None:
    for grade, upper in ((2, 4), (12, 13), (3, 2)):
        new = {"name": "X", "grade": grade, "upper": upper, "minutes": 30, "names": "", "meetings": []}
        refused = client.post("/api/sections", json=new)
        assert (refused.status_code, refused.json()["title"][:34]) == (
            422,
            "A class holds one grade or two nei",
        )


def test_a_section_is_changed_and_its_year_follows(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    client.post(f"/api/sections/{section}/year/fit")
    before = client.get(f"/api/sections/{section}/detail").json()
    lessons = len(client.get(f"/api/sections/{section}/year").json()["lessons"])
    changed = {**before, "name": "2/3A", "upper": 3, "meetings": before["meetings"][:1]}
    del changed["id"]
    found = client.put(f"/api/sections/{section}", json=changed).json()
    assert (found["name"], found["upper"], len(found["meetings"])) == ("2/3A", 3, 1)
    year = client.get(f"/api/sections/{section}/year").json()
    assert len(year["lessons"]) < lessons
    assert max(arc["start"] for arc in year["arcs"]) <= len(year["lessons"])
    added(client, "2B", 2)
    taken = client.put(f"/api/sections/{section}", json={**changed, "name": "2B"})
    assert (taken.status_code, "2B" in taken.json()["title"]) == (422, True)
    back = client.put(f"/api/sections/{section}", json={k: v for k, v in before.items() if k != "id"}).json()
    assert back == before


def test_a_split_class_goes_up_together(client: TestClient) -> None:
    added(client, "2/3", 2, 3)
    steps = {one["was"]: one for one in client.get("/api/roll-over").json()}
    assert (steps["2/3"]["becomes"], steps["2/3"]["grade"], steps["2/3"]["upper"]) == ("", 2, 3)
    added(client, "4B", 4)
    steps = {one["was"]: one for one in client.get("/api/roll-over").json()}
    assert (steps["2/3"]["becomes"], steps["2/3"]["grade"], steps["2/3"]["upper"]) == ("3/4", 3, 4)
