"""What is put on the bench: the fields as typed, and reading them into food, container and amounts."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from sqlalchemy.orm import Session

from yellow_larder.core.air import mass_that_fits_g
from yellow_larder.core.containers import Closing, Container, closed_volume_ml, volume_below_ml
from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food
from yellow_larder.core.planning import may_meet_absorber
from yellow_larder.features.catalog.containers import called, container_by_key, own_bag
from yellow_larder.features.catalog.foods import find_food
from yellow_larder.features.household.larder import find_place, places_in_use
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.contained import PestMeasure
from yellow_larder.features.supplies.usual import usual_container
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Amount, Units, read_amount, read_length_mm, read_line, say_mass

MOST_CONTAINERS = 500
"""More than this in one packing is another size of container, not a plan."""

_CRUMBS_G = 1.0
"""A rest smaller than this is left in the bowl."""


class SizingMethod(StrEnum):
    """How packets are sized."""

    AIR = "air"
    CONTAINER = "container"
    KIND = "kind"


class Pull(StrEnum):
    """What draws a vacuum."""

    MACHINE = "machine"
    HAND = "hand pump"


LEAVES_KPA = {Pull.MACHINE: 18.0, Pull.HAND: 32.0}
"""Pressure that is usually left, kPa. Source: common practice: machines with a jar cap draw about 25 inches of mercury,
hand pumps about 20."""


class Opened(StrEnum):
    """How often it is opened once it stands on the shelf."""

    NEVER = "not until eaten"
    WEEKLY = "weekly"
    DAILY = "daily"


@dataclass(frozen=True, slots=True, kw_only=True)
class Ask:
    """What is on the bench, as a person put it there. Lengths and weights are as typed, in any units.

    Attributes:
        line: "10 kg pearl barley"; or else `food` and `amount`.
        food: key of the food.
        amount: "10 kg".
        container: key of the container; empty for the one that is usual in this house.
        own_bag: flat size of a bag of one's own, "25 × 35 cm"; goes before `container`.
        own_film_mil: thickness of its film, mil.
        closing: what is done about the air; none means what suits food and container.
        pressed: whether the air above the food is pressed out of film.
        headspace: height left free; none means even shares with at least the customary headspace.
        headspace_mm: the same as a number, mm, as the drawing drags it; goes before `headspace`.
        fill: weight in each; goes before both.
        sizing: how packets are sized.
        horizon_years: how long it is meant to keep.
        outer: whether bags and bottles go into a pail, tote or bin.
        place: number of the place they will stand.
        moisture: moisture of this lot, %; none means that of the table.
        frozen: whether the lot was frozen through.
        lot: number of the lot in the cupboard that it comes from; packing takes it off there.
        gel: whether silica gel goes in with it.
        opened: how often it is opened.
        food_grade: whether a bare pail is of plastic made for food.
        waxed: whether the cap of a bottle is dipped in wax.
        pull: what draws the vacuum.
        left_kpa: pressure that it leaves, kPa, as its gauge has it; none means what is usual for it.
        conditioned: that food dried at home, and typed without its record, was conditioned in a jar.
        measures: what is put in with it against insects.
        override: why it is packed although the verdict is a stop; the label says so.
        more: that there was more in the lot than is written, and all of it is packed.
    """

    line: str = ""
    food: str = ""
    amount: str = ""
    container: str = "bag-gallon"
    own_bag: str = ""
    own_film_mil: float = 7
    closing: Closing | None = None
    pressed: bool = True
    headspace: str = ""
    headspace_mm: float | None = None
    fill: str = ""
    sizing: SizingMethod = SizingMethod.AIR
    horizon_years: float = 10
    outer: bool = False
    place: int | None = None
    moisture: float | None = None
    frozen: bool = False
    lot: int | None = None
    gel: bool = False
    opened: Opened = Opened.NEVER
    food_grade: bool = True
    waxed: bool = False
    pull: Pull = Pull.MACHINE
    left_kpa: float | None = None
    conditioned: bool = False
    measures: tuple[PestMeasure, ...] = ()
    override: str = ""
    more: bool = False


@dataclass(frozen=True, slots=True)
class Shares:
    """How a lot is shared out over containers.

    Attributes:
        count: how many are filled alike.
        each_g: weight in each of them.
        rest_g: weight in a last one, 0 if there is none.
    """

    count: int
    each_g: float
    rest_g: float


def read_food(ask: Ask, foods: dict[str, Food]) -> tuple[Food, Amount, str]:
    """The food, how much of it, and the words that were read as its name, if any were typed."""
    if ask.line:
        line = read_line(ask.line)
        return find_food(line.food, foods), line.amount, line.food
    if ask.food not in foods:
        raise NotThere("line", "Pick a food, or write one: “10 kg pearl barley”, “5 cups oats”")
    return foods[ask.food], read_amount(ask.amount, "amount"), ""


def read_container(session: Session, ask: Ask, units: Units) -> Container:
    """The container, or the bag of one's own; what is usual in this house if none is named.

    Raises:
        Refused: it is not known, or is nothing that is packed into at home.
    """
    if ask.own_bag:
        return own_bag(ask.own_bag, ask.own_film_mil, units)
    container = container_by_key(ask.container or usual_container(session))
    if not container.is_packed_into:
        raise Refused("container", f"Nobody packs into {a_or_an(container.name)} at home: pick a bag, a jar, a pail")
    return container


def place_of(session: Session, number: int | None) -> Place:
    """The place of that number; the first there is if none is named: one always is."""
    return next(iter(places_in_use(session).values())) if number is None else find_place(session, number)


def usual_closing(food: Food, container: Container) -> Closing:
    """What is usually done about the air for this food in this container."""
    if not may_meet_absorber(food) and Closing.LID in container.closings:
        return Closing.LID
    return container.closings[0]


def ways_to_close(food: Food, container: Container) -> list[Closing]:
    """How a container can be closed, what is usual for this food first."""
    usual = usual_closing(food, container)
    return [usual, *(each for each in container.closings if each is not usual)]


def share_out(ask: Ask, food: Food, container: Container, amount_g: float, units: Units) -> Shares:
    """Share a lot out over containers.

    By the weight in each if that is typed; else up to the headspace if that is set; else evenly, so that all
    are alike and none is fuller than custom has it.
    """
    if ask.fill:
        each_g = _read_fill(ask, food, container, units)
    elif ask.headspace or ask.headspace_mm is not None:
        each_g = mass_that_fits_g(volume_below_ml(container, _headspace_mm(ask, container, units)), food.settled_g_ml)
    else:
        count = max(1, math.ceil(amount_g / most_in_g(food, container) - 1e-9))
        return _few_enough(Shares(count, amount_g / count, 0))
    if each_g >= amount_g:
        return Shares(1, amount_g, 0)
    count = int(amount_g / each_g + 1e-9)
    rest_g = amount_g - count * each_g
    return _few_enough(Shares(count, each_g, rest_g if rest_g > _CRUMBS_G else 0))


def most_in_g(food: Food, container: Container) -> float:
    """What one container holds of a food, shaken down, as far up as custom fills it, g."""
    return mass_that_fits_g(volume_below_ml(container, container.headspace_mm), food.settled_g_ml)


def _few_enough(shares: Shares) -> Shares:
    if shares.count > MOST_CONTAINERS:
        raise Refused("container", f"That would be {shares.count:,} of them; pick a larger container, or pack in parts")
    return shares


def _read_fill(ask: Ask, food: Food, container: Container, units: Units) -> float:
    each_g = read_amount(ask.fill, "fill").weighs_g(food.loose_g_ml)
    most_g = mass_that_fits_g(closed_volume_ml(container), food.settled_g_ml)
    if each_g > most_g:
        raise Refused(
            "fill",
            f"More than fits: {a_or_an(called(container, units))} takes {say_mass(most_g, units)} of {food.name} "
            "shaken down and filled to the top",
        )
    return each_g


def _headspace_mm(ask: Ask, container: Container, units: Units) -> float:
    typed = read_length_mm(ask.headspace, "headspace", units=units) if ask.headspace else 0.0
    headspace = typed if ask.headspace_mm is None else ask.headspace_mm
    # A centimetre of food at the least: below that there is nothing to pack.
    return check_range("headspace_mm", headspace, 0, container.inner_height_mm - 10, "mm")
