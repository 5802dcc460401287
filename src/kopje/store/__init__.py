"""PostgreSQL: tables, one query module per aggregate, the unit of work, migrations."""
