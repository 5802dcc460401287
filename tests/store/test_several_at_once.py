"""Several server processes on one database, and several people at the same moment: all of it ends as if one
came after the other."""

from __future__ import annotations

import os
import subprocess
import sys
import uuid
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from typing import Any

import httpx2 as httpx
import pytest
from sqlalchemy import text

from api.conftest import OURS, PASSWORD, Place, make_school, mark
from api.conftest import event as made
from conftest import SETTINGS, new_database
from kopje.store.cluster import free_port
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.ledger.projections import rebuild_and_compare
from store.test_histories import School

SEVERAL = 2


@dataclass(frozen=True)
class Servers:
    """Clients of two server processes, both signed in by one sign-in at the first, and the school behind
    them."""

    clients: list[httpx.Client]
    place: Place
    school: School
    environment: dict[str, str]

    def at_once(self, *asked: Callable[[httpx.Client], httpx.Response]) -> list[httpx.Response]:
        """Each request in its own thread, the servers by turns."""
        with ThreadPoolExecutor(len(asked)) as pool:
            every = [pool.submit(one, self.clients[n % len(self.clients)]) for n, one in enumerate(asked)]
            return [one.result() for one in every]


@pytest.fixture(scope="module")
def servers(worker: str) -> Iterator[Servers]:
    url = new_database(f"several_{worker}")
    engine = engine_for(url)
    place = make_school(UnitOfWork(engine), "Kestrel")
    school = School(UnitOfWork(engine), place)
    ports = [free_port() for _ in range(SEVERAL)]
    processes = []
    for port in ports:
        environment = {
            **os.environ,
            "KOPJE_PORT": str(port),
            "KOPJE_DATABASE_URL": url,
            "KOPJE_TODAY": SETTINGS.now().strftime("%Y-%m-%dT%H:%M"),
        }
        command = [sys.executable, "-m", "kopje.cli", "serve"]
        processes.append(subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True))
    for process in processes:
        assert process.stdout is not None
        assert "Kopje is at" in process.stdout.readline()
    clients = [httpx.Client(base_url=f"http://127.0.0.1:{port}", headers=OURS, timeout=120) for port in ports]
    assert (
        clients[0].post("/api/sign-in", json={"login": place.login, "password": PASSWORD}).status_code == 200
    )
    clients[1].cookies.update(clients[0].cookies)
    yield Servers(clients, place, school, environment)
    for client in clients:
        client.close()
    for process in processes:
        process.terminate()
        process.wait(30)
    engine.dispose()


def batch(*events: dict[str, Any]) -> Callable[[httpx.Client], httpx.Response]:
    body = {"sent": SETTINGS.now().isoformat(), "events": list(events)}
    return lambda client: client.post("/api/events", json=body)


def nothing_differs(servers: Servers) -> bool:
    with servers.school.work.begin() as session:
        return set(rebuild_and_compare(servers.school.ctx(session)).rows.values()) == {0}


def test_who_is_signed_in_at_one_server_is_at_the_other(servers: Servers) -> None:
    assert [client.get("/api/me").json()["name"] for client in servers.clients] == ["T", "T"]


def test_two_proposals_at_the_same_moment(servers: Servers) -> None:
    address = f"/api/sections/{servers.place.ids['section_id']}/lesson"
    found = servers.at_once(*[lambda client: client.post(address, json={})] * 6)
    codes = [one.status_code for one in found]
    assert set(codes) <= {201, 409}
    assert 201 in codes
    assert all(len(one.json()["title"]) > 20 for one in found if one.status_code == 409)
    seen = servers.clients[0].get(f"/api/lessons/{servers.place.ids['lesson_id']}").json()["version"]
    stale = servers.at_once(*[lambda client: client.post(address, json={"version": seen})] * 4)
    assert sorted(one.status_code for one in stale) == [201, 409, 409, 409]


def test_the_same_mark_four_times_at_once_is_one_mark(servers: Servers) -> None:
    one = mark(servers.place)
    found = servers.at_once(*[batch(one)] * 4)
    assert sorted(answer.json()[0]["outcome"] for answer in found) == ["known", "known", "known", "taken"]
    assert nothing_differs(servers)


def test_two_devices_that_mark_the_same_children_leave_every_standing_right(servers: Servers) -> None:
    """Each batch names the children in another order."""
    children = [str(child) for child in servers.school.children]
    batches = []
    for number in range(8):
        device, order = str(uuid.uuid4()), children if number % 2 else children[::-1]
        marks = [
            mark(servers.place, result, child_id=child, concept=concept, device=device)
            for child in order
            for concept, result in (("so-mi", "secure"), ("quarter-eighths", "nearly"))
        ]
        batches.append(batch(*marks))
    found = servers.at_once(*batches)
    assert {one["outcome"] for answer in found for one in answer.json()} == {"taken"}
    assert nothing_differs(servers)
    with servers.school.work.begin() as session:
        from kopje.store import events

        kept = events.sums(session, servers.school.school)["standing"]
    assert len([key for key in kept if key.endswith("quarter-eighths")]) == len(children)


