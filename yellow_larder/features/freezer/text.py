"""The freezer, in words."""

from __future__ import annotations

TITLES = {
    "freezing.in": "Put {mass_g:mass} {name} into the freezer",
    "freezing.out": "Took {name} out of the freezer",
    "freezing.opened": "Opened {name}, frozen through",
    "freezing.opened-early": "Opened {name}, not frozen through",
}
"""What changes are called, by code."""
