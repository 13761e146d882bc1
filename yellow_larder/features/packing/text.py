"""Packing, in words."""

from __future__ import annotations

TITLES = {
    "package.packed": "Packed {count} × {mass_g:mass} {name}",
}
"""What changes are called, by code."""
