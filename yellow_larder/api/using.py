"""Using food up: opening, taking, closing again, pouring over, and what else happens to a package on its way."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body, Query
from pydantic import Field

from yellow_larder.api.common import Day, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.api.shelves import Numbers, OnDay
from yellow_larder.core.containers import Closing
from yellow_larder.features.packages.events import Taste
from yellow_larder.features.packing.request import Opened, Pull
from yellow_larder.features.using.from_shelf import FromShelf, TakenOf, see_from_shelf, take_from_shelf
from yellow_larder.features.using.inside import InsideIf, WhatIf, see_inside
from yellow_larder.features.using.leaving import Correction, Leaving, correct, keep_on, leave, taste
from yellow_larder.features.using.opening import (
    Reclosing,
    Taken,
    close_again,
    lose_seal,
    open_packages,
    take,
    weigh,
)
from yellow_larder.features.using.pouring import Poured, Pouring, PourInto, pour, pour_options
from yellow_larder.features.using.stocktake import Counted, LeftIn, Missing, take_stock

router = larder_router(prefix="/packages", tags=["shelves"], responses=REFUSALS)
diary = larder_router(prefix="/table/diary", tags=["table"], responses=REFUSALS)

places = larder_router(prefix="/places", tags=["shelves"], responses=REFUSALS)

Typed = Annotated[str, Body(max_length=200)]
Note = Annotated[str, Body(max_length=2000, examples=["like new"])]


@router.post("/open", status_code=204)
def open_them(
    larder: TheLarder,
    numbers: Numbers,
    often: Annotated[Opened, Body(description="how often it is opened from now on")] = Opened.WEEKLY,
    on: OnDay = None,
) -> None:
    """Open packages; they are in use from now on."""
    open_packages(larder, numbers, often=often, on=on)


@router.post("/{number}/take")
def take_some(
    larder: TheLarder,
    number: Number,
    amount: Annotated[str, Body(max_length=200, examples=["2 cups"])],
    on: OnDay = None,
) -> Taken:
    """Take some of a package: a weight, a measure, half, or the rest."""
    return take(larder, number, amount, on=on)


@router.post("/{number}/close")
def close_it(
    larder: TheLarder,
    number: Number,
    closing: Annotated[Closing, Body()],
    cut: Typed = "",
    pressed: Annotated[bool, Body()] = True,
    pull: Annotated[Pull, Body()] = Pull.MACHINE,
    conditioned: Annotated[bool, Body(description="food dried at home was conditioned in a jar")] = False,
    on: OnDay = None,
) -> str:
    """Close a package again; answers with what that took from the supplies."""
    return close_again(larder, number, Reclosing(closing, cut, pressed, pull, conditioned), on=on)


@router.get("/{number}/inside")
def see_what_is_inside(
    larder: TheLarder,
    number: Number,
    place: Annotated[int | None, Query(ge=0, le=999_999_999, description="if it stood there from today")] = None,
    what_if: Annotated[WhatIf, Query(description="if that were done with it today")] = WhatIf.NOTHING,
) -> InsideIf:
    """Oxygen, moisture and life of a package over its whole story and on into the future."""
    return see_inside(larder, number, place=place, what_if=what_if)


@router.get("/pour-into")
def see_pour_options(
    larder: TheLarder,
    numbers: Annotated[list[Annotated[int, Field(ge=0, le=999_999_999)]], Query(min_length=1, max_length=50)],
) -> list[PourInto]:
    """What some packages could be poured into."""
    return pour_options(larder, numbers)


@router.post("/pour", status_code=201)
def pour_over(larder: TheLarder, pouring: Pouring, on: OnDay = None) -> Poured:
    """Pour packages over into others: split, gone down a size, put together."""
    return pour(larder, pouring, on=on)


@places.post("/{number}/count", status_code=201)
def count_a_place(
    larder: TheLarder,
    number: Number,
    there: Annotated[list[int], Body(max_length=10_000, examples=[[17, 18]])],
    missing: Annotated[list[Missing], Body(max_length=10_000)] = [],  # noqa: B006
    left_in: Annotated[list[LeftIn], Body(max_length=10_000)] = [],  # noqa: B006
) -> Counted:
    """Stocktake: what is there in a place, what became of the rest, and what is left in those that are open."""
    return take_stock(larder, number, there, missing=missing, left_in=left_in)


@diary.get("/{day}/shelf")
def see_came_from(larder: TheLarder, day: Day) -> FromShelf:
    """What an evening's food came out of, as far as it is not taken yet."""
    return see_from_shelf(larder, day)


@diary.post("/{day}/shelf")
def take_for_the_day(
    larder: TheLarder,
    day: Day,
    takes: Annotated[list[TakenOf], Body(embed=True, min_length=1, max_length=60)],
) -> str:
    """Take an evening's food from its packages; answers with what was taken."""
    return take_from_shelf(larder, day, takes)


@router.post("/leave", status_code=204)
def let_go(
    larder: TheLarder,
    numbers: Numbers,
    how: Annotated[Leaving, Body()],
    note: Note = "",
    cut: Typed = "",
    on: OnDay = None,
) -> None:
    """Packages are used up, given away, or fed to animals."""
    leave(larder, numbers, how, note=note, cut=cut, on=on)


@router.post("/{number}/seal-lost", status_code=204)
def seal_lost(larder: TheLarder, number: Number, since: OnDay = None, on: OnDay = None) -> None:
    """A seal was found loose; it was last known to be good on some day."""
    lose_seal(larder, number, since=since, on=on)


@router.post("/{number}/weigh")
def weigh_it(
    larder: TheLarder,
    number: Number,
    weight: Annotated[str, Body(max_length=200, examples=["460 g"])],
    on: OnDay = None,
) -> str:
    """What is in a package was weighed; answers with the difference."""
    return weigh(larder, number, weight, on=on)


@router.post("/{number}/taste", status_code=204)
def taste_it(
    larder: TheLarder, number: Number, verdict: Annotated[Taste, Body()], note: Note = "", on: OnDay = None
) -> None:
    """Somebody tasted it, or looked at it and smelled it."""
    taste(larder, number, verdict, note=note, on=on)


@router.post("/{number}/keep-on", status_code=204)
def keep_it_on(larder: TheLarder, number: Number, until: OnDay = None, note: Note = "", on: OnDay = None) -> None:
    """Keep a package on beyond its best-by, until somebody looks again."""
    keep_on(larder, number, until=until, note=note, on=on)


@router.post("/{number}/correct", status_code=204)
def correct_it(larder: TheLarder, number: Number, right: Correction) -> None:
    """Put right what was written down wrong about a package."""
    correct(larder, number, right)
