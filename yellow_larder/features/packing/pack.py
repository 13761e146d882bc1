"""Packing what is on the bench: from here on the containers exist."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Kind
from yellow_larder.core.finding import Severity
from yellow_larder.core.packing import gel_code
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.freezer.contents import frozen_g
from yellow_larder.features.household.changes import say_called
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.household.state import Place
from yellow_larder.features.lots.events import LotTaken
from yellow_larder.features.lots.lots import CRUMBS_G, find_lot
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.packages.contained import Contained, Filling, Pests, Portion
from yellow_larder.features.packages.events import PackagePacked
from yellow_larder.features.packing.plan import Packed, Plan
from yellow_larder.features.packing.planner import plan_in
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.supplies.stock import Stock
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import life_class
from yellow_larder.words.dates import check_day
from yellow_larder.words.errors import Refused
from yellow_larder.words.quantities import say_mass

SHORTEST_WHY, LONGEST_WHY = 8, 120
"""Letters that a reason has which overrides a stop: more than a sigh, and not more than a label holds."""


WEIGHED_WITHIN = 0.01
"""How far a kitchen scale and what was rounded in typing may differ. Source: our judgement."""


IN_FREEZER = "in-freezer"
"""Code of the refusal to pack what is frozen: the way out of it leads to the freezer."""


@dataclass(frozen=True, slots=True)
class Batch:
    """What was packed in one go."""

    batch: int
    numbers: list[int]
    title: str
    took: str
    """What it took from the supplies, in words; empty if they have none of it."""


def pack(
    larder: Larder, ask: Ask, *, packed_on: date | None = None, shelf: int | None = None, drawn: str = ""
) -> Batch:
    """Pack what is on the bench: its containers get numbers and a place.

    Args:
        larder: the larder.
        ask: what is on the bench.
        packed_on: the day it was packed; none means today.
        shelf: which shelf, counted from the top; none means the one that suits the container.
        drawn: identity of the plan that was shown; empty if none was.

    Raises:
        Refused: a field is wrong, the verdict is a stop, or it comes to another plan than was shown; nothing is saved.
    """
    today = larder.today()
    day = check_day(packed_on or today, today, "packed_on")
    with writing(larder.engine) as session:
        planned = plan_in(session, ask, now=larder.clock(), packed_on=day)
        if drawn and drawn != planned.identity:
            raise Refused("plan", "What is on the bench changed since it was drawn: look again, then pack")
        override = stop_overridden(ask, planned)
        place = session.get_one(Place, planned.place)
        chosen = shelf if shelf is not None else usual_shelf(planned.draw.kind, place.shelves)
        if not 1 <= chosen <= place.shelves:
            raise Refused("shelf", f"{place.name} has shelves 1 to {place.shelves}")
        first = log.next_number(session, "package")
        groups = [planned.full] * planned.full.count + ([planned.rest] if planned.rest else [])
        packages = [contained(session, ask, planned, group, shelf=chosen, override=override) for group in groups]
        title = log.title("package.packed", count=len(packages), mass_g=planned.full.mass_g, name=planned.food.name)
        check_lot_holds(session, ask, planned)
        stock = Stock(session)
        # Of what was packed on a day that is past, the counts know already.
        taken = [*stock.takes(packages), *stock.opens(packages, day)] if day == today else []
        acts = [
            *(log.Act(first + n, PackagePacked(what, day)) for n, what in enumerate(packages)),
            *off_the_lot(session, ask.lot, planned.food.key, sum(what.mass_g for what in packages)),
            *taken,
        ]
        household = settings(session)
        change = log.record(session, title, acts, at=larder.clock())
        numbers = list(range(first, first + len(packages)))
        return Batch(
            change.id,
            numbers,
            say_called(title, household),
            stock.say_taken(taken),
        )


def stop_overridden(ask: Ask, planned: Plan) -> str:
    """What the label says of a stop that was overridden: the stop, and why; empty if there is none.

    Raises:
        Refused: the verdict is a stop, and nobody has typed why it is packed all the same.
    """
    if planned.verdict.severity is not Severity.STOP:
        return ""
    why = " ".join(ask.override.split())
    if not why:
        raise Refused("verdict", planned.verdict.says)
    if not SHORTEST_WHY <= len(why) <= LONGEST_WHY or not why.isprintable():
        raise Refused(
            "override", f"Say why in a few words, {SHORTEST_WHY} to {LONGEST_WHY} letters: the label carries it"
        )
    return f"{planned.verdict.says} Packed anyway: {why}"


def usual_shelf(kind: Kind, shelves: int) -> int:
    """Where things usually stand: jars at the top, bags and cans between, heavy pails at the foot."""
    if kind in (Kind.PAIL, Kind.LINED_PAIL, Kind.TOTE):
        return shelves
    return 1 if kind is Kind.JAR else (shelves + 1) // 2


def check_lot_holds(session: Session, ask: Ask, planned: Plan, *, promised_g: float = 0.0) -> None:
    """Refuse to pack more than a lot holds, unless it is said that there was more, and what of it is in the freezer.

    Args:
        session: where the lot is read.
        ask: what is on the bench.
        planned: its plan.
        promised_g: what other lines of a run take of the lot, g.

    Raises:
        Refused: it holds less, or so much of it is in the freezer or thawing.
    """
    if ask.lot is None:
        return
    lot = find_lot(session, ask.lot)
    if lot.food_key != planned.food.key:
        return
    left_g, wanted_g = lot.mass_g - promised_g, planned.amount_g
    inside_g = frozen_g(session).get(ask.lot, 0.0)
    units = settings(session).units

    def more_than(there_g: float) -> bool:
        return wanted_g > there_g * (1 + WEIGHED_WITHIN) + CRUMBS_G

    if inside_g and more_than(left_g - inside_g):
        held = say_mass(inside_g, units)
        message = f"{held} of that lot is in the freezer, or thawing closed: open it there first, then pack it"
        raise Refused("lot", message, code=IN_FREEZER)
    if not ask.more and more_than(left_g):
        holds, packs = say_mass(max(0.0, left_g), units), say_mass(wanted_g, units)
        raise Refused("lot", f"That lot holds {holds}, and this packs {packs}. Pack less, or say that there was more")


def off_the_lot(session: Session, number: int | None, food_key: str, mass_g: float) -> list[log.Act]:
    """What packing takes off the lot in the cupboard; a lot of another food is not meant."""
    if number is None:
        return []
    lot = find_lot(session, number)
    if lot.food_key != food_key:
        return []
    return [log.Act(number, LotTaken(min(mass_g, lot.mass_g)), "packed")]


def contained(
    session: Session,
    ask: Ask,
    planned: Plan,
    group: Packed,
    *,
    shelf: int,
    override: str,
    packets: Mapping[int, int] | None = None,
) -> Contained:
    """What a container of a plan is once it is closed.

    Args:
        session: where the food is read.
        ask: what is on the bench.
        planned: its plan.
        group: the containers that it is one of.
        shelf: where it will stand.
        override: what the label says of a stop that was overridden; empty if there is none.
        packets: its absorbers by rating; none means those of the plan.
    """
    food = all_foods(session)[planned.food.key]
    filling = filling_of(group, planned)
    by_size = {each.size_ml: each.count for each in group.packets} if packets is None else packets
    return Contained(
        contents=(Portion(food.key, food.name, food.form, food.colour, filling.mass_g),),
        container_key=planned.container,
        closing=planned.closing,
        outer=ask.outer,
        kcal=filling.kcal,
        packets={str(size): n for size, n in by_size.items()} | _gel_in(planned),
        moisture_pct=planned.food.moisture_pct,
        level=filling.level,
        place_id=planned.place,
        shelf=shelf,
        q10=life_class(food.life).q10,
        lasts={estimate: each.life for estimate, each in planned.lasts.items()},
        closed=filling.closed,
        override=override,
        draws_in=planned.draws_in,
        pests=_pests(session, ask),
    )


def _pests(session: Session, ask: Ask) -> Pests:
    """What was done against insects: what goes in, and the cold that it was in."""
    lot = None if ask.lot is None else session.get(Lot, ask.lot)
    frozen_on = None if lot is None else lot.frozen_on
    return Pests(ask.measures, ask.frozen or frozen_on is not None, frozen_on)


def filling_of(group: Packed, planned: Plan) -> Filling:
    """What follows from how much is in the containers of a group."""
    return Filling(
        mass_g=group.mass_g,
        kcal=group.kcal,
        level=group.food_height_mm / planned.draw.inner_mm,
        closed=replace(planned.closed, void_ml=group.void_ml, packed_ml=group.packed_ml),
    )


def _gel_in(planned: Plan) -> dict[str, int]:
    """Desiccant that goes into each, by code."""
    if planned.moisture is None or not planned.moisture.gel_packets:
        return {}
    return {gel_code(planned.moisture.gel_each_g): planned.moisture.gel_packets}
