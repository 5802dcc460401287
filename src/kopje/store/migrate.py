"""Bringing a database to the current tables."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, text


def _config() -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    return config


def migrate(engine: Engine, revision: str = "head") -> None:
    """Several processes that start at once go one after the other; the later ones find nothing left to do."""
    with engine.begin() as connection:
        connection.execute(text("SELECT pg_advisory_xact_lock(7103)"))
        config = _config()
        config.attributes["connection"] = connection
        command.upgrade(config, revision)


def unmigrate(engine: Engine, revision: str = "base") -> None:
    with engine.begin() as connection:
        config = _config()
        config.attributes["connection"] = connection
        command.downgrade(config, revision)
