"""What was in the house before: about when it was packed, and until when its maker says that it is good."""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("packages", sa.Column("unsure_days", sa.Integer, nullable=False, server_default="0"))
    op.add_column("packages", sa.Column("printed_on", sa.Date))
