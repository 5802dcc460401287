"""Commands that ask a school's ledger, and take along everything behind its answers."""

from __future__ import annotations

import argparse
import json
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from datetime import date
from typing import TYPE_CHECKING, get_args

from kopje.cli_school import database
from kopje.core.errors import AskError
from kopje.core.sequence.grades import CHOIR
from kopje.settings import Settings
from kopje.usecases.ledger.export_ledger import What

if TYPE_CHECKING:
    from pydantic import BaseModel

    from kopje.usecases.context import Context

Answer = Callable[["Context", Sequence[str]], Sequence["BaseModel"]]
BLANKS = {
    "not-heard-since": ("DATE",),
    "fading": ("SECTION",),
    "refresh": ("SECTION",),
    "missing-for": ("SECTION", "CONCEPT"),
    "drift": ("GRADE", "DATE"),
    "left-over": ("SECTION",),
    "needs": ("CONCEPT",),
    "left-out": (),
}
KINDERGARTEN = ("K", "k")


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    every = "; ".join(f"{name} {' '.join(blanks)}" for name, blanks in BLANKS.items())
    asking = commands.add_parser("ask", help="ask the ledger a question", epilog=f"Questions: {every}")
    asking.add_argument("question", nargs="+", metavar="QUESTION")
    asking.add_argument("--json", action="store_true")
    asking.set_defaults(run=_ask)
    exporting = commands.add_parser("export", help="print everything behind the answers, an object a line")
    exporting.add_argument("what", choices=get_args(What))
    exporting.add_argument("--json", action="store_true")
    exporting.set_defaults(run=_export)


@contextmanager
def _school() -> Iterator[Context]:
    """The school of the database a command works on."""
    from kopje.store import people
    from kopje.store.copies import is_empty
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.setup.start_up import of_school

    settings = Settings()
    with database(settings, None) as url:
        engine = engine_for(url)
        try:
            if is_empty(engine):
                raise AskError("ask_no_school")
            with UnitOfWork(engine).read() as session:
                schools = people.schools(session)
                if not schools:
                    raise AskError("ask_no_school")
                school = people.school(session, schools[0].id)
                yield of_school(session, school, settings.now(school.time_zone))
        finally:
            engine.dispose()


def _ask(options: argparse.Namespace) -> int:
    name, *given = [word for text in options.question for word in _words_of(text, options.question)]
    if name not in BLANKS:
        raise AskError("ask_unknown", name=name, known=", ".join(BLANKS), value=name)
    if len(given) != len(BLANKS[name]):
        raise AskError("ask_blanks", name=name, blanks=" ".join(BLANKS[name]), value=" ".join(given))
    with _school() as ctx:
        answers = [one.model_dump(mode="json") for one in _answers()[name](ctx, given)]
    print(json.dumps(answers, ensure_ascii=False, indent=None if options.json else 1))
    return 0


def _words_of(text: str, every: Sequence[str]) -> list[str]:
    """A question may come as one text."""
    return text.split() if len(every) == 1 else [text]


def _answers() -> dict[str, Answer]:
    from kopje.api.schemas import asked as read
    from kopje.usecases.ledger import ask_ledger as ask
    from kopje.usecases.lessons.left_out import left_out
    from kopje.usecases.year.whereabouts import whereabouts

    return {
        "not-heard-since": lambda ctx, given: [
            read.NotHeardRead.of(one) for one in ask.not_heard_since(ctx, _day(given[0]))
        ],
        "fading": lambda ctx, given: [
            read.FadingRead.of(one) for one in ask.fading(ctx, ask.section_named(ctx, given[0]))
        ],
        "refresh": lambda ctx, given: (
            read.RefreshedRead.of(ask.refresh(ctx, ask.section_named(ctx, given[0])), ctx.words).songs
        ),
        "missing-for": lambda ctx, given: (
            read.MissingForRead.of(
                ask.missing_for(ctx, ask.section_named(ctx, given[0]), given[1]), ctx.words
            ).missing
        ),
        "drift": lambda ctx, given: [
            read.DriftRead.of_section(one) for one in whereabouts(ctx, _grade(given[0]), _day(given[1]))
        ],
        "left-over": lambda ctx, given: [
            read.LeftOverRead.of(one) for one in ask.left_over(ctx, ask.section_named(ctx, given[0]))
        ],
        "left-out": lambda ctx, _: [read.LeftOutRead.of(one, ctx.words) for one in left_out(ctx)],
        "needs": lambda ctx, given: [read.NeedsRead.of(one) for one in ask.who_needs(ctx, given[0])],
    }


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise AskError("ask_day", text=text, value=text) from None


def _grade(text: str) -> int:
    if text in KINDERGARTEN:
        return 0
    if not text.isascii() or not text.isdigit() or int(text) > CHOIR:
        raise AskError("ask_grade", text=text, value=text)
    return int(text)


def _export(options: argparse.Namespace) -> int:
    from kopje.usecases.ledger.export_ledger import export

    with _school() as ctx:
        for record in export(ctx, options.what):
            print(json.dumps(record, ensure_ascii=False))
    return 0
