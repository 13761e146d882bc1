"""Supplies: what there is to pack with."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import BasedOn, Day, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.features.supplies import supplies
from yellow_larder.features.supplies.supplies import NewSupply
from yellow_larder.features.supplies.view import SuppliesView, see_supplies

router = larder_router(prefix="/supplies", tags=["supplies"], responses=REFUSALS)


@router.get("")
def see(larder: TheLarder) -> SuppliesView:
    """Everything there is to pack with."""
    return see_supplies(larder)


@router.post("", status_code=201)
def add(larder: TheLarder, new: Annotated[NewSupply, Body()]) -> int:
    """Add supplies; its number."""
    return supplies.add_supply(larder, new)


@router.put("/{number}", status_code=204)
def note(
    larder: TheLarder,
    number: Number,
    low: Annotated[int | None, Body()] = None,
    cost: Annotated[str | None, Body(max_length=40)] = None,
    note: Annotated[str | None, Body(max_length=400)] = None,
    based_on: BasedOn = None,
) -> None:
    """When it is running low, what one costs, what is to be known of it."""
    supplies.set_supply(larder, number, low=low, cost=cost, note=note, based_on=based_on)


@router.put("/{number}/count", status_code=204)
def count(
    larder: TheLarder,
    number: Number,
    count: Annotated[int, Body()],
    spares: Annotated[int | None, Body()] = None,
    again: Annotated[int | None, Body()] = None,
    based_on: BasedOn = None,
) -> None:
    """It was counted."""
    supplies.count_supply(larder, number, count, spares=spares, again=again, based_on=based_on)


@router.post("/{number}/came", status_code=204)
def came(
    larder: TheLarder, number: Number, count: Annotated[int, Body()], cost: Annotated[str, Body(max_length=40)] = ""
) -> None:
    """More of it came."""
    supplies.more_of(larder, number, count, cost=cost)


@router.post("/{number}/spares", status_code=204)
def spares(
    larder: TheLarder,
    number: Number,
    count: Annotated[int, Body()],
    minutes: Annotated[float, Body()],
    on: Annotated[Day | None, Body()] = None,
) -> None:
    """Packets went into the jar of spares."""
    supplies.put_spares(larder, number, count, minutes, on=on)


@router.post("/{number}/cut", status_code=201)
def cut(larder: TheLarder, number: Number, by: Annotated[str, Body(embed=True, max_length=40)] = "3 cm") -> int:
    """A bag was cut open and is kept; the number of the shorter one."""
    return supplies.cut_down(larder, number, by=by)


@router.post("/{number}/desiccant", status_code=204)
def desiccant(
    larder: TheLarder, number: Number, count: Annotated[int, Body()], restored: Annotated[bool, Body()]
) -> None:
    """Gel is full of water, or dry again."""
    supplies.spend_desiccant(larder, number, count, restored=restored)


@router.delete("/{number}", status_code=204)
def forget(larder: TheLarder, number: Number, based_on: BasedOn = None) -> None:
    """Remove it."""
    supplies.forget_supply(larder, number, based_on=based_on)
