"""When a package is to be looked over, and what was wrong with it at the last look."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("packages", sa.Column("look_due", sa.Date, nullable=True))
    op.add_column("packages", sa.Column("trouble", sa.String, nullable=False, server_default=""))
    op.create_index("ix_packages_look_due", "packages", ["look_due"])
