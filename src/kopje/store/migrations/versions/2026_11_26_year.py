"""Terms, holidays, changes, concerts; the plan of a year"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_26_year"
down_revision = "2026_11_24_first"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "concert",
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("section_ids", postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column("concepts", postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_concert_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_concert")),
    )
    op.create_index(op.f("ix_concert_school_id"), "concert", ["school_id"], unique=False)
    op.create_table(
        "period",
        sa.Column("kind", sa.Text(), nullable=False),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("first", sa.Date(), nullable=False),
        sa.Column("last", sa.Date(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("kind IN ('term', 'holiday')", name=op.f("ck_period_kind")),
        sa.CheckConstraint("last >= first", name=op.f("ck_period_order")),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_period_school_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_period")),
    )
    op.create_index(op.f("ix_period_school_id"), "period", ["school_id"], unique=False)
    op.create_table(
        "arc",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("concept", sa.Text(), nullable=False),
        sa.Column("start", sa.Integer(), nullable=False),
        sa.Column("new", sa.Integer(), nullable=False),
        sa.Column("middle", sa.Integer(), nullable=False),
        sa.Column("warm_start", sa.Integer(), nullable=False),
        sa.Column("warm", sa.Integer(), nullable=False),
        sa.Column("presented", sa.Boolean(), nullable=False),
        sa.Column("short", sa.Boolean(), nullable=False),
        sa.Column("prepared", sa.Integer(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_arc_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_arc_section_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_arc")),
        sa.UniqueConstraint("section_id", "concept", name=op.f("uq_arc_section_id")),
    )
    op.create_index(op.f("ix_arc_school_id"), "arc", ["school_id"], unique=False)
    op.create_table(
        "change",
        sa.Column("section_id", sa.Uuid(), nullable=True),
        sa.Column("kind", sa.Text(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("starts", sa.Time(), nullable=True),
        sa.Column("why", sa.Text(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.CheckConstraint("kind IN ('lost', 'extra')", name=op.f("ck_change_kind")),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_change_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_change_section_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_change")),
    )
    op.create_index(op.f("ix_change_school_id"), "change", ["school_id"], unique=False)
    op.create_table(
        "wish",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("concept", sa.Text(), nullable=False),
        sa.Column("start", sa.Integer(), nullable=True),
        sa.Column("prepare", sa.Integer(), nullable=True),
        sa.Column("practise", sa.Integer(), nullable=True),
        sa.Column("next_year", sa.Boolean(), nullable=False),
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_wish_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_wish_section_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_wish")),
        sa.UniqueConstraint("section_id", "concept", name=op.f("uq_wish_section_id")),
    )
    op.create_index(op.f("ix_wish_school_id"), "wish", ["school_id"], unique=False)
    op.create_table(
        "year_plan",
        sa.Column("section_id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("reserve", sa.Integer(), nullable=False),
        sa.Column("status", sa.Text(), nullable=False),
        sa.Column("gap", sa.Integer(), nullable=False),
        sa.Column("short", sa.Integer(), nullable=False),
        sa.Column("left_out", postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column("made", sa.DateTime(timezone=True), nullable=False),
        sa.CheckConstraint("status IN ('best_possible', 'best_found')", name=op.f("ck_year_plan_status")),
        sa.CheckConstraint("reserve BETWEEN 0 AND 20", name=op.f("ck_year_plan_reserve")),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_year_plan_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["section_id"], ["section.id"], name=op.f("fk_year_plan_section_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("section_id", name=op.f("pk_year_plan")),
    )
    op.add_column("school", sa.Column("cycle", sa.Integer(), server_default="0", nullable=False))
    op.create_check_constraint(op.f("ck_school_cycle"), "school", "cycle BETWEEN 0 AND 20")
    op.drop_constraint(op.f("ck_meeting_weekday"), "meeting")
    op.create_check_constraint(op.f("ck_meeting_weekday"), "meeting", "weekday BETWEEN 0 AND 19")


def downgrade() -> None:
    op.execute("DELETE FROM meeting WHERE weekday > 6")  # a cycle's later days have no weekday
    op.drop_constraint(op.f("ck_meeting_weekday"), "meeting")
    op.create_check_constraint(op.f("ck_meeting_weekday"), "meeting", "weekday BETWEEN 0 AND 6")
    op.drop_column("school", "cycle")
    op.drop_table("year_plan")
    op.drop_index(op.f("ix_wish_school_id"), table_name="wish")
    op.drop_table("wish")
    op.drop_index(op.f("ix_change_school_id"), table_name="change")
    op.drop_table("change")
    op.drop_index(op.f("ix_arc_school_id"), table_name="arc")
    op.drop_table("arc")
    op.drop_index(op.f("ix_period_school_id"), table_name="period")
    op.drop_table("period")
    op.drop_index(op.f("ix_concert_school_id"), table_name="concert")
    op.drop_table("concert")
