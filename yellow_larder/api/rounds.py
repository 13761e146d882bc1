"""Rounds: what is due, on screen and as a calendar."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body, Query, Response

from yellow_larder.api.common import Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.features.household.backups import SafeCopy, keep_daily_copy
from yellow_larder.features.household.larder import current_settings
from yellow_larder.features.rounds.rounds import Rounds, rounds
from yellow_larder.features.shelves.inspection import Felt, Looked, ToLook, empty_out, to_look
from yellow_larder.features.using.looks import look_over

router = larder_router(prefix="/rounds", tags=["rounds"], responses=REFUSALS)


@router.get("")
def see_rounds(larder: TheLarder) -> Rounds:
    """What is due, what is late first. Times are in UTC."""
    return rounds(larder)


@router.get("/rounds.ics", response_class=Response, responses={200: {"content": {"text/calendar": {}}}})
def rounds_as_calendar(larder: TheLarder) -> Response:
    """What is due as iCalendar, for other programs to follow."""
    # Few households ask for it, and what writes it takes a quarter of a second to load.
    from yellow_larder.documents.calendar import rounds_calendar

    calendar = rounds_calendar(rounds(larder), name=current_settings(larder).name, made=larder.clock())
    return Response(calendar, media_type="text/calendar; charset=utf-8")


@router.get("/looks")
def see_looks(larder: TheLarder, ahead_days: Annotated[int, Query(ge=0, le=30)] = 0) -> list[ToLook]:
    """What is to be looked over, what is due first."""
    return to_look(larder, ahead_days=ahead_days)


@router.post("/looks")
def looked(larder: TheLarder, looks: Annotated[list[Felt], Body(embed=True, max_length=500)]) -> list[Looked]:
    """Packages were looked over; what that means for each."""
    return look_over(larder, looks)


@router.post("/copy", status_code=201)
@asks
def keep_a_copy(larder: TheLarder) -> SafeCopy:
    """Keep a safe copy of the larder now, in the place of today's."""
    return keep_daily_copy(larder, anew=True, apart=True)


@router.post("/looks/{number}/empty", status_code=201)
def emptied(larder: TheLarder, number: Number) -> int:
    """A package is opened to be packed anew; the number of the lot it is now."""
    return empty_out(larder, number)
