"""What a container of one's own comes to, while it is typed: its size, its drawing, what it lets in."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.air import ingress_ml_day, saturation_kpa, wall_m2
from yellow_larder.core.containers import Container, Held, Lid, Material
from yellow_larder.core.days import DAYS_PER_YEAR, say_span
from yellow_larder.features.catalog.containers import Drawing, drawing, say_container
from yellow_larder.features.catalog.own_containers import CLOSED_BY, MADE_OF, AskedContainer, read_container
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, current_settings
from yellow_larder.reference.walls import walls_of
from yellow_larder.words.quantities import Units, say_length, say_mass

_CRISP = 0.2
"""Water activity of crisp dry food. Source: Labuza, crispness is lost from 0.35–0.5; dried well below that."""

_PACKET_ML = 500.0
_DECADES = 40 * DAYS_PER_YEAR
_DAYS_A_MONTH = DAYS_PER_YEAR / 12


@dataclass(frozen=True, slots=True)
class ContainerMade:
    """What a kind of container may be of.

    Attributes:
        kind: the kind.
        materials: what it may be made of, the usual first.
        lids: what may close it, the usual first.
    """

    kind: str
    materials: list[Material]
    lids: list[Lid]


@dataclass(frozen=True, slots=True)
class ContainerRead:
    """What a container of one's own comes to.

    Attributes:
        size: what it holds, and of what it is.
        inside: its inner height and width, as they were typed or follow from the volume.
        draw: how it is drawn.
        says: what it lets in, and what else is to be known of it.
    """

    size: str
    inside: str
    draw: Drawing
    says: list[str]


def may_be() -> list[ContainerMade]:
    """What each kind of container of one's own may be made of and closed with."""
    return [ContainerMade(kind.value, list(MADE_OF[kind]), list(CLOSED_BY[kind])) for kind in MADE_OF]


def see_container(larder: Larder, asked: AskedContainer) -> ContainerRead:
    """What a container comes to as it is typed; nothing is written down.

    Raises:
        Refused: a field cannot be read, or no container is so.
    """
    container, household = read_container(larder, asked), current_settings(larder)
    return ContainerRead(
        size=say_container(container, household.units),
        inside=_inside(container, household.units),
        draw=drawing(container),
        says=[*_lets_in(container, household), *_to_know(container)],
    )


def _inside(container: Container, units: Units) -> str:
    high, wide = say_length(container.height_mm, units), say_length(container.top_mm, units)
    return f"inside {high} high, {wide} {'square' if container.is_square else 'across'}"


def _lets_in(container: Container, household: Settings) -> list[str]:
    walls = walls_of(container)
    a_day = ingress_ml_day(container, walls.oxygen[0], mean_c=household.room_c)
    lasts = _PACKET_ML / a_day if a_day else _DECADES
    oxygen = (
        "Lets in so little oxygen that absorbers hold for decades."
        if lasts >= _DECADES
        else f"The oxygen it lets in uses up a {_PACKET_ML:.0f} mL absorber in about {say_span(lasts)}."
    )
    pull_kpa = max(0.0, household.humidity - _CRISP) * saturation_kpa(household.room_c)
    water_g = pull_kpa * walls.vapor[0].lets_in_g_day_kpa(wall_m2(container), mean_c=household.room_c) * _DAYS_A_MONTH
    if water_g < 0.1:
        return [oxygen, "Lets in next to no moisture."]
    return [oxygen, f"In your room it lets in about {say_mass(water_g, household.units)} of moisture a month."]


def _to_know(container: Container) -> list[str]:
    found = []
    if container.held is Held.OTHER:
        found.append("Not for food as it is: only with a foil bag as a liner, or for food in its own packet.")
    if container.held is Held.STRONG and container.made_of.is_plastic:
        found.append("Plastic keeps the smell of what it held and gives it to the food.")
    if container.lets_light_in:
        found.append("Lets light in: a dark place, or something over it.")
    if not container.stops_rodents:
        found.append("A mouse gnaws through it.")
    return found
