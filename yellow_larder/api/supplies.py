"""Supplies: what there is to pack with."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Body

from yellow_larder.api.common import TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.larder import supplies
from yellow_larder.larder.supplies import NewSupply, SuppliesView

router = APIRouter(prefix="/supplies", tags=["supplies"], responses=REFUSALS)


@router.get("")
def see(larder: TheLarder) -> SuppliesView:
    """Everything there is to pack with."""
    return supplies.see_supplies(larder)


@router.post("", status_code=201)
def add(larder: TheLarder, new: Annotated[NewSupply, Body()]) -> int:
    """Write something down; its number."""
    return supplies.add_supply(larder, new)


@router.put("/{number}", status_code=204)
def note(
    larder: TheLarder,
    number: int,
    low: Annotated[int | None, Body()] = None,
    cost: Annotated[str | None, Body(max_length=40)] = None,
    note: Annotated[str | None, Body(max_length=400)] = None,
) -> None:
    """When it is running low, what one costs, what is to be known of it."""
    supplies.set_supply(larder, number, low=low, cost=cost, note=note)


@router.put("/{number}/count", status_code=204)
def count(
    larder: TheLarder,
    number: int,
    count: Annotated[int, Body()],
    spares: Annotated[int | None, Body()] = None,
    again: Annotated[int | None, Body()] = None,
) -> None:
    """It was counted."""
    supplies.count_supply(larder, number, count, spares=spares, again=again)


@router.post("/{number}/came", status_code=204)
def came(
    larder: TheLarder, number: int, count: Annotated[int, Body()], cost: Annotated[str, Body(max_length=40)] = ""
) -> None:
    """More of it came."""
    supplies.more_of(larder, number, count, cost=cost)


@router.post("/{number}/spares", status_code=204)
def spares(
    larder: TheLarder,
    number: int,
    count: Annotated[int, Body()],
    minutes: Annotated[float, Body()],
    on: Annotated[date | None, Body()] = None,
) -> None:
    """Packets went into the jar of spares."""
    supplies.put_spares(larder, number, count, minutes, on=on)


@router.post("/{number}/cut", status_code=201)
def cut(larder: TheLarder, number: int, by: Annotated[str, Body(embed=True, max_length=40)] = "3 cm") -> int:
    """A bag was cut open and is kept; the number of the shorter one."""
    return supplies.cut_down(larder, number, by=by)


@router.post("/{number}/desiccant", status_code=204)
def desiccant(larder: TheLarder, number: int, count: Annotated[int, Body()], restored: Annotated[bool, Body()]) -> None:
    """Gel is full of water, or dry again."""
    supplies.spend_desiccant(larder, number, count, restored=restored)


@router.delete("/{number}", status_code=204)
def forget(larder: TheLarder, number: int) -> None:
    """Strike it out."""
    supplies.forget_supply(larder, number)
