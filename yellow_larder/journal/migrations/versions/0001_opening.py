"""The journal, and what follows from it."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "changes",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("title", sa.String(300), nullable=False),
        sa.Column("undoes", sa.Integer, sa.ForeignKey("changes.id"), unique=True),
    )
    op.create_table(
        "journal",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("change_id", sa.Integer, sa.ForeignKey("changes.id"), nullable=False, index=True),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("subject", sa.Integer, nullable=False),
        sa.Column("act", sa.String(20), nullable=False),
        sa.Column("facts", sa.JSON, nullable=False),
    )
    op.create_index("journal_subject", "journal", ["kind", "subject"])
    for table in ("changes", "journal"):
        for act in ("UPDATE", "DELETE"):
            op.execute(
                f"CREATE TRIGGER {table}_no_{act.lower()} BEFORE {act} ON {table} "
                "BEGIN SELECT RAISE(ABORT, 'what happened is appended, never rewritten'); END"
            )
    op.create_table(
        "places",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("name", sa.String, nullable=False),
        sa.Column("sort", sa.String, nullable=False),
        sa.Column("shelves", sa.Integer, nullable=False),
        sa.Column("width_mm", sa.Double, nullable=False),
        sa.Column("mean_c", sa.Double, nullable=False),
        sa.Column("swing_c", sa.Double, nullable=False),
        sa.Column("warmest_month", sa.Integer, nullable=False),
        sa.Column("humidity", sa.Double, nullable=False),
    )
    op.create_table(
        "packages",
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("batch", sa.Integer, nullable=False, index=True),
        sa.Column("food_key", sa.String, nullable=False, index=True),
        *[sa.Column(name, sa.String, nullable=False) for name in ("food_name", "form", "colour")],
        *[sa.Column(name, sa.String, nullable=False) for name in ("container_key", "closing")],
        sa.Column("outer", sa.Boolean, nullable=False),
        sa.Column("mass_g", sa.Double, nullable=False),
        sa.Column("kcal", sa.Double, nullable=False),
        sa.Column("packets", sa.JSON, nullable=False),
        sa.Column("moisture_pct", sa.Double, nullable=False),
        sa.Column("level", sa.Double, nullable=False),
        sa.Column("packed_on", sa.Date, nullable=False),
        sa.Column("place_id", sa.Integer, sa.ForeignKey("places.id"), nullable=False, index=True),
        sa.Column("shelf", sa.Integer, nullable=False),
        sa.Column("q10", sa.Double, nullable=False),
        *[sa.Column(f"{school}_days", sa.Double) for school in ("cautious", "customary", "hopeful")],
        sa.Column("used_days", sa.Double, nullable=False),
        sa.Column("stands_since", sa.Date, nullable=False),
        sa.Column("thrown_out_on", sa.Date),
    )
    op.create_table(
        "own_foods",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("name", sa.String, nullable=False, unique=True),
        sa.Column("facts", sa.JSON, nullable=False),
    )
    op.create_table(
        "household",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("facts", sa.JSON, nullable=False),
    )
