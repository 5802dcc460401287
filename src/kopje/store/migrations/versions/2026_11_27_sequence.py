"""Versions of a school's sequence"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_27_sequence"
down_revision = "2026_11_26_year"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "sequence_version",
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("concepts", postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_sequence_version_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_sequence_version")),
        sa.UniqueConstraint("school_id", "number", name=op.f("uq_sequence_version_school_id")),
    )
    op.create_index(op.f("ix_sequence_version_school_id"), "sequence_version", ["school_id"], unique=False)
    op.add_column("school", sa.Column("sequence", sa.Integer(), server_default="0", nullable=False))


def downgrade() -> None:
    op.drop_column("school", "sequence")
    op.drop_index(op.f("ix_sequence_version_school_id"), table_name="sequence_version")
    op.drop_table("sequence_version")
