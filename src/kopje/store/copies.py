"""All rows of a database out and in again, as PostgreSQL itself writes them (COPY in its text format)."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from contextlib import contextmanager
from typing import Any, Protocol

import psycopg
from alembic.script import ScriptDirectory
from alembic.util.exc import CommandError
from psycopg import sql
from sqlalchemy import Engine, MetaData, NullPool, create_engine, inspect

from kopje.core.errors import BackupError
from kopje.store.migrate import config, migrate

NOT_COPIED = (
    *("sign_in", "failed_sign_in", "known_device", "invitation", "projector", "alembic_version", "keeping"),
)
Block = bytes | bytearray | memoryview
COLUMNS = """SELECT table_name, array_agg(column_name::text ORDER BY ordinal_position)
FROM information_schema.columns JOIN information_schema.tables USING (table_schema, table_name)
WHERE table_schema = current_schema() AND table_type = 'BASE TABLE' GROUP BY table_name ORDER BY table_name"""


class Rows(Protocol):
    """What is told of a table: its columns in the order of the fields, and how many rows it has."""

    columns: list[str]
    rows: int


class Copy(Protocol):
    """A copy that is read. `blocks` raises BackupError where a table is not as it was written."""

    @property
    def revision(self) -> str: ...

    @property
    def tables(self) -> Mapping[str, Rows]: ...

    def blocks(self, table: str, /) -> Iterator[bytes]: ...


def about(connection: psycopg.Connection[Any]) -> tuple[str, list[str]]:
    """The revision of the tables' schema, and the names of the schools."""
    (revision,) = _one(connection, "SELECT version_num FROM alembic_version")
    return revision, [
        name for (name,) in connection.execute("SELECT name FROM school ORDER BY name").fetchall()
    ]


def copy_out(
    connection: psycopg.Connection[Any],
) -> Iterator[tuple[str, list[str], Iterable[Block]]]:
    """Each table with its columns and rows; who is signed in is not among them. All as it is at one moment,
    if the transaction sees it so. The rows of one are to be taken before the next is asked for."""
    for table, columns in connection.execute(COLUMNS).fetchall():
        if table not in NOT_COPIED:
            yield table, columns, _rows(connection, table, columns)


def _one(connection: psycopg.Connection[Any], query: str) -> tuple[Any, ...]:
    found = connection.execute(query).fetchone()
    if found is None:
        raise BackupError("backup_nothing")
    return tuple(found)


def _rows(connection: psycopg.Connection[Any], table: str, columns: list[str]) -> Iterator[Block]:
    said = sql.SQL("COPY {} ({}) TO STDOUT").format(
        sql.Identifier(table), sql.SQL(", ").join(map(sql.Identifier, columns))
    )
    with connection.cursor() as cursor, cursor.copy(said) as copy:
        yield from copy


@contextmanager
def scratch(engine: Engine) -> Iterator[Engine]:
    """A database beside another one, empty, for a while. OperationalError or ProgrammingError where the role
    may not make any."""
    name = f"{engine.url.database}_trial"
    server = create_engine(engine.url, isolation_level="AUTOCOMMIT", poolclass=NullPool)
    drop = f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)'
    with server.connect() as connection:
        connection.exec_driver_sql(drop)
        connection.exec_driver_sql(f'CREATE DATABASE "{name}" TEMPLATE template0')
        made = create_engine(engine.url.set(database=name), poolclass=NullPool)
        try:
            yield made
        finally:
            made.dispose()
            connection.exec_driver_sql(drop)


def is_empty(engine: Engine) -> bool:
    """Whether no school is in a database."""
    if not inspect(engine).has_table("school"):
        return True
    with engine.connect() as connection:
        return connection.exec_driver_sql("SELECT count(*) FROM school").scalar() == 0


def knows(revision: str) -> bool:
    """Whether this version of Kopje has such a schema in its past."""
    try:
        return ScriptDirectory.from_config(config()).get_revision(revision) is not None
    except CommandError:
        return False


def copy_in(engine: Engine, copy: Copy) -> None:
    """Into a database without tables, or with the empty ones of the same schema; then its schema is brought
    up to date. BackupError, and nothing kept, where something is not as it was written."""
    if not knows(copy.revision):
        raise BackupError("backup_newer", revision=copy.revision)
    migrate(engine, copy.revision)
    known = MetaData()
    known.reflect(engine)
    order = [table.name for table in known.sorted_tables]
    columns = {table.name: {column.name for column in table.columns} for table in known.sorted_tables}
    for name, told in copy.tables.items():
        if name in NOT_COPIED or not set(told.columns) <= columns.get(name, set()):
            raise BackupError("backup_damaged", table=name)
    with engine.begin() as connection:
        inner: Any = connection.connection.driver_connection
        with _unheld(inner):
            for name in order:
                if name in copy.tables:
                    _fill(inner, name, copy)
    migrate(engine)


# Keys and unique columns first, for references need them; each as PostgreSQL itself would write it.
HELD = """SELECT conrelid::regclass::text, quote_ident(conname), pg_get_constraintdef(oid) FROM pg_constraint
WHERE connamespace = current_schema()::regnamespace AND contype IN ('p', 'u', 'f')
ORDER BY contype = 'f', conrelid, conname"""
INDEXED = """SELECT quote_ident(indexname), indexdef FROM pg_indexes WHERE schemaname = current_schema()
AND indexname NOT IN
    (SELECT conname FROM pg_constraint WHERE connamespace = current_schema()::regnamespace)"""


@contextmanager
def _unheld(connection: psycopg.Connection[Any]) -> Iterator[None]:
    """Tables are filled without their indexes and references, and get them back when they are full: each row
    is then not looked up by itself. BackupError where the rows do not fit together."""
    held, indexed = connection.execute(HELD).fetchall(), connection.execute(INDEXED).fetchall()
    for name, _ in indexed:
        connection.execute(f"DROP INDEX {name}")
    for table, name, _ in reversed(held):
        connection.execute(f"ALTER TABLE {table} DROP CONSTRAINT {name}")
    yield
    connection.execute("SET LOCAL maintenance_work_mem = '128MB'")
    for table, name, how in held:
        try:
            connection.execute(f"ALTER TABLE {table} ADD CONSTRAINT {name} {how}")
        except psycopg.IntegrityError as problem:
            raise BackupError("backup_damaged", table=table) from problem
    for _, how in indexed:
        connection.execute(how)


def _fill(connection: psycopg.Connection[Any], table: str, source: Copy) -> None:
    told = source.tables[table]
    said = sql.SQL("COPY {} ({}) FROM STDIN").format(
        sql.Identifier(table), sql.SQL(", ").join(map(sql.Identifier, told.columns))
    )
    try:
        with connection.cursor() as cursor:
            with cursor.copy(said) as copy:
                for block in source.blocks(table):
                    copy.write(block)
            if cursor.rowcount != told.rows:
                raise BackupError("backup_damaged", table=table)
    except (psycopg.DataError, psycopg.IntegrityError, psycopg.ProgrammingError) as problem:
        raise BackupError("backup_damaged", table=table) from problem
