"""One throw-away PostgreSQL for a run; each worker has its own database, each test its own transaction."""

from __future__ import annotations

import atexit
import os
import shutil
import tempfile
from collections.abc import Iterator
from datetime import date, time
from pathlib import Path

import psycopg
import pytest
from sqlalchemy import Connection, Engine

from kopje.settings import Settings
from kopje.store.cluster import Cluster
from kopje.store.migrate import migrate
from kopje.store.work import UnitOfWork, engine_for

TODAY = date(2026, 11, 24)
EMPTY = "template_kopje"
DATA = Path(tempfile.mkdtemp(prefix="kopje-test-data-"))
atexit.register(shutil.rmtree, DATA, ignore_errors=True)
SETTINGS = Settings(today=TODAY, clock=time(9, 5), data=DATA, hosts="testserver")
_cluster: Cluster | None = None


def pytest_configure(config: pytest.Config) -> None:
    """In the controlling process only: start the server, migrate the template."""
    global _cluster
    if hasattr(config, "workerinput") or "KOPJE_TEST_DATABASE" in os.environ:
        return
    folder = Path(tempfile.mkdtemp(prefix="kopje-test-"))
    folder.chmod(0o755)
    _cluster = Cluster(folder / "cluster", throw_away=True).start()
    engine = engine_for(_cluster.ensure(EMPTY))
    migrate(engine)
    engine.dispose()
    os.environ["KOPJE_TEST_DATABASE"] = _cluster.conninfo("{name}")


def pytest_unconfigure(config: pytest.Config) -> None:
    global _cluster
    if _cluster is not None:
        _cluster.stop()
        shutil.rmtree(_cluster.folder.parent, ignore_errors=True)
        os.environ.pop("KOPJE_TEST_DATABASE", None)
        _cluster = None


def new_database(name: str, template: str = EMPTY) -> str:
    """A fresh database from the migrated template; its SQLAlchemy URL."""
    conninfo = os.environ["KOPJE_TEST_DATABASE"]
    with psycopg.connect(conninfo.format(name="postgres"), autocommit=True) as connection:
        connection.execute(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
        connection.execute(f'CREATE DATABASE "{name}" TEMPLATE "{template}"')
    return conninfo.format(name=name).replace("postgresql://", "postgresql+psycopg://")


@pytest.fixture(scope="session")
def worker() -> str:
    return os.environ.get("PYTEST_XDIST_WORKER", "main")


@pytest.fixture(scope="session")
def engine(worker: str) -> Iterator[Engine]:
    engine = engine_for(new_database(f"kopje_{worker}"))
    yield engine
    engine.dispose()


@pytest.fixture(autouse=True)
def _zero_stays_zero() -> Iterator[None]:
    """A fraction made from text by the compiled library changes an object that all of Python shares
    (core/exact.py); it is found in the test that did it, not in the one that reads a zero afterwards."""
    yield
    assert bytes([0]) == bytearray(1), "a fraction was made from text: use kopje.core.exact.parsed"


@pytest.fixture
def connection(engine: Engine) -> Iterator[Connection]:
    """Everything a test does is undone."""
    with engine.connect() as connection:
        outer = connection.begin()
        yield connection
        outer.rollback()


@pytest.fixture
def work(connection: Connection) -> UnitOfWork:
    return UnitOfWork(connection)
