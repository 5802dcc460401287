"""The songbook's tables."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import Index, Integer, Text, UniqueConstraint
from sqlalchemy.dialects.postgresql import ARRAY
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool


class Song(OfSchool):
    """A song as it came: its file's bytes are the truth, the analysis is worked out from them."""

    __tablename__ = "song"
    title: Mapped[str]
    filename: Mapped[str]
    source: Mapped[bytes] = mapped_column(deferred=True)  # lists do not need it
    content_hash: Mapped[str]
    facts: Mapped[Json]
    annotations: Mapped[Json] = mapped_column(server_default="{}")  # the teacher's word on its analysis
    added: Mapped[datetime]
    removed: Mapped[datetime | None]  # out of the songbook; it can be taken back
    shipped: Mapped[bool]
    elements: Mapped[list[str]] = mapped_column(
        ARRAY(Text), server_default="{}"
    )  # tones, figures (core/songs/facts.py)
    features: Mapped[list[str]] = mapped_column(ARRAY(Text), server_default="{}")
    fits: Mapped[list[int]] = mapped_column(
        ARRAY(Integer), server_default="{}"
    )  # grades in whose range it lies
    summary: Mapped[Json] = mapped_column(server_default="{}")  # its row in the songbook
    search: Mapped[str] = mapped_column(server_default="")
    card: Mapped[Json] = mapped_column(
        server_default="{}"
    )  # what planning needs of it (core/songs/contents.py)
    facts_version: Mapped[int] = mapped_column(
        server_default="0"
    )  # by which version of the analysis these were worked out
    __table_args__ = (
        UniqueConstraint("school_id", "content_hash"),
        Index("ix_song_elements", "elements", postgresql_using="gin"),
        Index("ix_song_order", "school_id", "title", "id"),
    )


class KeptQuestion(OfSchool):
    """A sentence that asks the songbook, kept under a name."""

    __tablename__ = "kept_question"
    name: Mapped[str]
    asked: Mapped[Json]
    __table_args__ = (UniqueConstraint("school_id", "name"),)
