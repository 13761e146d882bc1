"""Loads in the freeze dryer as they stand, as they follow from the journal."""

from __future__ import annotations

from yellow_larder.features.freeze_drying.events import FreezeLoadRecord
from yellow_larder.journal.kinds import said_kind

FREEZE_LOAD = said_kind("freeze-load", FreezeLoadRecord)
