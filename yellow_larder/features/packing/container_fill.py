"""One container of what is on the bench, packed: what it holds, its air, its packets."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from yellow_larder.core.air import (
    Kept,
    NoPacketFits,
    alike,
    choose_packets,
    fill,
    need_by_air_ml,
    oxygen_ml,
    pressure_kpa,
)
from yellow_larder.core.containers import Closing, Container
from yellow_larder.core.food import Food, nutrients, person_days
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.people import Appetite
from yellow_larder.features.packing.plan import Packed, PacketShape, SizingOption, packets_by_size
from yellow_larder.features.packing.request import Ask, SizingMethod
from yellow_larder.features.packing.sizing_methods import asks_ml
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_kcal, say_length, say_mass

_METHOD_NAMES = {
    SizingMethod.AIR: "By the air",
    SizingMethod.CONTAINER: "By container",
    SizingMethod.KIND: "By kind",
}


def oxygen_in_room_ml(void_ml: float, household: Settings) -> float:
    """Oxygen in so much of the household's air, mL at the state packets are rated in."""
    return oxygen_ml(
        void_ml,
        pressure_kpa=pressure_kpa(household.altitude_m),
        temperature_c=household.room_c,
        humidity=household.humidity,
    )


@dataclass(frozen=True, slots=True)
class Packer:
    """Packs one container of what is on the bench."""

    ask: Ask
    food: Food
    container: Container
    closing: Closing
    household: Settings
    eating: Appetite
    kept: Sequence[Kept]
    """The packets at hand; empty if none are written down."""

    def pack(self, mass_g: float, count: int) -> Packed:
        """One of so many containers alike, with its packets."""
        filled = fill(self.container, self.food, mass_g, pressed=self.ask.pressed)
        oxygen = oxygen_in_room_ml(filled.void_ml, self.household)
        need = asks_ml(self.ask.sizing, self.food, self.container, oxygen) if self.closing is Closing.ABSORBER else 0.0
        chosen, packed = self.choose(need, count)
        inside = nutrients(self.food.composition, mass_g)
        return Packed(
            count=count,
            mass_g=mass_g,
            mass=say_mass(mass_g, self.household.units),
            headspace_mm=filled.headspace_mm,
            headspace=say_length(filled.headspace_mm, self.household.units),
            food_height_mm=self.container.inner_height_mm - filled.headspace_mm,
            solid_ml=filled.solid_ml,
            between_ml=filled.between_ml,
            headspace_ml=filled.headspace_ml,
            void_ml=filled.void_ml,
            oxygen_ml=oxygen,
            need_ml=need,
            packed_ml=packed,
            packets=[PacketShape.of(size, n) for size, n in chosen.items()],
            kcal=inside.kcal,
            kcal_text=say_kcal(inside.kcal),
            person_days=person_days(inside.kcal, self.eating.kcal_per_person_day),
            nutrients=inside,
        )

    def choose(self, need_ml: float, count: int) -> tuple[dict[int, int], float]:
        """Whole packets for each of so many containers alike, by their rating, and what they take up, mL.

        Of those at hand, by what a run goes by when it shares them out, spares included; if none are written down, or
        all are too small, of the sizes that the household keeps.
        """
        need = round(need_ml, 3)
        try:
            if self.kept:
                return self._at_hand(need, count)
        except NoPacketFits:
            pass
        try:
            chosen = choose_packets(need, self.household.packet_sizes)
        except NoPacketFits as error:
            raise Refused("container", f"The absorbers you keep are too small: {error}") from error
        return chosen, sum(size * n for size, n in chosen.items())

    def _at_hand(self, need_ml: float, count: int) -> tuple[dict[int, int], float]:
        chosen: dict[int, int] = {}
        packed = 0.0
        for n, each in zip(alike(need_ml, count, self.kept), self.kept, strict=True):
            if n:
                chosen[each.size_ml] = chosen.get(each.size_ml, 0) + n
                packed += n * each.worth_ml
        return dict(sorted(chosen.items(), reverse=True)), packed

    def sizing_options(self, full: Packed) -> list[SizingOption]:
        """What each method would put in, against what the air asks for."""
        found = []
        for sizing, name in _METHOD_NAMES.items():
            asks = asks_ml(sizing, self.food, self.container, full.oxygen_ml)
            chosen, packed = self.choose(asks, full.count)
            # Against what the air asks for with its margin, as the finding has it.
            spare = packed - need_by_air_ml(full.oxygen_ml)
            judged = f"{spare:,.0f} mL to spare" if spare >= 0 else f"short by {-spare:,.0f} mL"
            found.append(SizingOption(sizing, name, asks, packed, _say_packets(chosen), judged, spare >= 0))
        return found


def _say_packets(chosen: dict[int, int]) -> str:
    return " + ".join(f"{n} × {size}" if n > 1 else f"{size}" for size, n in chosen.items()) + " mL"


def packets_in_all(packed: list[Packed]) -> str:
    """The packets of all containers together, in words."""
    said = ", ".join(f"{n} × {size}" for size, n in sorted(packets_by_size(packed).items(), reverse=True))
    return f"absorbers: {said} mL" if said else "no absorbers"
