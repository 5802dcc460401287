"""Every route of the schema: nobody signed out and nobody of another school gets or changes anything.

New routes are covered without being listed: ids come from the names of path parameters and body fields, the
rest of a body from the examples in the schema.
"""

from __future__ import annotations

import hashlib
import json
import re
from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Connection, text

from api.conftest import Place, event, mark, signed_in, start_and_mark, tell
from kopje.core.rights import OPEN, RIGHTS, ROLES, may
from kopje.main import create_app
from kopje.settings import Settings
from kopje.store.tables import Table
from kopje.store.work import UnitOfWork

SCHEMA: dict[str, Any] = create_app(Settings(), UnitOfWork(None)).openapi()  # type: ignore[arg-type]
FILES = {
    "/api/activities/{activity_key}/files": ("a.png", b"\x89PNG\r\n\x1a\n" + bytes(20)),
    "": ("a.abc", b"X:1\nT:New\nM:2/4\nK:C\nC4|E4|]\n"),
    "/api/sequence/look": ("a.csv", b"key,name,strand,grade\ndo,do,melody,1\n"),
    "/api/marks": ("a.csv", b"name,section,concept,way,result,day\nAma,2A,so-mi,sing,secure,2026-11-24\n"),
    "/api/roster/look": ("a.csv", b"section,grade,name\n9Z,9,Ama\n"),
    "/api/calendar/holidays": (
        "a.ics",
        b"BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nUID:1\nDTSTART;VALUE=DATE:20261221\nSUMMARY:Off\nEND:VEVENT\nEND:VCALENDAR\n",
    ),
}
OPERATIONS = [
    (method, path, operation)
    for path, methods in SCHEMA["paths"].items()
    for method, operation in methods.items()
    if operation["operationId"] not in OPEN
]


BACKUP = "kopje-20261101-090000.zip"
# In paths: they are no school's own.
NAMES = {"what": "children", "concept": "so-mi", "band": "middle", "day": "2026-11-24", "backup_name": BACKUP}
ASKED = {
    "since": "2026-10-01",
    "day": "2026-11-24",
    "text": "Am",
    "concept": "so-mi",
    "purpose": "practise",
    "grade": 2,
    "lesson": 0,
    "slot": "focus-1",
}


def example(schema: dict[str, Any], place: Place, name: str = "") -> Any:
    """A valid value, from the examples; ids by their names."""
    if "$ref" in schema:
        return example(SCHEMA["components"]["schemas"][schema["$ref"].split("/")[-1]], place, name)
    given = schema.get("examples", [None])[0]
    if given == "@version":
        return 1  # of a lesson that was proposed once
    if given == ["@event"]:
        return [event(place, "started")]
    if name in place.ids and not str(given).startswith("@alternative"):
        return place.ids[name]
    if "examples" in schema:
        return given
    if schema.get("type") == "object" or "properties" in schema:
        return {key: example(value, place, key) for key, value in schema["properties"].items()}
    raise AssertionError(f"the schema has no example for {name}")


def request(
    client: TestClient,
    method: str,
    path: str,
    operation: dict[str, Any],
    place: Place,
    alternative: dict[str, Any],
) -> Any:
    """Send an operation with ids of `place`."""
    values = {**place.ids, **NAMES, "activity_key": place.activity}
    address = re.sub(r"\{(\w+)\}", lambda match: values[match[1]], path)
    query = {
        one["name"]: {**place.ids, **ASKED}[one["name"]]
        for one in operation.get("parameters", [])
        if one["in"] == "query" and one.get("required")
    }
    content = operation.get("requestBody", {}).get("content", {})
    if "application/json" in content:
        body = example(content["application/json"]["schema"], place)
        for key, value in body.items():
            if isinstance(value, str) and value.startswith("@alternative."):
                body[key] = alternative.get(value.split(".")[1])
            if value == "@code":
                body[key] = place.code
            if value == "@school":
                body[key] = place.login.capitalize()
            if value == "@set_version":
                seen = client.get(f"/api/sets/{place.ids['section_id']}")
                body[key] = seen.json().get("version", 0)
        return client.request(method, address, params=query, json=body)
    if "multipart/form-data" in content:
        return client.request(method, address, files={"files": FILES.get(path, FILES[""])})
    return client.request(method, address, params=query)


def rows_of(connection: Connection, place: Place) -> str:
    """A fingerprint of everything that belongs to a school (its teachers' sign-ins left aside)."""
    digest = hashlib.sha256()
    for table in Table.metadata.sorted_tables:
        if "school_id" in table.c:
            query = f'SELECT t::text FROM "{table.name}" t WHERE school_id = :school ORDER BY 1'
            for row in connection.execute(text(query), {"school": place.ids["school_id"]}):
                digest.update(row[0].encode())
    return digest.hexdigest()


@pytest.fixture
def owner(app_client: TestClient, kestrel: Place) -> TestClient:
    client = signed_in(app_client, kestrel)
    start_and_mark(client, kestrel)
    return client


def swappable(client: TestClient, place: Place) -> dict[str, Any]:
    found = client.get(
        f"/api/lessons/{place.ids['lesson_id']}/parts/{place.ids['part_id']}/alternatives"
    ).json()[0]
    return {**found, "concept": found["concept"]["key"] if found["concept"] else None}


def needs_a_planned_lesson(path: str) -> bool:
    of_sets = ("/change", "/keep", "/undo", "/redo", "{set_key}/alternatives")
    return path.endswith(("/lesson", "/refuse", "/pin", "/swap", *of_sets))


