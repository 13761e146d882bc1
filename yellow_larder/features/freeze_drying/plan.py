"""A load for the freeze dryer as it is planned: what may go in together, the ice, the hours, the hurry afterwards."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.core.drying import (
    LAYER_G_M2,
    Phases,
    Tray,
    judge_freeze_load,
    listed,
    moisture_after_pct,
    pack_within_hours,
    phases,
    water_g,
)
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.core.food import Food, Trait, dried_mass_g
from yellow_larder.features.catalog.foods import all_foods, find_named
from yellow_larder.features.catalog.fresh_produce import ProduceName
from yellow_larder.features.catalog.names import Names, plain
from yellow_larder.features.drying.load_plan import Trays
from yellow_larder.features.drying.tray_item import Room, usual_room
from yellow_larder.features.freeze_drying.events import FreezeLoadRecord
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.reference import foods
from yellow_larder.reference.drying import FreezeDryer, freeze_dryers, isotherm_of
from yellow_larder.words.durations import say_hours
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.findings import in_units
from yellow_larder.words.quantities import read_line, say_mass

MOST_ITEMS = 12
PREFIX = "freeze-dried "


@dataclass(frozen=True, slots=True, kw_only=True)
class FreezeItem:
    """One food as it goes in: "2 kg fish stew", and whether it is frozen."""

    line: str
    frozen: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class FreezeLoadAsk:
    """What goes into the freeze dryer together."""

    items: tuple[FreezeItem, ...]
    dryer: str = "fd-medium"


@dataclass(frozen=True, slots=True)
class FreezeItemPlan:
    """What becomes of one food."""

    food: str
    name: str
    form: str
    colour: str
    frozen: bool
    wet: str
    dry: str
    dry_g: float
    trays: int
    each: str


@dataclass(frozen=True, slots=True)
class FreezeLoadPlan:
    """A load as it would run."""

    dryer: str
    dryer_name: str
    trays_look: Trays
    lying: list[int]
    """The food on each tray that is used, by number."""
    items: list[FreezeItemPlan]
    water: str
    water_g: float
    ice: str
    ice_share: float
    phases: Phases | None
    """None if the load cannot run."""
    takes: str
    pack_within: str
    pack_hours: float
    room: str
    findings: list[Finding]
    stopped: bool


class Chamber:
    """A load for the freeze dryer, read."""

    def __init__(
        self,
        session: Session,
        ask: FreezeLoadAsk,
        room: Room | None = None,
        contents: Sequence[tuple[Food, float] | None] = (),
    ) -> None:
        """Read an ask; of what is in already, the food and how much of it, g, are known."""
        self.ask = ask
        self.household: Settings = settings(session)
        self.room = room or usual_room(self.household)
        if ask.dryer not in freeze_dryers():
            raise NotThere("dryer", "Pick a freeze dryer")
        self.dryer: FreezeDryer = freeze_dryers()[ask.dryer]
        if not 1 <= len(ask.items) <= MOST_ITEMS:
            raise Refused("line.0", f"Between 1 and {MOST_ITEMS} foods go in together")
        self.foods: list[Food] = []
        self.trays: list[Tray] = []
        for n, (item, known) in enumerate(zip(ask.items, contents or [None] * len(ask.items), strict=True)):
            food, mass_g = known or _read(item.line, n, session)
            self.foods.append(food)
            self.trays.append(_tray(food, mass_g, frozen=item.frozen))
        self.per_tray_g = LAYER_G_M2 * self.dryer.width_mm * self.dryer.depth_mm / 1e6
        self.counts = [max(1, math.ceil(tray.mass_g / self.per_tray_g - 1e-9)) for tray in self.trays]

    def findings(self) -> list[Finding]:
        """What there is to say about it."""
        found = in_units(judge_freeze_load(self.trays, ice_g=self.dryer.ice_g), self.household.units)
        wanted = sum(self.counts)
        if wanted > self.dryer.trays:
            found.insert(
                0,
                Finding(
                    Severity.STOP,
                    "too-few-trays",
                    f"One thin layer of this wants {wanted} trays, and there are {self.dryer.trays}",
                    "Piled up, the middle stays wet under a dry crust.",
                    "common practice",
                ),
            )
        return found

    def phases(self) -> Phases:
        """Hours of each phase."""
        thickest = max(tray.mass_g / count for tray, count in zip(self.trays, self.counts, strict=True))
        layer = min(1.0, thickest / self.per_tray_g)
        return phases(self.trays, ice_g=self.dryer.ice_g, g_per_hour=self.dryer.g_per_hour, layer=layer)

    def dry_g(self, n: int) -> float:
        """What a food comes to, g."""
        tray, food = self.trays[n], self.foods[n]
        return dried_mass_g(tray.mass_g, tray.water_pct, food.composition.water_g)

    def pack_hours(self) -> float:
        """How long the load may lie open; that of the food that drinks fastest."""
        return min(
            pack_within_hours(food.composition.water_g, room_moisture_pct=self._in_room(food)) for food in self.foods
        )

    def moisture_after(self, hours: float) -> float:
        """Moisture after lying open, of the food that drinks fastest, %; after a year it drinks no more."""
        return max(
            moisture_after_pct(food.composition.water_g, min(hours, 8766), room_moisture_pct=self._in_room(food))
            for food in self.foods
        )

    def _in_room(self, food: Food) -> float:
        isotherm = isotherm_of(food)
        humidity = np.array(min(0.95, self.room.humidity))
        return float(isotherm.moisture_pct(humidity, self.room.temperature_c)) if isotherm else 0.0

    def item_plans(self) -> list[FreezeItemPlan]:
        """Each food as the screen shows it."""
        units = self.household.units
        return [
            FreezeItemPlan(
                food.key,
                food.name.removeprefix(PREFIX),
                food.form,
                food.colour,
                tray.frozen,
                say_mass(tray.mass_g, units),
                say_mass(self.dry_g(n), units),
                self.dry_g(n),
                self.counts[n],
                say_mass(tray.mass_g / self.counts[n], units),
            )
            for n, (food, tray) in enumerate(zip(self.foods, self.trays, strict=True))
        ]

    def plan(self, in_it: Sequence[Finding] = ()) -> FreezeLoadPlan:
        """Everything the screen shows of it, beside what is in the dryer already."""
        units, dryer = self.household.units, self.dryer
        found = [*in_it, *self.findings()]
        stopped = any(finding.severity is Severity.STOP for finding in found)
        water = water_g(self.trays)
        run = None if stopped else self.phases()
        pack_hours = self.pack_hours()
        return FreezeLoadPlan(
            dryer=dryer.key,
            dryer_name=dryer.name,
            trays_look=Trays(dryer.trays, dryer.width_mm, dryer.depth_mm, is_round=False),
            lying=[n for n, count in enumerate(self.counts) for _ in range(count)],
            items=self.item_plans(),
            water=say_mass(water, units),
            water_g=water,
            ice=say_mass(dryer.ice_g, units),
            ice_share=water / dryer.ice_g,
            phases=run,
            takes=_takes(run) if run else "",
            pack_within=say_minutes(pack_hours),
            pack_hours=min(pack_hours, 1000.0),
            room=self.room.says(units),
            findings=found,
            stopped=stopped,
        )


def plan_freeze_load(larder: Larder, ask: FreezeLoadAsk, room: Room | None = None) -> FreezeLoadPlan:
    """What a load would be. Nothing is saved.

    Raises:
        Refused: a field cannot be read.
    """
    with reading(larder.engine) as session:
        chamber = read_chamber(session, ask, room)
        return chamber.plan(_in_chamber(session, chamber.dryer))


def _in_chamber(session: Session, dryer: FreezeDryer) -> list[Finding]:
    """What is in a freeze dryer already."""
    able = all_foods(session)
    loads = [each for each in log.records(session, FreezeLoadRecord).values() if each.dryer == dryer.key]
    lying = [item for load in loads if load.out is None for item in load.items]
    if not lying:
        return []
    names = [able[each.food_key].name.removeprefix(PREFIX) if each.food_key in able else each.line for each in lying]
    return [
        Finding(
            Severity.MIND,
            "dryer-in-use",
            f"In it already: {listed(names)}",
            "Its door stays shut until that is dry: start this when it is out. If you have two of these, go on.",
            "common practice",
        )
    ]


def read_chamber(
    session: Session,
    ask: FreezeLoadAsk,
    room: Room | None,
    contents: Sequence[tuple[Food, float] | None] = (),
) -> Chamber:
    """A load, read; a figure out of range is refused in words."""
    return Chamber(session, ask, room, contents)


def say_minutes(hours: float) -> str:
    """A short time in words.

    Example:
        >>> say_minutes(0.78), say_minutes(3.2), say_minutes(float("inf"))
        ('45 minutes', '3 hours', 'no hurry in this room')
    """
    if math.isinf(hours) or hours > 48:
        return "no hurry in this room"
    if hours < 1.5:
        return f"{max(5, round(hours * 60 / 5) * 5)} minutes"
    return say_hours(hours)


def freeze_dried_to_pick() -> list[ProduceName]:
    """What of the table can be freeze-dried, as it is called fresh, for a food of one's own to be like."""
    able = [food for food in foods().values() if _is_dried_cold(food)]
    return [ProduceName(each.key, each.name.removeprefix(PREFIX), list(each.aliases)) for each in able]


