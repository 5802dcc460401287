"""Commands that work on a school's database."""

from __future__ import annotations

import argparse
import json
from collections.abc import Iterator
from contextlib import contextmanager

from kopje.settings import CHECKOUT, Settings
from kopje.words import Words, catalogue

DEMO, SCHOOL = "kopje_demo", "kopje"


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    rebuilding = commands.add_parser(
        "rebuild", help="work everything out again from what happened, and say what differed"
    )
    rebuilding.add_argument("--demo", action="store_true", help="the demo school's")
    rebuilding.set_defaults(run=_rebuild)
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
