"""More of what happens in a room: a mark of the whole class, a show of hands, a child that passed, the
teacher's word on a standing. How a child's name is said, what it is left out of, where it sits. Rules of the
ledger; reports."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_17_room"
down_revision = "2026_12_16_doors"
branch_labels = None
depends_on = None
BEFORE = (
    "started", "ticked", "marked", "taken_back", "absent", "noted", "ended", "reopened", "rated", "not_held",
)  # fmt: skip
NEW = ("class_marked", "hands", "passed", "judged")
MOMENT = sa.DateTime(timezone=True)


def _kinds(kinds: tuple[str, ...]) -> None:
    op.drop_constraint(op.f("ck_class_event_kind"), "class_event", type_="check")
    listed = ", ".join(f"'{kind}'" for kind in kinds)
    op.create_check_constraint(op.f("ck_class_event_kind"), "class_event", f"kind IN ({listed})")


def _to(table: str, column: str, target: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        [column], [f"{target}.id"], name=op.f(f"fk_{table}_{column}"), ondelete="CASCADE"
    )


def upgrade() -> None:
    _kinds((*BEFORE, *NEW))
    op.add_column("standing", sa.Column("word", sa.Text(), nullable=True))
    op.add_column("standing", sa.Column("word_note", sa.Text(), server_default="", nullable=False))
    op.add_column("standing", sa.Column("word_day", sa.Date(), nullable=True))
    op.add_column("child", sa.Column("say", sa.Text(), server_default="", nullable=False))
    op.add_column("child", sa.Column("without", JSONB(), server_default="[]", nullable=False))
    op.add_column("school", sa.Column("ledger_rules", JSONB(), server_default="{}", nullable=False))
    op.add_column("school", sa.Column("report_words", JSONB(), server_default="{}", nullable=False))
    op.create_table(
        "seating",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("kind", sa.Text(), nullable=False),
        sa.Column("across", sa.Integer(), nullable=False),
        sa.Column("places", JSONB(), nullable=False),
        sa.Column("draws", JSONB(), server_default="[]", nullable=False),
        sa.CheckConstraint("across BETWEEN 1 AND 20", name=op.f("ck_seating_across")),
        sa.CheckConstraint("kind IN ('rows', 'circle', 'plan')", name=op.f("ck_seating_kind")),
        _to("seating", "section_id", "section"),
        _to("seating", "school_id", "school"),
        sa.PrimaryKeyConstraint("section_id", name=op.f("pk_seating")),
    )
    op.create_index(op.f("ix_seating_school_id"), "seating", ["school_id"])
    op.create_table(
        "report",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("child_id", sa.Uuid(), nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=False),
        sa.Column("made", MOMENT, nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("blocks", JSONB(), nullable=False),
        _to("report", "school_id", "school"),
        _to("report", "child_id", "child"),
        sa.ForeignKeyConstraint(["teacher_id"], ["teacher.id"], name=op.f("fk_report_teacher_id")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_report")),
        sa.UniqueConstraint("child_id", "number", name=op.f("uq_report_child_id")),
    )
    op.create_index(op.f("ix_report_school_id"), "report", ["school_id"])


def downgrade() -> None:
    """What the version before knows nothing of is taken away with it."""
    op.drop_table("report")
    op.drop_table("seating")
    for table, column in (
        ("school", "report_words"), ("school", "ledger_rules"), ("child", "without"), ("child", "say"),
        ("standing", "word_day"), ("standing", "word_note"), ("standing", "word"),
    ):  # fmt: skip
        op.drop_column(table, column)
    listed = ", ".join(f"'{kind}'" for kind in NEW)
    op.execute("ALTER TABLE class_event DISABLE TRIGGER USER")
    op.execute(f"DELETE FROM class_event WHERE kind IN ({listed})")
    op.execute("ALTER TABLE class_event ENABLE TRIGGER USER")
    _kinds(BEFORE)
