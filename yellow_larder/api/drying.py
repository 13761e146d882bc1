"""Getting food ready: loads in the dryer, jars that prove them dry, the freeze dryer, powder."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import Body

from yellow_larder.api.common import Number, TheLarder
from yellow_larder.api.devices import TheDevices, measured_room
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.core.drying import OURS, JarPhase, Look
from yellow_larder.features.drying.conditioning import JarsView, back_in_jar, empty_jar, fill_jar, look_at_jar, see_jars
from yellow_larder.features.drying.dryness_test import CameOut, Tested, take_out, try_dry
from yellow_larder.features.drying.finished_lots import Made, made_here
from yellow_larder.features.drying.load_plan import Item, LoadAsk, LoadPlan, plan_load
from yellow_larder.features.drying.load_state import Load
from yellow_larder.features.drying.loads import add_to_load, loosen, see_loads, start_load
from yellow_larder.features.drying.machines import NewMachine, add_machine, see_machines
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.freeze_drying.loads import (
    FreezeLoad,
    closed_up,
    see_freeze_loads,
    start_freeze_load,
    take_out_freeze_load,
    weigh_freeze_load,
)
from yellow_larder.features.freeze_drying.plan import FreezeLoadAsk, FreezeLoadPlan, plan_freeze_load
from yellow_larder.features.lots.grinding import Ground, grind
from yellow_larder.features.lots.mixing import MixedLot, PartAsked, mix_lots
from yellow_larder.reference.drying import FreezeDryer, Machine, freeze_dryers

router = larder_router(prefix="/drying", tags=["drying"], responses=REFUSALS)

_LOADS = [{"items": [{"line": "12 leeks"}, {"line": "1.5 kg mushrooms", "thickness": "6 mm"}], "machine": "cabinet"}]
_FREEZE = [{"items": [{"line": "3 kg fish stew", "frozen": True}], "dryer": "fd-medium"}]
Meant = Annotated[bool, Body(description="that it is meant, though something speaks against it")]


@router.get("/machines")
def list_machines(larder: TheLarder) -> list[Machine]:
    """What things can be dried in, the household's own first."""
    return see_machines(larder)


@router.post("/machines", status_code=201)
def own_machine(larder: TheLarder, new: NewMachine) -> str:
    """Add a dryer of one's own; answers with its key."""
    return add_machine(larder, new)


@router.post("/plan")
@asks
def plan_a_load(larder: TheLarder, devices: TheDevices, ask: Annotated[LoadAsk, Body(examples=_LOADS)]) -> LoadPlan:
    """What a load would be, tray by tray, with hours, target weights and cautions. Nothing is saved."""
    return plan_load(larder, ask, measured_room(larder, devices))


@router.get("/loads")
def list_loads(larder: TheLarder) -> list[Load]:
    """What is in the dryers now, with forecasts, what is due first. Times are in UTC."""
    return see_loads(larder)


@router.post("/loads", status_code=201)
def start_a_load(larder: TheLarder, devices: TheDevices, ask: Annotated[LoadAsk, Body(examples=_LOADS)]) -> int:
    """It goes into the dryer now; answers with its number."""
    return start_load(larder, ask, measured_room(larder, devices))


@router.post("/loads/{number}/more", status_code=204)
def add_more(larder: TheLarder, devices: TheDevices, number: Number, item: Item) -> None:
    """Another food goes onto the free trays."""
    add_to_load(larder, number, item, measured_room(larder, devices))


@router.post("/loads/{number}/weigh", status_code=204)
def weigh_a_tray(
    larder: TheLarder,
    number: Number,
    tray: Annotated[int, Body()],
    weight: Annotated[str, Body(examples=["412 g"])],
    at: Annotated[datetime | None, Body(description="when, if not just now")] = None,
    meant: Meant = False,
) -> None:
    """A tray was weighed, now or a while ago."""
    weigh_tray(larder, number, tray, weight, at=at, meant=meant)


@router.post("/loads/{number}/loosen", status_code=204)
def loosen_trays(larder: TheLarder, number: Number, item: Annotated[int, Body(embed=True)]) -> None:
    """The middles of a food's trays were loosened and turned."""
    loosen(larder, number, item)


@router.post("/loads/{number}/test")
def feel_if_dry(
    larder: TheLarder,
    number: Number,
    item: Annotated[int, Body()],
    feels_dry: Annotated[bool, Body()],
    wet_inside: Annotated[bool, Body()] = False,
    trays: Annotated[tuple[int, ...], Body()] = (),
    weight: Annotated[str, Body()] = "",
) -> Tested:
    """Pieces were cooled and felt; answers with what to believe."""
    return try_dry(larder, number, item, feels_dry=feels_dry, wet_inside=wet_inside, trays=trays, weight=weight)


