"""Backups: made by hand and daily, thinned out, read again, tried, and brought back."""

from __future__ import annotations

import os
import re
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

import structlog
from psycopg import DatabaseError
from sqlalchemy import Engine
from sqlalchemy.exc import SQLAlchemyError

from kopje.core.backups import due, kept, old
from kopje.core.errors import BackupError, NotFoundError
from kopje.core.reasons import Reason, because, packed, unpacked
from kopje.formats.backup_file import BackupReader, BackupWriter, Seal, check, is_sealed, seal, unseal
from kopje.store import copies, keeping, people
from kopje.store.work import UnitOfWork

NAME = re.compile(r"kopje-(\d{8}-\d{6})(-before-update)?(\.sealed)?\.zip")
STAMP = "%Y%m%d-%H%M%S"
TRY_EVERY = timedelta(days=7)
LEAST_PASSPHRASE = 12
log = structlog.get_logger()


@dataclass(frozen=True)
class BackupFile:
    name: str
    made: datetime
    bytes: int
    sealed: bool
    before_update: bool


@dataclass(frozen=True)
class Kept:
    """All that is known of the backups here. `old`: the teacher has to be told."""

    folder: Path
    usual: bool
    sealed: bool
    files: list[BackupFile]
    checked: datetime | None
    tried: datetime | None
    trouble: Reason | None
    old: bool
    several_schools: bool = False


