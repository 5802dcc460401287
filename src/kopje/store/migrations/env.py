"""Alembic's entry: the connection comes from the caller."""

from alembic import context

from kopje.store.tables import Table

context.configure(connection=context.config.attributes["connection"], target_metadata=Table.metadata)
with context.begin_transaction():
    context.run_migrations()
