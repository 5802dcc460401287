"""Facts: events that are only ever added, and what is kept of their sums so that pages are quick.

Everything below the events can be worked out again from them (`kopje rebuild`), and nothing in it depends on
today."""

from __future__ import annotations

from datetime import date, datetime, time
from uuid import UUID

from sqlalchemy import BigInteger, ForeignKey, Index, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from kopje.core.ledger.events import KINDS
from kopje.store.base import Json, OfSchool, Table, one_of


class Event(OfSchool):
    """Something that happened in a class. `id` and `sequence` were made on the device; `lesson_id` names a
    lesson that may be planned no more. Erasing a child takes its events along; else no row is ever changed
    or taken away."""

    __tablename__ = "class_event"
    kind: Mapped[str]
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"))
    lesson_id: Mapped[UUID]
    day: Mapped[date]
    moment: Mapped[datetime]
    clock: Mapped[datetime]  # what the device said
    off_day: Mapped[bool]
    received: Mapped[datetime]
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id"))
    device: Mapped[UUID]
    sequence: Mapped[int] = mapped_column(BigInteger)
    child_id: Mapped[UUID | None] = mapped_column(ForeignKey("child.id", ondelete="CASCADE"))
    part_id: Mapped[UUID | None]
    target_id: Mapped[UUID | None]
    concept: Mapped[str | None]  # of a mark, or of a word on a standing
    body: Mapped[Json]
    __table_args__ = (
        one_of("kind", *KINDS),
        UniqueConstraint("teacher_id", "device", "sequence"),
        Index("ix_class_event_mark", "child_id", "concept", postgresql_where="concept IS NOT NULL"),
        Index("ix_class_event_lesson", "section_id", "lesson_id"),
        Index("ix_class_event_target", "target_id", postgresql_where="target_id IS NOT NULL"),
    )


class AsideEvent(OfSchool):
    """An event that could not be taken, whole, with the reason, until the teacher settles it."""

    __tablename__ = "aside_event"
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id"), index=True)
    event: Mapped[Json]
    reason: Mapped[Json]
    received: Mapped[datetime]
    settled: Mapped[datetime | None]


class FactsRow(Table):
    """What the events of a section add up to (core/planning/facts.py). `version` rises with every change."""

    __tablename__ = "section_facts"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"), index=True)
    facts: Mapped[Json]
    version: Mapped[int]


class SongMetRow(Table):
    """The songs of these facts once more, one a row, so that the songbook answers in one query."""

    __tablename__ = "song_met"
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), primary_key=True)
    song_id: Mapped[UUID] = mapped_column(primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"))
    lessons: Mapped[int]
    last: Mapped[date]


class StandingRow(Table):
    """The standing of a child in a concept as last worked out from its marks. Whether it is due is told when
    it is read."""

    __tablename__ = "standing"
    child_id: Mapped[UUID] = mapped_column(ForeignKey("child.id", ondelete="CASCADE"), primary_key=True)
    concept: Mapped[str] = mapped_column(primary_key=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"))
    level: Mapped[str]
    partly: Mapped[bool]
    last_full: Mapped[date | None]
    last_alone: Mapped[date | None]
    reasons: Mapped[list[Json]]
    word: Mapped[str | None]  # the teacher's, beside what was worked out; counts before it
    word_note: Mapped[str] = mapped_column(server_default="")
    word_day: Mapped[date | None]

    @property
    def counts(self) -> str:
        """The level that counts: the teacher's word, where there is one."""
        return self.word or self.level

    @property
    def fades_from(self) -> date | None:
        """The day from which it is told whether it is due; a word never is."""
        return None if self.word else self.last_full

    __table_args__ = (one_of("level", "not_heard", "not_yet", "nearly", "once", "secure"),)


class HeldLessonRow(Table):
    """A lesson as its events tell it (core/ledger/held.py); `id` is the planned lesson's, which may
    be gone."""

    __tablename__ = "held_lesson"
    id: Mapped[UUID] = mapped_column(primary_key=True)
    section_id: Mapped[UUID] = mapped_column(ForeignKey("section.id", ondelete="CASCADE"), index=True)
    school_id: Mapped[UUID] = mapped_column(ForeignKey("school.id", ondelete="CASCADE"))
    day: Mapped[date]
    starts: Mapped[time]
    minutes: Mapped[int]
    state: Mapped[str]
    note: Mapped[str]
    started: Mapped[datetime | None]
    ended: Mapped[datetime | None]
    parts: Mapped[list[Json]]
    absent: Mapped[list[str]]
    __table_args__ = (one_of("state", "running", "done", "not_held"),)
