"""The chain of migrations leads to the tables, and back."""

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import inspect

from conftest import new_database
from kopje.store.migrate import migrate, unmigrate
from kopje.store.tables import Table
from kopje.store.work import engine_for


def test_up_equals_the_tables_and_down_leaves_nothing(worker: str) -> None:
    engine = engine_for(new_database(f"migrating_{worker}", "template1"))
    try:
        migrate(engine)
        with engine.connect() as connection:
            assert compare_metadata(MigrationContext.configure(connection), Table.metadata) == []
        unmigrate(engine)
        assert inspect(engine).get_table_names() == ["alembic_version"]
        migrate(engine)
    finally:
        engine.dispose()
