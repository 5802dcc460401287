"""The shelf of recorded pieces: bringing our own, adding, tapping anew, taking off and back."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import asdict, dataclass, replace
from functools import lru_cache
from pathlib import Path
from uuid import UUID

from kopje.core.errors import RecordingError
from kopje.core.planning.facts import read
from kopje.core.recordings.performance import Performance
from kopje.core.recordings.piece import Mark, Piece, PieceCard, tapped
from kopje.core.sequence.concepts import ConceptKey
from kopje.core.songs.suitability import Met
from kopje.formats.pieces import OwnPiece, read_piece
from kopje.store import recordings
from kopje.store import snapshot as snapshots
from kopje.store import tables as t
from kopje.usecases.context import Context


@dataclass(frozen=True)
class NewPiece:
    """A piece as the teacher tells it."""

    piece: Piece
    style: str
    rights: str
    place: str
    question: str

    @classmethod
    def of(
        cls, title: str, length: int, marks: Iterable[Mark], feel: str, tags: Iterable[str], **said: str
    ) -> NewPiece:
        return cls(tapped(title.strip(), length, marks, feel, tags), **said)


@dataclass(frozen=True)
class OnTheShelf:
    """A piece with where it was met: by section, its name and how often and when last."""

    row: t.Recording
    piece: Piece
    met: Mapping[str, Met]


def bring_shipped_pieces(ctx: Context, folder: Path) -> None:
    """Our own pieces; those that are there already stay as they are, those that were taken off come back."""
    there = recordings.shipped(ctx.session, ctx.school_id)
    for file in sorted(folder.glob("*.abc")):
        if file.name in there:
            there[file.name].removed = None
        else:
            data = file.read_bytes()
            own = _own(data, file.name)
            new = NewPiece(own.piece, own.style, own.rights, "", own.question)
            ctx.session.add(_filled(_blank(ctx, file.name, data), new))
    ctx.session.flush()


@lru_cache(maxsize=64)
def _own(data: bytes, filename: str) -> OwnPiece:
    return read_piece(data, filename)


def _blank(ctx: Context, filename: str = "", source: bytes | None = None) -> t.Recording:
    return t.Recording(
        id=ctx.new_id(), school_id=ctx.school_id, filename=filename, source=source, added=ctx.now
    )


def _filled(row: t.Recording, new: NewPiece) -> t.Recording:
    piece = new.piece
    row.title, row.length, row.feel = piece.title, piece.length, piece.feel
    row.style, row.rights, row.place, row.question = new.style, new.rights, new.place, new.question
    row.marks = [asdict(mark) for mark in piece.marks]
    row.tags = sorted(piece.tags)
    return row


def piece_of(row: t.Recording) -> Piece:
    marks = tuple(Mark(one["at"], one["section"], one["change"]) for one in row.marks)
    return Piece(row.title, row.length, marks, row.feel, frozenset(map(ConceptKey, row.tags)))


def piece_cards(ctx: Context) -> tuple[PieceCard, ...]:
    """What planning may choose from."""
    shelf = recordings.on_the_shelf(ctx.session, ctx.school_id)
    return tuple(PieceCard(str(row.id), piece_of(row)) for row in shelf)


def pieces_by_id(ctx: Context, ids: Iterable[str | None]) -> dict[UUID, t.Recording]:
    return recordings.by_id(ctx.session, ctx.school_id, (UUID(one) for one in ids if one))


def shelf(ctx: Context) -> list[OnTheShelf]:
    """Every piece by title, with where it was met."""
    met = _met(ctx)
    rows = recordings.on_the_shelf(ctx.session, ctx.school_id)
    return [OnTheShelf(row, piece_of(row), met.get(str(row.id), {})) for row in rows]


def one(ctx: Context, recording_id: UUID) -> OnTheShelf:
    row = recordings.one(ctx.session, ctx.school_id, recording_id)
    return OnTheShelf(row, piece_of(row), _met(ctx).get(str(row.id), {}))


def _met(ctx: Context) -> dict[str, dict[str, Met]]:
    """By piece and section."""
    found: dict[str, dict[str, Met]] = {}
    for section in snapshots.sections(ctx.session, ctx.school_id, None):
        facts = read(section.facts) if section.facts else None
        for key, met in (facts.pieces if facts else {}).items():
            found.setdefault(key, {})[section.name] = met
    return found


def add(ctx: Context, new: NewPiece) -> UUID:
    row = _filled(_blank(ctx), new)
    ctx.session.add(row)
    ctx.session.flush()
    return row.id


def change(ctx: Context, recording_id: UUID, new: NewPiece) -> None:
    """Tapped anew, or called otherwise. How long one of our own pieces is follows from its notes."""
    row = recordings.one(ctx.session, ctx.school_id, recording_id)
    if row.filename and row.length != new.piece.length:
        piece = new.piece
        new = replace(new, piece=tapped(piece.title, row.length, piece.marks, piece.feel, piece.tags))
    _filled(row, new)
    ctx.session.flush()


def take_off(ctx: Context, recording_id: UUID) -> None:
    """Off the shelf: nothing new is planned with it; what was heard stays known."""
    recordings.one(ctx.session, ctx.school_id, recording_id).removed = ctx.now
    ctx.session.flush()


def put_back(ctx: Context, recording_id: UUID) -> None:
    recordings.one(ctx.session, ctx.school_id, recording_id).removed = None
    ctx.session.flush()


def performance(ctx: Context, recording_id: UUID) -> Performance:
    """How one of our own pieces sounds; RecordingError for a piece whose sound the teacher has."""
    row = recordings.one(ctx.session, ctx.school_id, recording_id)
    if row.source is None:
        raise RecordingError("recording_elsewhere", value=row.title, title=row.title)
    return _own(row.source, row.filename).performance
