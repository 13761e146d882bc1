"""The stop that a package was packed against, and why."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("packages", sa.Column("against", sa.String, nullable=False, server_default=""))
