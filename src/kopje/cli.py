"""The command `kopje`: analyse, convert, serve, openapi; the others come from their own modules."""

from __future__ import annotations

import argparse
import json
import signal
import sys
import time
from pathlib import Path
from types import FrameType
from typing import TYPE_CHECKING, Any

from pydantic import ValidationError

from kopje import cli_ask, cli_generate, cli_instruments
from kopje.cli_school import DEMO, SCHOOL, add_commands
from kopje.core.analysis.analysis import Minor, analyse
from kopje.core.errors import KopjeError
from kopje.core.music.tune import blinded
from kopje.core.songs.question import tone_set_words
from kopje.settings import CHECKOUT, Settings
from kopje.words import Words, catalogue

if TYPE_CHECKING:
    from socket import socket

    import uvicorn

    from kopje.store.cluster import Cluster
    from kopje.store.work import UnitOfWork
    from kopje.usecases.setup.backups import Backups

SHUT_DOWN = 3  # seconds for what is being answered; screens that listen would listen for ever
LOST = ("voice_ignored", "chord_reduced", "parts_left_out")  # what a file held that is not written again


def main(arguments: list[str] | None = None) -> int:
    options = _parser().parse_args(arguments)
    try:
        settings = Settings()
    except ValidationError as problem:
        print(f"kopje: {_refused(problem)}", file=sys.stderr)
        return 2
    if not catalogue(settings.language, settings.locales).files:
        spoken = ", ".join(sorted(one.parent.name for one in settings.locales.glob("*/page.ftl"))) or "–"
        said = Words(catalogue()).word(
            "no_such_language", language=settings.language, folder=str(settings.locales), spoken=spoken
        )
        print(f"kopje: {said}", file=sys.stderr)
        return 2
    try:
        code: int = options.run(options)
    except KopjeError as problem:
        print(f"kopje: {_words().refusal(problem)}", file=sys.stderr)
        return 2
    return code


def _refused(problem: ValidationError) -> str:
    """The first setting that cannot be."""
    found = problem.errors()[0]
    name = f"KOPJE_{'_'.join(map(str, found['loc'])).upper()}"
    return Words(catalogue()).word("setting_refused", name=name, given=str(found["input"]), why=found["msg"])


def _words() -> Words:
    settings = Settings()
    return Words(catalogue(settings.language, settings.locales))


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="kopje", description="The planner and the ledger that know the music."
    )
    commands = parser.add_subparsers(required=True)
    analysing = commands.add_parser("analyse", help="say what a song is made of")
    analysing.add_argument("files", nargs="+", type=Path, metavar="FILE")
    analysing.add_argument("--json", action="store_true")
    analysing.add_argument("--minor", choices=("la", "do"), default="la")
    analysing.add_argument("--part", type=int)
    analysing.add_argument(
        "--blind", action="store_true", help="withhold stated key, text lines, words, fermatas"
    )
    analysing.set_defaults(run=_analyse)
    converting = commands.add_parser("convert", help="write a song in another format, by the ending of OUT")
    converting.add_argument("file", type=Path, metavar="FILE")
    converting.add_argument("out", type=Path, metavar="OUT")
    converting.add_argument("--part", type=int)
    converting.set_defaults(run=_convert)
    serving = commands.add_parser("serve", help="start the application")
    serving.add_argument("--demo", action="store_true")
    serving.add_argument("--reset", action="store_true", help="with --demo: start over")
    serving.set_defaults(run=_serve)
    add_commands(commands)
    cli_ask.add_commands(commands)
    cli_generate.add_commands(commands)
    cli_instruments.add_commands(commands)
    schema = commands.add_parser("openapi", help="print the schema of the API")
    schema.add_argument("out", type=Path)
    schema.set_defaults(run=_openapi)
    return parser


def _analyse(options: argparse.Namespace) -> int:
    """One JSON object a line where there are several; a short text without --json."""
    from kopje.api.analysis_json import analysis_json
    from kopje.formats.limits import bytes_of
    from kopje.formats.read import read_tunes

    minor: Minor = options.minor
    code = 0
    for file in options.files:
        try:
            tunes = read_tunes(bytes_of(file), file.name, options.part)
        except (KopjeError, OSError) as problem:
            said = (
                _words().refusal(problem)
                if isinstance(problem, KopjeError)
                else _words().word("file_cannot_be_opened", why=problem.strerror or "")
            )
            print(f"kopje: {file}: {said}", file=sys.stderr)
            code = 2
            continue
        for tune in tunes:
            found = analysis_json(analyse(blinded(tune) if options.blind else tune, minor), _words())
            print(json.dumps(found, ensure_ascii=False) if options.json else _in_words(found))
    return code


