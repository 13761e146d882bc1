"""The shelves: what stands where, one package's card, moving, throwing out, places."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Body, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import TypeAdapter

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.larder.labels import read_code
from yellow_larder.larder.larder import NewPlace, add_place
from yellow_larder.larder.photos import keep_photo, see_photo
from yellow_larder.larder.shelves import Card, ShelvesView, card, move, shelves, throw_out

router = APIRouter(tags=["shelves"], responses=REFUSALS)

_SHELVES = TypeAdapter(ShelvesView)

_JPEG_BODY = {"requestBody": {"content": {"image/jpeg": {"schema": {"type": "string", "format": "binary"}}}}}

Numbers = Annotated[list[int], Body(min_length=1, max_length=500, examples=[[17, 18]])]
OnDay = Annotated[date | None, Body(description="none means today", examples=["2026-11-24"])]


@router.get("/shelves", response_model=ShelvesView)
def see_shelves(larder: TheLarder) -> Response:
    """All places and every package kept."""
    # Written out in one go: thousands of packages would otherwise be checked twice on their way out.
    return Response(_SHELVES.dump_json(shelves(larder)), media_type="application/json")


@router.get("/shelves/find")
def find(larder: TheLarder, words: Annotated[str, Query(max_length=200, examples=["YELLOW LARDER 17"])]) -> list[int]:
    """Numbers of the packages kept that some words mean: a label's code, a number, or part of a food's name."""
    number = read_code(words)
    wanted = words.strip().lower()
    kept = shelves(larder).packages
    return [each.number for each in kept if each.number == number or (wanted and wanted in each.food.lower())]


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
def see_package(larder: TheLarder, number: int) -> Card:
    """Everything about one package."""
    return card(larder, number)


@router.post("/packages/{number}/photos", status_code=201, openapi_extra=_JPEG_BODY)
async def take_photo(larder: TheLarder, number: int, request: Request) -> int:
    """Keep a photograph of a package, a JPEG; its number."""
    jpeg = await request.body()
    return await run_in_threadpool(keep_photo, larder, number, jpeg)


@router.get(
    "/packages/{number}/photos/{photo}",
    response_class=Response,
    responses={200: {"content": {"image/jpeg": {}}}},
)
def show_photo(larder: TheLarder, number: int, photo: int) -> Response:
    """A photograph of a package."""
    return Response(see_photo(larder, number, photo), media_type="image/jpeg")


@router.post("/places", status_code=201)
def make_place(larder: TheLarder, place: NewPlace) -> int:
    """Add a place to put packages; answers with its number."""
    return add_place(larder, place)
