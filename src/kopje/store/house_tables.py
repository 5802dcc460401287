"""How a school's data are kept: backups, how long, who looked, who was erased."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from sqlalchemy import CheckConstraint, ForeignKey, Index
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool, Table


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


class Retention(Table):
    """How long a school keeps what it need not keep for ever."""

    __tablename__ = "retention"
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), primary_key=True)
    left_years: Mapped[int]  # school years after a child has left
    log_days: Mapped[int]
    __table_args__ = (
        CheckConstraint("left_years BETWEEN 0 AND 20", name="left_years"),
        CheckConstraint("log_days BETWEEN 30 AND 3650", name="log_days"),
    )


class Written(Table):
    """How often something that is written as a whole was written, who did it last, and when."""

    __tablename__ = "written"
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), primary_key=True)
    name: Mapped[str] = mapped_column(primary_key=True)  # its address: /songs/…
    number: Mapped[int]
    teacher_id: Mapped[UUID | None]
    moment: Mapped[datetime | None]


class Access(OfSchool):
    """Somebody looked at a child's page, or took data out. Neither the adult nor the child need be there any
    more."""

    __tablename__ = "access"
    moment: Mapped[datetime]
    teacher_id: Mapped[UUID]
    what: Mapped[str]
    child_id: Mapped[UUID | None]
    __table_args__ = (Index("ix_access_moment", "school_id", "moment"),)


class ErasedChild(Table):
    """A child that was erased: an id without a name, so that what a device still tells of it is known for
    what it is."""

    __tablename__ = "erased_child"
    child_id: Mapped[UUID] = mapped_column(primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), index=True)
    erased: Mapped[datetime]
