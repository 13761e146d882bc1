"""What was done against insects before a package was closed."""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("packages", sa.Column("pests", sa.JSON, nullable=False, server_default="{}"))
