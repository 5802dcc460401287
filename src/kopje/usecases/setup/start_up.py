"""Before the first request: what was worked out by older rules is worked out anew."""

from __future__ import annotations

import uuid
from datetime import datetime

from sqlalchemy.orm import Session

from kopje.core.errors import KopjeError
from kopje.core.ledger.rules import rules_of
from kopje.store import people, songs
from kopje.store import tables as t
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import RULES, rebuild
from kopje.usecases.setup.school_habits import habits_for
from kopje.usecases.setup.school_sequence import sequence_for
from kopje.usecases.songs.look import analysis_of, score_of
from kopje.usecases.songs.song_facts import FACTS_VERSION, work_out

BATCH = 200
NOBODY = uuid.UUID(int=0)


def of_school(session: Session, school: t.School, now: datetime) -> Context:
    """A call by no teacher, in the school's own sequence."""
    sequence = sequence_for(session, school.id, school.sequence, school.wording)
    habits = habits_for(session, school.id, school.habits)
    rules = rules_of(school.ledger_rules)
    return Context(session, school.id, NOBODY, now, uuid.uuid4, sequence, habits=habits, rules=rules)


def bring_up_to_date(work: UnitOfWork, now: datetime) -> None:
    """Songs, then what events add up to. Several processes that start at once wait for each other."""
    with work.in_turn("start up"):
        songs_up_to_date(work)
        with work.begin() as session:
            old = [school.id for school in people.schools_with_older_rules(session, RULES)]
        for school_id in old:
            with work.begin() as session:
                rebuild(of_school(session, people.school(session, school_id), now))


def songs_up_to_date(work: UnitOfWork) -> int:
    """Work out the facts of every song that has none of this version; how many there were."""
    count = 0
    while True:
        with work.begin() as session:
            batch = songs.not_worked_out(session, FACTS_VERSION, BATCH)
            for song in batch:
                school = session.get_one(t.School, song.school_id)
                try:
                    sequence = sequence_for(session, school.id, school.sequence, {})
                    work_out(song, analysis_of(song), sequence, len(score_of(song).parts))
                except KopjeError:
                    song.facts_version = (
                        FACTS_VERSION  # a file that this version reads no more stays, without facts
                    )
            count += len(batch)
        if len(batch) < BATCH:
            return count


def readers_loaded() -> None:
    """For a worker that reads foreign files."""
    from kopje.formats import ical, read, roster, sequence_files  # noqa: F401


def solvers_loaded() -> None:
    """For a worker that has just started: the first proposal need not wait for it."""
    from ortools.sat.python import cp_model  # noqa: F401