def _convert(options: argparse.Namespace) -> int:
    """One file in another format. A book of tunes stays a book only as ABC; otherwise its first tune is
    written."""
    from kopje.core.music.score import Score
    from kopje.formats.abc_write import write_abc
    from kopje.formats.limits import bytes_of
    from kopje.formats.read import read_scores, read_tunes
    from kopje.formats.write import write_score

    try:
        data, name = bytes_of(options.file), options.file.name
        if options.part is None:
            scores = read_scores(data, name)
        else:
            scores = tuple(map(Score.solo, read_tunes(data, name, options.part)))
        if options.out.suffix.lower() == ".abc":
            written = "\n".join(write_abc(score, number) for number, score in enumerate(scores, 1)).encode()
        else:
            written = write_score(scores[0], options.out.name)
        options.out.write_bytes(written)
    except OSError as problem:
        said = _words().word("file_cannot_be_opened", why=problem.strerror or "")
        print(f"kopje: {problem.filename}: {said}", file=sys.stderr)
        return 2
    parts = (part.tune for score in scores for part in score.parts)
    lost = dict.fromkeys(one.reason for tune in parts for one in tune.problems if one.code in LOST)
    for reason in lost:
        print(f"kopje: {_words().say(reason)}", file=sys.stderr)
    if len(scores) > 1 and options.out.suffix.lower() != ".abc":
        print(f"kopje: {_words().word('first_tune_written', count=len(scores))}", file=sys.stderr)
    return 0


def _in_words(found: dict[str, Any]) -> str:
    """A short text; what is a judgement comes from the catalogue."""
    words = _words()
    lines = [
        words.word(
            "cli_home",
            title=found["title"],
            do=str(found["do"]),
            resting=found["resting_tone"] or "–",
            tonality=found["tonality"],
            sure=str(found["confidence"]),
            why=" ".join(found["reasons"]),
        ),
        "  "
        + words.word(
            "cli_tones",
            tones=" ".join(found["tone_set"]),
            name=words.say(tone_set_words(found["tone_set_name"])) if found["tone_set_name"] else "–",
            form=found["form"],
        ),
    ]
    return "\n".join([*lines, *(f"  {problem['message']}" for problem in found["problems"])])


def _openapi(options: argparse.Namespace) -> int:
    from sqlalchemy import create_engine

    from kopje.main import create_app
    from kopje.store.work import UnitOfWork

    app = create_app(Settings(), UnitOfWork(create_engine("postgresql+psycopg://")))
    options.out.parent.mkdir(parents=True, exist_ok=True)
    options.out.write_text(json.dumps(app.openapi(), indent=1, ensure_ascii=False) + "\n")
    return 0


def _serve(options: argparse.Namespace) -> int:
    """In the foreground. TERM stops the server, and the database if it was ours."""
    import uvicorn

    from kopje.logs import to_stderr
    from kopje.main import create_app
    from kopje.store.copies import is_empty
    from kopje.store.keeper import Keeper
    from kopje.usecases.setup.adults import new_code

    settings = Settings()
    keeper = None
    signal.signal(signal.SIGTERM, _interrupt)
    cluster = None if settings.database_url else _own_database(settings, options.demo)
    try:
        _port_must_be_free(settings)
        work, backups = _brought_up(settings, cluster, options)
        said = _load_demo(work, settings) if options.demo else ""
        if cluster is not None and not options.demo:
            said = "  " + _words().word("cli_data_in", folder=str(cluster.folder))
        to_stderr(settings.log_level, cluster.folder.with_name("logs") if cluster is not None else None)
        code = settings.first_code or new_code() if is_empty(work.engine) else None
        if code and not settings.first_code:
            said += "\n" + _words().word("cli_first_code", letters=code)
        scheme = "https" if settings.certificate else "http"
        keeper = Keeper(cluster).start() if cluster is not None else None
        config = uvicorn.Config(
            create_app(settings, work, daily=backups, first_code=code),
            host=settings.host,
            port=settings.port,
            ssl_certfile=settings.certificate,
            ssl_keyfile=settings.key,
            log_config=None,
            access_log=False,
            timeout_graceful_shutdown=SHUT_DOWN,
        )
        server = _telling(
            uvicorn.Server(config),
            _words().word("cli_is_at", address=f"{scheme}://{settings.host}:{settings.port}", said=said),
        )
        server.run()
    except KeyboardInterrupt:
        pass
    finally:
        if keeper is not None:
            keeper.stop()
        if cluster is not None:
            cluster.stop()
    return 0


