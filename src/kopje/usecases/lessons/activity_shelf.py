"""The shelf of activities: those that ship and the teacher's own, with what is kept beside each."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict, dataclass, replace
from datetime import date
from typing import Any
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.planning.activities import Activity
from kopje.core.planning.growth import Dated
from kopje.core.planning.own_activity import OWN, activity_from, activity_values, checked
from kopje.core.reasons import because
from kopje.formats.attachments import kind_of, safe_name
from kopje.store import activities
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.setup.school_habits import changed, read


@dataclass(frozen=True)
class OnTheShelf:
    """An activity with its note, its links (one a line), what is different from a day on (`dated`), and its
    files without what is in them. `own`: the teacher wrote it; `gone`: it is put away."""

    item: Activity
    own: bool
    gone: bool
    note: str
    links: str
    dated: tuple[Dated, ...]
    files: Sequence[t.Attachment]


def look(ctx: Context, key: str) -> OnTheShelf:
    """NotFoundError for one that is neither shipped nor the school's."""
    item = ctx.habits.repertoire.known(key)
    if item is None:
        raise NotFoundError("no_such", what=because("what_activity"), value=key)
    row = activities.one(ctx.session, ctx.school_id, key)
    beside = activities.note(ctx.session, ctx.school_id, key)
    files = activities.attachments(ctx.session, ctx.school_id, key)
    return OnTheShelf(
        item,
        row is not None,
        row is not None and row.removed is not None,
        beside.note if beside else "",
        beside.links if beside else "",
        dated_in(beside) if beside else (),
        files,
    )


def write(ctx: Context, item: Activity) -> str:
    """Keep a new activity of the teacher's; its key comes back. It may be proposed at once."""
    key = f"{OWN}{ctx.new_id().hex[:12]}"
    checked(item, ctx.sequence.by_key)
    told = activity_values(replace(item, key=key))
    row = t.OwnActivity(id=ctx.new_id(), school_id=ctx.school_id, key=key, told=told, made=ctx.now)
    ctx.session.add(row)
    changed(ctx)
    return key


def change(ctx: Context, key: str, item: Activity) -> None:
    """Only the teacher's own can be changed; of a shipped one a copy is written."""
    row = _own(ctx, key)
    row.told = activity_values(checked(replace(item, key=key), ctx.sequence.by_key))
    changed(ctx)


def put_away(ctx: Context, key: str) -> None:
    """It is proposed no more; where it lies planned or was done it is still known."""
    _own(ctx, key).removed = ctx.now
    changed(ctx)


def bring_back(ctx: Context, key: str) -> None:
    _own(ctx, key).removed = None
    changed(ctx)


def _own(ctx: Context, key: str) -> t.OwnActivity:
    row = activities.one(ctx.session, ctx.school_id, key)
    if row is None:
        raise NotFoundError("no_such", what=because("what_own_activity"), value=key)
    return row


def dated_in(row: t.ActivityNote) -> tuple[Dated, ...]:
    return tuple(
        Dated(date.fromisoformat(one["day"]), one["low"], one["high"], one["says"]) for one in row.grows
    )


def notes_by_activity(ctx: Context) -> dict[str, t.ActivityNote]:
    return {row.activity: row for row in activities.notes(ctx.session, ctx.school_id)}


def keep_note(ctx: Context, key: str, note: str, links: str, dated: Sequence[Dated] = ()) -> None:
    """Beside any activity, own or shipped; empty takes it away."""
    look(ctx, key)
    row = activities.note(ctx.session, ctx.school_id, key)
    grows = [{**asdict(one), "day": one.day.isoformat()} for one in sorted(dated, key=lambda one: one.day)]
    if not note.strip() and not links.strip() and not grows:
        if row is not None:
            ctx.session.delete(row)
    elif row is None:
        made = t.ActivityNote(id=ctx.new_id(), school_id=ctx.school_id, activity=key)
        made.note, made.links, made.grows = note.strip(), links.strip(), grows
        ctx.session.add(made)
    else:
        row.note, row.links, row.grows = note.strip(), links.strip(), grows
    ctx.session.flush()


def keep_file(ctx: Context, key: str, name: str, data: bytes) -> None:
    """Beside any activity; FileError for what is not a PDF, a picture or a sound of a usual kind."""
    look(ctx, key)
    row = t.Attachment(id=ctx.new_id(), school_id=ctx.school_id, activity=key, added=ctx.now)
    row.name, row.kind, row.size, row.content = safe_name(name), kind_of(data), len(data), data
    ctx.session.add(row)
    ctx.session.flush()


def file(ctx: Context, file_id: UUID) -> t.Attachment:
    return activities.attachment(ctx.session, ctx.school_id, file_id)


def take_file_away(ctx: Context, file_id: UUID) -> None:
    ctx.session.delete(file(ctx, file_id))
    ctx.session.flush()


def from_values(values: dict[str, Any], like: str | None, ctx: Context) -> Activity:
    """An activity as the teacher tells it; what she does not speak of is as in the one it is made from."""
    base = look(ctx, like).item if like else None
    told = {**(activity_values(base) if base else {}), **values}
    return activity_from(OWN, told)


def marked(ctx: Context) -> tuple[set[str], set[str]]:
    """Activities that the teacher wrote, and those with something kept beside them."""
    own = {row.key for row in activities.own(ctx.session, ctx.school_id)}
    return own, activities.noted(ctx.session, ctx.school_id)


def as_changed(ctx: Context) -> Context:
    """The same call with the habits as they are after a change in it."""
    return replace(ctx, habits=read(ctx.session, ctx.school_id))
