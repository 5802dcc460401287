"""Marks, undo, absences, the ledger, and what comes back in the next lesson."""

from datetime import timedelta
from typing import Any

from fastapi.testclient import TestClient

from api.conftest import Place, event, mark, outcomes, signed_in, tell
from conftest import SETTINGS


def ledger(client: TestClient, place: Place) -> dict[str, object]:
    return client.get(f"/api/sections/{place.ids['section_id']}/ledger").json()  # type: ignore[no-any-return]


def test_a_mark_sent_twice_is_one_mark_and_what_is_taken_back_stays_in_the_record(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    first = mark(kestrel)
    assert outcomes(tell(client, event(kestrel, "started"), first)) == ["taken", "taken"]
    shown = ledger(client, kestrel)
    assert outcomes(tell(client, first)) == ["known"]
    assert ledger(client, kestrel) == shown
    assert [stones[-1] for stones in shown["stones"].values()] == ["o"]  # type: ignore[attr-defined]
    (other,) = tell(client, {**first, "result": "not_yet"})
    assert (other["outcome"], other["code"]) == ("aside", "aside_id_taken")
    back = event(kestrel, "taken_back", target_id=first["id"])
    tell(client, back)
    assert ledger(client, kestrel)["stones"] == {}
    assert outcomes(tell(client, first)) == ["known"]
    assert ledger(client, kestrel)["stones"] == {}, "what was taken back stays so"
    tell(client, event(kestrel, "taken_back", target_id=back["id"]))
    assert ledger(client, kestrel) == shown, "until the taking back is taken back"


def test_taken_back_may_come_before_its_mark(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    late = mark(kestrel)
    assert outcomes(tell(client, event(kestrel, "taken_back", target_id=late["id"]))) == ["taken"]
    tell(client, late)
    assert ledger(client, kestrel)["stones"] == {}


def test_what_cannot_be_taken_waits_aside_until_it_is_settled(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    section = client.post(
        "/api/sections", json={"name": "2C", "grade": 2, "minutes": 30, "names": "Ravi", "meetings": []}
    ).json()
    tell(client, event(kestrel, "started"))
    (answer,) = tell(client, mark(kestrel, concept="no-such"))
    assert (answer["code"], answer["sentence"]) == (
        "aside_concept",
        "There is no concept “no-such” in your sequence.",
    )
    moved = kestrel.ids["child_id"]
    client.put(f"/api/children/{moved}", json={"name": "Ama", "section_id": section["id"], "left": None})
    (answer,) = tell(client, mark(kestrel))
    assert answer["code"] == "aside_child_elsewhere"
    waiting = client.get("/api/events/aside").json()
    assert [one["kind"] for one in waiting] == ["marked", "marked"]
    client.put(
        f"/api/children/{moved}", json={"name": "Ama", "section_id": kestrel.ids["section_id"], "left": None}
    )
    assert client.post(f"/api/events/aside/{waiting[1]['id']}/again").json()["outcome"] == "taken"
    assert client.post(f"/api/events/aside/{waiting[0]['id']}/again").json()["outcome"] == "aside"
    assert client.delete(f"/api/events/aside/{waiting[0]['id']}").status_code == 204
    assert client.get("/api/events/aside").json() == []
    assert len(ledger(client, kestrel)["stones"]) == 1  # type: ignore[arg-type]


def test_a_clock_that_is_wrong_is_put_right_and_a_moment_off_the_lesson_takes_its_day(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    ahead = (SETTINGS.now() + timedelta(days=400)).isoformat()  # the device lives in another year
    tell(client, event(kestrel, "started", at=ahead), mark(kestrel), sent=ahead)
    other = mark(kestrel, child_id=children(client, kestrel)[1], at="2026-11-30T09:00:00+00:00")
    assert outcomes(tell(client, other)) == ["taken"]
    found = client.get(
        f"/api/lessons/{kestrel.ids['lesson_id']}/parts/{kestrel.ids['part_id']}/hearing"
    ).json()
    assert [(one["day"], one["off_day"]) for one in found["marks"]] == [
        ("2026-11-24", True),
        ("2026-11-24", True),
    ]
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    assert lesson["started"].startswith("2026-11-24")


def children(client: TestClient, place: Place) -> list[str]:
    return [child["id"] for child in ledger(client, place)["children"]]  # type: ignore[attr-defined]


def test_the_absent_leave_the_queue_and_the_ledger_alone(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    lesson, part = kestrel.ids["lesson_id"], kestrel.ids["part_id"]

    def names() -> list[str]:
        found = client.get(f"/api/lessons/{lesson}/parts/{part}/hearing?concept=so-mi").json()
        return [child["name"] for child in found["queue"]]

    away = event(kestrel, "absent", child_id=kestrel.ids["child_id"])
    tell(client, event(kestrel, "started"))
    assert len(names()) == 6
    tell(client, away)
    assert len(names()) == 5
    assert ledger(client, kestrel)["stones"] == {}
    tell(client, event(kestrel, "taken_back", target_id=away["id"]))
    assert len(names()) == 6


def ticks(place: Place, lesson: dict[str, Any], skipped: dict[str, Any]) -> list[dict[str, Any]]:
    return [
        event(place, "ticked", part_id=part["id"], tick="skipped" if part is skipped else "done")
        for part in lesson["parts"]
    ]


def test_what_was_skipped_comes_after_the_opening_next_time_and_every_page_says_so(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    section = kestrel.ids["section_id"]
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    skipped = next(part for part in lesson["parts"] if part["role"] in ("focus", "second", "play", "game"))
    note = event(kestrel, "noted", note="Bring the drums.")
    tell(client, event(kestrel, "started"), *ticks(kestrel, lesson, skipped), note, event(kestrel, "ended"))
    after = client.get(f"/api/lessons/{lesson['id']}").json()
    assert (after["state"], after["note"]) == ("done", "Bring the drums.")
    assert [part["tick"] for part in after["parts"]].count("skipped") == 1
    overview = client.get(f"/api/sections/{section}").json()
    assert (overview["lessons_done"], overview["ahead"][0]["left_over"]) == (1, 1)
    following = client.post(f"/api/sections/{section}/lesson").json()
    assert (following["day"], following["last_note"]) == ("2026-11-27", "Bring the drums.")
    assert (following["parts"][1]["left_over"], following["parts"][1]["activity"]) == (
        True,
        skipped["activity"],
    )
    assert sum(part["left_over"] for part in following["parts"]) == 1
    week = [one for day in client.get("/api/week").json() for one in day["lessons"]]
    assert [(one["state"], one["left_over"]) for one in week] == [("done", 0), ("planned", 1)]
    refused = client.post(
        f"/api/lessons/{lesson['id']}/parts/{lesson['parts'][0]['id']}/refuse",
        json={"version": lesson["version"]},
    )
    assert (refused.status_code, refused.json()["code"]) == (409, "lesson_state")
    tell(client, event(kestrel, "reopened"))
    assert client.get(f"/api/lessons/{lesson['id']}").json()["state"] == "running"


def test_several_lessons_lie_ahead_and_what_is_known_later_replaces_them(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    address = f"/api/sections/{kestrel.ids['section_id']}/lesson"
    ahead = client.get(f"/api/sections/{kestrel.ids['section_id']}").json()["ahead"]
    assert [one["day"] for one in ahead] == ["2026-11-24", "2026-11-27", "2026-12-04", "2026-12-08"]
    later = client.post(address, json={"day": "2026-12-04", "starts": "09:10"}).json()
    assert (later["day"], later["number"] > 1) == ("2026-12-04", True)
    states = [
        one["state"] for one in client.get(f"/api/sections/{kestrel.ids['section_id']}").json()["ahead"]
    ]
    assert states == ["planned", None, "planned", None]
    off = client.post(address, json={"day": "2026-12-01", "starts": "09:50"})
    assert (off.status_code, off.json()["code"]) == (409, "plan_impossible")  # the fire drill took it


def test_swap_pin_ask_again_and_a_stale_view_is_told(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    lesson, section = kestrel.ids["lesson_id"], kestrel.ids["section_id"]
    seen = client.get(f"/api/lessons/{lesson}").json()
    parts = seen["parts"]
    address = f"/api/lessons/{lesson}/parts/{parts[2]['id']}"
    other = client.get(f"{address}/alternatives").json()[0]
    body = {
        "activity": other["activity"],
        "song_id": other["song_id"],
        "recording_id": other["recording_id"],
        "concept": other["concept"] and other["concept"]["key"],
        "purpose": other["purpose"],
        "version": seen["version"],
    }
    swapped = client.post(f"{address}/swap", json=body).json()
    assert (swapped["parts"][2]["activity"], swapped["parts"][2]["pinned"]) == (other["activity"], True)
    stale = client.put(
        f"/api/lessons/{lesson}/parts/{parts[0]['id']}/pin", json={"pinned": True, "version": seen["version"]}
    )
    assert (stale.status_code, stale.json()["code"]) == (409, "stale")
    assert "changed meanwhile" in stale.json()["title"]
    pin = {"pinned": True, "version": swapped["version"]}
    pinned = client.put(f"/api/lessons/{lesson}/parts/{parts[0]['id']}/pin", json=pin).json()
    assert (
        client.post(f"/api/sections/{section}/lesson", json={"version": seen["version"]}).status_code == 409
    )
    again = client.post(f"/api/sections/{section}/lesson", json={"version": pinned["version"]}).json()
    assert [p["activity"] for p in again["parts"] if p["pinned"]] == [parts[0]["activity"], other["activity"]]
    kept = {p["id"] for p in again["parts"]} & {p["id"] for p in pinned["parts"]}
    assert len(kept) >= 2, "a part whose slot holds the same keeps its id"


def test_a_file_that_cannot_be_read_is_reported_and_the_good_ones_are_kept(
    app_client: TestClient, kestrel: Place
) -> None:
    client = signed_in(app_client, kestrel)
    good = ("hill.abc", b"X:1\nT:Up the hill\nM:2/4\nL:1/8\nK:F\nA2G2|F2F2F2|A2G2|F4|]\n")
    report = client.post(
        "/api/songs", files=[("files", good), ("files", ("bad.xml", b"<score-partwise"))]
    ).json()["songs"]
    assert [bool(one["song_id"]) for one in report] == [True, False]
    assert "Nothing was kept" in report[1]["message"]
    song = client.get(f"/api/songs/{report[0]['song_id']}").json()
    assert song["problems"][0]["message"] == "Bar 2 has 3 beats, the meter asks for 2."
    svg = client.get(f"/api/songs/{report[0]['song_id']}/score?do=G")
    assert svg.status_code == 200
    assert svg.text.count('class="note"') == 8
    assert client.get(f"/api/songs/{report[0]['song_id']}/file").content == good[1]
