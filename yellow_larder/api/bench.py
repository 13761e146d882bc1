"""The bench: plan a packing, pack it."""

from __future__ import annotations

from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import Day, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router, slow
from yellow_larder.features.packing.pack import Batch, pack
from yellow_larder.features.packing.plan import Plan
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.proposals import ProposedPacking, WantedLine, propose_packing
from yellow_larder.features.packing.request import Ask, Opened
from yellow_larder.features.run.allotment import FromStock, from_stock
from yellow_larder.features.shelves.inside import Inside, inside_plan

router = larder_router(tags=["bench"], responses=REFUSALS)

_EXAMPLES = [
    {"line": "10 kg pearl barley", "container": "bag-gallon"},
    {"line": "two 7.5 lb bags of oats", "container": "lined-5-gallon", "headspace_mm": 60, "sizing": "container"},
    {"food": "dried-pears", "amount": "900 g", "container": "jar-quart", "closing": "vacuum", "moisture": 8.5},
]


@router.post("/bench/plan")
@asks
def plan_packing(larder: TheLarder, ask: Annotated[Ask, Body(examples=_EXAMPLES)]) -> Plan:
    """Everything the bench shows for what is on it. Nothing is saved."""
    return plan(larder, ask)


@router.post("/bench/inside")
@asks
def plan_inside(larder: TheLarder, ask: Annotated[Ask, Body(examples=_EXAMPLES)]) -> Inside:
    """Oxygen, moisture and life in one container of a plan, from today on. Nothing is saved."""
    return inside_plan(larder, ask)


@router.post("/bench/packets")
@asks
def share_out_packets(larder: TheLarder, ask: Annotated[Ask, Body(examples=_EXAMPLES)]) -> FromStock | None:
    """The packets of all containers on the bench at once, from the supplies; nothing if no packets are counted."""
    return from_stock(larder, ask)


@router.post("/bench/propose")
@slow
def propose_containers(
    larder: TheLarder,
    lines: Annotated[list[WantedLine], Body(examples=[[{"line": "10 kg pearl barley", "a_week": "400 g"}]])],
    horizon_years: Annotated[float, Body()] = 10,
    place: Annotated[int | None, Body()] = None,
    opened: Annotated[Opened, Body()] = Opened.NEVER,
) -> ProposedPacking:
    """Which containers: for one lot or several at once, those that keep them best for least cost."""
    return propose_packing(larder, lines, horizon_years=horizon_years, place=place, opened=opened)


@router.post("/bench/pack", status_code=201)
def pack_it(
    larder: TheLarder,
    ask: Annotated[Ask, Body(examples=_EXAMPLES)],
    packed_on: Annotated[Day | None, Body(examples=["2026-11-24"])] = None,
    shelf: Annotated[int | None, Body(examples=[2])] = None,
    plan: Annotated[str, Body(max_length=40, description="identity of the plan that was shown")] = "",
) -> Batch:
    """Pack it: the containers exist from here on, numbered, on a shelf. What was shown is packed, or nothing is."""
    return pack(larder, ask, packed_on=packed_on, shelf=shelf, drawn=plan)
