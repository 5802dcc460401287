"""A school's own words; choirs and who sings in them; lengths of single meetings; dates and pauses of arcs"""

from typing import Any

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_11_29_words_and_choirs"
down_revision = "2026_11_28_roll_over"
branch_labels = None
depends_on = None

WISHES: dict[str, sa.types.TypeEngine[Any]] = {
    "not_before": sa.Date(),
    "not_after": sa.Date(),
    "pause_from": sa.Integer(),
    "pause": sa.Integer(),
}


def upgrade() -> None:
    op.add_column("school", sa.Column("wording", JSONB(), nullable=False, server_default="{}"))
    op.add_column("meeting", sa.Column("minutes", sa.Integer(), nullable=True))
    op.create_check_constraint(op.f("ck_meeting_minutes"), "meeting", "minutes BETWEEN 10 AND 180")
    for name, kind in WISHES.items():
        op.add_column("wish", sa.Column(name, kind, nullable=True))
    for name in ("pause_after", "pause"):
        op.add_column("arc", sa.Column(name, sa.Integer(), nullable=False, server_default="0"))
    op.drop_constraint(op.f("ck_section_grade"), "section")
    op.create_check_constraint(op.f("ck_section_grade"), "section", "grade BETWEEN 0 AND 13")
    _statuses("best_possible", "best_found", "kept")
    op.create_table(
        "membership",
        sa.Column("section_id", sa.Uuid(), sa.ForeignKey("section.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("child_id", sa.Uuid(), sa.ForeignKey("child.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("school_id", sa.Uuid(), sa.ForeignKey("school.id", ondelete="CASCADE"), nullable=False),
    )
    op.create_index(op.f("ix_membership_child_id"), "membership", ["child_id"])


def _statuses(*words: str) -> None:
    listed = ", ".join(f"'{word}'" for word in words)
    op.drop_constraint(op.f("ck_year_plan_status"), "year_plan")
    op.create_check_constraint(op.f("ck_year_plan_status"), "year_plan", f"status IN ({listed})")


def downgrade() -> None:
    op.drop_table("membership")
    op.execute("UPDATE year_plan SET status = 'best_found' WHERE status = 'kept'")
    _statuses("best_possible", "best_found")
    op.drop_constraint(op.f("ck_section_grade"), "section")
    op.execute("UPDATE section SET grade = 12 WHERE grade > 12")
    op.create_check_constraint(op.f("ck_section_grade"), "section", "grade BETWEEN 0 AND 12")
    for name in ("pause", "pause_after"):
        op.drop_column("arc", name)
    for name in WISHES:
        op.drop_column("wish", name)
    op.drop_constraint(op.f("ck_meeting_minutes"), "meeting")
    op.drop_column("meeting", "minutes")
    op.drop_column("school", "wording")
