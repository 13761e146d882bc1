"""Whether a lot was frozen through."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("lots", sa.Column("frozen_on", sa.Date))
