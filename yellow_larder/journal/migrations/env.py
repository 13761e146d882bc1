"""Runs migrations on the connection that the application hands over."""

from alembic import context

from yellow_larder.journal.tables import Base

connection = context.config.attributes["connection"]
context.configure(connection=connection, target_metadata=Base.metadata)
context.run_migrations()
