"""The ledger of 30 children in 60 concepts: the endpoint, as a browser asks, beside its one SELECT."""

from __future__ import annotations

import http.client
import json
import os
import subprocess
import sys
import time
from collections.abc import Iterator
from statistics import median
from uuid import uuid4

import psycopg
import pytest

from api.conftest import PASSWORD, make_school
from bench.timing import alternating, p95, say
from conftest import new_database
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.store.cluster import free_port
from kopje.store.work import UnitOfWork, engine_for

SELECT = """SELECT s.child_id, s.concept, s.level, s.flag FROM standing s JOIN child c ON c.id = s.child_id
WHERE c.section_id = %s AND c.joined <= current_date + 3650 AND c."left" IS NULL"""


@pytest.fixture(scope="module")
def grid() -> Iterator[tuple[http.client.HTTPConnection, dict[str, str], str, psycopg.Connection]]:
    engine = engine_for(new_database("bench_ledger"))
    work, port = UnitOfWork(engine), free_port()
    place = make_school(work, "Bench")
    plain = psycopg.connect(engine.url.set(drivername="postgresql").render_as_string(hide_password=False))
    _fill(plain, place.ids["section_id"])
    address = engine.url.render_as_string(hide_password=False)
    server = subprocess.Popen([sys.executable, "-m", "kopje.cli", "serve"], stdout=subprocess.PIPE,
        env={**os.environ, "KOPJE_DATABASE_URL": address, "KOPJE_PORT": str(port), "KOPJE_TODAY": "2026-11-24T09:05"})  # fmt: skip
    assert server.stdout is not None
    said = server.stdout.readline()
    assert b"Kopje is at" in said, said
    time.sleep(1)
    browser = http.client.HTTPConnection("127.0.0.1", port)
    browser.request("POST", "/api/sign-in", json.dumps({"login": "bench", "password": PASSWORD}),
                    {"content-type": "application/json", "x-kopje-request": "1"})  # fmt: skip
    answer = browser.getresponse()
    answer.read()
    headers = {"cookie": answer.headers["set-cookie"].split(";")[0]}
    yield browser, headers, place.ids["section_id"], plain
    browser.close()
    server.terminate()
    server.wait()
    plain.close()
    engine.dispose()


def _fill(plain: psycopg.Connection, section: str) -> None:
    school = plain.execute("SELECT school_id FROM section WHERE id = %s", (section,)).fetchone()[0]  # type: ignore[index]
    for n in range(24):
        plain.execute(
            "INSERT INTO child (id, school_id, section_id, name, joined) VALUES (%s, %s, %s, %s, '2026-09-01')",
            (uuid4(), school, section, f"Child {n}"),
        )
    for concept in SO_MI_FIRST.concepts[:60]:
        plain.execute(
            """INSERT INTO standing (child_id, concept, school_id, level, flag, sentence)
            SELECT id, %s, school_id, 'secure', '', 'Secure alone on two days.' FROM child WHERE section_id = %s""",
            (concept.key, section),
        )
    plain.commit()
    plain.autocommit = True
    plain.execute("ANALYZE")


def test_the_grid(
    grid: tuple[http.client.HTTPConnection, dict[str, str], str, psycopg.Connection],
) -> None:
    browser, headers, section, plain = grid

    def asked() -> int:
        browser.request("GET", f"/api/sections/{section}/ledger", headers=headers)
        return sum(len(row.split()) for row in json.loads(browser.getresponse().read())["stones"].values())

    def selected() -> int:
        return len(plain.execute(SELECT, (section,)).fetchall())

    assert asked() == selected()
    endpoint, reference = alternating(200, asked, selected)
    say(f"ledger of {selected()} stones, median", median(endpoint), median(reference), "of interest")
    say(f"ledger of {selected()} stones, p95", p95(endpoint), p95(reference), "at most 3")
