"""What every router needs."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from fastapi import Depends, Header, Path, Request
from pydantic import Field

from yellow_larder.features.household.larder import Larder


def _larder(request: Request) -> Larder:
    larder: Larder = request.app.state.larder
    return larder


TheLarder = Annotated[Larder, Depends(_larder)]


async def _body(request: Request) -> bytes:
    return await request.body()


WholeBody = Annotated[bytes, Depends(_body)]
"""What was sent as it is: a picture, a file."""

Number = Annotated[int, Path(ge=0, le=999_999_999, description="the number of what is meant")]
"""The number of a package, lot, load, jar, run, supply, meal or whatever else has one, in an address."""

Day = Annotated[date, Field(ge=date(1900, 1, 1), le=date(2200, 12, 31), examples=["2026-11-24"])]
"""A day that anything in a household can fall on."""

BasedOn = Annotated[
    int | None,
    Header(
        alias="If-Match",
        ge=0,
        le=999_999_999,
        description="the version of what is changed, as it was shown; if it was changed since, nothing is saved",
    ),
]
"""The version that a change of a whole record is based on."""
