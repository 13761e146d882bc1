"""What is in the house already: lines read and shown, and put away in one go."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.features.coming_in.put_away import put_away, read_lines
from yellow_larder.features.coming_in.views import CameIn, LinesView

router = larder_router(prefix="/coming-in", tags=["coming in"], responses=REFUSALS)

Text = Annotated[
    str,
    Body(
        embed=True,
        max_length=100_000,
        description="a line for each kind of thing that is there",
        examples=["6 qt jars white rice, absorbers, May 2023\n10 tins sardines, best by 2028-03"],
    ),
]


@router.post("/read")
@asks
def read_what_is_there(larder: TheLarder, text: Text) -> LinesView:
    """What lines about what is in the house mean; nothing is put away."""
    return read_lines(larder, text)


@router.post("", status_code=201)
def put_what_is_there_away(larder: TheLarder, text: Text) -> CameIn:
    """Put away all that the lines say is there, in one go; it takes nothing from the supplies."""
    return put_away(larder, text)
