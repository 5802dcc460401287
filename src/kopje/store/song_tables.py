"""The songbook's tables."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import CheckConstraint, Index, Integer, Text, UniqueConstraint, text
from sqlalchemy.dialects.postgresql import ARRAY
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool, one_of


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


class Recording(OfSchool):
    """A recorded piece: what was tapped while it was heard. The sound is the teacher's own file or disc and
    never kept here; our own pieces have their notes in `source` and sound by themselves."""

    __tablename__ = "recording"
    title: Mapped[str]
    length: Mapped[int]  # milliseconds
    style: Mapped[str]
    rights: Mapped[str]
    place: Mapped[str]  # where the sound is to be found
    question: Mapped[str]  # what to listen for
    feel: Mapped[str]
    marks: Mapped[list[Json]]
    tags: Mapped[list[str]]
    source: Mapped[bytes | None] = mapped_column(deferred=True)
    filename: Mapped[str]  # of our own piece; empty for others
    added: Mapped[datetime]
    removed: Mapped[datetime | None]  # off the shelf; it can be taken back
    __table_args__ = (
        one_of("feel", "two", "three", "four", "swaying", "free"),
        CheckConstraint("length BETWEEN 5000 AND 1800000", name="length"),
        CheckConstraint("(filename = '') = (source IS NULL)", name="source"),
        Index(
            "uq_recording_shipped",
            "school_id",
            "filename",
            unique=True,
            postgresql_where=text("filename <> ''"),
        ),
    )


class KeptQuestion(OfSchool):
    """A sentence that asks the songbook, kept under a name."""

    __tablename__ = "kept_question"
    name: Mapped[str]
    asked: Mapped[Json]
    __table_args__ = (UniqueConstraint("school_id", "name"),)
