"""Sections that went into a new school year, or ended"""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_roll_over"
down_revision = "2026_11_27_sequence"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("section", sa.Column("rolled", sa.Date(), nullable=True))
    op.add_column("section", sa.Column("ended", sa.Date(), nullable=True))


def downgrade() -> None:
    op.drop_column("section", "ended")
    op.drop_column("section", "rolled")
