"""What a food is, as far as packing it is concerned."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import StrEnum

from yellow_larder.core.errors import check_range
from yellow_larder.core.food.nutrition import Composition, dried_mass_g


class Trait(StrEnum):
    """What the rules need to know of a food beyond its figures."""

    COMMODITY = "commodity"
    """Traded dry at 10–13.5 % moisture: grain, pulses, pasta, flour."""
    OIL_RICH = "oil-rich"
    SUGAR_LIKE = "sugar-like"
    SALT_LIKE = "salt-like"
    STICKY = "sticky"
    POWDERY = "powdery"
    RINSEABLE = "rinseable"
    CARRIER = "carrier"
    """Traded or dried in the open: moths and beetles come with it, as with every commodity."""
    HOME_DRIED = "home-dried"
    FREEZE_DRIED = "freeze-dried"
    RAW_ANIMAL = "raw-animal"
    MEAT = "meat"
    """Lean meat dried at home."""
    SEASONING = "seasoning"
    """Used by the pinch: left out when a menu is added up, if the household likes."""


JOINS_LIVES = " + "
"""What stands between the classes of shelf life of a mix."""


@dataclass(frozen=True, slots=True)
class Food:
    """One food as it is packed.

    Attributes:
        key: short name used in files and addresses.
        name: what people call it, in lower case.
        aliases: other names for it.
        short: what it is called on a narrow label; its name if nothing shorter is clear.
        group: the part of the table it stands in, "grains", "pulses"…
        form: shape of the pieces, for drawing: "grain", "bean", "flake"…
        colour: colour of the pieces, for drawing, as #rrggbb.
        life: class of shelf life; of a mix those of all that is in it, joined by " + ".
        traits: see Trait.
        composition: per 100 g as packed.
        loose_g_ml: bulk density poured, g/mL.
        settled_g_ml: bulk density shaken down, g/mL.
        particle_g_ml: density of the solid alone, g/mL.
        nutrition_source: where the composition comes from.
        density_source: where the densities come from.
        like: key of the food in the table that it behaves as, if it is in none itself.
        taken: names of the figures that are not its own, but of what it is like.
        fresh_water_g: water in 100 g of the form it was dried from; that of the food itself if it was not.
    """

    key: str
    name: str
    group: str
    form: str
    colour: str
    life: str
    composition: Composition
    loose_g_ml: float
    settled_g_ml: float
    particle_g_ml: float
    aliases: tuple[str, ...] = ()
    short: str = ""
    traits: frozenset[Trait] = field(default_factory=frozenset)
    nutrition_source: str = ""
    density_source: str = ""
    fresh_water_g: float = 0
    like: str = ""
    taken: frozenset[str] = field(default_factory=frozenset)

    def __post_init__(self) -> None:
        """Refuse densities that no food has, or that contradict one another."""
        check_range("particle_g_ml", self.particle_g_ml, 0.5, 3, "g/mL")
        check_range("settled_g_ml", self.settled_g_ml, 0.01, self.particle_g_ml, "g/mL")
        check_range("loose_g_ml", self.loose_g_ml, 0.01, self.settled_g_ml, "g/mL")

    @property
    def in_table(self) -> str:
        """Key of the food in the table that it is, or behaves as."""
        return self.like or self.key

    @property
    def lives(self) -> tuple[str, ...]:
        """The classes of shelf life in it: one, or of a mix several."""
        return tuple(self.life.split(JOINS_LIVES))

    @property
    def carries_insects(self) -> bool:
        """Whether eggs and larvae commonly come with it.

        Source: common practice: grain, flour, pulses and pasta; nuts, chocolate, dried fruit and flakes too.
        """
        return bool(self.traits & {Trait.COMMODITY, Trait.CARRIER})

    def stored_g(self, fresh_g: float) -> float:
        """Weight of this food that stands for a weight of it fresh, g: the solids are the same."""
        return dried_mass_g(fresh_g, max(self.fresh_water_g, self.composition.water_g), self.composition.water_g)
