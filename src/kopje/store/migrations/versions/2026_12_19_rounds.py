"""Rounds of questions that a class played are events too; an exercise knows the part of a lesson that opened it."""

import sqlalchemy as sa
from alembic import op

revision = "2026_12_19_rounds"
down_revision = "2026_12_18_practice"
branch_labels = None
depends_on = None
BEFORE = (
    "started", "ticked", "marked", "taken_back", "absent", "noted", "ended", "reopened", "rated", "not_held",
    "class_marked", "hands", "passed", "judged", "read",
)  # fmt: skip


def _kinds(kinds: tuple[str, ...]) -> None:
    op.drop_constraint(op.f("ck_class_event_kind"), "class_event", type_="check")
    listed = ", ".join(f"'{kind}'" for kind in kinds)
    op.create_check_constraint(op.f("ck_class_event_kind"), "class_event", f"kind IN ({listed})")


def upgrade() -> None:
    _kinds((*BEFORE, "round"))
    op.add_column("exercise", sa.Column("part_id", sa.Uuid(), nullable=True))
    op.create_index(op.f("ix_exercise_part_id"), "exercise", ["part_id"])


def downgrade() -> None:
    """What the version before knows nothing of is taken away."""
    op.drop_index(op.f("ix_exercise_part_id"), table_name="exercise")
    op.drop_column("exercise", "part_id")
    op.execute("ALTER TABLE class_event DISABLE TRIGGER USER")
    op.execute("DELETE FROM class_event WHERE kind = 'round'")
    op.execute("ALTER TABLE class_event ENABLE TRIGGER USER")
    _kinds(BEFORE)
