"""A school leaves as one file and comes back from it whole; what is damaged, sealed or newer is refused in
words, and nothing that was there is lost."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Callable, Iterator
from datetime import datetime, timedelta
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import Engine, text

from api.conftest import make_school, signed_in, start_and_mark
from conftest import SETTINGS, new_database
from kopje.core.backups import due, kept, old
from kopje.core.errors import BackupError
from kopje.formats.backup_file import BackupReader, check
from kopje.main import create_app
from kopje.store import copies
from kopje.store.migrate import migrate, unmigrate
from kopje.store.tables import Table
from kopje.store.work import UnitOfWork, engine_for
from kopje.usecases.setup.backups import Backups, restore

RELEASED = Path(__file__).parent / "backups"
NOW = SETTINGS.now()


@pytest.fixture
def database(worker: str) -> Iterator[Callable[..., Engine]]:
    made: list[Engine] = []

    def new(mark: str, template: str = "template0") -> Engine:
        engine = engine_for(new_database(f"backup_{mark}_{worker}", template))
        made.append(engine)
        return engine

    yield new
    for engine in made:
        engine.dispose()


@pytest.fixture(scope="module")
def school(worker: str) -> str:
    """The name of a database with a school, its songs, a lesson and a mark."""
    name = f"backup_school_{worker}"
    engine = engine_for(new_database(name))
    work = UnitOfWork(engine)
    place = make_school(work, "Kestrel")
    start_and_mark(signed_in(TestClient(create_app(SETTINGS, work)), place), place)
    engine.dispose()
    return name


@pytest.fixture
def backups(database: Callable[..., Engine], school: str, tmp_path: Path) -> Backups:
    return Backups(UnitOfWork(database("from", school)), tmp_path / "kept", lambda: NOW)


def rows(engine: Engine) -> dict[str, list[str]]:
    """Everything that is copied, as text."""
    with engine.connect() as connection:
        return {
            table.name: sorted(
                json.dumps(dict(row), default=str) for row in connection.execute(table.select()).mappings()
            )
            for table in Table.metadata.sorted_tables
            if table.name not in copies.NOT_COPIED
        }


def test_a_school_comes_back_row_by_row(backups: Backups, database: Callable[..., Engine]) -> None:
    path = backups.make()
    assert path.stat().st_mode & 0o077 == 0, "nobody else on this machine reads children's names"
    other = database("to")
    found = restore(path, other, lambda: pytest.fail("it is not sealed"))
    assert rows(other) == rows(backups.work.engine)
    assert sum(told.rows for told in found.tables.values()) > 100
    with pytest.raises(BackupError, match="restore_not_empty"):
        restore(path, other, str)
    state = backups.kept()
    assert [one.name for one in state.files] == [path.name]
    assert state.tried == NOW
    assert not state.old
    backups.check_all()
    assert backups.kept().checked == NOW


def test_a_sealed_one_opens_only_with_its_passphrase(
    backups: Backups, database: Callable[..., Engine]
) -> None:
    with pytest.raises(BackupError, match="backup_passphrase_short"):
        backups.seal_with("short")
    backups.seal_with("four quiet herons wait")
    path = backups.make()
    with backups.work.engine.connect() as connection:
        (child,) = connection.execute(text("SELECT name FROM child LIMIT 1")).one()
    assert path.name.endswith(".sealed.zip")
    assert child.encode() not in path.read_bytes()
    check(path)
    other = database("to")
    with pytest.raises(BackupError, match="backup_passphrase"):
        restore(path, other, lambda: "four quiet herons wail")
    restore(path, other, lambda: "four quiet herons wait")
    assert rows(other) == rows(backups.work.engine)
    assert Backups(UnitOfWork(other), path.parent).kept().sealed, "what was sealed goes on being sealed"
    backups.unsealed()
    assert not backups.kept().sealed


def test_what_is_damaged_or_newer_is_refused_and_leaves_nothing(
    backups: Backups, database: Callable[..., Engine], tmp_path: Path
) -> None:
    whole = backups.make().read_bytes()
    manifest = json.loads(zipfile.ZipFile(io.BytesIO(whole)).read("manifest.json"))

    def told_otherwise(**changed: object) -> bytes:
        made = io.BytesIO()
        with zipfile.ZipFile(io.BytesIO(whole)) as old_one, zipfile.ZipFile(made, "w") as new_one:
            for name in old_one.namelist():
                told = json.dumps({**manifest, **changed}).encode()
                new_one.writestr(name, told if name == "manifest.json" else old_one.read(name))
        return made.getvalue()

    songs = manifest["tables"]["song"]
    cases = {
        b"": "backup_not_ours",
        b"PK\x03\x04 no zip": "backup_not_ours",
        whole[: len(whole) // 2]: "backup_not_ours",
        told_otherwise(revision="2031_01_01_flying"): "backup_newer",
        told_otherwise(tables={"song": {**songs, "sha256": "0" * 64}}): "backup_damaged",
        told_otherwise(tables={"song": {**songs, "rows": songs["rows"] + 1}}): "backup_damaged",
        told_otherwise(tables={"pg_authid": songs}): "backup_damaged",
        told_otherwise(tables={"song": {**songs, "columns": songs["columns"][1:]}}): "backup_damaged",
        told_otherwise(tables={"child": manifest["tables"]["child"]}): "backup_damaged",
        told_otherwise(made="yesterday"): "backup_not_ours",
    }
    other = database("to")
    for data, code in cases.items():
        (tmp_path / "bad.zip").write_bytes(data)
        with pytest.raises(BackupError, match=code):
            restore(tmp_path / "bad.zip", other, str)
        assert copies.is_empty(other)
    at = whole.index(b"PK\x01\x02") - 200  # within a packed table
    (tmp_path / "bad.zip").write_bytes(whole[:at] + bytes(64) + whole[at + 64 :])
    with pytest.raises(BackupError):
        check(tmp_path / "bad.zip")


@pytest.mark.parametrize("path", sorted(RELEASED.glob("*.zip")), ids=lambda path: path.stem)
def test_a_backup_of_every_released_schema_still_comes_back(
    path: Path, database: Callable[..., Engine]
) -> None:
    other = database("to")
    with path.open("rb") as stream:
        told = BackupReader(stream).manifest
    restore(path, other, str)
    with other.connect() as connection:
        for table in ("school", "child", "class_event"):
            count = connection.execute(text(f"SELECT count(*) FROM {table}")).scalar()
            assert count == told.tables[table].rows > 0


def test_the_day_s_backup_is_made_read_again_and_what_goes_wrong_is_told(
    backups: Backups, tmp_path: Path
) -> None:
    assert backups.daily()
    assert not backups.daily(), "one a day"
    tomorrow = Backups(backups.work, backups.usual, lambda: NOW + timedelta(days=1))
    (first,) = (backups.usual / one.name for one in backups.kept().files)
    first.write_bytes(first.read_bytes()[:-300])
    assert tomorrow.daily()
    told = tomorrow.kept().trouble
    assert told is not None
    assert (told.code, told["name"]) == ("backup_spoilt", first.name)
    assert len(tomorrow.kept().files) == 2
    (tmp_path / "a file").write_text("in the way")
    with pytest.raises(BackupError, match="backup_folder"):
        backups.choose(str(tmp_path / "a file" / "below"))
    with pytest.raises(BackupError, match="backup_folder_whole"):
        backups.choose("somewhere")
    backups.choose(str(tmp_path / "stick"))
    backups.now_by_hand()
    assert backups.kept().trouble is None
    assert [one.name for one in backups.kept().files] == [
        path.name for path in (tmp_path / "stick").iterdir()
    ]


def test_before_a_new_version_changes_the_tables_everything_is_copied(backups: Backups) -> None:
    backups.seal_with("four quiet herons wait")
    engine = backups.work.engine
    unmigrate(engine, "2026_12_13_days")
    try:
        path = backups.before_update()
    finally:
        migrate(engine)
    assert "before-update" in path.name
    with path.open("rb") as stream:
        assert BackupReader(stream).manifest.revision == "2026_12_13_days"


@given(st.sets(st.datetimes(datetime(2020, 1, 1), datetime(2030, 1, 1)), max_size=60))
def test_the_newest_is_always_kept_and_never_more_than_the_rule_says(made: set[datetime]) -> None:
    stay = kept(made)
    assert stay <= made
    assert len(stay) <= 7 + 4 + 12
    assert not made or max(made) in stay
    assert kept(stay) == stay, "thinning out again takes nothing more away"
    days = sorted({one.date() for one in made})[-7:]
    assert {one.date() for one in stay} >= set(days)
    if made:
        last = max(made)
        assert due(last, last + timedelta(days=1))
        assert not due(last, last)
        assert old(last, last + timedelta(days=8))
