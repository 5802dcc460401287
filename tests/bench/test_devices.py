"""Forty devices that mark at once, then forty full outboxes at the same moment; the ledger of a section in a
school of a million marks. The server is a process of its own; what it kept is counted."""

from __future__ import annotations

import json
import threading
import time
import uuid
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import psycopg
import pytest

from api.conftest import Place, make_school
from bench.serving import Browser, another, serving
from bench.test_ledger import _fill
from bench.timing import alternating, p95, say
from conftest import SETTINGS, new_database
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.store.work import UnitOfWork, engine_for

DEVICES, A_SECOND, SECONDS = 40, 5, 20.0
OUTBOX = 200
MARKS = 1_000_000
CONCEPTS = [concept.key for concept in SO_MI_FIRST.concepts[:60]]
# Marks of other children in the school, months of them, as one statement.
FILL = """INSERT INTO class_event (id, school_id, kind, section_id, lesson_id, day, moment, clock, off_day, received, teacher_id,
device, sequence, child_id, part_id, target_id, concept, body)
SELECT gen_random_uuid(), e.school_id, e.kind, e.section_id, e.lesson_id, e.day, e.moment, e.clock, e.off_day, e.received,
e.teacher_id, gen_random_uuid(), n, c.id, e.part_id, NULL, e.concept, e.body
FROM class_event e, generate_series(1, %s) n, child c WHERE e.id = %s AND c.name = 'Lien'"""


@dataclass(frozen=True)
class Room:
    browser: Browser
    devices: list[Browser]
    plain: psycopg.Connection
    place: Place


@pytest.fixture(scope="module")
def room() -> Iterator[Room]:
    engine = engine_for(new_database("bench_devices"))
    place = make_school(UnitOfWork(engine), "Bench")
    address = engine.url.set(drivername="postgresql").render_as_string(hide_password=False)
    with psycopg.connect(address) as plain, serving(engine, "bench") as browser:
        _fill(plain, place.ids["section_id"])
        yield Room(browser, [another(browser) for _ in range(DEVICES)], plain, place)
    engine.dispose()


def mark(place: Place, device: str, number: int) -> dict[str, object]:
    return {
        "id": str(uuid.uuid4()),
        "kind": "marked",
        "section_id": str(place.ids["section_id"]),
        "lesson_id": str(place.ids["lesson_id"]),
        "clock": SETTINGS.now().isoformat(),
        "device": device,
        "sequence": number,
        "child_id": str(place.ids["child_id"]),
        "part_id": str(place.ids["part_id"]),
        "concept": CONCEPTS[number % len(CONCEPTS)],
        "way": "sing",
        "voices": "alone",
        "help": "none",
        "result": "secure",
    }


def sent(browser: Browser, events: list[dict[str, object]]) -> list[str]:
    body = json.dumps({"sent": SETTINGS.now().isoformat(), "events": events}).encode()
    return [one["outcome"] for one in browser.post("/api/events", body)]


def kept(room: Room) -> int:
    found = room.plain.execute("SELECT count(*) FROM class_event WHERE kind = 'marked'").fetchone()
    return int(found[0]) if found else 0


def test_forty_devices(room: Room) -> None:
    names, numbers, times = [str(uuid.uuid4()) for _ in range(DEVICES)], [0] * DEVICES, list[float]()
    told, lock, began = list[str](), threading.Lock(), time.monotonic()

    def marking(device: int) -> None:
        """One mark whenever its turn comes: together the devices make so many a second."""
        for turn in range(int(SECONDS * A_SECOND / DEVICES) + 1):
            due = began + (turn * DEVICES + device) / A_SECOND
            time.sleep(max(0.0, due - time.monotonic()))
            numbers[device] += 1
            one = mark(room.place, names[device], numbers[device])
            start = time.perf_counter()
            outcome = sent(room.devices[device], [one])
            with lock:
                times.append(time.perf_counter() - start)
                told.extend(outcome)

    with ThreadPoolExecutor(DEVICES) as pool:
        list(pool.map(marking, range(DEVICES)))
    assert set(told) == {"taken"}
    assert kept(room) == len(told)
    print(
        f"\n{DEVICES} devices, {A_SECOND} marks a second, {len(told)} in all: p95 {1000 * p95(times):.0f} ms (wanted 100)"
    )

    before = kept(room)
    boxes = [[mark(room.place, names[d], numbers[d] + n + 1) for n in range(OUTBOX)] for d in range(DEVICES)]
    asked, over = list[float](), threading.Event()

    def asking() -> None:
        while not over.is_set():
            start = time.perf_counter()
            room.browser.get(f"/api/sections/{room.place.ids['section_id']}/ledger")
            asked.append(time.perf_counter() - start)

    ledger = threading.Thread(target=asking)
    ledger.start()
    start = time.perf_counter()
    with ThreadPoolExecutor(DEVICES) as pool:
        told = [x for found in pool.map(sent, room.devices, boxes) for x in found]
    took = time.perf_counter() - start
    over.set()
    ledger.join()
    assert (set(told), kept(room) - before) == ({"taken"}, DEVICES * OUTBOX)
    print(
        f"{DEVICES} outboxes of {OUTBOX} marks at once: all in within {took:.1f} s (wanted 20), none lost; "
        f"meanwhile the ledger answered {len(asked)} times, at the slowest in {max(asked):.2f} s"
    )


GRID = """SELECT s.child_id, s.concept, s.level, s.partly, s.last_full FROM standing s JOIN child c ON c.id = s.child_id
WHERE c.section_id = %s"""


def test_a_section_in_a_school_of_a_million_marks(room: Room) -> None:
    found = room.plain.execute("SELECT id FROM class_event WHERE kind = 'marked' LIMIT 1").fetchone()
    if found is None:
        sent(room.browser, [mark(room.place, str(uuid.uuid4()), 1)])
        found = room.plain.execute("SELECT id FROM class_event WHERE kind = 'marked' LIMIT 1").fetchone()
    assert found is not None
    room.plain.execute(FILL, (MARKS, found[0]))
    room.plain.execute("ANALYZE")
    section = room.place.ids["section_id"]
    mine, bare = alternating(
        60,
        lambda: room.browser.get(f"/api/sections/{section}/ledger"),
        lambda: room.plain.execute(GRID, (section,)).fetchall(),
    )
    say(f"a section's ledger among {kept(room)} marks; p95", p95(mine), p95(bare), "at most 2.5, under 60 ms")
