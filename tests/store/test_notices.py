"""What another process changed is heard: after its commit, by whoever watches it, also after the database was
cut off for a moment."""

from __future__ import annotations

import asyncio
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

import pytest
from sqlalchemy import Engine, text

from conftest import new_database
from kopje.store.notices import Notices, say_changed
from kopje.store.work import UnitOfWork, engine_for

SOON = 60.0  # seconds at most; a busy machine is slow, not wrong
MIND, OTHER = "projector 1", "projector 2"


@pytest.fixture
def engine(worker: str) -> Iterator[Engine]:
    engine = engine_for(new_database(f"notices_{worker}"))
    yield engine
    engine.dispose()


def listeners(engine: Engine) -> int:
    with engine.begin() as connection:
        asked = "SELECT count(pg_terminate_backend(pid)) FROM pg_stat_activity WHERE query LIKE 'LISTEN %'"
        return connection.scalar(text(asked + " AND datname = current_database()")) or 0


async def heard(watched: asyncio.Event) -> None:
    await asyncio.wait_for(watched.wait(), SOON)
    watched.clear()


def test_a_change_is_heard_once_it_is_kept_by_those_who_watch_it(engine: Engine) -> None:
    async def story() -> None:
        notices = Notices(UnitOfWork(engine))
        with notices.on(MIND) as mine, notices.on(OTHER) as other:
            listening = asyncio.create_task(notices.listen())
            await heard(mine)  # what was said before it listened may have been missed
            await heard(other)
            with UnitOfWork(engine).begin() as session:
                say_changed(session, OTHER)
                session.rollback()
            with UnitOfWork(engine).begin() as session:
                say_changed(session, MIND)
            await heard(mine)
            assert not other.is_set()  # it would have come before
            assert listeners(engine) == 1  # and it is cut off
            await heard(mine)  # it listens again, and whatever was said meanwhile is looked at
            with UnitOfWork(engine).begin() as session:
                say_changed(session, MIND)
            await heard(mine)
            listening.cancel()

    with ThreadPoolExecutor(1) as pool:  # of its own: a browser may be run from this one
        pool.submit(asyncio.run, story()).result()
