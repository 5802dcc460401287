"""Layers that were made together are kept under a name."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_20_textures"
down_revision = "2026_12_19_rounds"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "kept_texture",
        sa.Column("id", sa.Uuid(), primary_key=True),
        sa.Column("school_id", sa.Uuid(), sa.ForeignKey("school.id", ondelete="CASCADE"), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("texture", JSONB(), nullable=False),
        sa.Column("changed", sa.DateTime(timezone=True), nullable=False),
        sa.UniqueConstraint("school_id", "name"),
    )
    op.create_index(op.f("ix_kept_texture_school_id"), "kept_texture", ["school_id"])


def downgrade() -> None:
    op.drop_table("kept_texture")
