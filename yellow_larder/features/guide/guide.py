"""The guide: the tables the rules stand on, in the household's units."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from yellow_larder.core.containers import Lid, Material
from yellow_larder.core.drying import TEST_WORDS, Produce
from yellow_larder.core.keeping import Packing
from yellow_larder.core.moisture import Gab
from yellow_larder.core.planning import Body
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.catalog.fresh_produce import all_produce
from yellow_larder.features.guide.not_dry import NotDryRow, not_dry_rows
from yellow_larder.features.guide.tables import (
    ContainerRow,
    FoodRow,
    PacketRow,
    container_rows,
    food_rows,
    packet_rows,
    say_size,
)
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.packing.sizing_methods import SizingRow, sizing_table
from yellow_larder.features.seeds.views import SeedKindView, seed_kinds
from yellow_larder.journal.database import reading
from yellow_larder.reference import (
    DAYS_PER_YEAR,
    KitchenMeasure,
    Thermal,
    bodies,
    containers,
    foods,
    kitchen,
    life_classes,
    lives,
    thermal,
)
from yellow_larder.reference.drying import (
    FreezeDryer,
    IsothermRow,
    Machine,
    freeze_dryers,
    isotherms,
    machines,
    powder_rows,
)
from yellow_larder.reference.portions import Portion, portions
from yellow_larder.reference.walls import Lets, lids, materials
from yellow_larder.words.quantities import Units, say_length, say_mass, say_share, say_temperature, say_thickness


@dataclass(frozen=True, slots=True)
class LifeRow:
    """How long a class of food keeps in one packing at 21 °C, in years, by three estimates; none if it keeps."""

    packing: Packing
    cautious: float | None
    customary: float | None
    hopeful: float | None
    source: str


@dataclass(frozen=True, slots=True)
class LifeTable:
    """A class of foods that age alike, and how long it keeps."""

    life: str
    meaning: str
    q10: float
    source: str
    rows: list[LifeRow]


@dataclass(frozen=True, slots=True)
class KitchenRow:
    """A thing counted in a kitchen, and what stands for it in the larder."""

    what: str
    stands_for: str
    mass: str
    source: str


@dataclass(frozen=True, slots=True)
class PortionRow:
    """What a food weighs as it is counted or sold; empty where it is not."""

    what: str
    one: str
    pack: str
    source: str


@dataclass(frozen=True, slots=True)
class BodyRow:
    """The height and weight that stand in where a person's own are not said."""

    ages: str
    female: str
    male: str
    source: str


@dataclass(frozen=True, slots=True)
class DryingRow:
    """A fresh food, and how it is dried."""

    key: str
    name: str
    cut: str
    thick: str
    air: str
    hours: str
    water_pct: float
    becomes: str
    wants: str
    dry_when: str
    source: str


@dataclass(frozen=True, slots=True)
class MachineRow:
    """Something to dry in, warm or cold."""

    name: str
    trays: str
    figures: str
    source: str


@dataclass(frozen=True, slots=True)
class IsothermGuide:
    """How much water foods hold at rest with air of 20, 40, 60 and 70 % humidity, at 25 °C, %."""

    name: str
    model: str
    at_20: float
    at_40: float
    at_60: float
    at_70: float
    source: str


@dataclass(frozen=True, slots=True)
class WallRow:
    """What a wall of some material lets through, or a lid past it."""

    name: str
    thick: str
    oxygen: str
    vapor: str
    source: str


@dataclass(frozen=True, slots=True)
class PowderRow:
    """What pieces become when they are ground."""

    pieces: str
    powder: str
    source: str


@dataclass(frozen=True, slots=True)
class Guide:
    """All tables."""

    foods: list[FoodRow]
    containers: list[ContainerRow]
    packets: list[PacketRow]
    lives: list[LifeTable]
    not_dry: list[NotDryRow]
    seeds: list[SeedKindView]
    kitchen: list[KitchenRow]
    portions: list[PortionRow]
    bodies: list[BodyRow]
    thermal: list[Thermal]
    drying: list[DryingRow]
    machines: list[MachineRow]
    isotherms: list[IsothermGuide]
    powders: list[PowderRow]
    walls: list[WallRow]
    lids: list[WallRow]
    sizing: list[SizingRow]


def guide(larder: Larder) -> Guide:
    """Every table the rules stand on, each row with its source."""
    with reading(larder.engine) as session:
        units = settings(session).units
        known = list(all_foods(session).values())
        boxes = container_rows(session)
        dried = list(all_produce(session).values())
    becomes = {food.key: food.name for food in known}
    return Guide(
        foods=food_rows(known),
        containers=boxes,
        packets=packet_rows(units),
        lives=[
            LifeTable(each.life, each.meaning, each.q10, each.source, [_life_row(each.life, p) for p in Packing])
            for each in life_classes().values()
        ],
        not_dry=not_dry_rows(),
        seeds=seed_kinds(),
        kitchen=[_kitchen_row(row, units) for row in kitchen()],
        portions=sorted((_portion_row(row, becomes[row.food], units) for row in portions()), key=lambda row: row.what),
        bodies=_body_rows(units),
        thermal=list(thermal().values()),
        walls=[_wall_row(name, row) for name, row in materials().items()],
        lids=[_lid_row(name, row) for name, row in lids().items()],
        drying=[_drying_row(each, becomes[each.dried], units) for each in dried],
        machines=[
            *(_machine_row(each, units) for each in machines().values()),
            *(_freeze_dryer_row(each, units) for each in freeze_dryers().values()),
        ],
        isotherms=[_isotherm_guide(row) for row in isotherms()],
        sizing=sizing_table({food.key: food for food in known}, containers(), units),
        powders=[PowderRow(foods()[row.pieces].name, foods()[row.powder].name, row.source) for row in powder_rows()],
    )


