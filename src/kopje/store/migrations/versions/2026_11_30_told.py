"""The teacher's word on a song's analysis"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_11_30_told"
down_revision = "2026_11_29_words_and_choirs"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("song", sa.Column("told", JSONB(), nullable=False, server_default="{}"))


def downgrade() -> None:
    op.drop_column("song", "told")
