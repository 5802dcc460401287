"""Adults: who they are, how they get in, on which devices they are signed in."""

from __future__ import annotations

from datetime import date, datetime
from uuid import UUID

from sqlalchemy import ForeignKey, text
from sqlalchemy.orm import Mapped, mapped_column

from kopje.store.base import Json, OfSchool, Table, one_of

ROLES = ("owner", "teacher", "substitute", "viewer")


class Teacher(OfSchool):
    """An adult of the school. `until`: the last day; `removed`: lets in no longer, while marks go on saying
    who made them."""

    __tablename__ = "teacher"
    login: Mapped[str] = mapped_column(unique=True)
    name: Mapped[str]
    role: Mapped[str]
    password_hash: Mapped[str]
    until: Mapped[date | None]
    removed: Mapped[datetime | None]
    __table_args__ = (one_of("role", *ROLES),)


class SignIn(Table):
    """A server-side session; only the hash of its token is kept. `agent`: what the browser calls itself."""

    __tablename__ = "sign_in"
    token_hash: Mapped[str] = mapped_column(primary_key=True)
    id: Mapped[UUID] = mapped_column(unique=True, server_default=text("gen_random_uuid()"))
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id", ondelete="CASCADE"), index=True)
    created: Mapped[datetime]
    expires: Mapped[datetime]
    agent: Mapped[str] = mapped_column(server_default="")


class FailedSignIn(Table):
    """A try that has not succeeded (or not yet). `client`: a hash of where it came from: an address, or a
    device on which this login has succeeded before."""

    __tablename__ = "failed_sign_in"
    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    login: Mapped[str] = mapped_column(index=True)
    client: Mapped[str] = mapped_column(server_default="", index=True)
    moment: Mapped[datetime]


class KnownDevice(Table):
    """A device on which somebody has signed in: its tries are counted apart, so that no stranger's wrong
    passwords keep a teacher out."""

    __tablename__ = "known_device"
    token_hash: Mapped[str] = mapped_column(primary_key=True)
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id", ondelete="CASCADE"), primary_key=True)
    expires: Mapped[datetime]


class Invitation(OfSchool):
    """A link that works once. `teacher_id`: somebody who is there already and gets a new password."""

    __tablename__ = "invitation"
    teacher_id: Mapped[UUID | None] = mapped_column(ForeignKey("teacher.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    role: Mapped[str]
    until: Mapped[date | None]
    token_hash: Mapped[str] = mapped_column(unique=True)
    expires: Mapped[datetime]
    sections: Mapped[list[str]] = mapped_column(server_default="[]")  # the ids of those it is given
    __table_args__ = (one_of("role", *ROLES),)


class AdultSection(Table):
    """A section that was given to an adult."""

    __tablename__ = "adult_section"
    teacher_id: Mapped[UUID] = mapped_column(ForeignKey("teacher.id", ondelete="CASCADE"), primary_key=True)
    section_id: Mapped[UUID] = mapped_column(
        ForeignKey("section.id", ondelete="CASCADE"), primary_key=True, index=True
    )


class Projector(Table):
    """A screen on another device. It asks under its token; until somebody types its `code` it shows nothing
    but that. `frame`: what it is to show."""

    __tablename__ = "projector"
    id: Mapped[UUID] = mapped_column(primary_key=True)
    token_hash: Mapped[str] = mapped_column(unique=True)
    code: Mapped[str | None] = mapped_column(unique=True)
    client: Mapped[str]  # a hash of the address it asked from
    teacher_id: Mapped[UUID | None] = mapped_column(ForeignKey("teacher.id", ondelete="CASCADE"), index=True)
    frame: Mapped[Json | None]
    expires: Mapped[datetime]
