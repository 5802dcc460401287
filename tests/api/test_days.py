"""A day is the school's day: over the date line, when clocks change, for whoever looks from elsewhere."""

import re
from datetime import UTC, date, datetime, time, timedelta
from itertools import pairwise
from zoneinfo import ZoneInfo

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from api.conftest import Place, event, mark, signed_in, tell
from kopje.core.planning.calendar import SchoolYear, Span, lesson_times
from kopje.core.planning.meetings import Meeting
from kopje.settings import Settings

ZONES = ("Pacific/Kiritimati", "Asia/Tokyo", "Europe/Vienna", "America/St_Johns", "Pacific/Pago_Pago")


@pytest.fixture
def client(app_client: TestClient, kestrel: Place) -> TestClient:
    return signed_in(app_client, kestrel)


@pytest.mark.parametrize("zone", ZONES)
def test_a_fixed_moment_is_that_moment_on_the_schools_clock(zone: str) -> None:
    now = Settings(today="2026-11-24T09:10").now(zone)  # type: ignore[arg-type]  # as the environment gives it
    assert (now.date(), now.time(), str(now.tzinfo)) == (date(2026, 11, 24), time(9, 10), zone)


@pytest.mark.parametrize("zone", ZONES)
def test_a_mark_belongs_to_its_lessons_day_whatever_the_devices_zone(
    client: TestClient, kestrel: Place, zone: str
) -> None:
    """The same moment, told in another zone, is the same mark on the same day."""
    now = datetime.fromisoformat(event(kestrel, "started")["clock"])
    elsewhere = now.astimezone(ZoneInfo(zone)).isoformat()
    answers = tell(client, event(kestrel, "started", at=elsewhere), mark(kestrel, at=elsewhere))
    assert [one["outcome"] for one in answers] == ["taken", "taken"]
    child, section = kestrel.ids["child_id"], kestrel.ids["section_id"]
    (made,) = client.get(f"/api/sections/{section}/ledger/{child}/so-mi").json()["marks"]
    lesson = client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()
    assert made["day"] == lesson["day"]


def test_what_a_device_says_of_tomorrow_is_kept_and_takes_the_lessons_day(
    client: TestClient, kestrel: Place
) -> None:
    now = datetime.fromisoformat(event(kestrel, "started")["clock"])
    ahead = (now + timedelta(days=1)).isoformat()
    answers = tell(client, event(kestrel, "started", at=ahead), mark(kestrel, at=ahead))
    assert [one["outcome"] for one in answers] == ["taken", "taken"]
    child, section = kestrel.ids["child_id"], kestrel.ids["section_id"]
    (made,) = client.get(f"/api/sections/{section}/ledger/{child}/so-mi").json()["marks"]
    assert made["day"] == client.get(f"/api/lessons/{kestrel.ids['lesson_id']}").json()["day"]


@given(
    st.integers(0, 4),
    st.times(min_value=time(7), max_value=time(17)).map(lambda t: t.replace(second=0, microsecond=0)),
)
def test_lessons_keep_their_hour_when_clocks_change(weekday: int, starts: time) -> None:
    """Autumn and spring of a zone with summer time: a lesson at 9:10 is at 9:10 before and after."""
    year = SchoolYear((Span(date(2026, 10, 5), date(2027, 4, 30), "Term"),), (), 0)
    lessons = lesson_times(year, (Meeting(weekday, starts),), (), ())
    assert {lesson.starts for lesson in lessons} == {starts}
    assert all(lesson.day.weekday() == weekday for lesson in lessons)
    assert {(b.day - a.day).days for a, b in pairwise(lessons)} == {7}
    vienna = ZoneInfo("Europe/Vienna")
    there = [datetime.combine(lesson.day, lesson.starts, vienna).astimezone(UTC) for lesson in lessons]
    assert len({moment.hour for moment in there}) == 2  # an hour apart for the world, not for the class


def test_the_calendar_file_tells_local_times(client: TestClient, kestrel: Place) -> None:
    client.put("/api/school", json={"name": "Kestrel", "time_zone": "America/St_Johns"})
    text = client.get("/api/calendar.ics").text
    starts = re.findall(r"^DTSTART.*?:\d{8}T(\d{6}Z?)$", text.replace("\r", ""), re.M)
    assert starts
    assert {start[:4] for start in starts} == {"0910", "0950"}
    assert not any(start.endswith("Z") for start in starts)


def test_moving_the_school_to_another_zone_loses_no_lesson(client: TestClient, kestrel: Place) -> None:
    section = kestrel.ids["section_id"]
    tell(client, event(kestrel, "started"), mark(kestrel), event(kestrel, "ended"))
    before = client.get(f"/api/sections/{section}").json()["lessons_done"]
    for zone in ZONES:
        client.put("/api/school", json={"name": "Kestrel", "time_zone": zone})
        assert client.get(f"/api/sections/{section}").json()["lessons_done"] == before
        assert client.get("/api/week").status_code == 200
