"""What the bench shows, as one plan."""

from __future__ import annotations

import hashlib
import math
from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from yellow_larder.core.containers import Closing
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Nutrients
from yellow_larder.core.keeping import Best, Ends, Estimate
from yellow_larder.core.packing import Protection
from yellow_larder.features.catalog.containers import Drawing
from yellow_larder.features.packages.contained import Closed, Life
from yellow_larder.features.packing.request import SizingMethod
from yellow_larder.reference import packets


@dataclass(frozen=True, slots=True)
class PacketShape:
    """So many packets of one size, as they are drawn."""

    size_ml: int
    count: int
    width_mm: float
    length_mm: float

    @staticmethod
    def of(size_ml: int, count: int) -> PacketShape:
        """So many packets of a rating."""
        packet = packets()[size_ml]
        return PacketShape(size_ml, count, packet.width_mm, packet.length_mm)


@dataclass(frozen=True, slots=True)
class Packed:
    """Containers that are alike, as planned."""

    count: int
    mass_g: float
    mass: str
    headspace_mm: float
    headspace: str
    food_height_mm: float
    solid_ml: float
    between_ml: float
    headspace_ml: float
    void_ml: float
    oxygen_ml: float
    need_ml: float
    packed_ml: float
    packets: list[PacketShape]
    kcal: float
    kcal_text: str
    person_days: float
    nutrients: Nutrients


def identity_of(*what: object, groups: Iterable[Packed]) -> str:
    """What tells one plan from another: that it packs the same food in the same way.

    Args:
        what: food, container and whatever else is decided; in words or numbers.
        groups: its containers.
    """
    filled = [(each.count, round(each.mass_g, 3), [(it.size_ml, it.count) for it in each.packets]) for each in groups]
    return hashlib.sha256(repr((what, filled)).encode()).hexdigest()[:16]


def packets_by_size(groups: Iterable[Packed]) -> Counter[int]:
    """The packets of all containers together, by their rating."""
    found: Counter[int] = Counter()
    for group in groups:
        for packet in group.packets:
            found[packet.size_ml] += packet.count * group.count
    return found


@dataclass(frozen=True, slots=True)
class SizingOption:
    """What one sizing method would put in, against what the air asks for, margin included."""

    sizing: SizingMethod
    name: str
    asks_ml: float
    packed_ml: float
    packets: str
    judged: str
    covers: bool


@dataclass(frozen=True, slots=True)
class BestBy:
    """Until when it is good: the household's estimate, with the band of all that is unsure; none if it keeps."""

    chosen: date | None
    cautious: date | None
    hopeful: date | None
    text: str
    band: str
    ends: Ends
    """What ends it first."""
    why: str
    """The same in words."""


@dataclass(frozen=True, slots=True)
class Lasts:
    """What a package takes to its shelf: its life of the table, and the most days from closing; none if endless."""

    base_days: float | None
    most_days: float | None
    ends: Ends

    @staticmethod
    def of(best: Best) -> Lasts:
        """As the core has it."""
        base, most = (None if math.isinf(each) else each for each in (best.base_days, best.most_days))
        return Lasts(base, most, best.ends)

    @property
    def life(self) -> Life:
        """As it is kept with a package."""
        return Life(self.base_days, self.most_days)


@dataclass(frozen=True, slots=True)
class OxygenPoint:
    """A point of the course: days since it was closed, and oxygen, %, with the ends of what walls let through."""

    days: float
    likely: float
    low: float
    high: float


@dataclass(frozen=True, slots=True)
class AirInside:
    """How the oxygen goes, and how long it stays away."""

    course: list[OxygenPoint]
    down_days: float | None
    """Days until it is down to one per cent; none if it never is."""
    holds_days: float | None
    """Days until it is back above that; none if it never comes back in the time looked at."""
    says: str
    source: str


@dataclass(frozen=True, slots=True)
class MoisturePoint:
    """A point of the course: days since it was closed, and water activity, with the ends of what walls let through."""

    days: float
    likely: float
    low: float
    high: float


@dataclass(frozen=True, slots=True)
class MoistureInside:
    """How its moisture goes, when it is too much, and what gel would do."""

    course: list[MoisturePoint]
    starts: float
    limit: float
    """Water activity above which moisture shows."""
    above: str
    """What it does above that, as it stands beside the line."""
    stays: str
    """What it stays as long as it is below."""
    ends: Ends
    """What moisture does to it first."""
    ends_days: float | None
    """Days until it does; none if it never does."""
    gel_packets: int
    """Packets of gel that go in with each; none if none is asked for."""
    gel_each_g: float
    gel_wanted: int | None
    """Packets that would hold it for the whole time; none if no sensible number does."""
    units: float
    """What the packaging standard would put in, in its units, for comparison."""
    says: str
    source: str


@dataclass(frozen=True, slots=True)
class Verdict:
    """The verdict in a word and a sentence, and the findings behind it."""

    severity: Severity
    word: str
    says: str
    findings: list[Finding]


@dataclass(frozen=True, slots=True)
class FoodOnBench:
    """The food, as far as the screen needs it."""

    key: str
    name: str
    form: str
    colour: str
    moisture_pct: float
    moisture_line_pct: float
    group: str
    water_activity: float | None
    """At the warmest of where it will stand; none where nothing tells."""
    carries_insects: bool
    """Whether insects commonly come with it."""
    says_conditioned: bool
    """Whether somebody has to say that a jar proved it dry, since it comes with no record."""
    says_frozen: bool
    """Whether it is up to whoever packs it to say that it was frozen, since no record does."""
    warmest: str
    words: str
    """What was read as its name in the line that was typed; empty if it was picked."""


@dataclass(frozen=True, slots=True)
class Plan:
    """Everything the bench shows."""

    identity: str
    """Tells it from a plan that packs otherwise: what is packed is what was drawn."""
    food: FoodOnBench
    amount_g: float
    amount: str
    container: str
    container_name: str
    container_size: str
    draw: Drawing
    closing: Closing
    closings: list[Closing]
    can_press: bool
    full: Packed
    rest: Packed | None
    count: int
    kcal: float
    kcal_text: str
    person_days: float
    household_days: float
    packets_in_all: str
    packets_at_hand: str
    """How many of these packets the supplies have, in words; empty if none are counted, or none are taken."""
    sizing_options: list[SizingOption]
    air_asks_ml: float
    """Packet millilitres that the air in each asks for, margin included."""
    air: AirInside | None
    """How its oxygen goes, if packets take it."""
    moisture: MoistureInside | None
    """How its moisture goes; none for sugar and salt, which have no isotherm."""
    verdict: Verdict
    protections: list[Protection]
    best_by: BestBy
    lasts: dict[Estimate, Lasts]
    """By estimate, what of that is kept with each package."""
    closed: Closed
    fits: str
    place: int
    place_name: str
    frozen: bool
    """Whether it was frozen through: as said, or as its lot's record has it."""
    story: list[str]
    """What was done to its lot, in lines; empty if it is of none."""
    cost: str
    """What the food cost, if it comes from a lot that was bought; else empty."""
    packing_cost: str
    """What containers and packets cost, by the supplies; empty if the price of one is not written down."""
    cost_per_1000_kcal: str
    draws_in: bool
    """Whether it can be felt later that the air is gone."""
    vacuum: str
    """What the vacuum leaves, in words; empty if none is drawn."""
    left_kpa: float
    """Pressure that the pump leaves, kPa: as it was said, or what is usual for it."""
