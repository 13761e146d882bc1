"""Who eats, what they eat, what it costs, and what is in the cupboard."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "records",
        sa.Column("kind", sa.String(20), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("facts", sa.JSON, nullable=False),
    )
    op.create_table(
        "diary",
        sa.Column("day", sa.Date, primary_key=True),
        sa.Column("items", sa.JSON, nullable=False),
        sa.Column("used_g", sa.JSON, nullable=False),
    )
    op.create_table(
        "prices",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("food_key", sa.String, nullable=False, index=True),
        sa.Column("shop", sa.String, nullable=False),
        sa.Column("pack_g", sa.Double, nullable=False),
        sa.Column("coins", sa.Integer, nullable=False),
        sa.Column("seen_on", sa.Date, nullable=False),
    )
    op.create_table(
        "lots",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("food_key", sa.String, nullable=False, index=True),
        sa.Column("came_g", sa.Double, nullable=False),
        sa.Column("mass_g", sa.Double, nullable=False),
        sa.Column("came_on", sa.Date, nullable=False),
        sa.Column("coins", sa.Integer),
        sa.Column("price", sa.Integer),
    )
