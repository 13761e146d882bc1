"""What is in the house and not packed yet: the cupboard's open packets, and what was just bought."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.food import Food, Trait
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.events import LotCame, LotWeighed
from yellow_larder.features.lots.state import Lot
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.errors import NotThere, Outdated, Refused
from yellow_larder.words.quantities import read_amount, say_mass

CRUMBS_G = 1.0
"""Less than this is nothing left."""


@dataclass(frozen=True, slots=True)
class LotLeft:
    """A lot of which something is left: as much of it as most have to know, for hundreds are read at once."""

    food_key: str
    mass_g: float
    came_on: date
    wants_jar: bool
    """Whether a jar has yet to prove it dry."""


def lots_left(session: Session) -> dict[int, LotLeft]:
    """The lots of which something is left, by number."""
    return log.once(session, "lots", lambda: _lots_left(session))


_WANTS_JAR = Lot.wants_conditioning & Lot.conditioned_on.is_(None)
_LEFT = select(Lot.id, Lot.food_key, Lot.mass_g, Lot.came_on, _WANTS_JAR).where(Lot.mass_g > 0)


def _lots_left(session: Session) -> dict[int, LotLeft]:
    found = session.execute(_LEFT)
    return {number: LotLeft(food, mass, came, bool(wanted)) for number, food, mass, came, wanted in found}


def cupboard_g(session: Session) -> dict[str, float]:
    """Grams of each food in the cupboard, by key."""
    total: dict[str, float] = {}
    for lot in lots_left(session).values():
        total[lot.food_key] = total.get(lot.food_key, 0.0) + lot.mass_g
    return total


def set_cupboard(larder: Larder, food: str, amount: str, *, was_g: float | None = None) -> None:
    """Say how much of a food is in the cupboard.

    Args:
        larder: the larder.
        food: its key.
        amount: how much, as weighed or guessed; "0" or nothing for none left.
        was_g: what it was shown as before, g; none means that whoever says it did not look.

    Raises:
        NotThere: no food is called so.
        Refused: the amount makes no sense, or is what is written already.
        Outdated: somebody else said something of it meanwhile.
    """
    with writing(larder.engine) as session:
        foods = all_foods(session)
        if food not in foods:
            raise NotThere("food", "That food is not in the table")
        wanted = foods[food]
        nothing = amount.strip() in ("", "0", "none")
        mass_g = 0.0 if nothing else read_amount(amount, "cupboard").weighs_g(wanted.loose_g_ml)
        lots = session.scalars(select(Lot).where(Lot.food_key == food, Lot.mass_g > 0).order_by(Lot.came_on)).all()
        acts = _weighed(lots, mass_g)
        there_g = sum(lot.mass_g for lot in lots)
        brought = mass_g - there_g
        if not acts and abs(brought) < CRUMBS_G:
            raise Refused("cupboard", "That is what is written already")
        if was_g is not None and abs(there_g - was_g) >= CRUMBS_G:
            theirs = say_mass(there_g, settings(session).units) if there_g >= CRUMBS_G else "none"
            says = f"Somebody else wrote {theirs} while you wrote {amount}. Write yours again if it is right"
            raise Outdated("cupboard", says)
        if brought >= CRUMBS_G:
            acts = [log.Act(log.next_number(session, "lot"), LotCame(food, brought, larder.today()))]
        title = log.title("lot.cupboard" if mass_g else "lot.none", mass_g=mass_g, name=wanted.name)
        log.record(session, title, acts, at=larder.clock())


def find_lot(session: Session, number: int) -> Lot:
    """The lot of that number, as long as something of it is left."""
    lot = session.get(Lot, number)
    if lot is None or lot.mass_g < CRUMBS_G:
        raise NotThere("lot", "Nothing is left of that lot")
    return lot


def _weighed(lots: Sequence[Lot], mass_g: float) -> list[log.Act]:
    """The oldest is eaten first: what is missing comes off the oldest lots."""
    gone = sum(lot.mass_g for lot in lots) - mass_g
    acts = []
    for lot in lots:
        if gone < CRUMBS_G:
            break
        left = max(0.0, lot.mass_g - gone)
        gone -= lot.mass_g - left
        acts.append(log.Act(lot.id, LotWeighed(left)))
    return acts


def wants_proof(food: Food) -> bool:
    """Whether a food is dried at home and one wet piece can spoil all: not meat, which is kept cold."""
    return Trait.HOME_DRIED in food.traits and Trait.MEAT not in food.traits


def is_unproven(food: Food, lot: Lot | None, *, conditioned: bool = False) -> bool:
    """Whether it was dried at home, and neither its record nor anybody says that a jar has proved it dry.

    Args:
        food: the food.
        lot: the record it comes with; none if it was typed by hand.
        conditioned: whether somebody said so of food without a record.
    """
    if lot is None:
        return wants_proof(food) and not conditioned
    return lot.wants_conditioning and lot.conditioned_on is None


def lot_of(session: Session, number: int | None, food: Food) -> Lot | None:
    """The lot that a food comes from; none if it is of no lot, or of another food's."""
    lot = session.get(Lot, number) if number is not None else None
    return lot if lot is not None and lot.food_key == food.key else None
