"""Lessons on paper. No child's name and no mark is on them."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import date
from uuid import UUID

from kopje.core.errors import NotFoundError
from kopje.core.planning.growth import form_for
from kopje.core.planning.template import slot_name
from kopje.core.reasons import Named, Tone, because, listed
from kopje.engraving.lesson_paper import PaperCell, PaperPart, RunSheet, SetSheet
from kopje.store import tables as t
from kopje.usecases.context import Context
from kopje.usecases.lessons import read_day, read_lesson
from kopje.usecases.lessons.read_lesson import LessonView, PartView
from kopje.usecases.lessons.read_set import SetCell, SetView
from kopje.usecases.lessons.said_steps import spoken
from kopje.usecases.songs.look import as_sung
from kopje.usecases.songs.recordings import pieces_by_id
from kopje.usecases.songs.songbook import songs_by_id
from kopje.words import Words

Titles = Mapping[UUID, t.Song | t.Recording]


def lesson_sheet(ctx: Context, lesson_id: UUID) -> RunSheet:
    return _sheet(ctx, read_lesson.lesson(ctx, lesson_id))


def day_sheets(ctx: Context, day: date) -> list[RunSheet]:
    """Every lesson that is planned for a day, or runs; NotFoundError where there is none."""
    found = read_day.lessons_on(ctx, day)
    lessons = [read_lesson.lesson(ctx, one) for one in found]
    if not lessons:
        raise NotFoundError("no_lessons_to_print", value=day.isoformat())
    return [_sheet(ctx, one) for one in lessons]


def _things(ctx: Context, parts: Iterable[PartView]) -> Titles:
    used = list(parts)
    songs = songs_by_id(ctx, (part.material.song for part in used))
    return {**songs, **pieces_by_id(ctx, (part.material.recording for part in used))}


def _sheet(ctx: Context, lesson: LessonView) -> RunSheet:
    words, things = ctx.words, _things(ctx, lesson.parts)
    at = f"{lesson.starts:%H:%M}"
    title = words.word("paper_lesson", section=lesson.section.name, day=lesson.day, at=at)
    unnamed = dict.fromkeys(p.choice.concept for p in lesson.parts if p.choice.purpose == "prepare")
    keys = [key for key in unnamed if key]
    said = [words.word("paper_minutes", minutes=lesson.minutes, planned=sum(p.minutes for p in lesson.parts))]
    if keys:
        said.append(words.word("paper_not_yet", concepts=listed(Named(key) for key in keys)))
    if lesson.last_note:
        said.append(words.word("paper_last_note", note=lesson.last_note))
    parts = tuple(_part(ctx, lesson, part, things) for part in lesson.parts)
    return RunSheet(title, " ".join(said), parts)


def _part(ctx: Context, lesson: LessonView, part: PartView, things: Titles) -> PaperPart:
    words, item = ctx.words, ctx.habits.repertoire.activity(part.choice.activity)
    thing = things.get(UUID(part.choice.thing)) if part.choice.thing else None
    concept = words.sequence.by_key.get(part.choice.concept or "")
    is_song = isinstance(thing, t.Song)
    title = thing.title if thing is not None else None
    titles = {"song": title if is_song else None, "piece": None if is_song else title}
    form = form_for(item.forms, lesson.done_before(part) or 0)
    lines = [(words.word("paper_works"), item.works)]
    if form is not None:
        lines.insert(0, (words.word("paper_this_time"), form.says))
    below = {"paper_fetch": item.props, "paper_care_line": item.care, "paper_easier": item.easier}
    lines += [(words.word(key), text) for key, text in below.items() if text]
    about = [words.say(slot_name(part.slot, lesson.section.grade))]
    if thing is not None:
        about.append(thing.title + (f" ({_start(thing, words)})" if isinstance(thing, t.Song) else ""))
    return PaperPart(
        part.minutes,
        item.title,
        " · ".join(about),
        tuple(spoken(item, titles, concept, part.choice.purpose, lesson.section.name, words)),
        tuple(lines),
    )


def _start(song: t.Song, words: Words) -> str:
    """Where to start singing it."""
    a = as_sung(song)
    first = next((sound for sound in a.attacks if sound.pitch), None)
    if first is None or first.pitch is None:
        return words.word("part_without_tones").rstrip(".")
    degree, pitch = a.degree(first), f"{first.pitch.letter_name}{first.pitch.octave}"
    if degree is None:
        return words.word("paper_start", pitch=pitch)
    return words.word("paper_start_degree", pitch=pitch, degree=Tone(str(degree)))


def set_sheet(ctx: Context, view: SetView, name: str) -> SetSheet:
    """The set as it stands, with a box to tick for each section."""
    words = ctx.words
    things = _things(ctx, (cell.part for column in view.columns for cell in column.cells))
    slots: dict[str, None] = {}
    for column in view.columns:
        slots |= dict.fromkeys(cell.part.slot for cell in column.cells)
    order = [s for s in slots if not s.startswith("closing")] + [s for s in slots if s.startswith("closing")]
    heads = tuple(
        tuple(
            f"{box.section.name} {words.word('paper_day', day=box.at.day)} {box.at.starts:%H:%M}"
            for box in column.boxes
        )
        for column in view.columns
    )
    rows = tuple(
        (
            words.say(slot_name(slot, view.scope.state.grade)),
            tuple(
                tuple(_cell(ctx, cell, things) for cell in column.cells if cell.part.slot == slot)
                for column in view.columns
            ),
        )
        for slot in order
    )
    said = words.say(because("set_paper_lead"))
    return SetSheet(words.word("set_paper_title", name=name), said, "", heads, rows)


def _cell(ctx: Context, cell: SetCell, things: Titles) -> PaperCell:
    part, words = cell.part, ctx.words
    item = ctx.habits.repertoire.activity(part.choice.activity)
    thing = things.get(UUID(part.choice.thing)) if part.choice.thing else None
    about = [thing.title] if thing is not None else []
    if part.choice.concept in words.sequence.by_key:
        about.append(words.term(Named(part.choice.concept)))
    return PaperCell(
        part.minutes, item.title, tuple(about), words.word("paper_new") if part.new else "", cell.sections
    )
