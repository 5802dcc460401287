"""Asking the songbook in a sentence, and keeping sentences. The facts lie in columns, so a question is one query."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import timedelta
from typing import Any
from uuid import UUID

from kopje.core.analysis.key_choice import KeyFit
from kopje.core.errors import KopjeError, SongQuestionError
from kopje.core.sequence.arcs import SectionState
from kopje.core.songs.facts import SongFacts
from kopje.core.songs.fit import Met
from kopje.core.songs.question import SongQuestion, answer, known_to, meant_by
from kopje.store import sections, songs
from kopje.store import tables as t
from kopje.store.songs import FoundSong, Wanted
from kopje.store.work import UnitOfWork
from kopje.usecases.call import Call
from kopje.usecases.school_sequence import sequence_for
from kopje.usecases.section_state import state_of
from kopje.usecases.song_facts import WORKED, work_out
from kopje.usecases.songbook import analysis_of

BATCH = 200
MOST_KEPT = 100


@dataclass(frozen=True)
class Answered:
    """A song of the songbook and why it answers the question; no reasons without a question."""

    song: FoundSong
    reasons: tuple[str, ...]


def ask(
    call: Call, asked: SongQuestion, section_id: UUID | None, text: str, offset: int, limit: int
) -> tuple[tuple[Answered, ...], int]:
    """Songs by title from a place on, and how many answer in all. Without a section only what it has counts."""
    if section_id is None:
        state, grade = SectionState("anybody", 0, call.sequence), None
        asked = SongQuestion(has=asked.has)
    else:
        section = sections.section(call.session, call.school_id, section_id)
        state, grade = state_of(call, section), min(section.grade, 5)
    wanted = Wanted(
        tuple(text.lower().split()),
        tuple(meant_by(key, call.sequence) for key in asked.has),
        known_to(state, asked) if asked.known else None,
        grade if asked.fits else None,
        section_id,
        asked.new,
        call.today - timedelta(weeks=asked.rested) if asked.rested is not None else None,
    )
    found, total = songs.find(call.session, call.school_id, wanted, offset, limit)
    return tuple(Answered(row, _why(row, asked, state, call)) for row in found), total


def _why(row: FoundSong, asked: SongQuestion, state: SectionState, call: Call) -> tuple[str, ...]:
    verdict = answer(facts_of(row), asked, state, Met(row.lessons, row.last), call.today)
    return tuple(reason.sentence for reason in verdict.reasons)


def facts_of(row: FoundSong | t.Song) -> SongFacts:
    """The facts as they are kept."""
    keys = tuple(KeyFit(how, do) for how, do in row.shown.get("keys", ()))
    return SongFacts(row.shown.get("bars", {}), frozenset(row.aspects), keys)


def bring_up_to_date(work: UnitOfWork) -> int:
    """Work out the facts of every song that has none of this version; how many there were."""
    count = 0
    while True:
        with work.begin() as session:
            batch = songs.not_worked_out(session, WORKED, BATCH)
            for song in batch:
                school = session.get_one(t.School, song.school_id)
                try:
                    work_out(song, analysis_of(song), sequence_for(session, school.id, school.sequence, {}))
                except KopjeError:
                    song.worked = WORKED  # a file that this version reads no more stays, without facts
            count += len(batch)
        if len(batch) < BATCH:
            return count


def keep_question(call: Call, name: str, asked: Mapping[str, Any]) -> t.KeptQuestion:
    """Keep a sentence under a name; the same name again takes its place."""
    kept = songs.kept_questions(call.session, call.school_id)
    found = next((one for one in kept if one.name == name.strip()), None)
    if found is None and len(kept) >= MOST_KEPT:
        raise SongQuestionError(
            f"{MOST_KEPT} sentences are kept already. Nothing was changed; drop one first."
        )
    if found is None:
        found = t.KeptQuestion(id=call.new_id(), school_id=call.school_id, name=name.strip(), asked={})
        call.session.add(found)
    found.asked = dict(asked)
    call.session.flush()
    return found


def drop_question(call: Call, question_id: UUID) -> None:
    call.session.delete(songs.kept_question(call.session, call.school_id, question_id))
