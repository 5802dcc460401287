"""However many sections there are: a page asks the database a fixed number of questions. And no sentence
stands outside the catalogue."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager

from fastapi.testclient import TestClient
from sqlalchemy import Connection, event

from api.conftest import Place, signed_in, start_and_mark

MOST = 15


@contextmanager
def statements(connection: Connection) -> Iterator[list[str]]:
    """What is asked of the database meanwhile, without the frame of transactions."""
    found: list[str] = []

    def heard(_c: object, _k: object, statement: str, *_: object) -> None:
        if not statement.startswith(("SAVEPOINT", "RELEASE", "ROLLBACK", "SET ")):
            found.append(statement)

    event.listen(connection.engine, "before_cursor_execute", heard)
    try:
        yield found
    finally:
        event.remove(connection.engine, "before_cursor_execute", heard)


def counted(client: TestClient, connection: Connection, place: Place) -> dict[str, int]:
    section, lesson, part = (place.ids[name] for name in ("section_id", "lesson_id", "part_id"))
    asked = {
        "day": "/api/day",
        "week": "/api/week",
        "school's year": "/api/year",
        "grade's year": "/api/year/grade?grade=2",
        "section": f"/api/sections/{section}",
        "section's year": f"/api/sections/{section}/year",
        "ledger": f"/api/sections/{section}/ledger",
        "lesson": f"/api/lessons/{lesson}",
        "alternatives": f"/api/lessons/{lesson}/parts/{part}/alternatives",
        "hearing": f"/api/lessons/{lesson}/parts/{part}/hearing",
    }
    counts = {}
    for name, path in asked.items():
        with statements(connection) as found:
            answer = client.get(path)
        assert answer.status_code == 200, (path, answer.text)
        counts[name] = len(found)
    return counts


def test_no_page_asks_more_of_the_database_for_more_sections(
    app_client: TestClient, kestrel: Place, connection: Connection
) -> None:
    client = signed_in(app_client, kestrel)
    start_and_mark(client, kestrel)
    few = counted(client, connection, kestrel)
    for name, grade in {"KC": 0, "1C": 1, "2C": 2, "2D": 2, "3C": 3}.items():
        meets = [{"weekday": grade, "starts": "11:00", "minutes": None}]
        made = client.post(
            "/api/sections",
            json={"name": name, "grade": grade, "minutes": 30, "names": "Ada\nBo\nCy", "meetings": meets},
        )
        assert made.status_code == 201, made.text
        assert client.post(f"/api/sections/{made.json()['id']}/lesson", json={}).status_code == 201
        client.post(f"/api/sections/{made.json()['id']}/year/fit", json={})
    many = counted(client, connection, kestrel)
    assert many == few
    assert {name: count for name, count in many.items() if count > MOST + 4 * (name == "hearing")} == {}
    section = client.get("/api/sections").json()[-1]["id"]
    with statements(connection) as found:
        assert client.post(f"/api/sections/{section}/lesson", json={}).status_code == 201
    looking = [one for one in found if one.lstrip().startswith("SELECT") and "pg_" not in one]
    assert len(looking) <= 3 * MOST, "a look to think, a look to keep, a look to show"
