"""The tables for getting food ready: isotherms, fresh food and how it dries, what it is dried in, powders."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from yellow_larder.core.drying import Air, DryTest, Produce, Treatment
from yellow_larder.core.food import Food, Trait
from yellow_larder.core.keeping import REFERENCE_C
from yellow_larder.core.moisture import Gab, Henderson, Isotherm, Spoils, Texture
from yellow_larder.reference.rows import rows, words


@dataclass(frozen=True, slots=True)
class IsothermRow:
    """An isotherm, and the foods and groups of foods it stands for."""

    name: str
    isotherm: Isotherm
    foods: tuple[str, ...]
    groups: tuple[str, ...]
    source: str


@lru_cache
def isotherms() -> list[IsothermRow]:
    """Every isotherm of the table.

    Example:
        >>> isotherms()[0].name
        'barley'
    """
    return [_isotherm(row) for row in rows("isotherms")]


def _isotherm(row: dict[str, str]) -> IsothermRow:
    first, second, third = (float(row[column]) for column in ("m0_or_k", "c_or_n", "k_or_c"))
    is_gab = row["model"] == "gab"
    isotherm = Gab(first, second, third, float(row["heat_kj_mol"])) if is_gab else Henderson(first, second, third)
    return IsothermRow(row["name"], isotherm, words(row["foods"]), words(row["groups"]), row["source"])


def isotherm_of(food: Food) -> Isotherm | None:
    """The isotherm that stands for a food: its own, or that of its group.

    None for what says how moist it is as it is sold: sugar, salt, syrup, fat.

    Example:
        >>> from yellow_larder.reference import foods
        >>> isotherm_of(foods()["dried-mushrooms"])
        Gab(m0=6.2, c=10.0, k=0.94, heat_kj_mol=4.0)
    """
    if _texture_by_kind(food).dry_activity is not None:
        return None
    return _isotherm_by_kind(food)


def _isotherm_by_kind(food: Food) -> Isotherm | None:
    own = next((row.isotherm for row in isotherms() if food.in_table in row.foods), None)
    return own or next((row.isotherm for row in isotherms() if food.group in row.groups), None)


@dataclass(frozen=True, slots=True)
class TextureRow:
    """What moisture does, and the foods and groups of foods it does that to."""

    texture: Texture
    foods: tuple[str, ...]
    groups: tuple[str, ...]


@lru_cache
def textures() -> dict[str, TextureRow]:
    """What moisture does to foods, by what they are like.

    Example:
        >>> textures()["crisp"].texture.limit
        0.45
    """
    return {row["name"]: _texture(row) for row in rows("textures")}


def _texture(row: dict[str, str]) -> TextureRow:
    texture = Texture(
        row["name"],
        Spoils(row["spoils"]),
        float(row["limit"]),
        float(row["takes_pct"] or 0),
        float(row["dry_activity"]) if row["dry_activity"] else None,
        float(row["hard_below"] or 0),
        float(row["gives_pct"] or 0),
        row["source"],
    )
    return TextureRow(texture, words(row["foods"]), words(row["groups"]))


_MOULD_AT_THE_LATEST = 0.70
"""Water activity at which the first moulds grow on dry food in time: 0.65–0.70. Source: ICMSF, from memory."""


def texture_of(food: Food) -> Texture:
    """What moisture does to a food: its own row, that of its group, or for a food of one's own that of what it is like.

    What is sold moister than where its like goes soft or clumps, as whole spices are, has no crack to lose: mould is
    what sets its limit. What is sold within where mould begins is not mouldy as it is sold.

    Example:
        >>> from yellow_larder.reference import foods
        >>> texture_of(foods()["white-flour"]).spoils.value, texture_of(foods()["dried-leeks"]).spoils.value
        ('mouldy', 'soft')
        >>> texture_of(foods()["onion-powder"]).spoils.value, texture_of(foods()["black-pepper"]).spoils.value
        ('clumped', 'mouldy')
    """
    texture, isotherm = _texture_by_kind(food), _isotherm_by_kind(food)
    if texture.dry_activity is not None or isotherm is None:
        return texture
    sold = float(isotherm.water_activity(np.array(min(60.0, food.composition.water_g)), REFERENCE_C))
    if sold > texture.limit and texture.spoils is not Spoils.MOULD:
        texture = textures()["grain and seed"].texture
    return replace(texture, limit=_MOULD_AT_THE_LATEST) if texture.limit < sold < _MOULD_AT_THE_LATEST else texture


def _texture_by_kind(food: Food) -> Texture:
    table = textures()
    for row in table.values():
        if food.in_table in row.foods:
            return row.texture
    for row in table.values():
        if food.group in row.groups:
            return row.texture
    if Trait.SALT_LIKE in food.traits:
        return table["salt"].texture
    if Trait.SUGAR_LIKE in food.traits:
        return table["brown sugar" if Trait.STICKY in food.traits else "sugar"].texture
    return table["grain and seed"].texture


@lru_cache
def produce() -> dict[str, Produce]:
    """Fresh food that is dried, by key.

    Example:
        >>> produce()["mushrooms"].air_c
        52.0
    """
    figures = (
        "fresh_water_pct",
        "thickness_mm",
        "air_c",
        "low_c",
        "high_c",
        "hours_low",
        "hours_high",
        "load_g_m2",
        "unit_g",
    )
    return {
        row["key"]: Produce(
            key=row["key"],
            name=row["name"],
            cut=row["cut"],
            aliases=words(row["aliases"]),
            dried=row["dried"],
            unit=row["unit"],
            wants=frozenset(Treatment(want) for want in words(row["wants"])),
            skin=bool(row["skin"]),
            strong=bool(row["strong"]),
            outdoors=row["strong"] == "outdoors",
            animal=row["animal"],
            test=DryTest(row["test"]),
            source=row["source"],
            taken=frozenset(),
            **{figure: float(row[figure]) for figure in figures},
        )
        for row in rows("drying")
    }


@dataclass(frozen=True, slots=True)
class Machine:
    """Something to dry in: trays, warmth, and how much slower than a fan it is.

    Attributes:
        key: short name.
        name: what it is called.
        air: what dries the food in it.
        trays: how many it has.
        width_mm: width of a tray.
        depth_mm: depth of a tray.
        is_round: whether its trays are round, of that width.
        watts: its rating.
        duty: share of the time its heater is on.
        low_c: the coolest it holds.
        high_c: the warmest.
        step_c: steps of its dial; 0 for none.
        slower: how many times longer it takes than moving air of the same warmth.
        source: where the figures come from.
    """

    key: str
    name: str
    air: Air
    trays: int
    width_mm: float
    depth_mm: float
    is_round: bool
    watts: float
    duty: float
    low_c: float
    high_c: float
    step_c: float
    slower: float
    source: str

    @property
    def tray_m2(self) -> float:
        """Area of a tray, m²; a round one has a hole for the air, a tenth of it."""
        area = self.width_mm * self.depth_mm / 1e6
        return area * math.pi / 4 * 0.9 if self.is_round else area


@lru_cache
def machines() -> dict[str, Machine]:
    """General things to dry in, by key.

    Example:
        >>> round(machines()["small"].tray_m2, 3)
        0.064
    """
    figures = ("width_mm", "depth_mm", "watts", "duty", "low_c", "high_c", "step_c", "slower")
    return {
        row["key"]: Machine(
            key=row["key"],
            name=row["name"],
            air=Air(row["air"]),
            trays=int(row["trays"]),
            is_round=bool(row["round"]),
            source=row["source"],
            **{figure: float(row[figure]) for figure in figures},
        )
        for row in rows("machines")
    }


@dataclass(frozen=True, slots=True)
class FreezeDryer:
    """A freeze dryer: its trays, the ice its wall holds, and the water it draws off in an hour."""

    key: str
    name: str
    trays: int
    width_mm: float
    depth_mm: float
    ice_g: float
    g_per_hour: float
    watts: float
    source: str


@lru_cache
def freeze_dryers() -> dict[str, FreezeDryer]:
    """Freeze dryers of general sizes, by key.

    Example:
        >>> freeze_dryers()["fd-medium"].trays
        5
    """
    return {
        row["key"]: FreezeDryer(
            key=row["key"],
            name=row["name"],
            trays=int(row["trays"]),
            source=row["source"],
            **{each: float(row[each]) for each in ("width_mm", "depth_mm", "ice_g", "g_per_hour", "watts")},
        )
        for row in rows("freeze_dryers")
    }


@dataclass(frozen=True, slots=True)
class PowderSource:
    """What dried pieces become when they are ground, by keys of the foods."""

    pieces: str
    powder: str
    source: str


@lru_cache
def powder_rows() -> list[PowderSource]:
    """Every row of the table of powders.

    Example:
        >>> powder_rows()[0].powder
        'onion-powder'
    """
    return [PowderSource(row["pieces"], row["powder"], row["source"]) for row in rows("powders")]


@lru_cache
def powders() -> dict[str, str]:
    """What each dried food becomes when it is ground, by key.

    Example:
        >>> powders()["dried-leeks"]
        'leek-powder'
    """
    return {row.pieces: row.powder for row in powder_rows()}
