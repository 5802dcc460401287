"""Commands that work on a school's database."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from getpass import getpass
from pathlib import Path
from typing import TYPE_CHECKING

from kopje.core.errors import BackupError, SignInError
from kopje.core.reasons import Param
from kopje.settings import CHECKOUT, Settings
from kopje.words import Words, catalogue

if TYPE_CHECKING:
    from kopje.store.cluster import Cluster

DEMO, SCHOOL = "kopje_demo", "kopje"


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    rebuilding = commands.add_parser(
        "rebuild", help="work everything out again from what happened, and say what differed"
    )
    rebuilding.add_argument("--demo", action="store_true", help="the demo school's")
    rebuilding.set_defaults(run=_rebuild)
    saving = commands.add_parser("backup", help="write everything of the school into one file")
    saving.add_argument("file", type=Path, metavar="FILE")
    saving.add_argument("--demo", action="store_true", help="the demo school's")
    saving.add_argument("--seal", action="store_true", help="ask for a passphrase and seal it")
    saving.set_defaults(run=_backup)
    resetting = commands.add_parser("reset-password", help="set a new password for somebody who forgot it")
    resetting.add_argument("login", metavar="LOGIN")
    resetting.add_argument("--demo", action="store_true", help="of the demo school")
    resetting.set_defaults(run=_reset_password)
    restoring = commands.add_parser("restore", help="bring a school back from a backup")
    restoring.add_argument("file", type=Path, metavar="FILE")
    restoring.add_argument(
        "--replace", action="store_true", help="keep the school that is here now under another name"
    )
    restoring.set_defaults(run=_restore)
    composing = commands.add_parser("compose", help="compose the next lessons anew; nothing is kept")
    whose = composing.add_mutually_exclusive_group(required=True)
    whose.add_argument("--section", metavar="NAME")
    whose.add_argument("--grade", type=int, metavar="N", help="0 is kindergarten, 13 the choir")
    composing.add_argument("--lessons", type=int, default=6, choices=range(1, 7), metavar="L")
    composing.add_argument("--seconds", type=float, default=5.0, help="of the solver's own measure")
    composing.add_argument("--json", action="store_true")
    composing.set_defaults(run=_compose)


@contextmanager
def database(settings: Settings, demo: bool | None) -> Iterator[str]:
    """The database a command works on; Kopje's own is started for the while where it does not run. `demo`
    None: the demo's where there is one, else the school's."""
    from kopje.store.cluster import Cluster
    from kopje.store.places import demo_folder, has_data, school_folder

    if settings.database_url:
        yield settings.database_url
        return
    folder = demo_folder(CHECKOUT)
    demo = has_data(folder) if demo is None else demo
    cluster = Cluster(folder if demo else school_folder(settings.data))
    with cluster.borrowed():
        yield cluster.ensure(DEMO if demo else SCHOOL)


def _said(code: str, **params: Param) -> None:
    settings = Settings()
    print(Words(catalogue(settings.language, settings.locales)).word(code, **params))


def _passphrase(code: str) -> str:
    """Typed unseen; from a pipe the first line is taken."""
    settings = Settings()
    asked = Words(catalogue(settings.language, settings.locales)).word(code)
    return getpass(f"{asked} ") if sys.stdin.isatty() else sys.stdin.readline().rstrip("\n")


def _backup(options: argparse.Namespace) -> int:
    """The server may go on meanwhile."""
    from kopje.formats.backup_file import Seal, seal
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.setup.backups import Backups

    if options.file.exists():
        raise BackupError("backup_there", name=str(options.file))
    by = Seal.by(_passphrase("cli_passphrase_new")) if options.seal else None
    half = options.file.with_suffix(".half")
    with database(Settings(), options.demo) as url:
        engine = engine_for(url)
        try:
            backups = Backups(UnitOfWork(engine), options.file.parent)
            backups.write(half, backups.now())
        finally:
            engine.dispose()
    if by is not None:
        seal(half, options.file, by)
        half.unlink()
    else:
        half.replace(options.file)
    _said("cli_backed_up", file=str(options.file), kilobytes=-(-options.file.stat().st_size // 1000))
    return 0


def _reset_password(options: argparse.Namespace) -> int:
    """For whoever has the machine; everybody who is signed in with it is signed out."""
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.setup.adults import LEAST_PASSWORD, reset_password

    new = _passphrase("cli_password_new")
    if len(new) < LEAST_PASSWORD:
        raise SignInError("password_short", least=LEAST_PASSWORD)
    with database(Settings(), options.demo) as url:
        engine = engine_for(url)
        try:
            with UnitOfWork(engine).begin() as session:
                reset_password(session, options.login, new)
        finally:
            engine.dispose()
    _said("cli_password_set", login=options.login)
    return 0


def _restore(options: argparse.Namespace) -> int:
    """Into an empty place; with --replace what is there keeps lying beside it."""
    from kopje.store.cluster import Cluster
    from kopje.store.places import school_folder

    settings = Settings()
    if not options.file.is_file():
        raise BackupError("backup_no_file", name=str(options.file))
    if settings.database_url:
        _restore_into(settings.database_url, options.file)
        return 0
    with Cluster(school_folder(settings.data)).borrowed() as cluster:
        if cluster.process is None:
            raise BackupError("restore_while_running")
        _restore_beside(cluster, options)
    return 0


def _restore_beside(cluster: Cluster, options: argparse.Namespace) -> None:
    """Beside the school's place, and put there when it is whole."""
    from kopje.store.copies import is_empty
    from kopje.store.work import engine_for

    half = f"{SCHOOL}_half"
    engine = engine_for(cluster.ensure(SCHOOL))
    empty = is_empty(engine)
    engine.dispose()
    if not empty and not options.replace:
        raise BackupError("restore_not_empty")
    cluster.drop(half)
    try:
        _restore_into(cluster.ensure(half), options.file)
    except BaseException:
        cluster.drop(half)
        raise
    if empty:
        cluster.drop(SCHOOL)
    else:
        aside = f"{SCHOOL}_{datetime.now():%Y%m%d_%H%M%S}"
        cluster.rename(SCHOOL, aside)
        _said("cli_set_aside", name=aside)
    cluster.rename(half, SCHOOL)