@dataclass(frozen=True)
class Backups:
    """Of one database, in the folder that was chosen, else the `usual` one. `now`: this machine's time."""

    work: UnitOfWork
    usual: Path
    now: Callable[[], datetime] = field(default=lambda: datetime.now().astimezone())

    def kept(self) -> Kept:
        with self.work.read() as session:
            told = keeping.told(session)
            several = len(people.schools(session)) > 1
        folder = Path(told.folder) if told.folder else self.usual
        files = self._files(folder)
        trouble = unpacked(told.trouble) if told.trouble else None
        last = files[0].made if files else None
        return Kept(
            folder,
            told.folder is None,
            told.recipient is not None,
            files,
            told.checked,
            told.tried,
            trouble,
            old(last, self.now()),
            several,
        )

    def _files(self, folder: Path) -> list[BackupFile]:
        """The newest first; other files in the folder are none of ours."""
        found = []
        for path in folder.glob("kopje-*.zip") if folder.is_dir() else ():
            if named := NAME.fullmatch(path.name):
                made = datetime.strptime(named[1], STAMP).replace(tzinfo=self.now().tzinfo)
                size = path.stat().st_size
                found.append(BackupFile(path.name, made, size, named[3] is not None, named[2] is not None))
        return sorted(found, key=lambda one: one.made, reverse=True)

    def file(self, name: str) -> Path:
        """NotFoundError for what is no backup of this place."""
        path = self.kept().folder / name
        if not NAME.fullmatch(name) or not path.is_file():
            raise NotFoundError("no_such", what=because("what_backup"), value=name)
        return path

    def choose(self, folder: str) -> None:
        """Where they lie from now on; empty: the usual place. BackupError where nothing can be written."""
        chosen = Path(folder.strip()).expanduser() if folder.strip() else None
        if chosen is not None:
            _writable(chosen)
        with self.work.begin() as session:
            keeping.keeping(session, locked=True).folder = str(chosen) if chosen else None

    def seal_with(self, passphrase: str) -> None:
        """From now on they can be read only with this passphrase, which is kept nowhere."""
        if len(passphrase) < LEAST_PASSPHRASE:
            raise BackupError("backup_passphrase_short", least=LEAST_PASSPHRASE)
        self.seal_by(Seal.by(passphrase))

    def unsealed(self) -> None:
        self.seal_by(None)

    def seal_by(self, by: Seal | None) -> None:
        with self.work.begin() as session:
            row = keeping.keeping(session, locked=True)
            row.recipient, row.seal_key = (by.recipient, by.key) if by else (None, None)

    def make(self) -> Path:
        """One more, read again before it counts; then those that are too many are taken away. Once a week it
        is also restored into a scratch database. BackupError says why none could be made."""
        with self.work.in_turn("backup"), _told_plainly():
            with self.work.read() as session:
                told = keeping.told(session)
            folder, now = Path(told.folder) if told.folder else self.usual, self.now()
            path = self._made(folder, _seal_of(told.recipient, told.seal_key), "", now)
            self._thin_out(folder)
            if not (told.tried and now - told.tried < TRY_EVERY):
                self._try(now)
            return path

    def now_by_hand(self) -> None:
        """The same; what went wrong with an earlier one is settled by it."""
        self.make()
        self._tell(None)

    def _tell(self, trouble: Reason | None) -> None:
        with self.work.begin() as session:
            keeping.keeping(session, locked=True).trouble = packed(trouble) if trouble else None

    def before_update(self) -> Path:
        """The same before a new version changes the tables: read as the old one kept it."""
        with _told_plainly():
            folder, recipient, key = keeping.told_to_an_older_version(self.work.engine)
            place = Path(folder) if folder else self.usual
            return self._made(place, _seal_of(recipient, key), "-before-update", self.now())

    def _made(self, folder: Path, by: Seal | None, mark: str, now: datetime) -> Path:
        _writable(folder)
        path = folder / f"kopje-{now.strftime(STAMP)}{mark}{'.sealed' if by else ''}.zip"
        half = path.with_suffix(".half")
        try:
            self.write(half, now)
            check(half)
            if by is None:
                half.replace(path)
            else:
                seal(half, path, by)
                path.chmod(0o600)
        finally:
            half.unlink(missing_ok=True)
        return path

    def write(self, path: Path, now: datetime) -> None:
        """One file of everything, not sealed, readable by nobody else on this machine."""
        handle = os.open(path, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
        with os.fdopen(handle, "wb") as stream, self.work.copying() as connection:
            writer = BackupWriter(stream, now, *copies.about(connection))
            for table, columns, rows in copies.copy_out(connection):
                writer.table(table, columns, rows)
            writer.close()
            stream.flush()
            os.fsync(stream.fileno())

    def _try(self, now: datetime) -> None:
        """Restore everything as it is now into a database that is thrown away: a sealed file could not be
        opened without its passphrase."""
        with TemporaryDirectory() as place:
            path = Path(place) / "trial.zip"
            self.write(path, now)
            try:
                with path.open("rb") as stream, copies.scratch(self.work.engine) as engine:
                    copies.copy_in(engine, BackupReader(stream))
            except (BackupError, SQLAlchemyError, DatabaseError) as problem:
                log.error("backup_trial", exc_info=problem)
                raise BackupError("backup_not_tried") from problem
        with self.work.begin() as session:
            keeping.keeping(session, locked=True).tried = now

    def _thin_out(self, folder: Path) -> None:
        files = self._files(folder)
        stay = kept(one.made for one in files)
        for one in files:
            if one.made not in stay:
                (folder / one.name).unlink(missing_ok=True)

    def daily(self) -> bool:
        """What is done once a day: one more, and all of them read again. Whether it was due. What went wrong
        is kept for the page; nothing is raised."""
        at = self.kept()
        if not due(at.files[0].made if at.files else None, self.now()):
            return False
        trouble: Reason | None = None
        try:
            self.make()
            self.check_all()
        except BackupError as problem:
            log.error("backup_failed", why=problem.reason.code)
            trouble = problem.reason
        self._tell(trouble)
        return True

    def check_all(self) -> None:
        """Read every file; BackupError names the first that is not as it was written."""
        at = self.kept()
        for one in at.files:
            try:
                check(at.folder / one.name)
            except BackupError as problem:
                raise BackupError("backup_spoilt", name=one.name, why=problem.reason) from problem
        with self.work.begin() as session:
            keeping.keeping(session, locked=True).checked = self.now()


def _seal_of(recipient: str | None, key: bytes | None) -> Seal | None:
    return Seal(recipient=recipient, key=key) if recipient and key else None


def _writable(folder: Path) -> None:
    if not folder.is_absolute():
        raise BackupError("backup_folder_whole", folder=str(folder))
    try:
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        (folder / ".kopje-may-write").touch()
        (folder / ".kopje-may-write").unlink()
    except OSError as problem:
        why = problem.strerror or ""
        raise BackupError("backup_folder", folder=str(folder), why=why) from problem


@contextmanager
def _told_plainly() -> Iterator[None]:
    """What the disk or the database refuse, as a refusal of a backup."""
    try:
        yield
    except OSError as problem:
        raise BackupError("backup_disk", why=problem.strerror or "") from problem
    except (SQLAlchemyError, DatabaseError) as problem:
        log.error("backup_database", exc_info=problem)
        raise BackupError("backup_database") from problem


def restore(path: Path, engine: Engine, passphrase: Callable[[], str]) -> BackupReader:
    """Everything of a backup into an empty database, brought up to this version. The passphrase is asked for
    only where it is needed. BackupError, and nothing kept, where it cannot be."""
    if not copies.is_empty(engine):
        raise BackupError("restore_not_empty")
    with TemporaryDirectory() as place, _told_plainly():
        with path.open("rb") as stream:
            sealed = is_sealed(stream)
        by = None
        if sealed:
            plain = Path(place) / "plain.zip"
            by = unseal(path, plain, passphrase())
            path = plain
        with path.open("rb") as stream:
            reader = BackupReader(stream)
            copies.copy_in(engine, reader)
        if by is not None:
            Backups(UnitOfWork(engine), path.parent).seal_by(by)
    return reader
