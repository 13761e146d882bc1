"""What is in the freezer, as it follows from the journal."""

from __future__ import annotations

from yellow_larder.features.freezer.events import Freezing
from yellow_larder.journal.kinds import said_kind

FREEZING = said_kind("freezing", Freezing)
