"""Bringing a database to the current tables."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine


def _config() -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    return config


def migrate(engine: Engine, revision: str = "head") -> None:
    with engine.begin() as connection:
        config = _config()
        config.attributes["connection"] = connection
        command.upgrade(config, revision)


def unmigrate(engine: Engine, revision: str = "base") -> None:
    with engine.begin() as connection:
        config = _config()
        config.attributes["connection"] = connection
        command.downgrade(config, revision)
