"""Seeds for planting."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import BasedOn, Day, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.features.seeds.events import Store
from yellow_larder.features.seeds.seeds import (
    AskedSeed,
    count_seeds,
    keep_seeds,
    record_test,
    remove_seeds,
    store_seeds,
)
from yellow_larder.features.seeds.views import SeedKindView, SeedView, see_seeds, seed_kinds

router = larder_router(prefix="/seeds", tags=["seeds"], responses=REFUSALS)


@router.get("")
def list_seeds(larder: TheLarder) -> list[SeedView]:
    """All seeds for planting, what germinates worst first."""
    return see_seeds(larder)


@router.get("/kinds")
def list_seed_kinds() -> list[SeedKindView]:
    """Every kind of seed of the table, with how long it lives and its source."""
    return seed_kinds()


@router.post("", status_code=201)
def add_seeds(
    larder: TheLarder,
    seed: Annotated[AskedSeed, Body(examples=[{"name": "carrot", "harvested": "2024", "amount": "200"}])],
) -> int:
    """Seeds come in; answers with their number."""
    return keep_seeds(larder, seed)


@router.post("/{number}/tests", status_code=204)
def add_test(
    larder: TheLarder,
    number: Number,
    sown: Annotated[int, Body(examples=[10])],
    came: Annotated[int, Body(examples=[7])],
    on: Annotated[Day | None, Body(description="none means today", examples=["2026-11-24"])] = None,
) -> None:
    """A germination test was counted: so many were laid out, so many came."""
    record_test(larder, number, sown, came, on=on)


@router.put("/{number}/store", status_code=204)
def move_seeds(
    larder: TheLarder,
    number: Number,
    store: Annotated[Store, Body(examples=["closed jar"])],
    place: Annotated[int, Body(examples=[1])],
    moisture_pct: Annotated[float | None, Body()] = None,
    based_on: BasedOn = None,
) -> None:
    """Seeds are kept otherwise from today on."""
    store_seeds(larder, number, store, place, moisture_pct, based_on=based_on)


@router.put("/{number}/count", status_code=204)
def recount_seeds(
    larder: TheLarder,
    number: Number,
    amount: Annotated[str, Body(embed=True, examples=["120"])],
    based_on: BasedOn = None,
) -> None:
    """There are so many of them."""
    count_seeds(larder, number, amount, based_on=based_on)


@router.delete("/{number}", status_code=204)
def drop_seeds(larder: TheLarder, number: Number, based_on: BasedOn = None) -> None:
    """The seeds are gone."""
    remove_seeds(larder, number, based_on=based_on)
