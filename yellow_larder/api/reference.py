"""The reference tables with their sources, and foods, fresh foods, mixes and containers of one's own."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.api.common import BasedOn, Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import asks, larder_router
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.container_view import ContainerMade, ContainerRead, may_be, see_container
from yellow_larder.features.catalog.fresh_produce import (
    AskedProduce,
    ProduceAsTyped,
    ProduceName,
    ProduceView,
    add_own_produce,
    change_own_produce,
    fresh_to_pick,
    produce_as_typed,
    see_own_produce,
)
from yellow_larder.features.catalog.own_containers import AskedContainer, add_container, remove_container
from yellow_larder.features.catalog.own_foods import (
    AskedFood,
    FoodAsTyped,
    OwnFoodView,
    add_own_food,
    change_own_food,
    own_food_as_typed,
    see_own_food,
)
from yellow_larder.features.catalog.own_mixes import (
    AskedMix,
    MixAsTyped,
    MixView,
    add_mix,
    change_mix,
    mix_as_typed,
    see_mix,
)
from yellow_larder.features.freeze_drying.plan import freeze_dried_to_pick
from yellow_larder.features.guide.guide import Guide, guide
from yellow_larder.features.guide.tables import (
    ContainerRow,
    FoodName,
    FoodRow,
    PacketRow,
    all_container_rows,
    all_food_rows,
    all_packet_rows,
    food_names,
)

router = larder_router(tags=["reference"], responses=REFUSALS)


@dataclass(frozen=True, slots=True)
class Added:
    """A food or container of one's own, as it now stands in the table."""

    key: str
    name: str


@router.get("/reference")
def see_reference(larder: TheLarder) -> Guide:
    """Every table the rules stand on, in the household's units, each row with its source."""
    return guide(larder)


@router.get("/reference/names")
def see_food_names(larder: TheLarder) -> list[FoodName]:
    """Every food to pick from."""
    return food_names(larder)


@router.get("/reference/foods")
def see_foods(larder: TheLarder) -> list[FoodRow]:
    """Every food with its figures and their sources."""
    return all_food_rows(larder)


@router.get("/reference/containers")
def see_containers(larder: TheLarder) -> list[ContainerRow]:
    """Every container of the table."""
    return all_container_rows(larder)


@router.get("/reference/absorbers")
def see_absorbers(larder: TheLarder) -> list[PacketRow]:
    """Every absorber of the table."""
    return all_packet_rows(larder)


@router.post("/foods", status_code=201)
def make_food(larder: TheLarder, food: AskedFood) -> Added:
    """Add a food of one's own: what is not known of it is taken from what it is like."""
    added: Food = add_own_food(larder, food)
    return Added(added.key, added.name)


@router.get("/foods/{number}")
def see_own(larder: TheLarder, number: Number) -> FoodAsTyped:
    """A food of one's own as it is typed, and its version."""
    return own_food_as_typed(larder, number)


@router.put("/foods/{number}")
def change_own(larder: TheLarder, number: Number, food: AskedFood, based_on: BasedOn = None) -> Added:
    """A food of one's own is known better; what is packed keeps the figures it was packed with."""
    changed = change_own_food(larder, number, food, based_on=based_on)
    return Added(changed.key, changed.name)


@router.post("/foods/read")
@asks
def read_food(larder: TheLarder, food: AskedFood) -> OwnFoodView:
    """What a food of one's own comes to as it is typed; nothing is written down."""
    return see_own_food(larder, food)


@router.post("/mixes/read")
@asks
def read_mix(larder: TheLarder, mix: AskedMix) -> MixView:
    """What a mix comes to as it is typed; nothing is written down."""
    return see_mix(larder, mix)


@router.post("/mixes", status_code=201)
def make_mix(larder: TheLarder, mix: AskedMix) -> Added:
    """Add a mix of one's own: its figures follow from what is in it."""
    added = add_mix(larder, mix)
    return Added(added.key, added.name)


@router.get("/mixes/{number}")
def see_own_mix(larder: TheLarder, number: Number) -> MixAsTyped:
    """A mix of one's own as it is typed, and its version."""
    return mix_as_typed(larder, number)


@router.put("/mixes/{number}")
def put_mix_right(larder: TheLarder, number: Number, mix: AskedMix, based_on: BasedOn = None) -> Added:
    """A mix is put right, in other mixes too; what is packed keeps what it was packed with."""
    changed = change_mix(larder, number, mix, based_on=based_on)
    return Added(changed.key, changed.name)


@router.get("/produce")
def see_produce() -> list[ProduceName]:
    """Every fresh food of the table of drying, for one's own to be like."""
    return fresh_to_pick()


@router.get("/produce/freeze-dried")
def see_freeze_dried() -> list[ProduceName]:
    """What of the table can be freeze-dried, for one's own to be like."""
    return freeze_dried_to_pick()


@router.post("/produce/read")
@asks
def read_produce(larder: TheLarder, produce: AskedProduce) -> ProduceView:
    """What a fresh food of one's own comes to as it is typed; nothing is written down."""
    return see_own_produce(larder, produce)


@router.post("/produce", status_code=201)
def make_produce(larder: TheLarder, produce: AskedProduce) -> Added:
    """Add a fresh food of one's own to what can be dried, and the dried food that it becomes."""
    added = add_own_produce(larder, produce)
    return Added(added.key, added.name)


@router.get("/produce/{number}")
def see_one_produce(larder: TheLarder, number: Number) -> ProduceAsTyped:
    """A fresh food of one's own as it is typed, and its version."""
    return produce_as_typed(larder, number)


@router.put("/produce/{number}")
def put_produce_right(larder: TheLarder, number: Number, produce: AskedProduce, based_on: BasedOn = None) -> Added:
    """A fresh food of one's own is known better; loads that are on are calculated so as well."""
    changed = change_own_produce(larder, number, produce, based_on=based_on)
    return Added(changed.key, changed.name)


@router.get("/containers/kinds")
def see_container_kinds() -> list[ContainerMade]:
    """What containers of one's own may be made of and closed with, by kind."""
    return may_be()


@router.post("/containers/read")
@asks
def read_own_container(larder: TheLarder, container: AskedContainer) -> ContainerRead:
    """What a container of one's own comes to as it is typed; nothing is written down."""
    return see_container(larder, container)


@router.post("/containers", status_code=201)
def make_container(larder: TheLarder, container: AskedContainer) -> Added:
    """Add a container of one's own."""
    added = add_container(larder, container)
    return Added(added.key, added.name)


@router.delete("/containers/{number}", status_code=204)
def drop_container(larder: TheLarder, number: Number) -> None:
    """Take a container of one's own off the table; what is packed in one keeps it."""
    remove_container(larder, number)
