"""A section may know songs that it never sang here."""

import sqlalchemy as sa
from alembic import op

revision = "2026_12_10_known_songs"
down_revision = "2026_12_09_lesson_sets"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "known_song",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("song_id", sa.Uuid(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_known_song_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_known_song_section_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["song_id"], ["song.id"], name=op.f("fk_known_song_song_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_known_song")),
        sa.UniqueConstraint("section_id", "song_id", name=op.f("uq_known_song_section_id")),
    )
    op.create_index(op.f("ix_known_song_school_id"), "known_song", ["school_id"])


def downgrade() -> None:
    op.drop_table("known_song")
