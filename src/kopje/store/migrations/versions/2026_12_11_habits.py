"""A school has templates and activities of its own, with notes and files beside them."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.schema import SchemaItem

revision = "2026_12_11_habits"
down_revision = "2026_12_10_known_songs"
branch_labels = None
depends_on = None


def _table(name: str, *columns: SchemaItem, unique: tuple[str, ...] = ()) -> None:
    constraints: list[SchemaItem] = [
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f(f"fk_{name}_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{name}")),
    ]
    if unique:
        constraints.append(sa.UniqueConstraint(*unique, name=op.f(f"uq_{name}_{unique[0]}")))
    op.create_table(
        name,
        *columns,
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        *constraints,
    )
    op.create_index(op.f(f"ix_{name}_school_id"), name, ["school_id"])


def upgrade() -> None:
    op.add_column("school", sa.Column("templates", JSONB(), server_default="{}", nullable=False))
    op.add_column("school", sa.Column("habits", sa.Integer(), server_default="0", nullable=False))
    _table(
        "own_activity",
        sa.Column("key", sa.Text(), nullable=False),
        sa.Column("told", JSONB(), nullable=False),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        sa.Column("removed", sa.DateTime(timezone=True), nullable=True),
        unique=("school_id", "key"),
    )
    _table(
        "activity_note",
        sa.Column("activity", sa.Text(), nullable=False),
        sa.Column("note", sa.Text(), nullable=False),
        sa.Column("links", sa.Text(), nullable=False),
        sa.Column("grows", JSONB(), server_default="[]", nullable=False),
        unique=("school_id", "activity"),
    )
    _table(
        "attachment",
        sa.Column("activity", sa.Text(), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("kind", sa.Text(), nullable=False),
        sa.Column("size", sa.Integer(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=False),
        sa.Column("added", sa.DateTime(timezone=True), nullable=False),
        sa.CheckConstraint("size BETWEEN 1 AND 20000000", name=op.f("ck_attachment_size")),
    )
    op.create_index(op.f("ix_attachment_activity"), "attachment", ["activity"])


def downgrade() -> None:
    # What was planned or taught with an activity of the school's own stays; the version before cannot show it.
    op.execute("DELETE FROM planned_part WHERE activity LIKE 'own-%'")
    for name in ("attachment", "activity_note", "own_activity"):
        op.drop_table(name)
    op.drop_column("school", "habits")
    op.drop_column("school", "templates")
