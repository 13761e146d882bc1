"""The shelves: what stands where, one package's card, moving, throwing out."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body, Query, Response
from pydantic import TypeAdapter

from yellow_larder.api.common import Day, Number, TheLarder, WholeBody
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.features.shelves.card import Card, card
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.features.shelves.elsewhere import Elsewhere, elsewhere
from yellow_larder.features.shelves.labels import read_code
from yellow_larder.features.shelves.open_next import OpenNext, open_next
from yellow_larder.features.shelves.photos import keep_photo, see_photo
from yellow_larder.features.shelves.protected import Protected, see_protected
from yellow_larder.features.shelves.shelves import Found, ShelvesView, find_packages, shelves
from yellow_larder.features.shelves.spread import Spread, see_spread

router = larder_router(tags=["shelves"], responses=REFUSALS)

_SHELVES = TypeAdapter(ShelvesView)

_JPEG_BODY = {"requestBody": {"content": {"image/jpeg": {"schema": {"type": "string", "format": "binary"}}}}}

Numbers = Annotated[list[int], Body(min_length=1, max_length=500, examples=[[17, 18]])]
OnDay = Annotated[Day | None, Body(description="none means today", examples=["2026-11-24"])]


@router.get("/shelves", response_model=ShelvesView)
def see_shelves(
    larder: TheLarder,
    place: Annotated[int | None, Query(ge=0, le=999_999_999, description="only what stands there")] = None,
    beside: Annotated[int, Query(ge=0, le=999_999_999, description="with fullest: a package that may say where")] = 0,
    fullest: Annotated[bool, Query(description="one place in any case: beside that package, or where most is")] = False,
    after: Annotated[int, Query(ge=0, le=999_999_999, description="only numbers above this")] = 0,
    most: Annotated[int | None, Query(ge=1, le=100_000, description="so many packages at the most")] = None,
) -> Response:
    """All places with their sums, the packages that stand there or in one of them, and what is due anywhere."""
    # Written out in one go: thousands of packages would otherwise be checked twice on their way out.
    view = shelves(larder, place=place, beside=beside, fullest=fullest, after=after, most=most)
    return Response(_SHELVES.dump_json(view), media_type="application/json")


@router.get("/shelves/protections")
def see_what_is_protected(
    larder: TheLarder, place: Annotated[int, Query(ge=0, le=999_999_999, description="which place")]
) -> list[Protected]:
    """What each package in a place is protected from for another year."""
    return see_protected(larder, place)


@router.get("/shelves/spread")
def see_how_it_is_spread(larder: TheLarder) -> Spread:
    """How food is spread over places and ways of keeping, and what goes if one of them fails."""
    return see_spread(larder)


@router.get("/shelves/find")
def find(larder: TheLarder, words: Annotated[str, Query(max_length=200, examples=["YELLOW LARDER 17"])]) -> list[Found]:
    """The packages kept that some words mean: a label's code, a number, or part of a food's name."""
    return find_packages(larder, words, read_code(words))


@router.get("/shelves/next")
def see_open_next(larder: TheLarder) -> list[OpenNext]:
    """Of each food that is kept the one to open next."""
    return open_next(larder)


@router.post("/shelves/move", status_code=204)
def move_packages(
    larder: TheLarder,
    numbers: Numbers,
    place: Annotated[int, Body(examples=[1])],
    shelf: Annotated[int, Body(examples=[2])],
    on: OnDay = None,
) -> None:
    """Move packages to a shelf of a place."""
    move(larder, numbers, place=place, shelf=shelf, on=on)


@router.post("/shelves/throw-out", status_code=204)
def throw_out_packages(
    larder: TheLarder, numbers: Numbers, why: Annotated[str, Body(examples=["puffed up"])], on: OnDay = None
) -> None:
    """Throw packages out; their journal stays."""
    throw_out(larder, numbers, why=why, on=on)


@router.get("/packages/{number}")
def see_package(larder: TheLarder, number: Number) -> Card:
    """Everything about one package."""
    return card(larder, number)


@router.get("/packages/{number}/elsewhere")
def see_elsewhere(larder: TheLarder, number: Number) -> list[Elsewhere]:
    """How long a package would last from today in each of the other places."""
    return elsewhere(larder, number)


@router.post("/packages/{number}/photos", status_code=201, openapi_extra=_JPEG_BODY)
def take_photo(larder: TheLarder, number: Number, picture: WholeBody) -> int:
    """Keep a photograph of a package, a JPEG, PNG or WebP; its number."""
    return keep_photo(larder, number, picture)


@router.get(
    "/packages/{number}/photos/{photo}",
    response_class=Response,
    responses={200: {"content": {"image/jpeg": {}}}},
)
def show_photo(larder: TheLarder, number: Number, photo: Number) -> Response:
    """A photograph of a package."""
    return Response(see_photo(larder, number, photo), media_type="image/jpeg")
