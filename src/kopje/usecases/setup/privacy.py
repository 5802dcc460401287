"""What is kept of children: who looked, for how long, and how it is taken away for good."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from pathlib import Path
from uuid import UUID

import structlog

from kopje.core.errors import BackupError, SetUpError
from kopje.core.retention import Times, goes_on
from kopje.formats import erasure_list
from kopje.formats.erasure_list import Erased
from kopje.store import people, privacy, sections
from kopje.store import tables as t
from kopje.store.work import UnitOfWork
from kopje.usecases.context import Context
from kopje.usecases.ledger.projections import keep_facts, keep_lessons
from kopje.usecases.setup.backups import Backups
from kopje.usecases.setup.start_up import of_school

MOST_SHOWN = 300
log = structlog.get_logger()


def looked(work: UnitOfWork, ctx: Context, what: str, child_id: UUID | None = None) -> None:
    """Somebody looks at a child's page, or takes data out. In a transaction of its own, so that it is known
    whatever becomes of the looking."""
    with work.begin() as session:
        session.add(
            t.Access(
                id=ctx.new_id(),
                school_id=ctx.school_id,
                moment=ctx.now,
                teacher_id=ctx.teacher_id,
                what=what,
                child_id=child_id,
            )
        )


@dataclass(frozen=True, slots=True)
class StillIn:
    """A child that was erased, and the backups here that were made before: they still have it."""

    child: UUID
    erased: datetime
    backups: tuple[datetime, ...]


@dataclass(frozen=True, slots=True)
class Kept:
    """`accesses`: who looked, at what, the latest first. `waiting`: how many children have left and are still
    here; the first of them is erased on `first`."""

    times: Times
    accesses: Sequence[tuple[t.Access, str | None, str | None]]
    erased: tuple[StillIn, ...]
    waiting: int
    first: date | None


def kept(ctx: Context, backups: Backups) -> Kept:
    times = privacy.times(ctx.session, ctx.school_id)
    left = [goes_on(day, times.left_years) for _, day in privacy.left(ctx.session, ctx.school_id)]
    erased = privacy.erased(ctx.session, ctx.school_id)
    made = [one.made for one in backups.kept().files] if erased else []
    return Kept(
        times,
        privacy.accesses(ctx.session, ctx.school_id, MOST_SHOWN),
        tuple(StillIn(one.child_id, one.erased, _before(made, one.erased)) for one in erased),
        len(left),
        min(left, default=None),
    )


def _before(made: Iterable[datetime], moment: datetime) -> tuple[datetime, ...]:
    return tuple(sorted(one for one in made if one < moment))


def set_times(ctx: Context, times: Times) -> None:
    privacy.set_times(ctx.session, ctx.school_id, times)


@dataclass(frozen=True, slots=True)
class Gone:
    """What was left behind: the backups that still have the child, and lessons in whose notes its name may
    stand: what was written freely is the teacher's to look through."""

    backups: tuple[datetime, ...]
    notes: tuple[tuple[UUID, date], ...]


def erase_child(ctx: Context, child_id: UUID, backups: Backups) -> Gone:
    """For good. Its class goes on as it was taught; what its marks said is not known any more."""
    child = sections.child(ctx.session, ctx.school_id, child_id)
    notes = privacy.notes_with(ctx.session, ctx.school_id, child.name)
    _erase(ctx, child_id)
    made = [one.made for one in backups.kept().files]
    return Gone(_before(made, ctx.now), tuple((one.id, one.day) for one in notes))


def _erase(ctx: Context, child_id: UUID) -> None:
    lessons = privacy.lessons_of_child(ctx.session, child_id)
    privacy.erase_child(ctx.session, ctx.school_id, child_id, ctx.now)
    keep_lessons(ctx, {lesson for _, lesson in lessons})
    keep_facts(ctx, {section for section, _ in lessons})


def list_erased(work: UnitOfWork, backups: Backups) -> None:
    """Every child that was erased stands in the list beside the backups. What cannot be written is tried
    again the next day."""
    with work.read() as session:
        erased = [Erased(one.school_id, one.child_id, one.erased) for one in privacy.erased(session)]
    for folder in {backups.kept().folder, backups.usual} if erased else ():
        try:
            erasure_list.add(folder, erased)
        except OSError as problem:
            log.error("erasures_not_listed", folder=str(folder), exc_info=problem)


def erase_school(ctx: Context, name: str) -> None:
    """All of it. SetUpError where the name is not the school's: nothing is done by a slip."""
    school = people.school(ctx.session, ctx.school_id)
    if name.strip() != school.name:
        raise SetUpError("school_name_to_erase", name=school.name)
    privacy.erase_school(ctx.session, ctx.school_id)


def erase_its_backups(work: UnitOfWork, school_id: UUID, backups: Backups) -> int:
    """Those that Kopje made here, once the school is gone; how many. Where another school is in the same
    database they stay: it is in them too."""
    at = backups.kept()
    with work.read() as session:
        others = people.any_school(session)
    for folder in {at.folder, backups.usual}:
        erasure_list.add(folder, [Erased(school_id, None, backups.now())])
    if others:
        return 0
    for one in at.files:
        (at.folder / one.name).unlink(missing_ok=True)
    return len(at.files)


def keep_to_times(work: UnitOfWork, backups: Backups, now: datetime) -> int:
    """Once a day: children whose time is over, and who looked long ago. How many children were erased."""
    count = 0
    with work.begin() as session:
        for school in people.schools(session):
            ctx = of_school(session, school, now)
            times = privacy.times(session, school.id)
            privacy.forget_accesses(session, school.id, now - timedelta(days=times.log_days))
            for child_id, day in privacy.left(session, school.id):
                if goes_on(day, times.left_years) <= now.date():
                    _erase(ctx, child_id)
                    count += 1
    list_erased(work, backups)
    return count


def erase_again(work: UnitOfWork, folders: Iterable[Path], now: datetime) -> int:
    """After a restore: who was erased since the backup was made is erased in it too. How many children were.
    A school that was erased as a whole is erased again too, and BackupError says so."""
    listed = {(one.school, one.child): one for folder in folders for one in erasure_list.read(folder)}
    count, refused = 0, None
    with work.begin() as session:
        for school in people.schools(session):
            if (whole := listed.get((school.id, None))) is not None:
                refused = BackupError("restore_erased", name=school.name, day=whole.moment.date())
                privacy.erase_school(session, school.id)
                continue
            ctx = of_school(session, school, now)
            for (_, child), _ in listed.items():
                if child is not None and privacy.is_there(session, school.id, child):
                    _erase(ctx, child)
                    count += 1
    if refused is not None:
        raise refused
    return count
