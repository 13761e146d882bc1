"""The household's own foods, in words."""

from __future__ import annotations

TITLES = {
    "container.added": "Added the container {name}",
    "container.removed": "Removed the container {name} from the table",
    "mix.added": "Added the mix {name}",
    "mix.changed": "Put the mix {name} right",
    "produce.added": "Added {name} to what can be dried",
    "produce.changed": "Put {name} right, as it is dried",
    "food.added": "Added the food {name}",
    "food.changed": "Put the food {name} right",
}
"""What changes are called, by code."""