def has_something_to_take_back(client: TestClient, path: str, place: Place) -> None:
    """Before a change of a set is taken back there is one, and before it is done again it was taken back."""
    change, undo = (f"/sets/{{set_key}}/{name}" for name in ("change", "undo"))
    steps = {"undo": [change], "redo": [change, undo]}.get(
        path.rsplit("/", 1)[1] if "{set_key}" in path else "", []
    )
    for step in steps:
        operation = SCHEMA["paths"][f"/api{step}"]["post"]
        done = request(client, "post", f"/api{step}", operation, place, {})
        assert done.status_code == 200, done.text


@pytest.mark.parametrize(
    ("method", "path", "operation"), OPERATIONS, ids=[f"{m} {p}" for m, p, _ in OPERATIONS]
)
def test_only_the_owner_gets_or_changes_anything(
    method: str,
    path: str,
    operation: dict[str, Any],
    owner: TestClient,
    app_client: TestClient,
    kestrel: Place,
    heron: Place,
    connection: Connection,
) -> None:
    stranger = signed_in(app_client, heron)
    alternative = swappable(owner, kestrel)
    before = rows_of(connection, kestrel)
    signed_out = request(app_client, method, path, operation, kestrel, alternative)
    assert signed_out.status_code == 401
    refusals = operation["responses"]
    theirs = request(stranger, method, path, operation, kestrel, alternative)
    if set(re.findall(r"{(\w+)}", path)) - set(NAMES):
        assert theirs.status_code == 404, theirs.text
    assert theirs.is_success or str(theirs.status_code) in refusals
    assert not leaked(theirs.text, kestrel)
    assert rows_of(connection, kestrel) == before
    if needs_a_planned_lesson(path):
        for table in ("class_event", "held_lesson", "section_facts"):
            connection.execute(
                text(f"DELETE FROM {table} WHERE school_id = :id"), {"id": kestrel.ids["school_id"]}
            )
    has_something_to_take_back(owner, path, kestrel)
    ours = request(owner, method, path, operation, kestrel, alternative)
    if operation["operationId"] == "backupFile":  # a file of two schools is taken away by neither
        assert ours.json()["code"] == "not_allowed", ours.text
    else:
        assert 200 <= ours.status_code < 300, (ours.status_code, ours.text)


def test_the_table_of_rights_names_every_operation_and_holds_for_every_role(
    owner: TestClient, app_client: TestClient, kestrel: Place, connection: Connection
) -> None:
    """A refused role changes nothing; one that is allowed is not refused for its role."""
    named = {
        operation["operationId"] for methods in SCHEMA["paths"].values() for operation in methods.values()
    }
    assert named | {"schema"} == set(RIGHTS) | OPEN
    before = rows_of(connection, kestrel)
    for role in ROLES:
        connection.execute(
            text("UPDATE teacher SET role = :role WHERE school_id = :id"),
            {"role": role, "id": kestrel.ids["school_id"]},
        )
        for method, path, operation in OPERATIONS:
            if not may(role, operation["operationId"]):
                refused = request(owner, method, path, operation, kestrel, {})
                assert (refused.status_code, refused.json()["code"]) == (403, "not_allowed"), (role, path)
        assert owner.get("/api/me").json()["role"] == role
        assert owner.get("/api/ledger-of-nobody").status_code == 404
    connection.execute(
        text("UPDATE teacher SET role = 'owner' WHERE school_id = :id"), {"id": kestrel.ids["school_id"]}
    )
    assert rows_of(connection, kestrel) == before


def leaked(answer: str, place: Place) -> list[str]:
    return [name for name, value in place.ids.items() if value in answer]


def test_every_operation_says_what_it_does_and_how_it_is_refused() -> None:
    """A summary that somebody wrote, and a sentence for each status it may be refused with."""
    every = [op for methods in SCHEMA["paths"].values() for op in methods.values()]
    written = [op["summary"] for op in every]
    assert len(set(written)) == len(written)
    for operation in every:
        assert not re.fullmatch(r"(Get|Post|Put|Delete)( [A-Z]\w*)+", operation["summary"])
        refusals = {
            int(code): said for code, said in operation["responses"].items() if code.startswith(("4", "5"))
        }
        assert 503 in refusals
        name = operation["operationId"]
        assert (401 in refusals) == (name not in OPEN or name == "signIn")
        assert all(
            said["description"] and "application/problem+json" in said["content"]
            for said in refusals.values()
        )


def test_another_school_cannot_use_our_ids_inside_a_body(
    owner: TestClient, app_client: TestClient, kestrel: Place, heron: Place
) -> None:
    """A mark that names our child under its own new id."""
    stranger = signed_in(app_client, heron)
    theirs = {name: kestrel.ids[name] for name in ("section_id", "lesson_id", "child_id", "part_id")}
    found = tell(
        stranger,
        mark(heron, child_id=theirs["child_id"]),
        mark(heron, **theirs),
        mark(heron, id=kestrel.ids["mark_id"]),
    )
    assert [one["code"] for one in found] == ["aside_child", "aside_section", "aside_id_taken"]
    assert not leaked(json.dumps([one["sentence"] for one in found]), kestrel)


def bodies() -> Iterator[str]:
    for _, path, operation in OPERATIONS:
        if "application/json" in operation.get("requestBody", {}).get("content", {}):
            yield json.dumps([path, operation["operationId"]])


def test_bodies_refuse_what_they_do_not_know(owner: TestClient, kestrel: Place) -> None:
    answer = owner.post(
        "/api/events", json={"sent": "2026-11-24T09:00:00+00:00", "events": [mark(kestrel, more=1)]}
    )
    assert (answer.status_code, answer.headers["content-type"]) == (422, "application/problem+json")
    assert len(list(bodies())) > 5


def test_no_two_schemas_share_a_name() -> None:
    """Two of one name are both renamed after their modules, which the page would only see by chance."""
    assert [name for name in SCHEMA["components"]["schemas"] if "__" in name] == []
