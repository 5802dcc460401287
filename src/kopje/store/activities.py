"""The activities that a school wrote, and what it keeps beside any activity."""

from __future__ import annotations

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from kopje.store.owned import owned
from kopje.store.tables import ActivityNote, Attachment, OwnActivity


def own(session: Session, school_id: UUID) -> Sequence[OwnActivity]:
    """In the order in which they were written, also those put away."""
    mine = select(OwnActivity).where(OwnActivity.school_id == school_id)
    return session.scalars(mine.order_by(OwnActivity.made, OwnActivity.key)).all()


def one(session: Session, school_id: UUID, key: str) -> OwnActivity | None:
    mine = select(OwnActivity).where(OwnActivity.school_id == school_id, OwnActivity.key == key)
    return session.scalar(mine)


def note(session: Session, school_id: UUID, activity: str) -> ActivityNote | None:
    return session.scalar(
        select(ActivityNote).where(ActivityNote.school_id == school_id, ActivityNote.activity == activity)
    )


def notes(session: Session, school_id: UUID) -> Sequence[ActivityNote]:
    return session.scalars(select(ActivityNote).where(ActivityNote.school_id == school_id)).all()


def noted(session: Session, school_id: UUID) -> set[str]:
    """Activities with a note, links or files."""
    notes = session.scalars(select(ActivityNote.activity).where(ActivityNote.school_id == school_id))
    files = session.scalars(select(Attachment.activity).where(Attachment.school_id == school_id))
    return {*notes, *files}


def attachments(session: Session, school_id: UUID, activity: str) -> Sequence[Attachment]:
    """Without what is in them."""
    mine = select(Attachment).where(Attachment.school_id == school_id, Attachment.activity == activity)
    return session.scalars(mine.order_by(Attachment.added, Attachment.id)).all()


def attachment(session: Session, school_id: UUID, file_id: UUID) -> Attachment:
    return owned(session, Attachment, school_id, file_id, "file")
