"""The household, its places and who eats here, in words."""

from __future__ import annotations

TITLES = {
    "place.alarmed": "Seen in {name}: {what}",
    "place.counted": "Counted {name}: {count:package|packages} there, {gone} gone, {moved} moved",
    "place.changed": "Changed the place {name}",
    "place.logged": "Read a log of {name}, {count:hour|hours}",
    "place.read": "Read the thermometer in {name}",
    "place.seen-to": "Seen to in {name}: {what}",
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
