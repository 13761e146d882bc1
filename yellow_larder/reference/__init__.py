"""The tables the rules stand on, each row with its source, and their loader."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from yellow_larder.core.containers import Closing, Container, Kind, Mouth
from yellow_larder.core.days import DAYS_PER_YEAR as DAYS_PER_YEAR
from yellow_larder.core.food import JOINS_LIVES, Composition, Food, Trait, dried_to
from yellow_larder.core.freezing import Stuff
from yellow_larder.core.keeping import Estimate, Life, Packing, Way
from yellow_larder.core.planning import Body, Sex
from yellow_larder.reference.rows import rows, words

KEEPS = "keeps"
"""What the table of lives says of food that does not age."""


@dataclass(frozen=True, slots=True)
class Packet:
    """An oxygen absorber packet: its rating and its size."""

    size_ml: int
    width_mm: float
    length_mm: float
    source: str


@dataclass(frozen=True, slots=True)
class LifeClass:
    """Foods that age alike.

    Attributes:
        life: the name of the class.
        meaning: what they are.
        q10: how many times faster they age 10 °C warmer.
        source: where that comes from.
        frozen: days they keep in a freezer as published; 0 where decades are promised anyway.
        frozen_source: where that comes from.
    """

    life: str
    meaning: str
    q10: float
    source: str
    frozen: Life
    frozen_source: str


@dataclass(frozen=True, slots=True)
class BaseLife:
    """One row of the table of lives."""

    life: str
    packing: Packing
    days: Life
    source: str


@dataclass(frozen=True, slots=True)
class KitchenMeasure:
    """A thing that is counted in a kitchen, an onion or a can, and what stands for it in the larder.

    Attributes:
        measure: "piece" or "can"; or "seasoning" and "elsewhere" for words that stand for nothing in it.
        words: what it is called; of a can, what is in it.
        food: key of the food in store that stands for it; empty if none does.
        fresh_g: what it weighs fresh, g; or else
        stored_g: what stands for it in store, g.
        source: where the weight comes from.
    """

    measure: str
    words: tuple[str, ...]
    food: str
    fresh_g: float
    stored_g: float
    source: str

    def mass_g(self, food: Food) -> float:
        """Weight in store that stands for one of it, g."""
        return self.stored_g or food.stored_g(self.fresh_g)


@lru_cache
def foods() -> dict[str, Food]:
    """Every food of the table, by key.

    Dried food is listed with the composition of its fresh form and dried here.

    Example:
        >>> foods()["pearl-barley"].composition.kcal
        352.0
    """
    return {row["key"]: _food(row) for row in rows("foods")}


def _food(row: dict[str, str]) -> Food:
    published = Composition(
        kcal=float(row["kcal"]),
        protein_g=float(row["protein_g"]),
        fat_g=float(row["fat_g"]),
        carbohydrate_g=float(row["carbohydrate_g"]),
        fibre_g=float(row["fibre_g"]),
        water_g=float(row["published_water_g"]),
    )
    return Food(
        key=row["key"],
        name=row["name"],
        aliases=words(row["aliases"]),
        short=row["short"] or row["name"],
        group=row["group"],
        form=row["form"],
        colour=row["colour"],
        life=row["life"],
        traits=frozenset(Trait(trait) for trait in row["traits"].split(";") if trait),
        composition=dried_to(published, float(row["water_g"])),
        loose_g_ml=float(row["loose_g_ml"]),
        settled_g_ml=float(row["settled_g_ml"]),
        particle_g_ml=float(row["particle_g_ml"]),
        nutrition_source=row["nutrition_source"],
        density_source=row["density_source"],
        fresh_water_g=published.water_g,
    )


@lru_cache
def containers() -> dict[str, Container]:
    """Every container of the table, by key.

    Example:
        >>> containers()["bag-gallon"].film_mil
        7.0
    """
    return {row["key"]: _container(row) for row in rows("containers")}


def _container(row: dict[str, str]) -> Container:
    return Container(
        key=row["key"],
        name=row["name"],
        kind=Kind(row["kind"]),
        width_mm=float(row["width_mm"]),
        length_mm=float(row["length_mm"]),
        seal_mm=float(row["seal_mm"]),
        film_mil=float(row["film_mil"]),
        capacity_ml=float(row["capacity_ml"]),
        height_mm=float(row["height_mm"]),
        top_mm=float(row["top_mm"]),
        base_mm=float(row["base_mm"]),
        nominal_qt=float(row["nominal_qt"]),
        sold_in=_sold_in(row["sold_in"]),
        headspace_mm=float(row["headspace_mm"]),
        closings=tuple(Closing(closing) for closing in row["closings"].split(";")),
        mouth=Mouth(row["mouth"]) if row["mouth"] else None,
        is_square=row["is_square"] == "yes",
        source=row["source"],
    )


def _sold_in(measures: str) -> Literal["", "US", "metric"]:
    return "US" if measures == "US" else "metric" if measures else ""


@lru_cache
def packets() -> dict[int, Packet]:
    """Every packet of the table, by its rating in mL.

    Example:
        >>> sorted(packets())[:3]
        [20, 50, 100]
    """
    return {
        int(row["size_ml"]): Packet(int(row["size_ml"]), float(row["width_mm"]), float(row["length_mm"]), row["source"])
        for row in rows("packets")
    }


@lru_cache
def life_classes() -> dict[str, LifeClass]:
    """Every class of shelf life, by name.

    Example:
        >>> life_classes()["hard grain"].q10
        2.0
    """
    return {
        row["life"]: LifeClass(
            row["life"],
            row["meaning"],
            float(row["q10"]),
            row["source"],
            Life(*(_days(row[f"frozen_{estimate.value}_years"]) for estimate in Estimate)),
            row["frozen_source"],
        )
        for row in rows("life_classes")
    }


@lru_cache
def lives() -> dict[tuple[str, Packing], BaseLife]:
    """Days each class of food keeps at 21 °C in each packing, by three estimates.

    Example:
        >>> round(lives()["hard grain", Packing.FOIL].days.customary / DAYS_PER_YEAR)
        25
    """
    table = {}
    for row in rows("lives"):
        packing = Packing(row["packing"])
        days = Life(
            cautious=_days(row["cautious_years"]),
            customary=_days(row["customary_years"]),
            hopeful=_days(row["hopeful_years"]),
        )
        table[row["life"], packing] = BaseLife(row["life"], packing, days, row["source"])
    return table


@lru_cache
def life_class(life: str) -> LifeClass:
    """A class of shelf life by its name; of several joined the one that ages fastest and lasts least in a freezer.

    Example:
        >>> life_class("hard grain").q10, life_class("hard grain + oil").q10 == life_class("oil").q10
        (2.0, True)
    """
    parts = [life_classes()[each] for each in life.split(JOINS_LIVES)]
    if len(parts) == 1:
        return parts[0]
    fastest = max(parts, key=lambda each: each.q10)
    return replace(fastest, life=life, frozen=_shortest([each.frozen for each in parts]))


@lru_cache
def lives_of(life: str) -> dict[Packing, Life]:
    """Days one class of food keeps at 21 °C, by packing; of several joined, as of a mix, the fewest.

    Example:
        >>> round(lives_of("hard grain")[Packing.SHOP].customary / DAYS_PER_YEAR)
        2
        >>> lives_of("hard grain + nuts") == lives_of("nuts")
        True
    """
    parts = [
        {packing: row.days for (of, packing), row in lives().items() if of == each} for each in life.split(JOINS_LIVES)
    ]
    return {packing: _shortest([part[packing] for part in parts]) for packing in parts[0]}


def _shortest(several: Sequence[Life]) -> Life:
    return Life(*(min(each.by(estimate) for each in several) for estimate in Estimate))


@lru_cache
def ways_of(life: str) -> dict[Way, Life]:
    """Days that food of a class keeps which is not dry, by how it is kept; empty for dry food.

    Example:
        >>> ways_of("fresh poultry")[Way.FREEZER].customary, ways_of("hard grain")
        (270.0, {})
    """
    return {
        Way(row["way"]): Life(*(float(row[f"{estimate.value}_days"]) for estimate in Estimate))
        for row in rows("ways")
        if row["life"] == life
    }


def ways_source(life: str) -> str:
    """Where the lives of a class of food that is not dry come from; empty for dry food."""
    return "; ".join(dict.fromkeys(row["source"] for row in rows("ways") if row["life"] == life))


def _days(years: str) -> float:
    return math.inf if years == KEEPS else float(years) * DAYS_PER_YEAR


@lru_cache
def kitchen() -> list[KitchenMeasure]:
    """Things that are counted in a kitchen, and what stands for them in the larder.

    Example:
        >>> onion = kitchen()[0]
        >>> round(onion.mass_g(foods()[onion.food]))
        13
    """
    return [
        KitchenMeasure(
            measure=row["measure"],
            words=tuple(row["words"].split(";")),
            food=row["food"],
            fresh_g=float(row["fresh_g"] or 0),
            stored_g=float(row["stored_g"] or 0),
            source=row["source"],
        )
        for row in rows("kitchen")
    ]


@dataclass(frozen=True, slots=True)
class Thermal:
    """How a group of foods takes heat in bulk."""

    group: str
    conductivity: float
    heat_capacity: float
    source: str


@lru_cache
def thermal() -> dict[str, Thermal]:
    """How foods take heat, by the part of the table of foods they stand in.

    Example:
        >>> thermal()["grains"].conductivity
        0.12
    """
    return {
        row["group"]: Thermal(row["group"], float(row["conductivity"]), float(row["heat_capacity"]), row["source"])
        for row in rows("thermal")
    }


def stuff_of(food: Food) -> Stuff:
    """How a food in bulk, shaken down, takes heat; one of the household's own as grain.

    Example:
        >>> stuff_of(foods()["white-rice"])
        Stuff(conductivity=0.12, heat_capacity=1650.0, density=870.0)
    """
    row = thermal().get(food.group, thermal()["grains"])
    return Stuff(row.conductivity, row.heat_capacity, food.settled_g_ml * 1000)


@dataclass(frozen=True, slots=True)
class UsualBody:
    """Heights and weights that are usual from an age on."""

    age_from: float
    female: Body
    male: Body
    source: str


@lru_cache
def bodies() -> list[UsualBody]:
    """Heights and weights that are usual, by age.

    Example:
        >>> [body.age_from for body in bodies()]
        [0.0, 1.0, 4.0, 9.0, 14.0, 19.0]
    """
    return [
        UsualBody(
            float(row["age_from"]),
            Body(float(row["female_height_cm"]), float(row["female_weight_kg"])),
            Body(float(row["male_height_cm"]), float(row["male_weight_kg"])),
            row["source"],
        )
        for row in rows("bodies")
    ]


@lru_cache(maxsize=512)
def usual_body(age_years: float, sex: Sex) -> Body:
    """A height and weight that are usual for an age; the mean of both sexes where it is not said.

    Example:
        >>> usual_body(40, Sex.MALE)
        Body(height_cm=177.0, weight_kg=70.0)
    """
    row = next(row for row in reversed(bodies()) if age_years >= row.age_from)
    if sex is not Sex.UNSAID:
        return row.female if sex is Sex.FEMALE else row.male
    height, weight = ((getattr(row.female, part) + getattr(row.male, part)) / 2 for part in ("height_cm", "weight_kg"))
    return Body(height, weight)
