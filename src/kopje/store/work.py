"""The unit of work: one transaction for one thing a teacher does. Nothing else commits."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

import psycopg
from pydantic_core import from_json
from sqlalchemy import Connection, Engine, create_engine, text
from sqlalchemy.orm import Session

from kopje.core.errors import BusyError


def engine_for(url: str) -> Engine:
    """Each connection is asked whether it still holds before it is used: the server behind it may have been
    started again."""
    return create_engine(url, pool_size=10, max_overflow=10, json_deserializer=from_json, pool_pre_ping=True)


@dataclass(frozen=True)
class UnitOfWork:
    """On an engine; or on one connection, whose own transaction then holds everything (the tests)."""

    bind: Engine | Connection

    @contextmanager
    def begin(self) -> Iterator[Session]:
        """A session that is committed at the end, and rolled back when anything is raised."""
        with (
            Session(self.bind, expire_on_commit=False, join_transaction_mode="create_savepoint") as session,
            session.begin(),
        ):
            yield session

    @contextmanager
    def read(self) -> Iterator[Session]:
        """For looking only: everything is seen as it was at one moment, and nothing can be changed."""
        if isinstance(self.bind, Connection):
            with self.begin() as session:
                yield session
            return
        still = self.bind.execution_options(isolation_level="REPEATABLE READ", postgresql_readonly=True)
        with Session(still, autoflush=False, expire_on_commit=False) as session, session.begin():
            yield session

    @contextmanager
    def copying(self) -> Iterator[psycopg.Connection[Any]]:
        """The driver's own connection, for looking only; it too sees everything as it was at one moment."""
        if isinstance(self.bind, Connection):
            yield self.bind.connection.driver_connection  # type: ignore[misc]  # psycopg is our only driver
            return
        still = self.bind.execution_options(isolation_level="REPEATABLE READ", postgresql_readonly=True)
        with still.connect() as connection:
            yield connection.connection.driver_connection  # type: ignore[misc]

    @property
    def engine(self) -> Engine:
        return self.bind.engine

    def ask(self) -> None:
        """Whether the database answers; SQLAlchemyError where it does not."""
        with self.read() as session:
            session.execute(text("SELECT 1"))

    @contextmanager
    def alone(self, what: str) -> Iterator[None]:
        """Hold the right to work something out, among all server processes on this database; BusyError if it
        is taken.

        It is held outside any transaction, for as long as the thinking takes, and falls with its connection.
        """
        if isinstance(self.bind, Connection):
            yield
            return
        with self._locked("pg_try_advisory_lock", what):
            yield

    @contextmanager
    def in_turn(self, what: str) -> Iterator[None]:
        """The same, but whoever comes second waits."""
        if isinstance(self.bind, Connection):
            yield
            return
        with self._locked("pg_advisory_lock", what):
            yield

    @contextmanager
    def _locked(self, how: str, what: str) -> Iterator[None]:
        key = {"what": what}
        with self.bind.execution_options(isolation_level="AUTOCOMMIT").connect() as connection:  # type: ignore[union-attr]
            got = connection.scalar(text(f"SELECT {how}(hashtextextended(:what, 7102))"), key)
            if got is False:
                raise BusyError("busy_solving", value=what)
            try:
                yield
            finally:
                connection.execute(text("SELECT pg_advisory_unlock(hashtextextended(:what, 7102))"), key)
