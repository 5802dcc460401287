"""The unit of work: one transaction for one thing a teacher does. Nothing else commits."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

from sqlalchemy import Connection, Engine, create_engine
from sqlalchemy.orm import Session


def engine_for(url: str) -> Engine:
    return create_engine(url, pool_size=10, max_overflow=10)


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
        """For looking only: no transaction is begun or ended, which saves two trips to the database a page."""
        if isinstance(self.bind, Connection):
            with self.begin() as session:
                yield session
        else:
            with Session(
                self.bind.execution_options(isolation_level="AUTOCOMMIT"), autoflush=False
            ) as session:
                yield session
