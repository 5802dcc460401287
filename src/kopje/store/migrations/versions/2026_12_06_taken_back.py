"""Songs that were removed and changes of a year can be taken back; a section may span two grades or lie below kindergarten."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_06_taken_back"
down_revision = "2026_12_05_field_names"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("song", sa.Column("removed", sa.DateTime(timezone=True), nullable=True))
    op.add_column("section", sa.Column("upper", sa.Integer(), nullable=True))
    op.execute('UPDATE section SET "upper" = grade')
    op.alter_column("section", "upper", nullable=False)
    op.drop_constraint("ck_section_grade", "section")
    op.create_check_constraint(op.f("ck_section_grade"), "section", "grade BETWEEN -1 AND 13")
    op.create_check_constraint(
        op.f("ck_section_upper"), "section", "upper = grade OR (upper = grade + 1 AND upper <= 12)"
    )
    op.create_table(
        "year_step",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("before", JSONB(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_year_step_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_year_step_section_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_year_step")),
        sa.UniqueConstraint("section_id", "number", name=op.f("uq_year_step_section_id")),
    )
    op.create_index(op.f("ix_year_step_school_id"), "year_step", ["school_id"])
    op.create_index(op.f("ix_year_step_section_id"), "year_step", ["section_id"])


def downgrade() -> None:
    op.drop_table("year_step")
    op.drop_constraint("ck_section_upper", "section")
    op.drop_column("section", "upper")
    op.execute("UPDATE section SET grade = 0 WHERE grade < 0")  # the version before knows none below
    op.drop_constraint("ck_section_grade", "section")
    op.create_check_constraint(op.f("ck_section_grade"), "section", "grade BETWEEN 0 AND 13")
    op.execute("DELETE FROM song WHERE removed IS NOT NULL")  # it would show them again
    op.drop_column("song", "removed")
