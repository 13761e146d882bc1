"""The most days that a package can last, and how it was closed; state is folded anew."""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for school in ("cautious", "customary", "hopeful"):
        op.add_column("packages", sa.Column(f"{school}_most", sa.Double))
    op.add_column("packages", sa.Column("closed", sa.JSON, nullable=False, server_default="{}"))
