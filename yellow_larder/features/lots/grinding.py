"""Grinding pieces to powder: a new lot, that keeps for less long."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.keeping import Estimate, Packing
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.events import GroundUp, LotCame, LotTaken, Origin
from yellow_larder.features.lots.lots import find_lot
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.yields import Gives, gives_of
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import lives
from yellow_larder.reference.drying import powders
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import read_amount, say_mass

_DRIEST_PCT = 9.0
"""Moisture above which pieces smear instead of grinding. Source: our judgement; they must snap (common practice)."""


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
        if pieces.key not in powders():
            raise Refused("lot", f"{pieces.name.capitalize()} are not ground")
        moisture = pieces.composition.water_g if mine.moisture_pct is None else mine.moisture_pct
        if moisture > _DRIEST_PCT:
            raise Refused("lot", f"At {moisture:.0f} % it smears instead of grinding: dry it until it snaps")
        mass_g = read_amount(amount, "amount").weighs_g(pieces.loose_g_ml) if amount.strip() else mine.mass_g
        if mass_g > mine.mass_g * 1.001:
            raise Refused("amount", f"There is {say_mass(mine.mass_g, units)} of it")
        powder = known[powders()[pieces.key]]
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
        acts = [log.Act(lot, LotTaken(min(mass_g, mine.mass_g)), "ground"), log.Act(number, came)]
        said = say_mass(mass_g, units)
        log.record(session, log.title("lot.ground", mass_g=mass_g, name=pieces.name), acts, at=now)
        before, after = (
            lives()[each.life, Packing.AIR].days.by(Estimate.CUSTOMARY) / 30.44 for each in (pieces, powder)
        )
        keeps = f"Keeps about {after:.0f} months in a closed jar; the pieces would have kept {before:.0f}."
        return Ground(number, f"{said} {powder.name}", gives_of(session, session.get_one(Lot, number)), keeps)


def _fresh_g(dry_g: float, moisture_pct: float, fresh_water_pct: float) -> float:
    """What pieces that were bought dry would have weighed fresh, g."""
    return dry_g * (100 - moisture_pct) / (100 - min(fresh_water_pct, 99.0))
