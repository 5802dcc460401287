"""How backups are made here; what adults may be."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_14_backups"
down_revision = "2026_12_13_days"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "keeping",
        sa.Column("id", sa.Integer(), autoincrement=False, nullable=False),
        sa.Column("folder", sa.Text(), nullable=True),
        sa.Column("recipient", sa.Text(), nullable=True),
        sa.Column("seal_key", sa.LargeBinary(), nullable=True),
        sa.Column("checked", sa.DateTime(timezone=True), nullable=True),
        sa.Column("tried", sa.DateTime(timezone=True), nullable=True),
        sa.Column("trouble", JSONB(), nullable=True),
        sa.CheckConstraint("id = 1", name=op.f("ck_keeping_one")),
        sa.CheckConstraint("(recipient IS NULL) = (seal_key IS NULL)", name=op.f("ck_keeping_seal")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_keeping")),
    )
    _roles("owner", "teacher", "substitute", "viewer")


def downgrade() -> None:
    op.execute("UPDATE teacher SET role = 'teacher' WHERE role NOT IN ('owner', 'teacher')")
    _roles("owner", "teacher")
    op.drop_table("keeping")


def _roles(*roles: str) -> None:
    op.drop_constraint(op.f("ck_teacher_role"), "teacher")
    listed = ", ".join(f"'{role}'" for role in roles)
    op.create_check_constraint(op.f("ck_teacher_role"), "teacher", f"role IN ({listed})")
