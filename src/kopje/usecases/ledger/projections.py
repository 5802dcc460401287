"""Keeping the sums of events: standings, lessons as they were held, what a section was taught. All of it can
be made anew."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from kopje.core.ledger.events import ClassEvent, standing_events
from kopje.core.ledger.held import HeldLesson, held_lesson
from kopje.core.ledger.marks import Mark
from kopje.core.ledger.standing import last_alone, standing
from kopje.core.planning.facts import facts_of, packed
from kopje.core.reasons import packed as packed_reason
from kopje.core.sequence.concepts import ConceptKey
from kopje.store import events, ledger, people
from kopje.usecases.context import Context

RULES = 6  # raise it when a rule changes what is kept; every school is then worked out anew at the start
AT_ONCE = 2000  # children and concepts in one statement

Pairs = Iterable[tuple[UUID, str]]


def value_of(event: ClassEvent) -> Mark:
    """A mark as the rules see it."""
    body = event.body
    return Mark(
        ConceptKey(body["concept"]),
        body["way"],
        body["voices"],
        body["help"],
        body["result"],
        event.day,
        event.moment,
        event.device,
        event.sequence,
        tuple(body.get("broke") or ()),
    )


def marks_by_pair(found: Iterable[ClassEvent]) -> dict[tuple[str, str], list[Mark]]:
    """The marks that count, by child and concept."""
    marks: dict[tuple[str, str], list[Mark]] = {}
    for event in standing_events(found):
        if event.kind == "marked" and event.child:
            marks.setdefault((event.child, event.body["concept"]), []).append(value_of(event))
    return marks


def words_by_pair(found: Iterable[ClassEvent]) -> dict[tuple[str, str], ClassEvent]:
    """The teacher's last word by child and concept, where one stands and was not dropped."""
    words: dict[tuple[str, str], ClassEvent] = {}
    for event in standing_events(found):
        if event.kind == "judged" and event.child:
            words[event.child, event.body["concept"]] = event
    return {pair: event for pair, event in words.items() if event.body.get("level")}


def keep_standings(ctx: Context, pairs: Pairs) -> None:
    """Work these standings out again from all marks there are."""
    wanted = sorted(set(pairs))
    for start in range(0, len(wanted), AT_ONCE):
        some = wanted[start : start + AT_ONCE]
        found = events.marks_with_backs(ctx.session, some, ctx.school_id)
        marks, words = marks_by_pair(found), words_by_pair(found)
        keys = {pair: (str(pair[0]), pair[1]) for pair in some}
        rows = [_row(ctx, pair, marks.get(key, []), words.get(key)) for pair, key in keys.items()]
        ledger.keep_standings(ctx.session, rows)


def _row(ctx: Context, pair: tuple[UUID, str], marks: list[Mark], word: ClassEvent | None) -> dict[str, Any]:
    """The row of a standing; without a level where nothing is left to be said, or the sequence has no such
    concept."""
    child, key = pair
    row = {"child_id": child, "concept": key, "school_id": ctx.school_id, "level": None, "word": None}
    concept = ctx.sequence.by_key.get(key)
    if concept is None:
        return row
    found = standing(concept, marks, ctx.rules)
    heard = found.level != "not_heard" or found.partly
    return {
        **row,
        "level": found.level if heard or word else None,
        "partly": found.partly,
        "last_full": found.last_full,
        "last_alone": last_alone(marks),
        "reasons": [packed_reason(reason) for reason in found.reasons],
        "word": word.body["level"] if word else None,
        "word_note": word.body.get("note", "") if word else "",
        "word_day": word.day if word else None,
    }


def keep_lessons(ctx: Context, lessons: Iterable[UUID]) -> None:
    """Work out again how these lessons were held."""
    wanted = set(lessons)
    by_lesson: dict[str, list[ClassEvent]] = {}
    for event in events.of_lessons(ctx.session, wanted):
        by_lesson.setdefault(event.lesson, []).append(event)
    held = [one for found in by_lesson.values() if (one := held_lesson(found)) is not None]
    events.keep_held(ctx.session, ctx.school_id, wanted, held)


def keep_facts(ctx: Context, section_ids: Iterable[UUID]) -> None:
    """Add up again what these sections were taught, from their lessons."""
    wanted = set(section_ids)
    by_section: dict[UUID, list[HeldLesson]] = {key: [] for key in wanted}
    for lesson in events.held_of(ctx.session, wanted):
        by_section[UUID(lesson.section)].append(lesson)
    for section, lessons in by_section.items():
        facts = facts_of(lessons, ctx.habits.repertoire)
        songs = [
            {
                "section_id": section,
                "song_id": UUID(song),
                "school_id": ctx.school_id,
                "lessons": met.lessons,
                "last": met.last,
            }
            for song, met in facts.songs.items()
        ]
        events.keep_facts(ctx.session, ctx.school_id, section, packed(facts), songs)


def rebuild(ctx: Context) -> None:
    """Everything of the school from its events alone."""
    events.clear_sums(ctx.session, ctx.school_id)
    found: dict[UUID, list[UUID]] = {}
    for section, lesson in events.lessons_with_events(ctx.session, ctx.school_id):
        found.setdefault(section, []).append(lesson)
    for lessons in found.values():
        keep_lessons(ctx, lessons)
    keep_facts(ctx, found)
    keep_standings(ctx, events.marked_pairs(ctx.session, ctx.school_id))
    people.school(ctx.session, ctx.school_id).rules = RULES
    ctx.session.flush()


@dataclass(frozen=True, slots=True)
class Differences:
    """What a rebuilding changed: how many rows of each sum were other ones, and some of them in words for an
    operator."""

    rows: dict[str, int]
    some: tuple[str, ...]


def rebuild_and_compare(ctx: Context) -> Differences:
    """`kopje rebuild`: what was kept before, beside what the events say now."""
    before = events.sums(ctx.session, ctx.school_id)
    rebuild(ctx)
    after = events.sums(ctx.session, ctx.school_id)
    rows, some = {}, []
    for table in before:
        keys = [
            key for key in {*before[table], *after[table]} if before[table].get(key) != after[table].get(key)
        ]
        rows[table] = len(keys)
        some += [
            f"{table} {key}: {before[table].get(key)} -> {after[table].get(key)}" for key in sorted(keys)[:5]
        ]
    return Differences(rows, tuple(some))
