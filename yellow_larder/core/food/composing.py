"""Figures of food that no table knows: taken from what it is like, or worked out from what is mixed in it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from yellow_larder.core.errors import OutOfRange, check_range
from yellow_larder.core.food.food import Food, Trait
from yellow_larder.core.food.nutrition import Composition

FIGURES = ("kcal", "protein_g", "fat_g", "carbohydrate_g", "fibre_g", "water_g")
"""The figures of a composition, by name."""

_SOLIDS = ("protein_g", "fat_g", "carbohydrate_g")

KCAL_PROTEIN, KCAL_FAT, KCAL_CARBOHYDRATE, KCAL_FIBRE = 4.0, 9.0, 4.0, 2.0
"""Energy of a gram, kcal. Source: Atwater's general factors; fibre: Regulation (EU) 1169/2011, annex XIV."""


def completed(known: Mapping[str, float], like: Composition) -> Composition:
    """A composition of which some figures are known; the rest is taken from food that is like it.

    What is taken goes by the solids: of food that is moister there is less of everything. What is known leaves so
    much room for the rest, and no more. Energy that is not known follows from the parts, if any of them is known.

    Args:
        known: figures by name, per 100 g, of those in `FIGURES`.
        like: composition of the food that it is like.

    Raises:
        OutOfRange: the figures cannot be those of a food.

    Example:
        Like barley, but with 20 g of protein and twice the water:

        >>> barley = Composition(352, 9.9, 1.2, 77.7, 15.6, 10.1)
        >>> so = completed({"protein_g": 20, "water_g": 20.2}, barley)
        >>> round(so.carbohydrate_g, 1), round(so.fat_g, 2), round(so.kcal)
        (57.9, 0.89, 297)

    Source: mass balance on the solids; see `KCAL_PROTEIN`.
    """
    water = known.get("water_g", like.water_g)
    dry = (100 - check_range("water_g", water, 0, 100, "g per 100 g")) / max(100 - like.water_g, 1e-9)
    taken = {name: getattr(like, name) * dry for name in _SOLIDS if name not in known}
    said = sum(known.get(name, 0.0) for name in _SOLIDS)
    if said + water > 102:
        raise OutOfRange("carbohydrate_g", said, 0, 102 - water, "g per 100 g")
    # Of barley a little is neither: its ash. That stays as it is.
    room = max(0.0, sum(getattr(like, name) for name in _SOLIDS) * dry - said)
    scale = min(1.0, room / sum(taken.values())) if sum(taken.values()) else 1.0
    parts = {name: known.get(name, taken.get(name, 0.0) * scale) for name in _SOLIDS}
    share = like.fibre_g / like.carbohydrate_g if like.carbohydrate_g else 0.0
    fibre = known.get("fibre_g", parts["carbohydrate_g"] * share)
    if "kcal" in known:
        kcal = known["kcal"]
    elif known.keys() & {*_SOLIDS, "fibre_g"}:
        kcal = min(902.0, atwater_kcal(parts["protein_g"], parts["fat_g"], parts["carbohydrate_g"], fibre))
    else:
        kcal = like.kcal * dry
    return Composition(kcal, parts["protein_g"], parts["fat_g"], parts["carbohydrate_g"], fibre, water)


def atwater_kcal(protein_g: float, fat_g: float, carbohydrate_g: float, fibre_g: float) -> float:
    """Energy of the parts of a food, kcal; carbohydrate counts its fibre.

    Example:
        >>> atwater_kcal(10, 1, 78, 16)
        329.0

    Source: see `KCAL_PROTEIN`.
    """
    digested = carbohydrate_g - fibre_g
    return KCAL_PROTEIN * protein_g + KCAL_FAT * fat_g + KCAL_CARBOHYDRATE * digested + KCAL_FIBRE * fibre_g


@dataclass(frozen=True, slots=True)
class Mixed:
    """What a mix of foods is.

    Attributes:
        composition: per 100 g.
        loose_g_ml: bulk density poured, g/mL.
        settled_g_ml: bulk density shaken down, g/mL.
        particle_g_ml: density of the solid alone, g/mL.
        traits: what the rules need to know.
        lives: the classes of shelf life in it: it keeps as long as the shortest.
        most: the food there is most of.
    """

    composition: Composition
    loose_g_ml: float
    settled_g_ml: float
    particle_g_ml: float
    traits: frozenset[Trait]
    lives: tuple[str, ...]
    most: Food


_IF_HALF = frozenset({Trait.COMMODITY, Trait.POWDERY, Trait.SEASONING})
_IF_ALL = frozenset({Trait.RINSEABLE})
_IF_A_TENTH = frozenset({Trait.SUGAR_LIKE, Trait.SALT_LIKE, Trait.STICKY, Trait.OIL_RICH})


def mixed(parts: Sequence[tuple[Food, float]]) -> Mixed:
    """What a mix of foods is, by what is in it.

    A caution of any part is one of the whole: meat, raw egg, what was dried at home, what carries insects. Sugar, salt,
    what is sticky or oily counts from a tenth on; powder, traded grain and seasoning if they are half of it. Volumes
    are added up: fines that sift into the gaps of coarse food make it a little less.

    Args:
        parts: the foods with their weights, g, above 0.

    Raises:
        OutOfRange: a weight is not above 0.

    Example:
        >>> from yellow_larder.core.food import Composition
        >>> rice = Food("r", "rice", "grains", "grain", "#fff", "white grain",
        ...             Composition(360, 7, 1, 79, 1, 12), 0.8, 0.87, 1.45)
        >>> salt = Food("s", "salt", "salt", "crystal", "#fff", "salt",
        ...             Composition(0, 0, 0, 0, 0, 0), 1.2, 1.3, 2.16, traits=frozenset({Trait.SALT_LIKE}))
        >>> so = mixed([(rice, 900), (salt, 100)])
        >>> so.composition.kcal, round(so.loose_g_ml, 3), sorted(so.lives), sorted(so.traits)
        (324.0, 0.828, ['salt', 'white grain'], [<Trait.SALT_LIKE: 'salt-like'>])

    Source: mass balance; the shares from which a trait counts are our judgement.
    """
    for _, mass_g in parts:
        check_range("mass_g", mass_g, 1e-6, 1e7, "g")
    total = sum(mass_g for _, mass_g in parts)
    shares = [(food, mass_g / total) for food, mass_g in parts]

    def mean(figure: str) -> float:
        return float(sum(getattr(food.composition, figure) * share for food, share in shares))

    def density(figure: str) -> float:
        return float(1 / sum(share / getattr(food, figure) for food, share in shares))

    counts: dict[Trait, float] = {}
    for food, share in shares:
        for trait in food.traits:
            counts[trait] = counts.get(trait, 0.0) + share

    def least(trait: Trait) -> float:
        if trait in _IF_ALL:
            return 1.0
        return 0.5 if trait in _IF_HALF else 0.1 if trait in _IF_A_TENTH else 0.0

    traits = {trait for trait, share in counts.items() if share >= least(trait) - 1e-9}
    # What is not half of it still brings its insects along.
    if Trait.COMMODITY in counts and Trait.COMMODITY not in traits:
        traits.add(Trait.CARRIER)
    return Mixed(
        composition=Composition(**{figure: round(mean(figure), 6) for figure in FIGURES}),
        loose_g_ml=density("loose_g_ml"),
        settled_g_ml=density("settled_g_ml"),
        particle_g_ml=density("particle_g_ml"),
        traits=frozenset(traits),
        lives=tuple(dict.fromkeys(life for food, _ in shares for life in food.lives)),
        most=max(shares, key=lambda each: each[1])[0],
    )
