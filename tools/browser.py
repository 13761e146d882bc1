"""Debian's Chromium for the tests, the pictures and the measurements: the one that has no window, where it is there."""

from __future__ import annotations

import os
from pathlib import Path

SHELL, WHOLE = "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"
"""The shell draws the same pages without the rest of a browser, in three quarters of the time."""

CHROMIUM = os.environ.get("CHROMIUM", SHELL if Path(SHELL).exists() else WHOLE)

QUIET = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
"""It asks nothing of the network but the larder, and draws on any machine."""
