"""Grinding pieces to powder: a new lot, that keeps for less long."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from sqlalchemy.orm import Session

from yellow_larder.core.food import FIGURES, Food, Trait
from yellow_larder.core.keeping import Estimate, Packing
from yellow_larder.features.catalog.events import NewFood
from yellow_larder.features.catalog.foods import all_foods, names_of, own_food
from yellow_larder.features.catalog.names import plain
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.larder import LONGEST_NAME, Larder, settings
from yellow_larder.features.lots.events import GroundUp, LotCame, LotTaken, Origin
from yellow_larder.features.lots.lots import find_lot
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.yields import Gives, gives_of
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import lives_of
from yellow_larder.reference.drying import powders
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import read_amount, say_mass

_DRIEST_PCT = 9.0
"""Moisture above which pieces smear instead of grinding. Source: our judgement; they must snap (common practice)."""


GROUND_LIKE = {
    "grains": "whole-wheat-flour",
    "pulses": "chickpea-flour",
    "nuts, seeds, oily": "almond-flour",
    "home-dried vegetables": "leek-powder",
    "home-dried fruit": "apple-powder",
    "herbs and powders": "green-powder",
    "freeze-dried": "tomato-powder",
}
"""What ground food of a group keeps and lies like, where the table has no powder of it. Source: our judgement."""


def can_be_ground(food: Food) -> bool:
    """Whether pieces of a food are ground: those of the table of powders, and any other dry pieces of such groups."""
    if food.in_table in powders():
        return True
    return food.group in GROUND_LIKE and not food.traits & {Trait.POWDERY, Trait.STICKY, Trait.RAW_ANIMAL, Trait.MEAT}


def _powder_of(session: Session, pieces: Food, known: Mapping[str, Food]) -> tuple[Food, list[log.Act]]:
    """The powder of some pieces: of the table, or a food of one's own that is known already, or that begins here."""
    if pieces.key in powders():
        return known[powders()[pieces.key]], []
    name = f"{pieces.name}, ground"[:LONGEST_NAME]
    found = names_of(known).called.get(plain(name))
    if found is not None:
        return found, []
    of = pieces.composition
    new = NewFood(
        name=name,
        like=GROUND_LIKE.get(pieces.group, powders().get(pieces.in_table, "green-powder")),
        **{figure: getattr(of, figure) for figure in FIGURES},
        traits=tuple(sorted(pieces.traits - {Trait.RINSEABLE} | {Trait.POWDERY})),
        fresh_water_g=pieces.fresh_water_g or None,
    )
    number = log.next_number(session, "food")
    return own_food(f"own-{number}", new), [log.Act(number, new, "added")]


@dataclass(frozen=True, slots=True)
class Ground:
    """What became of ground pieces."""

    lot: int
    line: str
    gives: Gives
    keeps: str


def grind(larder: Larder, lot: int, amount: str = "") -> Ground:
    """Pieces are ground to powder: what is ground becomes a lot of its own.

    Args:
        larder: the larder.
        lot: number of the lot of pieces.
        amount: how much of it; nothing for all.

    Raises:
        Refused: there is no powder of it, it is too moist to grind, or there is less of it.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        mine = find_lot(session, lot)
        known, units = all_foods(session), settings(session).units
        pieces = known[mine.food_key]
        if not can_be_ground(pieces):
            raise Refused("lot", f"{pieces.name.capitalize()} are not ground")
        moisture = pieces.composition.water_g if mine.moisture_pct is None else mine.moisture_pct
        if moisture > _DRIEST_PCT:
            raise Refused("lot", f"At {moisture:.0f} % it smears instead of grinding: dry it until it snaps")
        mass_g = read_amount(amount, "amount").weighs_g(pieces.loose_g_ml) if amount.strip() else mine.mass_g
        if mass_g > mine.mass_g * 1.001:
            raise Refused("amount", f"There is {say_mass(mine.mass_g, units)} of it")
        powder, begins = _powder_of(session, pieces, known)
        share = mass_g / mine.came_g
        number = log.next_number(session, "lot")
        conditioned = mine.conditioned_on is not None or not mine.wants_conditioning
        came = LotCame(
            food_key=powder.key,
            came_g=mass_g,
            came_on=day_of(now),
            coins=round(mine.coins * share) if mine.coins else None,
            moisture_pct=moisture,
            made=Origin.GROUND,
            wet_g=(mine.wet_g or _fresh_g(mine.came_g, moisture, pieces.fresh_water_g)) * share,
            wants_conditioning=not conditioned,
            history=(*history_of(mine), GroundUp(day_of(now))),
        )
        acts = [*begins, log.Act(lot, LotTaken(min(mass_g, mine.mass_g)), "ground"), log.Act(number, came)]
        said = say_mass(mass_g, units)
        log.record(session, log.title("lot.ground", mass_g=mass_g, name=pieces.name), acts, at=now)
        before, after = (lives_of(each.life)[Packing.AIR].by(Estimate.CUSTOMARY) / 30.44 for each in (pieces, powder))
        keeps = f"Keeps about {after:.0f} months in a closed jar; the pieces would have kept {before:.0f}."
        return Ground(number, f"{said} {powder.name}", gives_of(session, session.get_one(Lot, number)), keeps)


def _fresh_g(dry_g: float, moisture_pct: float, fresh_water_pct: float) -> float:
    """What pieces that were bought dry would have weighed fresh, g."""
    return dry_g * (100 - moisture_pct) / (100 - min(fresh_water_pct, 99.0))
