"""The household's own foods, as they follow from the journal."""

from __future__ import annotations

from yellow_larder.features.catalog.events import NewFood
from yellow_larder.journal.kinds import said_kind

FOOD = said_kind("food", NewFood)
