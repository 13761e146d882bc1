"""Snapshots to fold on from, what the file is, and what requests were answered; state is folded anew."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None

APPLICATION_ID = 0x594C6172
"""“YLar”: what marks the file as a larder's."""


def upgrade() -> None:
    op.create_table(
        "snapshots",
        sa.Column("kind", sa.String(20), primary_key=True),
        sa.Column("subject", sa.Integer, primary_key=True),
        sa.Column("entry_id", sa.Integer, primary_key=True),
        sa.Column("state", sa.JSON, nullable=False),
    )
    op.create_table(
        "about",
        sa.Column("name", sa.String(20), primary_key=True),
        sa.Column("value", sa.String, nullable=False),
    )
    op.create_table(
        "answers",
        sa.Column("key", sa.String(80), primary_key=True),
        sa.Column("request", sa.String(64), nullable=False),
        sa.Column("at", sa.DateTime, nullable=False, index=True),
        sa.Column("status", sa.Integer, nullable=False),
        sa.Column("body", sa.String, nullable=False),
    )
    op.create_index("ix_changes_at", "changes", ["at"])
    # Which subject has how many entries, and which of them is the last, without reading what they say.
    op.drop_index("journal_subject", "journal")
    op.create_index("journal_subject", "journal", ["kind", "subject", "change_id"])
    kept = ["thrown_out_on", "place_id", "food_name", "food_key", "kcal", "mass_g"]
    op.create_index("packages_kept", "packages", kept)
    for school in ("cautious", "customary", "hopeful"):
        op.add_column("packages", sa.Column(f"{school}_end", sa.Integer))
    op.drop_index("ix_packages_look_due", "packages")
    for what in ("cautious_end", "customary_end", "hopeful_end", "look_due", "trouble"):
        op.create_index(f"packages_{what}", "packages", ["thrown_out_on", what])
    op.execute(f"PRAGMA application_id = {APPLICATION_ID}")
