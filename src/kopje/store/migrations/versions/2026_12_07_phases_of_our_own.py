"""The model with invention has phases and names of our own; what a school called its phases stays with them."""

from alembic import op

revision = "2026_12_07_phases_of_our_own"
down_revision = "2026_12_06_taken_back"
branch_labels = None
depends_on = None

KEYS = {"make": "join-in", "invent": "make-yours", "understand": "say-how"}


def _renamed(model: tuple[str, str], keys: dict[str, str]) -> None:
    op.execute(
        f"UPDATE school SET wording = jsonb_set(wording, '{{model}}', '\"{model[1]}\"')"
        f" WHERE wording ->> 'model' = '{model[0]}'"
    )
    for old, new in keys.items():
        op.execute(
            f"UPDATE school SET wording = jsonb_set(wording #- '{{phase_words,{old}}}', '{{phase_words,{new}}}',"
            f" wording #> '{{phase_words,{old}}}') WHERE wording -> 'phase_words' ? '{old}'"
        )


def upgrade() -> None:
    _renamed(("make-invent-understand", "join-make-say"), KEYS)


def downgrade() -> None:
    _renamed(("join-make-say", "make-invent-understand"), {new: old for old, new in KEYS.items()})
