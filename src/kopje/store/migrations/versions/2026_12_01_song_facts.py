"""What is asked of songs as columns, worked out anew by the application; sentences that a teacher keeps."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import ARRAY, JSONB

revision = "2026_12_01_song_facts"
down_revision = "2026_11_30_told"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("song", sa.Column("things", ARRAY(sa.Text()), nullable=False, server_default="{}"))
    op.add_column("song", sa.Column("aspects", ARRAY(sa.Text()), nullable=False, server_default="{}"))
    op.add_column("song", sa.Column("fits", ARRAY(sa.Integer()), nullable=False, server_default="{}"))
    op.add_column("song", sa.Column("shown", JSONB(), nullable=False, server_default="{}"))
    op.add_column("song", sa.Column("search", sa.Text(), nullable=False, server_default=""))
    op.add_column("song", sa.Column("worked", sa.Integer(), nullable=False, server_default="0"))
    op.create_index("ix_song_things", "song", ["things"], postgresql_using="gin")
    op.create_index("ix_song_order", "song", ["school_id", "title", "id"])
    op.create_table(
        "kept_question",
        sa.Column("id", sa.Uuid(), primary_key=True),
        sa.Column("school_id", sa.Uuid(), sa.ForeignKey("school.id", ondelete="CASCADE"), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("asked", JSONB(), nullable=False),
        sa.UniqueConstraint("school_id", "name"),
    )
    op.create_index("ix_kept_question_school_id", "kept_question", ["school_id"])


def downgrade() -> None:
    op.drop_table("kept_question")
    op.drop_index("ix_song_order", "song")
    op.drop_index("ix_song_things", "song")
    for column in ("worked", "search", "shown", "fits", "aspects", "things"):
        op.drop_column("song", column)
