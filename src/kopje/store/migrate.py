"""Bringing a database to the current tables."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, text


def config() -> Config:
    """Where the migrations are, for Alembic."""
    found = Config()
    found.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    return found


def is_older(engine: Engine) -> bool:
    """Whether there are tables, and of an earlier version."""
    with engine.connect() as connection:
        there = MigrationContext.configure(connection).get_current_revision()
    return there is not None and there != ScriptDirectory.from_config(config()).get_current_head()


def migrate(engine: Engine, revision: str = "head") -> None:
    """Several processes that start at once go one after the other; the later ones find nothing left to do."""
    with engine.begin() as connection:
        connection.execute(text("SELECT pg_advisory_xact_lock(7103)"))
        settings = config()
        settings.attributes["connection"] = connection
        command.upgrade(settings, revision)


def unmigrate(engine: Engine, revision: str = "base") -> None:
    with engine.begin() as connection:
        settings = config()
        settings.attributes["connection"] = connection
        command.downgrade(settings, revision)