def _span(low: float, high: float, unit: str) -> str:
    return f"{low:g}–{high:g} {unit}" if high else "nothing"


def _wall_row(material: Material, row: Lets) -> WallRow:
    thick = f"{row.thick_mm:.2g} mm" if row.thick_mm else ""
    oxygen, vapor = _span(*row.oxygen, "mL/m²·day·atm"), _span(*row.vapor, "g/m²·day")
    return WallRow(material.value, thick, oxygen, vapor, row.source)


def _lid_row(lid: Lid, row: Lets) -> WallRow:
    low, high = row.vapor
    vapor = _span(1000 * low, 1000 * high, "mg/day")
    return WallRow(lid.value, "", _span(*row.oxygen, "mL/day·atm"), vapor, row.source)


def _drying_row(each: Produce, becomes: str, units: Units) -> DryingRow:
    wants = [*sorted(want.value for want in each.wants), *(["outdoors"] if each.outdoors else [])]
    return DryingRow(
        key=each.key,
        name=each.name,
        cut=each.cut,
        thick=say_thickness(each.thickness_mm, units),
        air=say_temperature(each.air_c, units),
        hours=f"{each.hours_low:.3g}–{each.hours_high:.3g}",
        water_pct=each.fresh_water_pct,
        becomes=becomes,
        wants=", ".join(wants),
        dry_when=TEST_WORDS[each.test].dry,
        source=each.source,
    )


def _trays(count: int, width_mm: float, depth_mm: float, units: Units, *, is_round: bool = False) -> str:
    size = f"{say_length(width_mm, units)} across" if is_round else say_size(width_mm, depth_mm, units)
    return f"{count} of {size}"


def _machine_row(each: Machine, units: Units) -> MachineRow:
    range_c = f"{say_temperature(each.low_c, units)} to {say_temperature(each.high_c, units)}"
    heats = f", {each.watts:g} W, heating {say_share(each.duty)} of the time" if each.watts else ""
    slower = f", {each.slower:g} times as long as a fan" if each.slower != 1 else ""
    trays = _trays(each.trays, each.width_mm, each.depth_mm, units, is_round=each.is_round)
    return MachineRow(each.name, trays, f"{range_c}{heats}{slower}", each.source)


def _freeze_dryer_row(each: FreezeDryer, units: Units) -> MachineRow:
    figures = f"{say_mass(each.ice_g, units)} of ice, {say_mass(each.g_per_hour, units)} of water an hour"
    return MachineRow(each.name, _trays(each.trays, each.width_mm, each.depth_mm, units), figures, each.source)


def _isotherm_guide(row: IsothermRow) -> IsothermGuide:
    held = row.isotherm.moisture_pct(np.array([0.2, 0.4, 0.6, 0.7]), 25.0)
    at_20, at_40, at_60, at_70 = (round(float(each), 1) for each in held)
    model = "GAB" if isinstance(row.isotherm, Gab) else "modified Henderson"
    return IsothermGuide(row.name, model, at_20, at_40, at_60, at_70, row.source)


def _portion_row(row: Portion, name: str, units: Units) -> PortionRow:
    one, pack = (say_mass(grams, units) if grams else "" for grams in (row.piece_g, row.pack_g))
    return PortionRow(row.words[0] if row.words else name, one, pack, row.source)


def _kitchen_row(row: KitchenMeasure, units: Units) -> KitchenRow:
    first = row.words[0]
    if row.measure in ("piece", "can"):
        food = foods()[row.food]
        what = f"a can of {first}" if row.measure == "can" else f"one {first}"
        return KitchenRow(what, food.name, say_mass(row.mass_g(food), units), row.source)
    stands_for = "nothing: a seasoning" if row.measure == "seasoning" else "nothing: not stored"
    return KitchenRow(", ".join(row.words), stands_for, "", row.source)


def _body_rows(units: Units) -> list[BodyRow]:
    rows = bodies()
    ends = [row.age_from - 1 for row in rows[1:]]
    return [
        BodyRow(
            ages=f"{row.age_from:g}–{end:g} years" if end is not None else f"{row.age_from:g} years and older",
            female=_body(row.female, units),
            male=_body(row.male, units),
            source=row.source,
        )
        for row, end in zip(rows, [*ends, None], strict=True)
    ]


def _body(body: Body, units: Units) -> str:
    return f"{say_length(body.height_cm * 10, units)}, {say_mass(body.weight_kg * 1000, units)}"


def _life_row(life: str, packing: Packing) -> LifeRow:
    row = lives()[life, packing]
    cautious, customary, hopeful = (
        None if math.isinf(days) else round(days / DAYS_PER_YEAR, 2)
        for days in (row.days.cautious, row.days.customary, row.days.hopeful)
    )
    return LifeRow(packing, cautious, customary, hopeful, row.source)
