"""The school's time zone; none where it is that of the machine, as before."""

import sqlalchemy as sa
from alembic import op

revision = "2026_12_04_time_zone"
down_revision = "2026_12_03_plans_and_events"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("school", sa.Column("time_zone", sa.Text(), nullable=True))


def downgrade() -> None:
    op.drop_column("school", "time_zone")
