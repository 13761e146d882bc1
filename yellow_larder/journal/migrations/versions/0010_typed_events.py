"""Events have versions, a change says what it was in a code and figures, and what is attached is no longer a photograph
only.
"""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("journal", sa.Column("version", sa.Integer, nullable=False, server_default="1"))
    op.add_column("changes", sa.Column("code", sa.String(40), nullable=False, server_default=""))
    op.add_column("changes", sa.Column("figures", sa.JSON, nullable=False, server_default="{}"))
    op.create_table(
        "attachments",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("subject", sa.Integer, nullable=False),
        sa.Column("content", sa.LargeBinary, nullable=False),
    )
    op.execute("INSERT INTO attachments (id, subject, content) SELECT id, package, jpeg FROM photos")
    op.drop_table("photos")
    # Both are records now, folded anew from the journal as the file is opened.
    op.drop_table("household")
    op.drop_table("own_foods")
