"""Exercises to read, as they were made for a class."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from sqlalchemy import ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool


class Exercise(OfSchool):
    """One exercise that was shown to a class. `wish` says how it was to be, `source` its notes as ABC, `do`
    where plain do lies (`F4`), `told` what it is told by (core/practice/reading/served.py). `number` counts
    those of the class; `song_id` where it is a phrase of a song,
    `part_id` where it was opened by a part of a lesson."""

    __tablename__ = "exercise"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    number: Mapped[int]
    wish: Mapped[Json]
    source: Mapped[str]
    do: Mapped[str]
    resting: Mapped[str]
    told: Mapped[Json]
    song_id: Mapped[UUID | None] = mapped_column(ForeignKey("song.id", ondelete="SET NULL"))
    made: Mapped[datetime]
    part_id: Mapped[UUID | None] = mapped_column(index=True)
    __table_args__ = (UniqueConstraint("section_id", "number"),)
