"""Packages are opened, taken from and closed again; what their lives have been through is kept stretch by stretch."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.alter_column("packages", "thrown_out_on", new_column_name="gone_on")
    op.drop_column("packages", "used_days")
    op.add_column("packages", sa.Column("past", sa.JSON))
    op.add_column("packages", sa.Column("closed_on", sa.Date, nullable=False, server_default="0001-01-01"))
    op.add_column("packages", sa.Column("open_since", sa.Date))
    op.add_column("packages", sa.Column("kept_until", sa.Date))
    op.add_column("packages", sa.Column("gone", sa.String, nullable=False, server_default=""))
    for estimate in ("cautious", "customary", "hopeful"):
        op.add_column("packages", sa.Column(f"{estimate}_had", sa.Double, nullable=False, server_default="1"))
    op.add_column("places", sa.Column("closed_on", sa.Date))
    op.add_column("diary", sa.Column("waiting", sa.Integer, nullable=False, server_default="0"))
    op.add_column("diary", sa.Column("taken_g", sa.JSON, nullable=False, server_default="{}"))
    op.create_index("packages_open", "packages", ["gone_on", "open_since"])
