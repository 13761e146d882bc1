"""Mixing several lots into one: a soup mix, a green powder, the rests of three jars."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.errors import check_range
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.events import MixPart, NewMix
from yellow_larder.features.catalog.foods import all_foods, check_name
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.lots.events import LotCame, LotTaken, MixedOf, MixedPart, Origin
from yellow_larder.features.lots.lots import find_lot
from yellow_larder.features.lots.state import Lot
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import ways_of
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import read_amount, say_mass

_MOST_PARTS = 20


@dataclass(frozen=True, slots=True)
class PartAsked:
    """A lot that goes into a mix.

    Attributes:
        lot: its number.
        amount: how much of it; empty for all.
    """

    lot: int
    amount: str = ""


@dataclass(frozen=True, slots=True)
class MixedLot:
    """What became of some lots that were mixed."""

    lot: int
    line: str


@dataclass(frozen=True, slots=True)
class _Part:
    lot: Lot
    food: Food
    mass_g: float

    @property
    def moisture_pct(self) -> float:
        return self.food.composition.water_g if self.lot.moisture_pct is None else self.lot.moisture_pct

    @property
    def unproven(self) -> bool:
        return self.lot.wants_conditioning and self.lot.conditioned_on is None


def mix_lots(larder: Larder, name: str, parts: Sequence[PartAsked]) -> MixedLot:
    """Several lots are mixed into one: what is mixed becomes a lot of its own.

    It is as moist as its parts together, was frozen through if all of them were, and still wants a jar if one of them
    does. Lots of one food stay that food; of several they become a mix, by the name that is given.

    Raises:
        Refused: there are fewer than two, there is less of one, one is not dry, or a food is called so already.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        known = all_foods(session)
        if not 2 <= len({each.lot for each in parts}) == len(parts) <= _MOST_PARTS:
            raise Refused("parts", f"Pick two lots or more, each once, and no more than {_MOST_PARTS}")
        taken = [_part(session, n, each, known[find_lot(session, each.lot).food_key]) for n, each in enumerate(parts)]
        total = sum(each.mass_g for each in taken)
        if len({each.food.key for each in taken}) == 1:
            food_key, called, begins = taken[0].food.key, taken[0].food.name, []
        else:
            called = tidy_name(name, "name")
            check_name(session, called)
            shares: dict[str, float] = {}
            for each in taken:
                shares[each.food.key] = shares.get(each.food.key, 0.0) + each.mass_g / total
            mix = NewMix(called, tuple(MixPart(key, share) for key, share in shares.items()))
            number = log.next_number(session, "mix")
            food_key, begins = f"mix-{number}", [log.Act(number, mix, "added")]
        came = _came(taken, food_key, total, larder)
        lot = log.next_number(session, "lot")
        acts = [
            *begins,
            *(log.Act(each.lot.id, LotTaken(min(each.mass_g, each.lot.mass_g)), "mixed") for each in taken),
            log.Act(lot, came),
        ]
        log.record(session, log.title("lot.mixed", mass_g=total, name=called), acts, at=now)
        return MixedLot(lot, f"{say_mass(total, settings(session).units)} {called}")


def _part(session: Session, n: int, asked: PartAsked, food: Food) -> _Part:
    lot = find_lot(session, asked.lot)
    field = f"amount.{n}"
    if ways_of(food.life):
        raise Refused(field, f"{food.name.capitalize()} is not dry: a mix is of dry food")
    mass_g = read_amount(asked.amount, field).weighs_g(food.loose_g_ml) if asked.amount.strip() else lot.mass_g
    if mass_g > lot.mass_g * 1.001:
        raise Refused(field, f"There is {say_mass(lot.mass_g, settings(session).units)} of it")
    check_range("mass_g", mass_g, 0.1, 1e7, "g")
    return _Part(lot, food, mass_g)


def _came(taken: Sequence[_Part], food_key: str, total: float, larder: Larder) -> LotCame:
    frozen = [each.lot.frozen_on for each in taken]
    costs = [each.lot.coins * each.mass_g / each.lot.came_g for each in taken if each.lot.coins]
    today = larder.today()
    return LotCame(
        food_key=food_key,
        came_g=total,
        came_on=today,
        coins=round(sum(costs)) if costs else None,
        moisture_pct=sum(each.moisture_pct * each.mass_g for each in taken) / total,
        made=Origin.MIXED,
        wants_conditioning=any(each.unproven for each in taken),
        frozen_on=max(day for day in frozen if day is not None) if all(frozen) else None,
        history=(MixedOf(today, tuple(MixedPart(each.food.name, each.mass_g) for each in taken)),),
    )
