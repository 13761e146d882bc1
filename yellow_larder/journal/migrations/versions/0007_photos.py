"""Photographs of packages."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "photos",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("package", sa.Integer, nullable=False, index=True),
        sa.Column("jpeg", sa.LargeBinary, nullable=False),
    )
