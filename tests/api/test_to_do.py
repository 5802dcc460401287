"""Lessons that nobody opened are asked about; a lesson that began late says what to leave out."""

from __future__ import annotations

import uuid
from datetime import datetime, timedelta
from typing import Any

from fastapi.testclient import TestClient

from api.conftest import Place, event, signed_in, tell
from kopje.main import create_app
from kopje.settings import Settings


def at(client: TestClient, moment: str) -> TestClient:
    """The same browser at another moment."""
    there = client.app.state.services  # type: ignore[attr-defined]
    settings = Settings(**{**there.settings.model_dump(), "today": moment})
    app = create_app(settings, there.work, there.engraver, there.printer, there.solver)
    return TestClient(app, headers=client.headers, base_url="http://testserver", cookies=client.cookies)


def unopened(client: TestClient) -> list[dict[str, Any]]:
    return client.get("/api/to-do").json()["unopened"]  # type: ignore[no-any-return]


def test_a_lesson_nobody_opened_is_asked_about_until_it_is_told(
    app_client: TestClient, kestrel: Place
) -> None:
    now = signed_in(app_client, kestrel)
    assert unopened(now) == [], "what lies before this school was here is not asked about"
    lesson = now.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    starts = datetime.fromisoformat(f"{lesson['day']}T{lesson['starts']}")
    during = at(now, (starts + timedelta(minutes=10)).isoformat(timespec="minutes"))
    assert unopened(during) == [], "it may still be going on"
    later = at(now, (starts + timedelta(days=3, hours=1)).isoformat(timespec="minutes"))
    asked = unopened(later)
    assert lesson["id"] in [one["lesson_id"] for one in asked]
    unplanned = [one for one in asked if one["lesson_id"] is None]
    for one, key in ((asked[-1], lesson["id"]), (unplanned[0], str(uuid.uuid4()))):
        place = {name: one[name] for name in ("day", "starts", "minutes")}
        told = event(kestrel, "not_held", lesson_id=key, lesson=place)
        assert tell(later, told)[0]["outcome"] == "taken"
        assert place not in [{name: x[name] for name in place} for x in unopened(later)]
        tell(later, event(kestrel, "taken_back", lesson_id=key, target_id=told["id"]))
        assert place in [{name: x[name] for name in place} for x in unopened(later)]


def test_a_late_start_says_what_to_leave_out(app_client: TestClient, kestrel: Place) -> None:
    now = signed_in(app_client, kestrel)
    lesson = now.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    starts = datetime.fromisoformat(f"{lesson['day']}T{lesson['starts']}")

    def late(minutes: int) -> dict[str, Any]:
        moment = (starts + timedelta(minutes=minutes)).isoformat(timespec="minutes")
        return at(now, moment).get(f"/api/lessons/{lesson['id']}/late").json()  # type: ignore[no-any-return]

    assert late(0)["without"] == [], "nobody began it"
    tell(now, event(kestrel, "started"))
    assert late(0)["says"] == ""
    found = late(14)
    assert found["left"] == 30 - 14 - 2
    gone = [part for part in lesson["parts"] if part["id"] in found["without"]]
    assert gone
    assert not {"closing"} & {part["role"] for part in gone}
    assert found["says"].startswith("14 minutes left: leave out")
    assert late(40) == {"left": 0, "without": [], "says": ""}


def test_a_new_school_is_told_what_helps_most_next(app_client: TestClient, kestrel: Place) -> None:
    client = signed_in(app_client, kestrel)
    section, song = kestrel.ids["section_id"], kestrel.ids["song_id"]
    client.put(f"/api/sections/{section}/declared", json={"concepts": []})
    assert client.get("/api/to-do").json()["next"]["where"] == "knows"
    client.put(f"/api/sections/{section}/known-songs", json={"song_ids": [song]})
    found = client.get("/api/to-do").json()["next"]
    assert (found["where"], found["key"]) == ("set", "grade-2")


def test_a_day_can_be_said_to_be_rainy_and_nothing_we_have_no_word_for(
    app_client: TestClient, kestrel: Place
) -> None:
    now = signed_in(app_client, kestrel)
    room = now.get("/api/room").json()
    counts = {one["key"]: one["count"] for one in room["things"] if one["count"] is not None}
    assert now.get("/api/days/2026-12-01").json()["season"] == ""
    now.put("/api/room", json={"counts": counts, "voice": room["voice"], "hemisphere": "south"})
    said = now.put("/api/days/2026-12-01", json={"times": ["rain", "birthday"]}).json()
    assert [one["key"] for one in said["times"] if one["said"]] == ["rain", "birthday"]
    assert said["season"] == "summer"
    refused = now.put("/api/days/2026-12-01", json={"times": ["frogs"]})
    assert (refused.status_code, "listed" in refused.text) == (409, True)
    assert now.put("/api/days/2031-12-01", json={"times": ["rain"]}).status_code == 409
    assert now.get("/api/days/2026-12-01").json() == said, "a refusal changes nothing"
    assert now.get("/api/days/2026-12-02").json()["times"] == [one | {"said": False} for one in said["times"]]