def _brought_up(
    settings: Settings, cluster: Cluster | None, options: argparse.Namespace
) -> tuple[UnitOfWork, Backups]:
    """The database as this version wants it; before its tables are changed everything is copied."""
    from kopje.store.copies import is_empty
    from kopje.store.migrate import is_older, migrate
    from kopje.store.places import backups_folder
    from kopje.store.work import UnitOfWork, engine_for
    from kopje.usecases.setup.backups import Backups

    name = DEMO if options.demo else SCHOOL
    if cluster is not None and options.reset:
        cluster.drop(name)
    if cluster is not None and options.demo and not cluster.has(name):
        _make_demo(cluster, settings)
    engine = engine_for(settings.database_url or (cluster.ensure(name) if cluster else ""))
    work = UnitOfWork(engine)
    backups = Backups(work, cluster.folder.with_name("backups") if cluster else backups_folder(settings.data))
    if is_older(engine) and not is_empty(engine):
        print(_words().word("cli_before_update", file=str(backups.before_update())), flush=True)
    migrate(engine)
    return work, backups


def _make_demo(cluster: Cluster, settings: Settings) -> None:
    """Loaded beside its place and put there when it is whole: what an interrupted loading left is no demo."""
    from kopje.store.migrate import migrate
    from kopje.store.work import UnitOfWork, engine_for

    half = f"{DEMO}_half"
    cluster.drop(half)
    engine = engine_for(cluster.ensure(half))
    migrate(engine)
    _load_demo(UnitOfWork(engine), settings)
    engine.dispose()
    cluster.drop(DEMO)  # another command may have made an empty one meanwhile
    cluster.rename(half, DEMO)


def _port_must_be_free(settings: Settings) -> None:
    """Said before anything is loaded. Something may still take it between now and then; then the server says
    so."""
    from socket import SO_REUSEADDR, SOL_SOCKET, socket

    from kopje.core.errors import SetUpError

    with socket() as probe:
        probe.setsockopt(SOL_SOCKET, SO_REUSEADDR, 1)
        try:
            probe.bind((settings.host, settings.port))
        except OSError as problem:
            raise SetUpError("port_taken", port=str(settings.port)) from problem


def _own_database(settings: Settings, demo: bool) -> Cluster:
    """Kopje's own server, running. A school's data that an earlier version kept beside the checkout is moved
    to its place."""
    from kopje.core.errors import SetUpError
    from kopje.store.cluster import Cluster
    from kopje.store.places import demo_folder, has_data, move, school_folder

    old = demo_folder(CHECKOUT)
    if demo:
        return Cluster(old).start(settings.port)
    new = school_folder(settings.data)
    if not has_data(new) and has_data(old):
        moves, demo_runs = Cluster(old).looked_into(SCHOOL)
        if moves and demo_runs:
            raise SetUpError("school_beside_demo", folder=str(old))
        if moves:
            move(old, new)
            print(_words().word("cli_moved", old=str(old), new=str(new)), flush=True)
    return Cluster(new).start(settings.port)


def _telling(server: uvicorn.Server, said: str) -> uvicorn.Server:
    """The server says where it is once it answers, not before."""
    start = server.startup

    async def startup(sockets: list[socket] | None = None) -> None:
        await start(sockets)
        if not server.should_exit:
            print(said, flush=True)

    server.startup = startup  # type: ignore[method-assign]
    return server


def _load_demo(work: UnitOfWork, settings: Settings) -> str:
    from kopje.demo.load import LOGIN, PASSWORD, WEEKS, load

    def tell(week: int) -> None:
        print(_words().word("cli_loading", week=min(week, WEEKS), weeks=WEEKS), flush=True)

    started = time.monotonic()
    if load(work, settings, tell=tell):
        print(_words().word("cli_loaded", seconds=round(time.monotonic() - started)), flush=True)
    return "  " + _words().word("cli_sign_in", login=LOGIN, password=PASSWORD)


def _interrupt(_signal: int, _frame: FrameType | None) -> None:
    raise KeyboardInterrupt


if __name__ == "__main__":
    sys.exit(main())
