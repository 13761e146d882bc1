"""The household, its places and who eats here, in words."""

from __future__ import annotations

TITLES = {
    "place.changed": "Changed the place {name}",
    "place.closed": "Removed the place {name}",
    "place.moved": "Moved {count:package|packages} to {name}",
    "household.opened": "Opened the larder",
    "household.settled": "Changed the household",
    "place.made": "Added the place {name}",
    "eater.kept": "{name} eats here now",
    "eater.changed": "Changed what {name} needs",
    "eater.removed": "{name} no longer eats here",
}
"""What changes are called, by code."""
