"""The unit of work: one transaction for one thing a teacher does. Nothing else commits."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session


def engine_for(url: str) -> Engine:
    return create_engine(url, pool_pre_ping=True, pool_size=10, max_overflow=10)


@dataclass(frozen=True)
class UnitOfWork:
    engine: Engine

    @contextmanager
    def begin(self) -> Iterator[Session]:
        """A session that is committed at the end, and rolled back when anything is raised."""
        with Session(self.engine, expire_on_commit=False) as session, session.begin():
            yield session
