"""The household's own foods, in words."""

from __future__ import annotations

TITLES = {
    "food.added": "Added the food {name}",
}
"""What changes are called, by code."""
