"""Exercises that were made for a class, what it read of them, and its routine of reading."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_18_practice"
down_revision = "2026_12_17_room"
branch_labels = None
depends_on = None
BEFORE = (
    "started", "ticked", "marked", "taken_back", "absent", "noted", "ended", "reopened", "rated", "not_held",
    "class_marked", "hands", "passed", "judged",
)  # fmt: skip


def _kinds(kinds: tuple[str, ...]) -> None:
    op.drop_constraint(op.f("ck_class_event_kind"), "class_event", type_="check")
    listed = ", ".join(f"'{kind}'" for kind in kinds)
    op.create_check_constraint(op.f("ck_class_event_kind"), "class_event", f"kind IN ({listed})")


def upgrade() -> None:
    _kinds((*BEFORE, "read"))
    op.add_column("section", sa.Column("reading", JSONB(), server_default="{}", nullable=False))
    op.create_table(
        "exercise",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("wish", JSONB(), nullable=False),
        sa.Column("source", sa.Text(), nullable=False),
        sa.Column("do", sa.Text(), nullable=False),
        sa.Column("resting", sa.Text(), nullable=False),
        sa.Column("told", JSONB(), nullable=False),
        sa.Column("song_id", sa.Uuid(), nullable=True),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_exercise_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_exercise_section_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["song_id"], ["song.id"], name=op.f("fk_exercise_song_id"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_exercise")),
        sa.UniqueConstraint("section_id", "number", name=op.f("uq_exercise_section_id")),
    )
    op.create_index(op.f("ix_exercise_school_id"), "exercise", ["school_id"])


def downgrade() -> None:
    """What the version before knows nothing of is taken away with it."""
    op.drop_table("exercise")
    op.drop_column("section", "reading")
    op.execute("ALTER TABLE class_event DISABLE TRIGGER USER")
    op.execute("DELETE FROM class_event WHERE kind = 'read'")
    op.execute("ALTER TABLE class_event ENABLE TRIGGER USER")
    _kinds(BEFORE)
