"""What a day is like: its season, the weather, an occasion."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_13_days"
down_revision = "2026_12_12_rooms_and_kept_sets"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("school", sa.Column("days", JSONB(), server_default="{}", nullable=False))
    op.add_column("school", sa.Column("hemisphere", sa.Text(), nullable=True))
    op.create_check_constraint(
        op.f("ck_school_hemisphere"), "school", "hemisphere IN ('north', 'south') OR hemisphere IS NULL"
    )


def downgrade() -> None:
    op.drop_constraint(op.f("ck_school_hemisphere"), "school")
    op.drop_column("school", "hemisphere")
    op.drop_column("school", "days")
