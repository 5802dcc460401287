"""What belongs to the machine that runs Kopje rather than to a school."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import CheckConstraint
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, Table


class Keeping(Table):
    """How backups are made here; one row, which is not in them. `folder` None: the usual one. Sealed where
    there is a `recipient`; `seal_key` is useless without the passphrase. `trouble`: why the last one could
    not be made or read, as a reason."""

    __tablename__ = "keeping"
    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=False)
    folder: Mapped[str | None]
    recipient: Mapped[str | None]
    seal_key: Mapped[bytes | None]
    checked: Mapped[datetime | None]  # when all of them were read last
    tried: Mapped[datetime | None]  # when one was last restored into a scratch database
    trouble: Mapped[Json | None]
    __table_args__ = (
        CheckConstraint("id = 1", name="one"),
        CheckConstraint("(recipient IS NULL) = (seal_key IS NULL)", name="seal"),
    )
