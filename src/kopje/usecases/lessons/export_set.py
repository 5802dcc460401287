"""A lesson set for other programs: a calendar with a lesson a date, and a table with a part a row."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from uuid import UUID

from kopje.core.reasons import Named
from kopje.formats.ical import CalendarEvent, write_calendar
from kopje.formats.tables import write_table
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons.read_lesson import PartView
from kopje.usecases.lessons.read_set import Box, SetView
from kopje.usecases.songs.recordings import pieces_by_id
from kopje.usecases.songs.songbook import songs_by_id

COLUMNS = (
    "section", "day", "starts", "lesson", "part", "minutes", "activity", "kind", "song", "concept", "purpose",
    "new", "pinned",
)  # fmt: skip
Titles = Mapping[UUID, t.Song | t.Recording]


def titles_in(ctx: Context, view: SetView) -> Titles:
    """Songs and recorded pieces of a set, by id."""
    materials = [cell.part.material for column in view.columns for cell in column.cells]
    songs = songs_by_id(ctx, (one.song for one in materials))
    return {**songs, **pieces_by_id(ctx, (one.recording for one in materials))}


def lessons_of(view: SetView) -> Iterator[tuple[Box, int, list[PartView]]]:
    """Section by section and lesson by lesson what is planned; minutes are the lesson's."""
    for column in view.columns:
        for box in column.boxes:
            parts = [cell.part for cell in column.cells if box.section.name in cell.sections]
            yield box, box.at.minutes or box.section.minutes, parts


def as_calendar(ctx: Context, view: SetView, name: str) -> bytes:
    """Each lesson at its time, with its parts as its description; no child's name is in it."""
    titles = titles_in(ctx, view)
    happenings = [
        CalendarEvent(
            f"{box.section.id}-{box.at.day}-{box.at.starts:%H%M}",
            box.section.name,
            box.at.day,
            box.at.starts,
            minutes,
            "\n".join(f"{part.minutes} {_said(ctx, part, titles)}" for part in parts),
        )
        for box, minutes, parts in lessons_of(view)
    ]
    return write_calendar(name, happenings, ctx.now)


def _said(ctx: Context, part: PartView, titles: Titles) -> str:
    item = ctx.habits.repertoire.activity(part.choice.activity)
    thing = titles.get(UUID(part.choice.thing)) if part.choice.thing else None
    return f"{item.title}: {thing.title}" if thing else item.title


def as_table(ctx: Context, view: SetView) -> bytes:
    """A row for each part of each section's lesson."""
    titles, words = titles_in(ctx, view), ctx.words
    rows = []
    for box, _, parts in lessons_of(view):
        for number, part in enumerate(parts, 1):
            item = ctx.habits.repertoire.activity(part.choice.activity)
            thing = titles.get(UUID(part.choice.thing)) if part.choice.thing else None
            concept = part.choice.concept
            rows.append(
                (
                    box.section.name,
                    box.at.day.isoformat(),
                    f"{box.at.starts:%H:%M}",
                    box.at.number,
                    number,
                    part.minutes,
                    item.title,
                    item.kind,
                    thing.title if thing else "",
                    words.term(Named(concept)) if concept in words.sequence.by_key and concept else "",
                    part.choice.purpose or "",
                    part.new or "",
                    "yes" if part.pinned else "",
                )
            )
    return write_table(COLUMNS, rows)