def test_any_unique_key_at_once_is_refused_in_words(servers: Servers) -> None:
    section = {"name": "4Z", "grade": 4, "minutes": 30, "names": "Ada", "meetings": []}
    found = servers.at_once(*[lambda client: client.post("/api/sections", json=section)] * 4)
    assert sorted(one.status_code for one in found)[0] == 201
    assert {one.status_code for one in found} <= {201, 409, 422}
    assert [one.status_code for one in found].count(201) == 1
    same = made(servers.place, "noted", note="a")
    other = {**same, "id": str(uuid.uuid4()), "note": "b"}  # the same number of the same device
    answers = servers.at_once(batch(same), batch(other))
    assert sorted(one.json()[0]["outcome"] for one in answers) == ["aside", "taken"]


def test_a_change_of_the_year_is_taken_back_once_however_often_it_is_pressed(servers: Servers) -> None:
    client, address = servers.clients[0], f"/api/sections/{servers.place.ids['section_id']}/year"
    client.post(f"{address}/fit")
    before = client.get(address).json()
    client.put(f"{address}/overrides", json={"overrides": [], "reserve": before["reserve"] + 1})
    found = servers.at_once(*[lambda client: client.post(f"{address}/undo")] * 4)
    codes = [one.status_code for one in found]
    assert set(codes) <= {200, 409}  # each took one step back, or there was none left
    assert 200 in codes
    assert all(len(one.json()["title"]) > 20 for one in found if one.status_code == 409)
    assert client.get(address).json()["reserve"] <= before["reserve"]


def test_two_sections_that_want_one_name_at_once(servers: Servers) -> None:
    client = servers.clients[0]
    new = {"grade": 3, "minutes": 30, "names": "", "meetings": []}
    ids = [client.post("/api/sections", json={**new, "name": name}).json()["id"] for name in ("3X", "3Y")]
    want = {"name": "3W", "grade": 3, "upper": None, "minutes": 30, "meetings": []}
    asked = [lambda client, key=key: client.put(f"/api/sections/{key}", json=want) for key in ids]
    found = servers.at_once(*asked)
    codes = sorted(one.status_code for one in found)
    assert codes[0] == 200
    assert codes[1] in (409, 422)
    names = [one["name"] for one in client.get("/api/sections").json()]
    assert names.count("3W") == 1
    assert {"3X", "3Y"} & set(names)


def test_a_song_removed_twice_and_brought_back_twice_is_one_song(servers: Servers) -> None:
    client, song = servers.clients[0], servers.place.ids["song_id"]
    total = client.get("/api/songs").json()["total"]
    gone = servers.at_once(*[lambda client: client.delete(f"/api/songs/{song}")] * 4)
    assert {one.status_code for one in gone} <= {204, 404}
    assert client.get("/api/songs").json()["total"] == total - 1
    back = servers.at_once(*[lambda client: client.post(f"/api/songs/{song}/bring-back")] * 4)
    assert {one.status_code for one in back} <= {200, 409}
    assert client.get("/api/songs").json()["total"] == total


def test_words_kept_at_once_are_one_or_the_other_and_never_a_mixture(servers: Servers) -> None:
    plain = {"names": "solfa", "rhythm": "ta-titi", "minor": "la", "model": "prepare-present-practise"}
    two = [
        {**plain, "so": "sol", "ti": "si", "phase_words": {"prepare": "lay the path"}},
        {**plain, "so": "so", "ti": "ti", "phase_words": {"prepare": "get ready"}},
    ]
    asked = [lambda client, sent=sent: client.put("/api/words", json=sent) for sent in (*two, *two)]
    found = servers.at_once(*asked)
    assert {one.status_code for one in found} <= {200, 409}
    kept = [client.get("/api/words").json() for client in servers.clients]
    seen = [{key: one[key] for key in ("so", "ti", "phase_words")} for one in kept]
    assert seen[0] == seen[1]
    assert seen[0] in [{key: one[key] for key in ("so", "ti", "phase_words")} for one in two]


def test_rebuild_tells_an_operator_whether_anything_differed(servers: Servers) -> None:
    command = [sys.executable, "-m", "kopje.cli", "rebuild"]
    assert batch(mark(servers.place))(servers.clients[0]).json()[0]["outcome"] == "taken"
    same = subprocess.run(command, env=servers.environment, capture_output=True, text=True, check=False)
    assert (same.returncode, "nothing differed" in same.stdout) == (0, True), same.stdout + same.stderr
    with servers.school.work.begin() as session:
        spoiled = text("UPDATE standing SET level = 'not_yet' WHERE concept = 'so-mi' RETURNING level")
        assert session.scalars(spoiled).all()
    other = subprocess.run(command, env=servers.environment, capture_output=True, text=True, check=False)
    assert other.returncode == 1
    assert nothing_differs(servers)


def test_a_hundred_guesses_at_once_are_a_hundred_guesses(servers: Servers) -> None:
    """At two servers by turns: five are looked at. On her own device the teacher gets in meanwhile."""
    wrong = {"login": servers.place.login, "password": "a guess"}

    def guess(client: httpx.Client) -> httpx.Response:
        return httpx.post(client.base_url.join("/api/sign-in"), json=wrong, headers=OURS, timeout=120)

    def teacher(client: httpx.Client) -> httpx.Response:
        return client.post("/api/sign-in", json={"login": servers.place.login, "password": PASSWORD})

    found = servers.at_once(*[guess] * 25, teacher, *[guess] * 25)
    statuses = [one.status_code for one in found]
    assert statuses.pop(25) == 200
    assert 1 <= statuses.count(401) <= 5
    assert set(statuses) == {401, 429}
