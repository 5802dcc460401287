"""The ledger of 30 children in 60 concepts: the endpoint, as a browser asks, beside its one SELECT."""

from __future__ import annotations

from collections.abc import Iterator
from statistics import median
from uuid import uuid4

import psycopg
import pytest

from api.conftest import make_school
from bench.serving import Browser, serving
from bench.timing import alternating, p95, say
from conftest import new_database
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.store.work import UnitOfWork, engine_for

SELECT = """SELECT s.child_id, s.concept, s.level, s.partly, s.last_full FROM standing s JOIN child c ON c.id = s.child_id
WHERE c.section_id = %s AND c.joined <= current_date + 3650 AND c."left" IS NULL"""


@pytest.fixture(scope="module")
def grid() -> Iterator[tuple[Browser, str, psycopg.Connection]]:
    engine = engine_for(new_database("bench_ledger"))
    place = make_school(UnitOfWork(engine), "Bench")
    plain = psycopg.connect(engine.url.set(drivername="postgresql").render_as_string(hide_password=False))
    _fill(plain, place.ids["section_id"])
    with serving(engine, "bench") as browser:
        yield browser, place.ids["section_id"], plain
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
            """INSERT INTO standing (child_id, concept, school_id, level, partly, last_full, last_alone, reasons)
            SELECT id, %s, school_id, 'secure', false, '2026-11-20', '2026-11-20', '[]' FROM child WHERE section_id = %s""",
            (concept.key, section),
        )
    plain.commit()
    plain.autocommit = True
    plain.execute("ANALYZE")


def test_the_grid(grid: tuple[Browser, str, psycopg.Connection]) -> None:
    browser, section, plain = grid

    def asked() -> int:
        found = browser.get(f"/api/sections/{section}/ledger")
        return sum(len(row.split()) for row in found["stones"].values())

    def selected() -> int:
        return len(plain.execute(SELECT, (section,)).fetchall())

    assert asked() == selected()
    endpoint, reference = alternating(200, asked, selected)
    say(f"ledger of {selected()} stones, median", median(endpoint), median(reference), "of interest")
    say(f"ledger of {selected()} stones, p95", p95(endpoint), p95(reference), "at most 3")
