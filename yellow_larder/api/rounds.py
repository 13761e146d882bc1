"""Rounds: what is due, on screen and as a calendar."""

from __future__ import annotations

from fastapi import APIRouter, Response

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.documents.calendar import rounds_calendar
from yellow_larder.larder.larder import current_settings
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
