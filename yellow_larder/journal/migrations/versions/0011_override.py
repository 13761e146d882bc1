"""What a stop was overridden for is called the override."""

from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.alter_column("packages", "against", new_column_name="override")
