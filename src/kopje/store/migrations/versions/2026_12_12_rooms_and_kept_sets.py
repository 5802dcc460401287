"""What the room has is counted, lesson sets are kept under a name, and a concert has its songs."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_12_rooms_and_kept_sets"
down_revision = "2026_12_11_habits"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("school", sa.Column("room", JSONB(), server_default="{}", nullable=False))
    op.add_column("school", sa.Column("voice", sa.Integer(), nullable=True))
    op.add_column("concert", sa.Column("songs", JSONB(), server_default="[]", nullable=False))
    op.create_table(
        "kept_set",
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("grade", sa.Integer(), nullable=False),
        sa.Column("lessons", JSONB(), nullable=False),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_kept_set_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_kept_set")),
        sa.UniqueConstraint("school_id", "name", name=op.f("uq_kept_set_school_id")),
    )
    op.create_index(op.f("ix_kept_set_school_id"), "kept_set", ["school_id"])


def downgrade() -> None:
    op.drop_table("kept_set")
    op.drop_column("concert", "songs")
    op.drop_column("school", "voice")
    op.drop_column("school", "room")
