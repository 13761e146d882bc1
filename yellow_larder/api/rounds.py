"""Rounds: what is due, on screen and as a calendar."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Body, Response

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.documents.calendar import rounds_calendar
from yellow_larder.larder.larder import current_settings
from yellow_larder.larder.looking import Felt, Looked, ToLook, empty_out, look_over, to_look
from yellow_larder.larder.rounds import Rounds, rounds

router = APIRouter(prefix="/rounds", tags=["rounds"], responses=REFUSALS)


@router.get("")
def see_rounds(larder: TheLarder) -> Rounds:
    """What is due, what is late first. Times are in UTC."""
    return rounds(larder)


@router.get("/rounds.ics", response_class=Response, responses={200: {"content": {"text/calendar": {}}}})
def rounds_as_calendar(larder: TheLarder) -> Response:
    """What is due as iCalendar, for other programs to follow."""
    calendar = rounds_calendar(rounds(larder), name=current_settings(larder).name, made=larder.clock())
    return Response(calendar, media_type="text/calendar; charset=utf-8")


@router.get("/looks")
def see_looks(larder: TheLarder, ahead_days: int = 0) -> list[ToLook]:
    """What is to be looked over, what is due first."""
    return to_look(larder, ahead_days=min(max(ahead_days, 0), 30))


@router.post("/looks")
def looked(larder: TheLarder, looks: Annotated[list[Felt], Body(embed=True, max_length=500)]) -> list[Looked]:
    """Packages were looked over; what that means for each."""
    return look_over(larder, looks)


@router.post("/looks/{number}/empty", status_code=201)
def emptied(larder: TheLarder, number: int) -> int:
    """A package is opened to be packed anew; the number of the lot it is now."""
    return empty_out(larder, number)
