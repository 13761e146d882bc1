"""What is done with food that is used up, in words."""

from __future__ import annotations

TITLES = {
    "package.opened": "Opened number {number} ({names:and})",
    "package.opened-many": "Opened {count:package|packages} ({names:and})",
    "package.taken": "Took {mass_g:mass} of {name} from number {number}",
    "package.closed-again": "Closed number {number} ({name}) again",
    "package.seal-lost": "Number {number} ({name}) has lost its seal",
    "package.weighed": "Weighed number {number}: {mass_g:mass} of {name}",
    "package.poured": "Poured number {number} ({names:and}) into {jars:container|containers}",
    "package.poured-many": "Poured {count:package|packages} ({names:and}) into {jars:container|containers}",
    "package.used-up": "Used up number {number} ({names:and})",
    "package.used-up-many": "Used up {count:package|packages} ({names:and})",
    "package.given-away": "Given away: number {number} ({names:and})",
    "package.given-away-many": "Given away: {count:package|packages} ({names:and})",
    "package.fed": "Fed number {number} ({names:and}) to animals",
    "package.fed-many": "Fed {count:package|packages} ({names:and}) to animals",
    "package.tasted": "Tasted number {number} ({name}): {verdict}",
    "package.kept-on": "Keeping number {number} ({name}) on until {until:day}",
    "package.corrected": "Corrected number {number} ({name})",
}
"""What changes are called, by code."""
