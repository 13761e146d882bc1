"""Supplies, in words."""

from __future__ import annotations

TITLES = {
    "supply.added": "Added {count} × {name}",
    "supply.counted": "Counted {name}: {count}",
    "supply.came": "{count} more {name}",
    "supply.noted": "Noted of {name}",
    "supply.removed": "Removed {name}",
    "supply.spares": "{count} spare {name} into the jar, {minutes:minute|minutes} out",
    "supply.cut-down": "Cut down a {name}: {length_mm:length} long now",
    "supply.spent": "{count} × {name}: saturated",
    "supply.restored": "{count} × {name}: dry again",
}
"""What changes are called, by code."""
