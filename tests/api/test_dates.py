"""The first and the last day there is, wherever a day can be asked for or told: an answer or a refusal."""

from __future__ import annotations

import pytest
from fastapi.testclient import TestClient

from api.conftest import Place, event, mark, signed_in, tell

DAYS = ("0001-01-01", "0001-01-07", "9999-12-31", "9999-12-25")
MOMENTS = (
    "0001-01-01T00:00:00+00:00",
    "0001-01-01T00:00:00+14:00",
    "9999-12-31T23:59:59+00:00",
    "9999-12-31T23:59:59-12:00",
)


@pytest.fixture
def owner(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.mark.parametrize("day", DAYS)
def test_a_day_that_is_asked_for(owner: TestClient, day: str) -> None:
    for path in (
        f"/api/week?day={day}",
        f"/api/year/grade?grade=2&day={day}",
        f"/api/day/needs?day={day}",
        f"/api/days/{day}",
        f"/api/day/print?day={day}",
        f"/api/calendar/file?first={day}&last={day}",
    ):
        answer = owner.get(path)
        assert answer.status_code in (200, 404, 422), (path, answer.text)
        assert answer.headers["content-type"] != "text/plain"


@pytest.mark.parametrize("day", DAYS)
def test_a_day_that_is_told(owner: TestClient, kestrel: Place, day: str) -> None:
    ids = kestrel.ids
    span = {"name": "All", "first": day, "last": day}
    told = [
        owner.put(f"/api/days/{day}", json={"times": ["rain"]}),
        owner.put("/api/calendar", json={"terms": [span], "holidays": [span], "cycle": 0}),
        owner.put(
            "/api/calendar",
            json={"terms": [{**span, "first": DAYS[0], "last": DAYS[2]}], "holidays": [], "cycle": 0},
        ),
        owner.post(
            "/api/changes",
            json={
                "kind": "lost",
                "day": day,
                "starts": None,
                "reason": "x",
                "section_ids": [ids["section_id"]],
            },
        ),
        owner.post(
            "/api/concerts",
            json={"name": "C", "day": day, "section_ids": [ids["section_id"]], "concepts": [], "songs": []},
        ),
        owner.put(
            f"/api/children/{ids['child_id']}",
            json={"name": "Ama", "section_id": ids["section_id"], "left": day},
        ),
        owner.post("/api/adults", json={"name": "L", "role": "viewer", "until": day}),
    ]
    for answer in told:
        assert answer.status_code in (200, 201, 204, 409, 422), (str(answer.request.url), answer.text)
    for path in ("/api/day", "/api/week", "/api/privacy", f"/api/sections/{ids['section_id']}/year"):
        assert owner.get(path).status_code == 200, path


@pytest.mark.parametrize("moment", MOMENTS)
def test_a_moment_that_a_device_tells(owner: TestClient, kestrel: Place, moment: str) -> None:
    """Its clock may be wrong by thousands of years: the mark takes its lesson's day."""
    for sent in (moment, ""):
        found = tell(owner, event(kestrel, "started", at=moment), mark(kestrel, clock=moment), sent=sent)
        assert {one["outcome"] for one in found} <= {"taken", "known", "aside"}
    evidence = f"/api/sections/{kestrel.ids['section_id']}/ledger/{kestrel.ids['child_id']}/so-mi"
    assert owner.get(evidence).status_code == 200
