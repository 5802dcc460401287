"""Sections of adults, projectors; how long data are kept, who looked, which children were erased; how often
what is written as a whole was written."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_16_doors"
down_revision = "2026_12_15_adults"
branch_labels = None
depends_on = None
MOMENT = sa.DateTime(timezone=True)


def _to(table: str, column: str, target: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        [column], [f"{target}.id"], name=op.f(f"fk_{table}_{column}"), ondelete="CASCADE"
    )


def upgrade() -> None:
    op.add_column("invitation", sa.Column("sections", JSONB(), server_default="[]", nullable=False))
    op.create_table(
        "adult_section",
        sa.Column("teacher_id", sa.Uuid(), nullable=False),
        sa.Column("section_id", sa.Uuid(), nullable=False),
        _to("adult_section", "teacher_id", "teacher"),
        _to("adult_section", "section_id", "section"),
        sa.PrimaryKeyConstraint("teacher_id", "section_id", name=op.f("pk_adult_section")),
    )
    op.create_index(op.f("ix_adult_section_section_id"), "adult_section", ["section_id"])
    op.create_table(
        "projector",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("token_hash", sa.Text(), nullable=False),
        sa.Column("code", sa.Text(), nullable=True),
        sa.Column("client", sa.Text(), nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=True),
        sa.Column("frame", JSONB(), nullable=True),
        sa.Column("expires", MOMENT, nullable=False),
        _to("projector", "teacher_id", "teacher"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_projector")),
        sa.UniqueConstraint("token_hash", name=op.f("uq_projector_token_hash")),
        sa.UniqueConstraint("code", name=op.f("uq_projector_code")),
    )
    op.create_index(op.f("ix_projector_teacher_id"), "projector", ["teacher_id"])
    op.create_table(
        "retention",
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("left_years", sa.Integer(), nullable=False),
        sa.Column("log_days", sa.Integer(), nullable=False),
        sa.CheckConstraint("left_years BETWEEN 0 AND 20", name=op.f("ck_retention_left_years")),
        sa.CheckConstraint("log_days BETWEEN 30 AND 3650", name=op.f("ck_retention_log_days")),
        _to("retention", "school_id", "school"),
        sa.PrimaryKeyConstraint("school_id", name=op.f("pk_retention")),
    )
    op.create_table(
        "written",
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=True),
        sa.Column("moment", MOMENT, nullable=True),
        _to("written", "school_id", "school"),
        sa.PrimaryKeyConstraint("school_id", "name", name=op.f("pk_written")),
    )
    op.create_table(
        "access",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("moment", MOMENT, nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=False),
        sa.Column("what", sa.Text(), nullable=False),
        sa.Column("child_id", sa.Uuid(), nullable=True),
        _to("access", "school_id", "school"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_access")),
    )
    op.create_index(op.f("ix_access_school_id"), "access", ["school_id"])
    op.create_index(op.f("ix_access_moment"), "access", ["school_id", "moment"])
    op.create_table(
        "erased_child",
        sa.Column("child_id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("erased", MOMENT, nullable=False),
        _to("erased_child", "school_id", "school"),
        sa.PrimaryKeyConstraint("child_id", name=op.f("pk_erased_child")),
    )
    op.create_index(op.f("ix_erased_child_school_id"), "erased_child", ["school_id"])


def downgrade() -> None:
    for table in ("erased_child", "access", "written", "retention", "projector", "adult_section"):
        op.drop_table(table)
    op.drop_column("invitation", "sections")
