"""The freeze dryer, in words."""

from __future__ import annotations

TITLES = {
    "freeze-load.began": "Put {names:and} in the freeze dryer",
    "freeze-load.weighed": "Weighed the freeze dryer's load: {mass_g:mass}",
    "freeze-load.out": "Took {names:and} out of the freeze dryer",
    "freeze-load.closed": "Closed up what came out of the freeze dryer",
}
"""What changes are called, by code."""
