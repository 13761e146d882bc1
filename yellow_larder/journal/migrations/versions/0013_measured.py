"""What was measured in a place, what was seen there, and when its shelves were counted."""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("places", sa.Column("dark", sa.Boolean, nullable=False, server_default="0"))
    op.add_column("places", sa.Column("logs", sa.JSON))
    op.add_column("places", sa.Column("readings", sa.JSON))
    op.add_column("places", sa.Column("warmest_c", sa.Double))
    op.add_column("places", sa.Column("typed", sa.JSON))
    op.add_column("places", sa.Column("alarms", sa.JSON, nullable=False, server_default="{}"))
    op.add_column("places", sa.Column("counted_on", sa.Date))