def _restore_into(url: str, file: Path) -> None:
    from kopje.store.places import backups_folder
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.setup.backups import restore
    from kopje.usecases.setup.privacy import erase_again

    engine = engine_for(url)
    try:
        found = restore(file, engine, lambda: _passphrase("cli_passphrase"))
        settings = Settings()
        beside = (file.absolute().parent, backups_folder(settings.data))
        erased = erase_again(UnitOfWork(engine), beside, settings.now())
    finally:
        engine.dispose()
    rows = sum(told.rows for told in found.tables.values())
    _said(
        "cli_restored", schools=", ".join(found.manifest.schools), day=found.manifest.made.date(), count=rows
    )
    if erased:
        _said("cli_erased_again", count=erased)


def _rebuild(options: argparse.Namespace) -> int:
    """On the database that KOPJE_DATABASE_URL names, else on the school's own; exit 1 where something
    differed."""
    from kopje.store import people
    from kopje.store.migrate import migrate
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.ledger.projections import rebuild_and_compare
    from kopje.usecases.setup.start_up import of_school

    settings = Settings()
    words = Words(catalogue(settings.language, settings.locales))
    with database(settings, options.demo) as url:
        engine = engine_for(url)
        migrate(engine)
        work, differed = UnitOfWork(engine), 0
        with work.begin() as session:
            schools = people.schools(session)
        for school in schools:
            with work.begin() as session:
                found = rebuild_and_compare(
                    of_school(session, people.school(session, school.id), settings.now())
                )
            rows = ", ".join(f"{table}: {count}" for table, count in found.rows.items())
            print(words.word("cli_rebuilt", school=school.name, count=sum(found.rows.values()), rows=rows))
            print("".join(f"  {line}\n" for line in found.some), end="")
            differed += sum(found.rows.values())
        engine.dispose()
    return 1 if differed else 0


def _compose(options: argparse.Namespace) -> int:
    """Print the next lessons of a section or a grade as they would be composed anew around what is pinned."""
    from kopje.api.set_json import set_json
    from kopje.core.planning.lesson_set.compose import compose_set
    from kopje.store import people, sections
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.lessons.set_scope import question_of_set, scope_of
    from kopje.usecases.setup.start_up import of_school

    settings = Settings()
    with database(settings, None) as url:
        engine = engine_for(url)
        with UnitOfWork(engine).read() as session:
            school = people.schools(session)[0]
            ctx = of_school(session, people.school(session, school.id), settings.now())
            key = f"grade-{options.grade}"
            if options.section is not None:
                named = {one.name: str(one.id) for one in sections.sections(session, ctx.school_id)}
                key = named.get(options.section, options.section)
            scope = scope_of(ctx, key, options.lessons)
            question = question_of_set(ctx, scope, keep=False, work=options.seconds)
            words = ctx.words
        plan = compose_set(question)
        engine.dispose()
    found = set_json(scope, question, plan, words)
    print(json.dumps(found, ensure_ascii=False, indent=None if options.json else 1))
    return 0