def _is_dried_cold(food: Food) -> bool:
    """Whether a food comes out of a freeze dryer: not so a mix that has some of one in it."""
    return Trait.FREEZE_DRIED in food.traits and food.fresh_water_g > food.composition.water_g


@lru_cache(maxsize=8)
def _names(able: tuple[Food, ...]) -> Names[Food]:
    """What can be freeze-dried, by every name it has, with and without saying that it is."""
    called = [(food, name) for food in able for name in (food.name, *food.aliases)]
    return Names({plain(each): food for food, name in called for each in (name, name.removeprefix(PREFIX))})


def _read(line: str, n: int, session: Session) -> tuple[Food, float]:
    able = tuple(food for food in all_foods(session).values() if _is_dried_cold(food))
    try:
        read = read_line(line)
        food = find_named(read.food, _names(able))
    except Refused as refused:
        nearest = tuple(name.removeprefix(PREFIX) for name in refused.nearest)
        raise Refused(
            f"line.{n}", refused.message, words=refused.words, nearest=nearest, code=refused.code
        ) from refused
    if read.amount.volume_ml:
        raise Refused(f"line.{n}", "Weigh it: the water to draw off follows from that")
    return food, read.amount.mass_g


def _tray(food: Food, mass_g: float, *, frozen: bool) -> Tray:
    fresh, dry = food.fresh_water_g, food.composition.water_g
    fat = food.composition.fat_g * (100 - fresh) / (100 - dry)
    return Tray(mass_g, fresh, fat, frozen, food.name.removeprefix(PREFIX), Trait.RAW_ANIMAL in food.traits)


def _takes(run: Phases) -> str:
    low, high = (run.freezing + each + run.extra for each in (run.drying_low, run.drying_high))
    return f"{math.floor(low)}–{math.ceil(high)} hours"
