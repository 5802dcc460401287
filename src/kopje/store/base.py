"""What every table has in common: names of constraints, types, and that it belongs to a school."""

from __future__ import annotations

from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import CheckConstraint, DateTime, ForeignKey, LargeBinary, MetaData, Text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

Json = dict[str, Any]


class Table(DeclarativeBase):
    metadata = MetaData(
        naming_convention={
            "pk": "pk_%(table_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "ck": "ck_%(table_name)s_%(constraint_name)s",
            "ix": "ix_%(table_name)s_%(column_0_name)s",
        }
    )
    type_annotation_map = {  # noqa: RUF012
        str: Text,
        datetime: DateTime(timezone=True),
        Json: JSONB,
        list[Json]: JSONB,
        list[str]: JSONB,
        bytes: LargeBinary,
    }


def one_of(name: str, *words: str, null: bool = False) -> CheckConstraint:
    listed = ", ".join(f"'{word}'" for word in words)
    return CheckConstraint(f"{name} IN ({listed})" + (f" OR {name} IS NULL" if null else ""), name=name)


class OfSchool(Table):
    """What belongs to one school and goes with it."""

    __abstract__ = True
    id: Mapped[UUID] = mapped_column(primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), index=True)
