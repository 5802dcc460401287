"""Asking the songbook in a sentence, and keeping sentences. The facts lie in columns, so a question is one
query."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import timedelta
from typing import Any
from uuid import UUID

from kopje.core.analysis.key_choice import KeyFit, voice_of
from kopje.core.errors import SongQuestionError
from kopje.core.reasons import Reason
from kopje.core.sequence.section_state import SectionState
from kopje.core.songs.facts import SongFacts
from kopje.core.songs.question import SongQuestion, answer, known_meters, known_to, meant_by
from kopje.core.songs.suitability import Met
from kopje.store import songs
from kopje.store import tables as t
from kopje.store.songs import FoundSong, Wanted
from kopje.usecases.context import Context
from kopje.usecases.snapshot import snapshot

MOST_KEPT = 100


@dataclass(frozen=True)
class Answered:
    """A song of the songbook and why it answers the question; no reasons without a question."""

    song: FoundSong
    reasons: tuple[Reason, ...]


def ask(
    ctx: Context, asked: SongQuestion, section_id: UUID | None, text: str, offset: int, limit: int
) -> tuple[tuple[Answered, ...], int]:
    """Songs by title from a place on, and how many answer in all. Without a section only what it
    has counts."""
    if section_id is None:
        state, grade = SectionState("", 0, ctx.sequence), None
        asked = SongQuestion(has=asked.has)
    else:
        now = snapshot(ctx, [section_id]).section(section_id)
        state, grade = now.state, voice_of(now.grade).grade
    wanted = Wanted(
        tuple(text.lower().split()),
        tuple(meant_by(key, ctx.sequence) for key in asked.has),
        known_to(state, asked) if asked.known else None,
        known_meters(state, asked) if asked.known else None,
        grade if asked.fits else None,
        section_id,
        asked.new,
        ctx.today - timedelta(weeks=asked.rested) if asked.rested is not None else None,
    )
    found, total = songs.find(ctx.session, ctx.school_id, wanted, offset, limit)
    return tuple(Answered(row, _why(row, asked, state, ctx)) for row in found), total


def _why(row: FoundSong, asked: SongQuestion, state: SectionState, ctx: Context) -> tuple[Reason, ...]:
    return answer(facts_of(row), asked, state, Met(row.lessons, row.last), ctx.today).reasons


def facts_of(row: FoundSong | t.Song) -> SongFacts:
    """The facts as they are kept."""
    keys = tuple(KeyFit(how, do) for how, do in row.summary.get("keys", ()))
    return SongFacts(row.summary.get("bars", {}), frozenset(row.features), keys)


def keep_question(ctx: Context, name: str, asked: Mapping[str, Any]) -> t.KeptQuestion:
    """Keep a sentence under a name; the same name again takes its place."""
    kept = songs.kept_questions(ctx.session, ctx.school_id)
    found = next((one for one in kept if one.name == name.strip()), None)
    if found is None and len(kept) >= MOST_KEPT:
        raise SongQuestionError("too_many_sentences", most=MOST_KEPT)
    if found is None:
        found = t.KeptQuestion(id=ctx.new_id(), school_id=ctx.school_id, name=name.strip(), asked={})
        ctx.session.add(found)
    found.asked = dict(asked)
    ctx.session.flush()
    return found


def kinds(ctx: Context) -> dict[str, int]:
    """Everything that songs of the songbook have, with the number of songs."""
    return songs.kinds(ctx.session, ctx.school_id)


def kept_questions(ctx: Context) -> Iterable[t.KeptQuestion]:
    return songs.kept_questions(ctx.session, ctx.school_id)


def drop_question(ctx: Context, question_id: UUID) -> None:
    ctx.session.delete(songs.kept_question(ctx.session, ctx.school_id, question_id))
