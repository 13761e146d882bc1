"""What a lot dried here is known by: moisture, fresh weight, conditioning, story."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("lots", sa.Column("moisture_pct", sa.Double))
    op.add_column("lots", sa.Column("made", sa.String, nullable=False, server_default=""))
    op.add_column("lots", sa.Column("wet_g", sa.Double))
    op.add_column("lots", sa.Column("wants_conditioning", sa.Boolean, nullable=False, server_default=sa.false()))
    op.add_column("lots", sa.Column("conditioned_on", sa.Date))
    op.add_column("lots", sa.Column("story", sa.JSON, nullable=False, server_default='{"lines": []}'))
