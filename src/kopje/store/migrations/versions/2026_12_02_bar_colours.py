"""The colours of the bars in a school's music room, by letter."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_12_02_bar_colours"
down_revision = "2026_12_01_song_facts"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("school", sa.Column("bar_colours", JSONB(), nullable=False, server_default="{}"))


def downgrade() -> None:
    op.drop_column("school", "bar_colours")
