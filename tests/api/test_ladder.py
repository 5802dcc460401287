"""The choir's ladder in use: what broke is kept with the mark; another ladder leaves marks their meaning."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, event, signed_in, tell

MEETS = [{"weekday": 2, "starts": "14:30", "minutes": 50}]


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.fixture
def choir(client: TestClient) -> str:
    names = "Ama\nJun\nInes\nTove\nKofi\nLien"
    new = {"name": "Choir", "grade": 13, "minutes": 60, "names": names, "meetings": MEETS}
    return str(client.post("/api/sections", json=new).json()["id"])


def read(client: TestClient, place: Place, choir: str, level: str, *heard: str) -> None:
    """`Ama secure`, `Jun nearly rhythm`: who read, how it went, what broke."""
    overview = client.get(f"/api/sections/{choir}").json()
    lesson = overview["open_lesson"] or client.post(f"/api/sections/{choir}/lesson").json()
    here = {"section_id": choir, "lesson_id": lesson["id"]}
    children = {
        one["name"]: one["id"] for one in client.get(f"/api/sections/{choir}/ledger").json()["children"]
    }
    events = [event(place, "started", **here)]
    for name, result, *broke in map(str.split, heard):
        body = {"concept": level, "way": "read", "voices": "alone", "help": "none", "result": result}
        said = {"broke": broke} if broke else {}
        events.append(event(place, "marked", **here, child_id=children[name], **body, **said))
    assert {one["outcome"] for one in tell(client, *events)} == {"taken"}


def now(client: TestClient, choir: str) -> tuple[dict[str, Any], dict[str, Any]]:
    found = client.get(f"/api/sections/{choir}/ladder").json()
    return {one["key"]: one for one in found["steps"]}, {one["key"]: one for one in found["rungs"]}


def test_where_a_choir_breaks_is_seen_by_strand(client: TestClient, kestrel: Place, choir: str) -> None:
    heard = ["Ama secure", "Jun nearly rhythm", "Ines not_yet rhythm", "Tove nearly", "Kofi nearly pitch"]
    read(client, kestrel, choir, "reading-2", *heard)
    steps, rungs = now(client, choir)
    assert steps["reading-2"]["heard"] == 5
    assert steps["reading-2"]["broke"] == [
        {"strand": "pitch", "children": 1},
        {"strand": "rhythm", "children": 2},
    ]
    assert [(rungs[key]["heard"], rungs[key]["secure"]) for key in ("p1", "p2", "r1", "r2")] == [
        (3, 3),  # all whose tones held, and beneath them what they hold
        (4, 3),
        (2, 2),
        (4, 2),
    ]
    assert rungs["v2"]["heard"] == 0


def test_another_ladder_numbers_anew_and_marks_keep_their_meaning(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    read(client, kestrel, choir, "reading-5", "Ama secure", "Jun not_yet parts")
    _, before = now(client, choir)
    taken = client.put("/api/ladder", json={"steps": [], "shipped": "skips-first"}).json()
    assert taken["shipped"] == "skips-first"
    assert [step["sign"] for step in taken["steps"]] == [f"R{n}" for n in range(1, 13)]
    assert taken["along"] == ["reading 5: two parts, an octave from low so"]
    steps, after = now(client, choir)
    assert "reading-5" not in steps
    assert after == before
    assert client.get(f"/api/sections/{choir}/ledger").json()["stones"]["reading-5"]
    back = client.put("/api/ladder", json={"steps": [], "shipped": "parts-first"}).json()
    assert [step["key"] for step in back["steps"]] == [f"reading-{n}" for n in range(1, 13)]


def test_a_school_makes_its_own_ladder_and_takes_up_what_no_level_has(
    client: TestClient, kestrel: Place, choir: str
) -> None:
    own = [["p1", "r1", "v1"], ["clefs"], ["p4", "r2", "v1", "tie"], ["p4", "r2", "v2"]]
    read_back = client.put("/api/ladder", json={"steps": [{"rungs": rungs} for rungs in own]}).json()
    assert [step["rungs"] for step in read_back["steps"]] == own
    assert [step["name"] for step in read_back["steps"]] == [
        "reading 1: do re mi in steps",
        "treble and bass clef",
        "reading 2: low so to high do in steps, two eighths, beat rest, a tie over the bar line",
        "reading 3: two parts",
    ]
    year = client.post(f"/api/sections/{choir}/year/fit").json()
    assert {"reading-1", "reading-p4-r2-v2"} <= {arc["concept"]["key"] for arc in year["arcs"]}
    client.post("/api/sequence/start", json={"shipped": "scale", "number": None})
    assert client.get("/api/ladder").json()["steps"] == read_back["steps"]


@pytest.mark.parametrize(
    "steps", [[], [["p1", "r1"]], [["p1", "r1", "v9"]], [["tie"]], [["p1", "r1", "v1"], ["p1", "r1", "v1"]]]
)
def test_a_ladder_that_is_none_is_refused_and_nothing_changes(
    client: TestClient, steps: list[list[str]]
) -> None:
    before = client.get("/api/ladder").json()
    refused = client.put("/api/ladder", json={"steps": [{"rungs": rungs} for rungs in steps]})
    assert refused.status_code == 422
    assert "Nothing was changed" in refused.text
    assert client.get("/api/ladder").json() == before
