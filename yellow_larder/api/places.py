"""Places: put right, measured, and what was seen in them."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import Body, Query, Response

from yellow_larder.api.common import BasedOn, Number, TheLarder, WholeBody
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.api.shelves import OnDay
from yellow_larder.features.household.events import Alarm
from yellow_larder.features.household.larder import NewPlace, add_place
from yellow_larder.features.places.alarms import AlarmView, alarm, see_alarms, seen_to
from yellow_larder.features.places.climate import PlaceClimate, see_climate
from yellow_larder.features.places.log_file import Degrees
from yellow_larder.features.places.log_times import DayOrder
from yellow_larder.features.places.logs import LogRead, export_log, read_log, read_thermometer
from yellow_larder.features.places.places import PlaceAsTyped, change_place, close_place, move_all, see_place
from yellow_larder.features.shelves.shelves import PlaceView, see_places

router = larder_router(prefix="/places", tags=["shelves"], responses=REFUSALS)

_CSV_BODY = {"requestBody": {"content": {"text/csv": {"schema": {"type": "string", "format": "binary"}}}}}


@router.get("")
def list_places(larder: TheLarder) -> list[PlaceView]:
    """All places, with what each holds in figures."""
    return see_places(larder)


@router.post("", status_code=201)
def make_place(larder: TheLarder, place: NewPlace) -> int:
    """Add a place to put packages; answers with its number."""
    return add_place(larder, place)


@router.get("/{number}")
def see_that_place(larder: TheLarder, number: Number) -> PlaceAsTyped:
    """A place as it is typed."""
    return see_place(larder, number)


@router.put("/{number}", status_code=204)
def put_place_right(larder: TheLarder, number: Number, place: NewPlace, based_on: BasedOn = None) -> None:
    """Put right what was written of a place."""
    change_place(larder, number, place, based_on=based_on)


@router.delete("/{number}", status_code=204)
def remove_place(larder: TheLarder, number: Number, based_on: BasedOn = None) -> None:
    """Nothing is put there any more; only a place where nothing stands is removed."""
    close_place(larder, number, based_on=based_on)


@router.post("/{number}/move-all")
def move_all_of_it(larder: TheLarder, number: Number, to: Annotated[int, Body(embed=True, examples=[2])]) -> int:
    """Move everything that stands in a place to another; answers with how many packages went."""
    return move_all(larder, number, to=to)


@router.get("/{number}/climate")
def see_air(larder: TheLarder, number: Number) -> PlaceClimate:
    """What was measured in a place, its warm spells and what they cost, and what another place would have cost."""
    return see_climate(larder, number)


@router.post("/{number}/log", status_code=201, openapi_extra=_CSV_BODY)
def read_its_log(
    larder: TheLarder,
    number: Number,
    file: WholeBody,
    degrees: Annotated[Degrees | None, Query(description="none means that the file says so")] = None,
    order: Annotated[DayOrder | None, Query(description="none means that it shows")] = None,
) -> LogRead:
    """Read a data logger's file: times, temperatures and perhaps humidities, in whatever columns; up to 64 MB."""
    return read_log(larder, number, file, degrees=degrees, order=order)


@router.get("/{number}/log.csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
def export_its_log(larder: TheLarder, number: Number) -> Response:
    """All that was measured in a place, hour by hour, as CSV."""
    return Response(export_log(larder, number), media_type="text/csv; charset=utf-8")


@router.post("/{number}/thermometer", status_code=204)
def read_its_thermometer(
    larder: TheLarder,
    number: Number,
    temperature_c: Annotated[float, Body(examples=[14.5])],
    humidity: Annotated[float | None, Body(examples=[0.55])] = None,
    at: Annotated[datetime | None, Body(description="none means now")] = None,
) -> None:
    """Somebody read the thermometer in a place."""
    read_thermometer(larder, number, temperature_c, humidity, at=at)


@router.get("/{number}/alarms")
def list_alarms(larder: TheLarder, number: Number) -> list[AlarmView]:
    """What was seen in a place and is not seen to yet."""
    return see_alarms(larder, number)


@router.post("/{number}/alarms/{what}", status_code=201)
def say_alarm(
    larder: TheLarder, number: Number, what: Alarm, on: Annotated[OnDay, Body(embed=True)] = None
) -> AlarmView:
    """Mice, insects or water were seen in a place; answers with what is to be looked at."""
    return alarm(larder, number, what, on=on)


@router.post("/{number}/alarms/{what}/seen-to", status_code=204)
def say_seen_to(larder: TheLarder, number: Number, what: Alarm) -> None:
    """What stands there was looked at, and what was to be done is done."""
    seen_to(larder, number, what)
