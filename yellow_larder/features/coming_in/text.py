"""What coming in is called in the journal."""

from __future__ import annotations

TITLES = {
    "package.came-in": "Put away {count:package|packages} that were there: {names:and}",
}
"""What changes are called, by code."""
