"""The lots that were made here: dried, freeze-dried, ground; what they give and what can be done with them."""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy import select

from yellow_larder.core.drying import JarPhase
from yellow_larder.core.food import Trait
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.drying.conditioning import jar_standing, line_of
from yellow_larder.features.drying.events import JarRecord
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.events import Origin
from yellow_larder.features.lots.grinding import can_be_ground
from yellow_larder.features.lots.lots import CRUMBS_G
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.text import say_step
from yellow_larder.features.lots.yields import Gives, gives_of
from yellow_larder.journal import log
from yellow_larder.journal.database import reading
from yellow_larder.words.dates import say_day
from yellow_larder.words.quantities import say_mass


@dataclass(frozen=True, slots=True)
class Made:
    """A lot that was made here."""

    lot: int
    food: str
    form: str
    colour: str
    made: str
    on: str
    mass: str
    moisture_pct: float
    conditioned: bool
    wants_conditioning: bool
    jar: JarPhase | None
    """How it stands in its jar; none if it is in none."""
    can_grind: bool
    meat: bool
    line: str
    gives: Gives
    story: list[str]


def made_here(larder: Larder) -> list[Made]:
    """Every lot made here of which something is left, the newest first."""
    with reading(larder.engine) as session:
        known, units = all_foods(session), settings(session).units
        today = larder.today()
        jars = {jar.lot: jar_standing(jar, today).phase for jar in log.records(session, JarRecord).values()}
        lots = session.scalars(
            select(Lot)
            .where(Lot.mass_g >= CRUMBS_G, Lot.made != Origin.BOUGHT)
            .order_by(Lot.came_on.desc(), Lot.id.desc())
        )
        return [
            Made(
                lot=lot.id,
                food=known[lot.food_key].name,
                form=known[lot.food_key].form,
                colour=known[lot.food_key].colour,
                made=lot.made,
                on=say_day(lot.came_on),
                mass=say_mass(lot.mass_g, units),
                moisture_pct=known[lot.food_key].composition.water_g if lot.moisture_pct is None else lot.moisture_pct,
                conditioned=lot.conditioned_on is not None,
                wants_conditioning=lot.wants_conditioning,
                jar=jars.get(lot.id),
                can_grind=can_be_ground(known[lot.food_key]),
                meat=Trait.MEAT in known[lot.food_key].traits,
                line=line_of(lot, known[lot.food_key], units),
                gives=gives_of(session, lot),
                story=[say_step(step, units) for step in history_of(lot)],
            )
            for lot in lots
        ]
