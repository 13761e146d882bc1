"""The tables that other places on screen pick from: foods, containers, absorbers, in the household's units."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Closing, Container, Kind, closed_volume_ml
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.containers import Drawing, drawing, say_container
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.own_containers import all_containers, own_numbers
from yellow_larder.features.household.larder import Larder, current_settings, settings
from yellow_larder.features.supplies.usual import usual_containers
from yellow_larder.journal.database import reading
from yellow_larder.reference import packets
from yellow_larder.words.quantities import Units, say_length, say_volume


@dataclass(frozen=True, slots=True)
class FoodName:
    """A food to pick from: what it is called, and how it is drawn."""

    key: str
    name: str
    aliases: list[str]
    group: str
    form: str
    colour: str


@dataclass(frozen=True, slots=True)
class FoodRow:
    """A food of the table, figures per 100 g as packed."""

    key: str
    name: str
    aliases: list[str]
    group: str
    form: str
    colour: str
    life: str
    traits: list[str]
    kcal: float
    protein_g: float
    fat_g: float
    carbohydrate_g: float
    fibre_g: float
    water_g: float
    loose_g_ml: float
    settled_g_ml: float
    particle_g_ml: float
    source: str
    density_source: str
    taken: list[str]
    """Names of the figures that are not its own, but of what it is like, or follow from that."""


@dataclass(frozen=True, slots=True)
class ContainerRow:
    """A container of the table."""

    key: str
    name: str
    kind: Kind
    size: str
    holds: str
    closings: list[Closing]
    draw: Drawing
    source: str
    own: int | None
    """Its number, if it is the household's own."""
    packed_into: bool
    usual: bool
    """Whether it is one of the few that are offered first."""
    sold_in: str
    """The measures it is sold in, "US" or "metric"; empty if in either."""


@dataclass(frozen=True, slots=True)
class PacketRow:
    """An absorber packet of the table."""

    size_ml: int
    size: str
    width_mm: float
    length_mm: float
    source: str


def food_names(larder: Larder) -> list[FoodName]:
    """Every food to pick from."""
    with reading(larder.engine) as session:
        known = all_foods(session).values()
    return [FoodName(each.key, each.name, list(each.aliases), each.group, each.form, each.colour) for each in known]


def all_food_rows(larder: Larder) -> list[FoodRow]:
    """Every food with its figures and their sources."""
    with reading(larder.engine) as session:
        return food_rows(all_foods(session).values())


def all_container_rows(larder: Larder) -> list[ContainerRow]:
    """Every container of the table, in the household's units, those sold in its measures first."""
    with reading(larder.engine) as session:
        return container_rows(session)


def all_packet_rows(larder: Larder) -> list[PacketRow]:
    """Every absorber of the table, in the household's units."""
    return packet_rows(current_settings(larder).units)


def food_rows(known: Iterable[Food]) -> list[FoodRow]:
    """Foods with their figures and their sources."""
    return [
        FoodRow(
            key=food.key,
            name=food.name,
            aliases=list(food.aliases),
            group="our own" if food.like else food.group,
            form=food.form,
            colour=food.colour,
            life=food.life,
            traits=sorted(trait.value for trait in food.traits),
            kcal=round(food.composition.kcal),
            protein_g=round(food.composition.protein_g, 1),
            fat_g=round(food.composition.fat_g, 1),
            carbohydrate_g=round(food.composition.carbohydrate_g, 1),
            fibre_g=round(food.composition.fibre_g, 1),
            water_g=round(food.composition.water_g, 1),
            loose_g_ml=food.loose_g_ml,
            settled_g_ml=food.settled_g_ml,
            particle_g_ml=food.particle_g_ml,
            source=food.nutrition_source,
            density_source=food.density_source,
            taken=sorted(food.taken),
        )
        for food in known
    ]


def container_rows(session: Session) -> list[ContainerRow]:
    """Every container: the household's own first, then those sold in its measures."""
    units, own, usual = settings(session).units, own_numbers(session), usual_containers(session)

    def comes(each: Container) -> tuple[bool, bool]:
        return each.key not in own, each.sold_in not in ("", units.value)

    return [
        ContainerRow(
            key=each.key,
            name=each.name,
            kind=each.kind,
            size=say_container(each, units),
            holds=say_volume(closed_volume_ml(each), units) if each.is_flat else "",
            closings=list(each.closings),
            draw=drawing(each),
            source=each.source,
            own=own.get(each.key),
            usual=each.key in usual,
            sold_in=each.sold_in,
            packed_into=each.is_packed_into,
        )
        for each in sorted(all_containers(session).values(), key=comes)
    ]


def packet_rows(units: Units) -> list[PacketRow]:
    """The absorbers of the table."""
    return [
        PacketRow(
            each.size_ml,
            say_size(each.width_mm, each.length_mm, units),
            each.width_mm,
            each.length_mm,
            each.source,
        )
        for each in packets().values()
    ]


def say_size(width_mm: float, length_mm: float, units: Units) -> str:
    """A flat size."""
    return f"{say_length(width_mm, units)} × {say_length(length_mm, units)}"
