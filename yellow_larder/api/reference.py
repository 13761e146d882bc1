"""The reference tables with their sources, and foods and containers of one's own."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.api.common import Number, TheLarder
from yellow_larder.api.problems import REFUSALS
from yellow_larder.api.routing import larder_router
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.container_view import ContainerMade, ContainerRead, may_be, see_container
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import add_food
from yellow_larder.features.catalog.own_containers import AskedContainer, add_container, remove_container
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
def make_food(larder: TheLarder, food: NewFood) -> Added:
    """Add a food of one's own."""
    added: Food = add_food(larder, food)
    return Added(added.key, added.name)


@router.get("/containers/kinds")
def see_container_kinds() -> list[ContainerMade]:
    """What containers of one's own may be made of and closed with, by kind."""
    return may_be()


@router.post("/containers/read")
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
