"""The household's own foods and containers, as they follow from the journal."""

from __future__ import annotations

from yellow_larder.features.catalog.events import NewFood, NewMix, NewProduce, OwnContainer
from yellow_larder.journal.kinds import said_kind

FOOD = said_kind("food", NewFood)

CONTAINER = said_kind("container", OwnContainer)
"""The household's own containers."""

PRODUCE = said_kind("produce", NewProduce)
"""The household's own fresh foods that are dried."""

MIX = said_kind("mix", NewMix)
"""The household's own mixes."""
