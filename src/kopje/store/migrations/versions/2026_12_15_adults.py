"""Adults, their devices, invitations; where tries to sign in came from."""

import sqlalchemy as sa
from alembic import op

revision = "2026_12_15_adults"
down_revision = "2026_12_14_backups"
branch_labels = None
depends_on = None
MOMENT = sa.DateTime(timezone=True)


def upgrade() -> None:
    op.add_column("teacher", sa.Column("until", sa.Date(), nullable=True))
    op.add_column("teacher", sa.Column("removed", MOMENT, nullable=True))
    op.add_column(
        "sign_in", sa.Column("id", sa.Uuid(), server_default=sa.text("gen_random_uuid()"), nullable=False)
    )
    op.create_unique_constraint(op.f("uq_sign_in_id"), "sign_in", ["id"])
    op.add_column("sign_in", sa.Column("agent", sa.Text(), server_default="", nullable=False))
    op.add_column("failed_sign_in", sa.Column("client", sa.Text(), server_default="", nullable=False))
    op.create_index(op.f("ix_failed_sign_in_client"), "failed_sign_in", ["client"])
    op.create_table(
        "known_device",
        sa.Column("token_hash", sa.Text(), nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=False),
        sa.Column("expires", MOMENT, nullable=False),
        sa.ForeignKeyConstraint(
            ["teacher_id"], ["teacher.id"], name=op.f("fk_known_device_teacher_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("token_hash", "teacher_id", name=op.f("pk_known_device")),
    )
    op.create_table(
        "invitation",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("school_id", sa.Uuid(), nullable=False),
        sa.Column("teacher_id", sa.Uuid(), nullable=True),
        sa.Column("name", sa.Text(), nullable=False),
        sa.Column("role", sa.Text(), nullable=False),
        sa.Column("until", sa.Date(), nullable=True),
        sa.Column("token_hash", sa.Text(), nullable=False),
        sa.Column("expires", MOMENT, nullable=False),
        sa.CheckConstraint(
            "role IN ('owner', 'teacher', 'substitute', 'viewer')", name=op.f("ck_invitation_role")
        ),
        sa.ForeignKeyConstraint(
            ["school_id"], ["school.id"], name=op.f("fk_invitation_school_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["teacher_id"], ["teacher.id"], name=op.f("fk_invitation_teacher_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_invitation")),
        sa.UniqueConstraint("token_hash", name=op.f("uq_invitation_token_hash")),
    )
    op.create_index(op.f("ix_invitation_school_id"), "invitation", ["school_id"])
    op.create_index(op.f("ix_invitation_teacher_id"), "invitation", ["teacher_id"])


def downgrade() -> None:
    op.drop_table("invitation")
    op.drop_table("known_device")
    op.drop_index(op.f("ix_failed_sign_in_client"), "failed_sign_in")
    op.drop_column("failed_sign_in", "client")
    op.drop_column("sign_in", "agent")
    op.drop_constraint(op.f("uq_sign_in_id"), "sign_in")
    op.drop_column("sign_in", "id")
    op.execute("DELETE FROM sign_in WHERE teacher_id IN (SELECT id FROM teacher WHERE removed IS NOT NULL)")
    for column in ("removed", "until"):
        op.drop_column("teacher", column)
