"""What was changed by any server process on this database, heard at once: PostgreSQL's LISTEN and NOTIFY."""

from __future__ import annotations

import asyncio
from collections import defaultdict
from collections.abc import Iterator
from contextlib import contextmanager

import psycopg
import structlog
from psycopg import sql
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from kopje.store.work import UnitOfWork

CHANNEL = "kopje_changed"
AGAIN = 1.0  # seconds until a database that does not answer is asked again
log = structlog.get_logger()


def say_changed(session: Session, topic: str) -> None:
    """Told to everybody who watches the topic (at most some 7,000 letters) once the transaction is
    committed; never if it is not."""
    session.execute(select(func.pg_notify(CHANNEL, topic)))


class Notices:
    """One listener a process, whoever many watch. To be used in one event loop."""

    def __init__(self, work: UnitOfWork) -> None:
        self._work = work
        self._watched: dict[str, set[asyncio.Event]] = defaultdict(set)

    async def listen(self) -> None:
        """Until it is cancelled; through every loss of the database."""
        url = self._work.engine.url.set(drivername="postgresql").render_as_string(hide_password=False)
        while True:
            try:
                async with await psycopg.AsyncConnection.connect(url, autocommit=True) as connection:
                    await connection.execute(sql.SQL("LISTEN {}").format(sql.Identifier(CHANNEL)))
                    self._wake(*self._watched)  # what was said while nobody listened
                    async for notice in connection.notifies():
                        self._wake(notice.payload)
            except psycopg.OperationalError as problem:
                log.info("notices_lost", problem=str(problem))
            await asyncio.sleep(AGAIN)

    def _wake(self, *topics: str) -> None:
        for topic in topics:
            for event in self._watched.get(topic, ()):
                event.set()

    @contextmanager
    def on(self, topic: str) -> Iterator[asyncio.Event]:
        """Set whenever the topic may have changed; whoever watches clears it before looking."""
        event = asyncio.Event()
        self._watched[topic].add(event)
        try:
            yield event
        finally:
            self._watched[topic].discard(event)
            if not self._watched[topic]:
                del self._watched[topic]
