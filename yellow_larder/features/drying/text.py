"""The dryer and the jars that condition, in words."""

from __future__ import annotations

TITLES = {
    "machine.added": "Added the dryer {name}",
    "load.began": "Put {names:and} in the dryer",
    "load.more": "Put {name} in beside the rest",
    "load.loosened": "Loosened and turned the {name}",
    "load.tested": "Tested the {name}: not dry yet",
    "load.weighed": "Weighed tray {tray}, {name}: {mass_g:mass}",
    "load.out": "Took {mass_g:mass} {name} out of the dryer",
    "jar.filled": "Put {name} into {jars:jar|jars} to condition",
    "jar.shaken": "Shook the {name}: {look}",
    "jar.back": "Dried the {name} again",
    "jar.emptied": "Emptied the jar of {name}",
}
"""What changes are called, by code."""
