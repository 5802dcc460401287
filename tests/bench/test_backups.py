"""A backup of a million marks, out and in, beside PostgreSQL's own tools on the same rows."""

from __future__ import annotations

import os
import subprocess
import uuid
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import Engine, text

from api.conftest import make_school, signed_in, start_and_mark
from bench.timing import say, timed
from conftest import SETTINGS, new_database
from kopje.main import create_app
from kopje.store.cluster import binaries
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.setup.backups import Backups, restore

MARKS = int(os.environ.get("KOPJE_BENCH_MARKS", "1000000"))


@pytest.fixture(scope="module")
def school() -> Iterator[Engine]:
    """A school whose one mark is there a million times, each with an id of its own."""
    engine = engine_for(new_database("bench_backup"))
    work = UnitOfWork(engine)
    place = make_school(work, "Kestrel")
    start_and_mark(signed_in(TestClient(create_app(SETTINGS, work)), place), place)
    with engine.begin() as connection:
        columns = connection.execute(
            text(
                "SELECT string_agg(column_name, ', ') FROM information_schema.columns "
                "WHERE table_name = 'class_event' AND column_name NOT IN ('id', 'sequence', 'device')"
            )
        ).scalar()
        connection.execute(
            text(
                f"INSERT INTO class_event (id, sequence, device, {columns}) "
                f"SELECT gen_random_uuid(), n, :device, {columns} "
                "FROM (SELECT * FROM class_event WHERE kind = 'marked' LIMIT 1) one, generate_series(1, :marks) n"
            ),
            {"device": uuid.uuid4(), "marks": MARKS},
        )
        connection.execute(text("ANALYZE"))
    yield engine
    engine.dispose()


def test_out_and_in_beside_pg_dump_and_pg_restore(school: Engine, tmp_path: Path) -> None:
    url = school.url.set(drivername="postgresql").render_as_string(hide_password=False)
    ours, theirs = tmp_path / "ours.zip", tmp_path / "theirs.dump"
    backups = Backups(UnitOfWork(school), tmp_path)
    out, _ = timed(lambda: backups.write(ours, backups.now()))
    dump, _ = timed(lambda: _run("pg_dump", "--format=custom", f"--file={theirs}", url))
    say(f"backup of {MARKS} marks, beside pg_dump", out, dump, "<= 2")
    print(f"{ours.stat().st_size / 1e6:.0f} MB beside {theirs.stat().st_size / 1e6:.0f} MB")
    for name in ("bench_in", "bench_theirs"):
        new_database(name, "template0")
    engine = engine_for(school.url.set(database="bench_in").render_as_string(hide_password=False))
    back, _ = timed(lambda: restore(ours, engine, str))
    other = url.rsplit("/", 1)[0] + "/bench_theirs"
    undump, _ = timed(lambda: _run("pg_restore", f"--dbname={other}", str(theirs)))
    say("restoring it, beside pg_restore", back, undump, "<= 2")
    with engine.connect() as connection:
        assert connection.execute(text("SELECT count(*) FROM class_event")).scalar() > MARKS
    engine.dispose()


def _run(tool: str, *arguments: str) -> None:
    subprocess.run([str(binaries() / tool), *arguments], check=True)
