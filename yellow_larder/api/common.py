"""What every router needs."""

from __future__ import annotations

from typing import Annotated

from fastapi import Depends, Request

from yellow_larder.larder.larder import Larder


def _larder(request: Request) -> Larder:
    larder: Larder = request.app.state.larder
    return larder


TheLarder = Annotated[Larder, Depends(_larder)]