@router.post("/loads/{number}/out")
def take_trays_out(
    larder: TheLarder,
    number: Number,
    trays: Annotated[tuple[int, ...], Body()],
    weight: Annotated[str, Body(examples=["310 g"])],
    feels_dry: Annotated[bool, Body()] = True,
    meant: Meant = False,
) -> CameOut:
    """Trays of one food come out, dry; answers with the lot they become and what it gives."""
    return take_out(larder, number, trays, weight, feels_dry=feels_dry, meant=meant)


@router.get("/jars")
def list_jars(larder: TheLarder) -> JarsView:
    """The jars, how each stands, and what waits for one."""
    return see_jars(larder)


@router.post("/jars", status_code=201)
def fill_a_jar(
    larder: TheLarder,
    lot: Annotated[int, Body()],
    jar: Annotated[str, Body()] = "jar-quart",
    days: Annotated[int, Body()] = OURS.days,
) -> int:
    """A lot goes into jars of its own; answers with their number."""
    return fill_jar(larder, lot, jar=jar, days=days)


@router.post("/jars/{number}/look")
def shake_a_jar(larder: TheLarder, number: Number, look: Annotated[Look, Body(embed=True)]) -> JarPhase:
    """A jar was shaken and looked at; answers with how it stands now."""
    return look_at_jar(larder, number, look)


@router.post("/jars/{number}/back", status_code=204)
def dried_again(larder: TheLarder, number: Number) -> None:
    """It was dried again and is back in its jar: the count begins anew."""
    back_in_jar(larder, number)


@router.post("/jars/{number}/empty", status_code=204)
def empty_a_jar(larder: TheLarder, number: Number) -> None:
    """The jar is emptied; its lot stays."""
    empty_jar(larder, number)


@router.get("/lots")
def list_made(larder: TheLarder) -> list[Made]:
    """Every lot made here, what it gives, and what was done to it."""
    return made_here(larder)


@router.post("/lots/{lot}/grind")
def grind_a_lot(larder: TheLarder, lot: Number, amount: Annotated[str, Body(embed=True)] = "") -> Ground:
    """Pieces are ground to powder: what is ground becomes a lot of its own."""
    return grind(larder, lot, amount)


@router.get("/freeze-dryers")
def list_freeze_dryers() -> list[FreezeDryer]:
    """Freeze dryers of general sizes."""
    return list(freeze_dryers().values())


@router.post("/freeze/plan")
@asks
def plan_a_freeze_load(
    larder: TheLarder, devices: TheDevices, ask: Annotated[FreezeLoadAsk, Body(examples=_FREEZE)]
) -> FreezeLoadPlan:
    """What a load for the freeze dryer would be. Nothing is saved."""
    return plan_freeze_load(larder, ask, measured_room(larder, devices))


@router.get("/freeze")
def list_freeze_loads(larder: TheLarder) -> list[FreezeLoad]:
    """What is in the freeze dryers, or out and not closed yet. Times are in UTC."""
    return see_freeze_loads(larder)


@router.post("/freeze", status_code=201)
def start_a_freeze_load(larder: TheLarder, ask: Annotated[FreezeLoadAsk, Body(examples=_FREEZE)]) -> int:
    """The door closes on it now; answers with its number."""
    return start_freeze_load(larder, ask)


@router.post("/freeze/{number}/weigh", status_code=204)
def weigh_the_freeze_load(larder: TheLarder, number: Number, weight: Annotated[str, Body(embed=True)]) -> None:
    """The whole load was weighed, without its trays."""
    weigh_freeze_load(larder, number, weight)


@router.post("/freeze/{number}/out")
def take_freeze_load_out(
    larder: TheLarder, devices: TheDevices, number: Number, meant: Annotated[bool, Body(embed=True)] = False
) -> list[int]:
    """It comes out; answers with the numbers of its lots, and starts the pack-by clock."""
    return take_out_freeze_load(larder, number, meant=meant, room=measured_room(larder, devices))


@router.post("/freeze/{number}/closed", status_code=204)
def close_it_up(larder: TheLarder, number: Number) -> None:
    """What came out is closed up: its clock stops."""
    closed_up(larder, number)


@router.post("/lots/mix", status_code=201)
def mix_them(
    larder: TheLarder,
    parts: Annotated[list[PartAsked], Body(max_length=100, examples=[[{"lot": 1, "amount": "300 g"}, {"lot": 2}]])],
    name: Annotated[str, Body(examples=["green powder"])] = "",
) -> MixedLot:
    """Several lots are mixed into one, which is a lot of its own."""
    return mix_lots(larder, name, parts)
