"""The demo for whoever works on it: kept from one reload to the next, so that a page may be read again at once."""

from __future__ import annotations

import tempfile
from pathlib import Path

from fastapi import FastAPI

from yellow_larder.api.app import make_app
from yellow_larder.demo.household import make_anew
from yellow_larder.features.household.larder import open_larder


def app() -> FastAPI:
    """The interface over the demo's larder; pages come from the server that builds them."""
    file = Path(tempfile.gettempdir()) / "yellow-larder-dev.db"
    return make_app(open_larder(file) if file.is_file() else make_anew(file))
