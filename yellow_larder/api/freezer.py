"""The freezer: cold that kills, and the thaw."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.features.freezer.contents import InFreezer, in_freezer, open_it, plan_freeze, put_in, take_out
from yellow_larder.features.freezer.frost import Frost, frosts
from yellow_larder.features.freezer.plan import FreezeAsk, FreezePlan

router = larder_router(prefix="/freezer", tags=["freezer"], responses=REFUSALS)

_EXAMPLES = [
    {"line": "10 kg white rice", "container": "lined-5-gallon"},
    {"line": "1.5 kg bread flour", "container": "packet-1-5-kg", "freezer_c": -20, "moving": True},
]
Early = Annotated[bool, Body(embed=True, description="that it is meant, though it is too soon")]


@router.get("")
def see_freezer(larder: TheLarder) -> list[InFreezer]:
    """What is in the freezer or thawing, what is due first. Times are in UTC."""
    return in_freezer(larder)


@router.get("/frosts")
def see_frosts(larder: TheLarder) -> list[Frost]:
    """The places outdoors that have been cold enough all week to kill insects, as their logs have it."""
    return frosts(larder)


@router.post("/plan")
@asks
def plan_a_freeze(larder: TheLarder, ask: Annotated[FreezeAsk, Body(examples=_EXAMPLES)]) -> FreezePlan:
    """How long it must stay in the freezer and thaw, with the curve of its middle and surface. Nothing is saved."""
    return plan_freeze(larder, ask)


@router.post("", status_code=201)
def put_it_in(larder: TheLarder, ask: Annotated[FreezeAsk, Body(examples=_EXAMPLES)]) -> int:
    """It goes into the freezer now; answers with its number."""
    return put_in(larder, ask)


@router.post("/{number}/out", status_code=204)
def take_it_out(larder: TheLarder, number: Number, early: Early = False) -> None:
    """It comes out of the freezer now, closed."""
    take_out(larder, number, early=early)


@router.post("/{number}/open")
def open_up(larder: TheLarder, number: Number, early: Early = False) -> int:
    """It is opened; answers with the number of its lot, which counts as frozen through if the hold was kept."""
    return open_it(larder, number, early=early)
