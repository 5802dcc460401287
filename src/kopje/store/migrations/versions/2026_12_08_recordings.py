"""Recorded pieces stand beside songs; one that a class hears for the first time is new."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_08_recordings"
down_revision = "2026_12_07_phases_of_our_own"
branch_labels = None
depends_on = None

NEW = "ck_planned_part_new"


def upgrade() -> None:
    op.create_table(
        "recording",
        sa.Column("title", sa.Text(), nullable=False),
        sa.Column("length", sa.Integer(), nullable=False),
        sa.Column("style", sa.Text(), nullable=False),
        sa.Column("rights", sa.Text(), nullable=False),
        sa.Column("place", sa.Text(), nullable=False),
        sa.Column("question", sa.Text(), nullable=False),
        sa.Column("feel", sa.Text(), nullable=False),
        sa.Column("marks", JSONB(), nullable=False),
        sa.Column("tags", JSONB(), nullable=False),
        sa.Column("source", sa.LargeBinary(), nullable=True),
        sa.Column("filename", sa.Text(), nullable=False),
        sa.Column("added", sa.DateTime(timezone=True), nullable=False),
        sa.Column("removed", sa.DateTime(timezone=True), nullable=True),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.CheckConstraint(
            "feel IN ('two', 'three', 'four', 'swaying', 'free')", name=op.f("ck_recording_feel")
        ),
        sa.CheckConstraint("length BETWEEN 5000 AND 1800000", name=op.f("ck_recording_length")),
        sa.CheckConstraint("(filename = '') = (source IS NULL)", name=op.f("ck_recording_source")),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_recording_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_recording")),
    )
    op.create_index(op.f("ix_recording_school_id"), "recording", ["school_id"])
    op.create_index(
        "uq_recording_shipped",
        "recording",
        ["school_id", "filename"],
        unique=True,
        postgresql_where=sa.text("filename <> ''"),
    )
    op.drop_constraint(NEW, "planned_part")
    op.create_check_constraint(
        op.f(NEW), "planned_part", "new IN ('name', 'song', 'piece', 'activity') OR new IS NULL"
    )


def downgrade() -> None:
    op.execute(
        "DELETE FROM planned_part WHERE material_kind = 'recording'"
    )  # the version before cannot show them
    op.execute("UPDATE planned_part SET new = NULL WHERE new = 'piece'")
    op.drop_constraint(NEW, "planned_part")
    op.create_check_constraint(
        op.f(NEW), "planned_part", "new IN ('name', 'song', 'activity') OR new IS NULL"
    )
    op.drop_table("recording")
