"""The run, in words."""

from __future__ import annotations

TITLES = {
    "run.line": "On the run sheet: {count} × {mass_g:mass} {name}",
    "run.lines": "On the run sheet: {lines:line|lines}, {count} × {mass_g:mass} {name} first",
    "run.line-removed": "Removed a line from the run sheet",
    "run.begun": "Began a run of {count:container|containers}",
    "run.labelled": "Labels stuck on",
    "run.set-out": "All is set out",
    "run.ticked": "Set out for the run",
    "run.filled": "Filled number {number}: {mass_g:mass}",
    "run.filled-rest": "Filled {count:container|containers} as planned",
    "run.opened": "Opened absorbers for {count:container|containers}",
    "run.closed": "Closed number {number}, {name}",
    "run.closed-late": "Closed number {number}, {name} (late)",
    "run.put-back": "Absorbers for {count:container|containers} back into the jar",
    "run.done": "Packed {count:container|containers} in a run",
    "run.broken-off": "Ended the run early",
}
"""What changes are called, by code."""
