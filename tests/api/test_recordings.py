"""The shelf of recorded pieces: added and tapped by the teacher, played in lessons, met like songs."""

from typing import Any

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, event, outcomes, signed_in, tell

RONDO = [{"at": n * 10_000, "section": one} for n, one in enumerate("abaca")]


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


def added(client: TestClient, **more: Any) -> dict[str, Any]:
    body = {"title": "Our disc", "length": 50_000, "place": "disc 2, track 4", "marks": RONDO, **more}
    answer = client.post("/api/recordings", json=body)
    assert answer.status_code == 201, answer.text
    found: dict[str, Any] = answer.json()
    return found


def test_six_of_our_own_stand_there_and_sound(client: TestClient) -> None:
    shelf = client.get("/api/recordings").json()
    assert [one["title"] for one in shelf if one["own"]] == [
        "Lunch Box March",
        "Marbles on the Stairs",
        "Night Bus",
        "Pepper Dance",
        "The Kettle Wakes Up",
        "Two Clocks",
    ]
    for one in shelf:
        sounding = client.get(f"/api/recordings/{one['id']}/performance").json()
        assert sounding["length"] == one["length"]
        assert len(sounding["tones"]) > 50


def test_what_was_tapped_tells_what_can_be_heard(client: TestClient) -> None:
    found = added(client, feel="two", tags=["la-minor"])
    assert found["form"] == "a b a c a"
    assert {"rondo", "phrase", "two-beat-meter", "la-minor"} <= {c["key"] for c in found["concepts"]}
    silent = client.get(f"/api/recordings/{found['id']}/performance")
    assert silent.status_code == 422
    assert "your own file or disc" in silent.text


def test_a_piece_is_tapped_anew_taken_off_and_put_back(client: TestClient) -> None:
    found = added(client)
    body = {"title": "Our disc", "length": 50_000, "marks": [*RONDO[:2], {"at": 12_000, "change": "softer"}]}
    changed = client.put(f"/api/recordings/{found['id']}", json=body).json()
    assert (changed["form"], changed["marks"][-1]["change"]) == ("a b", "softer")
    assert client.delete(f"/api/recordings/{found['id']}").status_code == 204
    assert found["id"] not in [one["id"] for one in client.get("/api/recordings").json()]
    client.post(f"/api/recordings/{found['id']}/bring-back")
    assert found["id"] in [one["id"] for one in client.get("/api/recordings").json()]


def test_a_moment_outside_the_piece_is_refused_and_nothing_is_kept(client: TestClient) -> None:
    body = {"title": "Too long", "length": 20_000, "marks": [{"at": 21_000, "section": "a"}]}
    refused = client.post("/api/recordings", json=body)
    assert refused.status_code == 422
    assert "0:21" in refused.text
    assert "Too long" not in [one["title"] for one in client.get("/api/recordings").json()]


def test_a_piece_comes_into_a_lesson_and_is_met_by_the_class(client: TestClient, kestrel: Place) -> None:
    lesson, section = kestrel.ids["lesson_id"], kestrel.ids["section_id"]
    seen = client.get(f"/api/lessons/{lesson}").json()
    offered = {
        (part["id"], one["recording_id"]): one
        for part in seen["parts"]
        for one in client.get(f"/api/lessons/{lesson}/parts/{part['id']}/alternatives").json()
        if one["recording_id"]
    }
    part_id, other = next((part, one) for (part, _), one in offered.items() if one["new"])
    assert other["new"] == "the piece"
    body = {"activity": other["activity"], "recording_id": other["recording_id"], "version": seen["version"]}
    body |= {"concept": other["concept"] and other["concept"]["key"], "purpose": other["purpose"]}
    swapped = client.post(f"/api/lessons/{lesson}/parts/{part_id}/swap", json=body).json()
    part = next(one for one in swapped["parts"] if one["piece"] and one["pinned"])
    assert part["piece"]["title"] == other["recording_title"]
    assert any(other["recording_title"] in step for step in part["steps"])
    assert part["material"] == {"kind": "recording", "id": other["recording_id"]}
    here = {"section_id": section, "lesson_id": lesson}
    told = tell(
        client,
        event(kestrel, "started", **here),
        event(kestrel, "ticked", **here, part_id=part["id"], tick="done"),
        event(kestrel, "ended", **here),
    )
    assert outcomes(told) == ["taken"] * 3
    over = client.get(f"/api/lessons/{lesson}").json()
    assert {one["times"] for one in over["parts"]} == {None}  # what is due next is not said of it
    met = client.get(f"/api/recordings/{other['recording_id']}").json()["met"]
    assert [(one["section"], one["lessons"]) for one in met] == [("2A", 1)]
