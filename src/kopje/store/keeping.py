"""How backups are made here: one row."""

from __future__ import annotations

from sqlalchemy import Engine, inspect, text
from sqlalchemy.orm import Session

from kopje.store.tables import Keeping


def keeping(session: Session, locked: bool = False) -> Keeping:
    """As it is told; where nothing was, everything is as usual. `locked`: whoever comes second waits."""
    found = session.get(Keeping, 1, with_for_update=locked)
    if found is None:
        found = Keeping(id=1)
        session.add(found)
        session.flush()
    return found


def told(session: Session) -> Keeping:
    """For looking only: nothing is written."""
    return session.get(Keeping, 1) or Keeping(id=1)


def told_to_an_older_version(engine: Engine) -> tuple[str | None, str | None, bytes | None]:
    """The folder, the recipient and the key, whatever else this database's tables have or lack."""
    if not inspect(engine).has_table(Keeping.__tablename__):
        return None, None, None
    with engine.connect() as connection:
        row = connection.execute(text("SELECT folder, recipient, seal_key FROM keeping")).one_or_none()
    return (row[0], row[1], row[2]) if row else (None, None, None)
