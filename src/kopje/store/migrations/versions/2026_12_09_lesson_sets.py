"""Changes of lesson sets are remembered, so that they can be taken back and done again."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_09_lesson_sets"
down_revision = "2026_12_08_recordings"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "set_step",
        sa.Column("scope", sa.Text(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("says", JSONB(), nullable=False),
        sa.Column("before", JSONB(), nullable=False),
        sa.Column("after", JSONB(), nullable=False),
        sa.Column("found", JSONB(), nullable=True),
        sa.Column("undone", sa.Boolean(), server_default="false", nullable=False),
        sa.Column("moment", sa.DateTime(timezone=True), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_set_step_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_set_step")),
        sa.UniqueConstraint("school_id", "scope", "number", name=op.f("uq_set_step_school_id")),
    )
    op.create_index(op.f("ix_set_step_school_id"), "set_step", ["school_id"])


def downgrade() -> None:
    op.drop_table("set_step")
