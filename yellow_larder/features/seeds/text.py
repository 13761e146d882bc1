"""What changes to seeds are called in the journal."""

from __future__ import annotations

TITLES = {
    "seed.kept": "Seeds: {name}, {count:seed|seeds}",
    "seed.tested": "Tested the seeds of {name}: {came} of {sown} came",
    "seed.stored": "The seeds of {name} are kept otherwise",
    "seed.counted": "The seeds of {name}: {count:seed|seeds} left",
    "seed.removed": "Removed the seeds of {name}",
}
"""What changes are called, by code."""
