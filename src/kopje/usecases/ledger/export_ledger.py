"""Everything behind the ledger's answers, one plain record after the other, for other programs.

What such a record holds is a contract (docs/exports.md): names are added, never changed."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, Literal

from kopje.core.ledger.events import ClassEvent, voided
from kopje.store import events, sections
from kopje.usecases.context import Context

What = Literal["children", "marks", "lessons"]
Record = dict[str, Any]


def export(ctx: Context, what: What) -> Iterator[Record]:
    return {"children": children, "marks": marks, "lessons": lessons}[what](ctx)


def table(ctx: Context, what: What) -> tuple[list[str], list[list[str]]]:
    """The same as a head and rows of plain cells; a list in a cell has blanks between. Marks have the
    child's name too, so that they can be read and brought back."""
    names = {one["id"]: one["name"] for one in children(ctx)} if what == "marks" else {}
    records = [
        {**record, **({"name": names.get(record["child_id"], "")} if names else {})}
        for record in export(ctx, what)
    ]
    head = list(records[0]) if records else []
    return head, [[_cell(record[name]) for name in head] for record in records]


def _cell(value: Any) -> str:
    if value is None:
        return ""
    if isinstance(value, bool):
        return str(value).lower()
    if isinstance(value, list):
        return " ".join(one["activity"] if isinstance(one, dict) else str(one) for one in value)
    return f"{value['right']}/{value['asked']}" if isinstance(value, dict) else str(value)


def children(ctx: Context) -> Iterator[Record]:
    """Everybody who is or was on a roll, once, under their class, never under a choir."""
    for child, section in sections.every_child(ctx.session, ctx.school_id):
        yield {
            "id": str(child.id),
            "section": section,
            "name": child.name,
            "joined": child.joined.isoformat(),
            "left": child.left.isoformat() if child.left else None,
        }


def marks(ctx: Context) -> Iterator[Record]:
    """Every mark that was ever made, in order; one that does not count any more is `withdrawn`. Moments in
    the school's time."""
    gone = voided(events.backs(ctx.session, ctx.school_id))
    replaced = events.replacements(ctx.session, ctx.school_id)
    instead = {old: new for old, new in replaced if new not in gone}
    for mark, section, by in events.all_marks(ctx.session, ctx.school_id):
        yield _mark(ctx, mark, section, by, mark.id in gone, instead.get(mark.id))


def _mark(
    ctx: Context, mark: ClassEvent, section: str, by: str, withdrawn: bool, superseded_by: str | None
) -> Record:
    body = mark.body
    part = body.get("part") or {}
    return {
        "id": mark.id,
        "child_id": mark.child,
        "section": section,
        "concept": body["concept"],
        "way": body["way"],
        "voices": body["voices"],
        "help": body["help"],
        "result": body["result"],
        "moment": mark.moment.astimezone(ctx.now.tzinfo).isoformat(),
        "day": mark.day.isoformat(),
        "lesson": None if mark.by_hand else mark.lesson,
        "activity": part.get("activity") or body.get("activity"),
        "answers": body.get("answers"),
        "broke": list(body.get("broke") or ()),
        "by": by,
        "withdrawn": withdrawn,
        "superseded_by": superseded_by,
    }


def lessons(ctx: Context) -> Iterator[Record]:
    """Every lesson that began or was said not to be held, with its parts as they went."""
    for lesson, section in events.all_held(ctx.session, ctx.school_id):
        yield {
            "id": lesson.id,
            "section": section,
            "date": lesson.day.isoformat(),
            "starts": f"{lesson.starts:%H:%M}",
            "minutes": lesson.minutes,
            "state": lesson.state,
            "note": lesson.note,
            "absent": sorted(lesson.absent),
            "parts": [
                {
                    "id": part.id,
                    "slot": part.slot,
                    "role": part.role,
                    "activity": part.activity,
                    "song_id": part.material.song,
                    "concept": part.concept,
                    "purpose": part.purpose,
                    "minutes": part.minutes,
                    "took": part.took,
                    "new": part.new,
                    "left_over": part.left_over,
                    "tick": part.tick,
                    "rating": part.rating,
                }
                for part in lesson.parts
            ],
        }
