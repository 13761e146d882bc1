"""Planning a load: what fits on the trays, one warmth for all, how long, and what each tray should weigh in the end."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.drying import (
    TEST_WORDS,
    Air,
    DryTest,
    DryWords,
    Hours,
    Produce,
    Treatment,
    energy_kwh,
    heated_to,
    judge_load,
    listed,
    one_temperature,
    shared_over_trays,
)
from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.finding import Finding, Severity
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.fresh_produce import all_produce, produce_names
from yellow_larder.features.catalog.produce_parser import Fresh, read_fresh
from yellow_larder.features.drying.events import LoadRecord
from yellow_larder.features.drying.machines import find_machine
from yellow_larder.features.drying.tray_item import Room, TrayItem, say_range, usual_room
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.money import read_money, say_money
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.reference.drying import Machine
from yellow_larder.words.errors import Refused
from yellow_larder.words.findings import in_units, say_amount
from yellow_larder.words.quantities import read_amount, read_length_mm, say_mass, say_temperature, say_thickness
from yellow_larder.words.refusals import in_words

MOST_ITEMS = 12
_HOLDS_ONE = frozenset({Air.MACHINE, Air.OVEN})
"""What is warmed for one load at a time."""

_SUN_WARMS_C = 8.0
"""How much warmer than the air food in the sun lies. Source: our judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One food of a load, as typed.

    Attributes:
        line: "3 kg leeks".
        thickness: how thick it is cut; nothing for as usual.
        treatments: what was done to it.
        water: its water, %, if it is known better than the table.
        cost: what it cost; may be empty.
    """

    line: str
    thickness: str = ""
    treatments: tuple[Treatment, ...] = ()
    water: float | None = None
    cost: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class LoadAsk:
    """What is to be dried together.

    Attributes:
        items: the foods.
        machine: key of what they are dried in.
        air_c: the temperature, °C; none means the one that suits all.
        tray: what an empty tray weighs, if weights are taken with the tray; nothing if the food is weighed alone.
    """

    items: tuple[Item, ...]
    machine: str = "cabinet"
    air_c: float | None = None
    tray: str = ""


@dataclass(frozen=True, slots=True)
class ItemPlan:
    """What becomes of one food of a load."""

    produce: str
    name: str
    cut: str
    form: str
    colour: str
    wet_g: float
    wet: str
    counted: bool
    thickness: str
    trays: int
    each: str
    dry_g: float
    dry: str
    each_dry: str
    water_pct: float
    target_pct: float
    hours: Hours
    takes: str
    reasons: list[str]
    wants: list[Treatment]
    heated: str
    """How hot it is made before it dries, if it is meat."""
    skin: bool
    test: DryTest
    test_words: DryWords


@dataclass(frozen=True, slots=True)
class TrayPlan:
    """A tray: which food lies on it, how much, and how closely."""

    item: int
    wet_g: float
    wet: str
    dry: str
    share: float
    """Part of the tray that is covered, as one layer would cover it."""


@dataclass(frozen=True, slots=True)
class Trays:
    """What trays look like."""

    count: int
    width_mm: float
    depth_mm: float
    is_round: bool


@dataclass(frozen=True, slots=True)
class LoadPlan:
    """A load as it is proposed."""

    machine: str
    machine_name: str
    air: Air
    air_c: float
    warmth: str
    low_c: float
    high_c: float
    trays: Trays
    lying: list[TrayPlan]
    items: list[ItemPlan]
    left_over: str
    takes: str
    energy: str
    room: str
    measured: bool
    findings: list[Finding]
    stopped: bool


class TrayLayout:
    """An ask read against the larder, and laid on the trays."""

    def __init__(self, session: Session, ask: LoadAsk, room: Room | None) -> None:
        self.ask = ask
        self.household: Settings = settings(session)
        self.machine: Machine = find_machine(session, ask.machine)
        self.room: Room = room or usual_room(self.household)
        if not 1 <= len(ask.items) <= MOST_ITEMS:
            raise Refused("line", f"Between 1 and {MOST_ITEMS} foods go in together")
        self.tray_g = read_amount(ask.tray, "tray").mass_g if ask.tray.strip() else 0.0
        produce = all_produce(session)
        self._names, self._foods = produce_names(produce), all_foods(session)
        fresh = [self._read(n, item) for n, item in enumerate(ask.items)]
        self.counted = [bool(each.count) for each in fresh]
        self.air_c = self._air_c([each.produce for each in fresh])
        self.lying = [self._lay(n, item, each) for n, (item, each) in enumerate(zip(ask.items, fresh, strict=True))]
        self.coins = [
            read_money(item.cost, f"cost.{n}") if item.cost.strip() else 0 for n, item in enumerate(ask.items)
        ]
        self._in_it = _in_machine(session, self.machine, produce)
        self.trays, self.left_g = lay_on_trays(self.lying, self.machine.tray_m2, self.machine.trays)

    def _read(self, n: int, item: Item) -> Fresh:
        try:
            return read_fresh(item.line, self._names)
        except Refused as refused:
            raise refused.at(f"line.{n}") from refused

    def _air_c(self, load: Sequence[Produce]) -> float:
        machine = self.machine
        if machine.air is Air.HANGING:
            return self.room.temperature_c
        if machine.air is Air.SUN and self.ask.air_c is None:
            return min(max(self.room.temperature_c + _SUN_WARMS_C, machine.low_c), machine.high_c)
        if self.ask.air_c is None:
            return one_temperature(load, low_c=machine.low_c, high_c=machine.high_c, step_c=machine.step_c).air_c
        return check_range("air_c", self.ask.air_c, machine.low_c, machine.high_c, "°C")

    def _lay(self, n: int, item: Item, fresh: Fresh) -> TrayItem:
        units = self.household.units
        try:
            typed = read_length_mm(item.thickness, f"thickness.{n}", units=units) if item.thickness.strip() else 0.0
            water = fresh.produce.fresh_water_pct if item.water is None else item.water
            return TrayItem(
                fresh.produce,
                self._foods[fresh.produce.dried],
                fresh.mass_g,
                thickness_mm=typed or fresh.produce.thickness_mm,
                treatments=frozenset(item.treatments),
                water_pct=water,
                machine=self.machine,
                air_c=self.air_c,
                room=self.room,
            )
        except OutOfRange as error:
            if error.field == "drying_potential_kpa":
                raise Refused("machine", "This air is too damp to dry anything") from error
            refused = in_words(error, units)
            raise Refused(f"{refused.field}.{n}", refused.message, code=error.code) from error

    def hours(self) -> Hours:
        """The load as a whole: done when its slowest food is."""
        every = [lying.expected for lying in self.lying]
        return Hours(*(max(getattr(each, end) for each in every) for end in ("low", "likely", "high")))

    def findings(self) -> list[Finding]:
        """What there is to say about it."""
        judged = judge_load([lying.laid for lying in self.lying], air=self.machine.air, air_c=self.air_c)
        found = in_units(judged, self.household.units)
        if any(self.left_g):
            left = say_mass(sum(self.left_g), self.household.units)
            found.append(
                Finding(
                    Severity.MIND,
                    "more-than-fits",
                    f"{left} more than fits in one layer",
                    "Piled up, the middle stays wet. Dry the rest tomorrow, or on a second machine.",
                    "common practice",
                )
            )
        elif self.machine.air is Air.MACHINE and len(self.trays) < self.machine.trays and not self._in_it:
            empty = self.machine.trays - len(self.trays)
            found.append(
                Finding(
                    Severity.GOOD,
                    "room-left",
                    f"{empty} tray{'s' if empty > 1 else ''} to spare",
                    "A part-empty load costs the same: herbs, or tomorrow's mushrooms?",
                    "common practice",
                )
            )
        return found

    def plan(self) -> LoadPlan:
        """Everything the screen shows of it."""
        units = self.household.units
        found = [*self._in_it, *self.findings()]
        machine = self.machine
        return LoadPlan(
            machine=machine.key,
            machine_name=machine.name,
            air=machine.air,
            air_c=self.air_c,
            warmth=say_temperature(self.air_c, units),
            low_c=machine.low_c,
            high_c=machine.high_c,
            trays=trays_of(machine),
            lying=[self._tray(item, grams) for item, grams in self.trays],
            items=[self._item(n) for n in range(len(self.lying))],
            left_over=say_mass(sum(self.left_g), units) if any(self.left_g) else "",
            takes=say_range(self.hours()),
            energy=say_energy(machine, self.hours().likely, self.household),
            room=self.room.says(units),
            measured=self.room.measured,
            findings=found,
            stopped=any(finding.severity is Severity.STOP for finding in found),
        )

    def _tray(self, item: int, grams: float) -> TrayPlan:
        lying, units = self.lying[item], self.household.units
        return TrayPlan(
            item,
            grams,
            say_mass(grams, units),
            say_mass(lying.dry_g(grams), units),
            min(1.0, grams / (lying.layer_g_m2 * self.machine.tray_m2)),
        )

    def _item(self, n: int) -> ItemPlan:
        lying, units = self.lying[n], self.household.units
        mine = [grams for item, grams in self.trays if item == n]
        on_trays = sum(mine)
        produce = lying.produce
        return ItemPlan(
            produce=produce.key,
            name=produce.name,
            cut=produce.cut,
            form=lying.food.form,
            colour=lying.food.colour,
            wet_g=lying.mass_g,
            wet=say_mass(lying.mass_g, units),
            counted=self.counted[n],
            thickness=say_thickness(lying.thickness_mm, units),
            trays=len(mine),
            each=say_mass(mine[0], units),
            dry_g=lying.dry_g(on_trays),
            dry=say_mass(lying.dry_g(on_trays), units),
            each_dry=say_mass(lying.dry_g(mine[0]), units),
            water_pct=lying.course.start_pct,
            target_pct=lying.course.target_pct,
            hours=lying.expected,
            takes=say_range(lying.expected),
            reasons=lying.reasons(units),
            wants=sorted(produce.wants),
            heated=say_amount(heated_to(produce), units) if produce.animal else "",
            skin=produce.skin,
            test=produce.test,
            test_words=TEST_WORDS[produce.test],
        )


def plan_load(larder: Larder, ask: LoadAsk, room: Room | None = None) -> LoadPlan:
    """What a load would be. Nothing is saved.

    Args:
        larder: the larder.
        ask: what is to be dried.
        room: the room's air as measured; none means as the household said.

    Raises:
        Refused: a field cannot be read.
    """
    with reading(larder.engine) as session:
        return TrayLayout(session, ask, room).plan()


def _in_machine(session: Session, machine: Machine, produce: Mapping[str, Produce]) -> list[Finding]:
    """What lies in a dryer already; nothing where food hangs or lies in the sun, which has room for more."""
    if machine.air not in _HOLDS_ONE:
        return []
    loads = [each for each in log.records(session, LoadRecord).values() if each.machine == machine.key]
    lying = [load.items[tray.item].produce for load in loads for tray in load.trays if tray.out_at is None]
    if not lying:
        return []
    names = listed([produce[key].name for key in lying])
    free = machine.trays - len(lying)
    # More than it has: there are two of them, and both are in use.
    trays = f"{len(lying)} of {machine.trays} trays" if free >= 0 else f"{len(lying)} trays"
    where = f"or on its {free} free tray{'s' if free > 1 else ''}" if free > 0 else "or in another"
    return [
        Finding(
            Severity.MIND,
            "dryer-in-use",
            f"In it already: {names}, on {trays}",
            f"Start this when they are out, {where}. If you have two of these, go on.",
            "common practice",
        )
    ]


def lay_on_trays(lying: Sequence[TrayItem], tray_m2: float, trays: int) -> tuple[list[tuple[int, float]], list[float]]:
    """Foods shared over trays in one layer: (food, grams) by tray, and grams of each that do not fit."""
    if len(lying) > trays:
        raise Refused("machine", f"{len(lying)} foods want a tray each, and there are {trays}")
    full_g = [each.layer_g_m2 * tray_m2 for each in lying]
    got = shared_over_trays([each.mass_g / each.layer_g_m2 for each in lying], tray_m2, trays)
    laid: list[tuple[int, float]] = []
    left = []
    for n, (each, most_g, count) in enumerate(zip(lying, full_g, got, strict=True)):
        grams = min(each.mass_g / count, most_g)
        laid += [(n, grams)] * count
        left.append(max(0.0, each.mass_g - grams * count) if each.mass_g > grams * count * 1.0001 else 0.0)
    return laid, left


def trays_of(machine: Machine) -> Trays:
    """What the trays of a machine look like."""
    return Trays(machine.trays, machine.width_mm, machine.depth_mm, machine.is_round)


def say_energy(machine: Machine, hours: float, household: Settings) -> str:
    """What a run of so many hours uses, and costs; nothing for sun and air."""
    if not machine.watts:
        return ""
    kwh = energy_kwh(machine.watts, machine.duty, hours)
    cost = f", about {say_money(kwh * household.kwh_coins, household)}" if household.kwh_coins else ""
    return f"{kwh:.1f} kWh{cost}"
