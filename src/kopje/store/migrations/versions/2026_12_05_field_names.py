"""The field's words for columns and tables that a newcomer misread; what stands in them stays."""

from alembic import op

revision = "2026_12_05_field_names"
down_revision = "2026_12_04_time_zone"
branch_labels = None
depends_on = None

COLUMNS = {
    "told": "annotations",
    "ours": "shipped",
    "things": "elements",
    "aspects": "features",
    "shown": "summary",
    "worked": "facts_version",
}
CONSTRAINTS = ("pk_{}", "uq_{}_section_id", "fk_{}_school_id", "fk_{}_section_id")


def upgrade() -> None:
    for old, new in COLUMNS.items():
        op.alter_column("song", old, new_column_name=new)
    op.execute("ALTER INDEX ix_song_things RENAME TO ix_song_elements")
    op.rename_table("wish", "arc_override")
    op.execute("ALTER INDEX ix_wish_school_id RENAME TO ix_arc_override_school_id")
    for name in CONSTRAINTS:
        op.execute(
            f"ALTER TABLE arc_override RENAME CONSTRAINT {name.format('wish')} TO {name.format('arc_override')}"
        )


def downgrade() -> None:
    for name in CONSTRAINTS:
        op.execute(
            f"ALTER TABLE arc_override RENAME CONSTRAINT {name.format('arc_override')} TO {name.format('wish')}"
        )
    op.execute("ALTER INDEX ix_arc_override_school_id RENAME TO ix_wish_school_id")
    op.rename_table("arc_override", "wish")
    op.execute("ALTER INDEX ix_song_elements RENAME TO ix_song_things")
    for old, new in COLUMNS.items():
        op.alter_column("song", new, new_column_name=old)
