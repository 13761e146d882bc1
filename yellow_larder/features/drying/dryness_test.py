"""Is it dry? Tested at the tray, and taken out as a lot."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from yellow_larder.core.drying import Believe, believe, energy_kwh
from yellow_larder.features.drying.events import LoadRecord
from yellow_larder.features.drying.load_state import LoadState, hours_between, record_of, solids_g
from yellow_larder.features.drying.loads import at_place, mark
from yellow_larder.features.drying.tray_item import TrayItem
from yellow_larder.features.drying.weighing import net_g, number_of, tray_of, with_tray
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.events import Dried, LotCame, Origin
from yellow_larder.features.lots.state import Lot
from yellow_larder.features.lots.yields import Gives, gives_of
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, say_mass

_BELIEVED = {
    Believe.DRY: "Dry: the hand and the scale agree. Let it cool, and into the jar.",
    Believe.WEIGHT: "Believe the scale. Warm or case-hardened food feels dry over a wet middle. Another hour or two, "
    "and cut a thick piece through.",
    Believe.HAND: "Believe the hand. This food was wetter than the table has it, so its weight at dry is lower. Go on.",
    Believe.WET: "Not yet: the hand and the scale agree.",
}


@dataclass(frozen=True, slots=True)
class Tested:
    """What a test at the tray came to."""

    believe: Believe
    says: str
    moisture_pct: float
    target_pct: float
    weighed: bool
    """Whether the moisture is that of a weight, and not of the forecast."""
    take_out: bool


@dataclass(frozen=True, slots=True)
class CameOut:
    """What came out of the dryer: the lot it became, and what it gives."""

    lot: int
    line: str
    conditions: bool
    gives: Gives


def try_dry(
    larder: Larder,
    number: int,
    item: int,
    *,
    feels_dry: bool,
    wet_inside: bool,
    trays: tuple[int, ...] = (),
    weight: str = "",
) -> Tested:
    """Pieces were cooled and felt; says what to believe, and remembers that it was tested.

    Args:
        larder: the larder.
        number: the load.
        item: the food, counted from 0.
        feels_dry: whether cooled pieces from the middle feel as they should.
        wet_inside: whether a thick piece cut through is wet in the middle: case-hardened.
        trays: numbers of the trays that were weighed; none means all of that food.
        weight: what those weigh together, without the trays; nothing to go by the forecast.

    Raises:
        Refused: the weight cannot be, or nothing of that food is in the dryer.
    """
    now = larder.clock()
    with reading(larder.engine) as session:
        running = LoadState(session, number, record_of(session, number), now)
        numbers = [number_of(running, tray) for tray in trays] or running.trays_in(item)
        if not numbers or any(running.trays[n].item != item for n in numbers):
            raise NotThere("item", "That food is out of the dryer")
        tested = _tested(running, item, numbers, feels_dry=feels_dry, wet_inside=wet_inside, weight=weight)
    if not tested.take_out:
        mark(larder, number, item, "tested", _marked_tested)
    return tested


def take_out(
    larder: Larder, number: int, trays: tuple[int, ...], weight: str, *, feels_dry: bool, meant: bool = False
) -> CameOut:
    """Trays of one food come out, dry: they become a lot.

    Args:
        larder: the larder.
        number: the load.
        trays: numbers of the trays, of one food.
        weight: what they weigh together now, dry, without the trays.
        feels_dry: whether cooled pieces feel as they should.
        meant: whether they come out although something speaks against it.

    Raises:
        Refused: the weight cannot be, or it is not dry and it was not said that it is meant; nothing is saved.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        running = LoadState(session, number, record_of(session, number), now)
        mine = [tray_of(running, tray) for tray in trays]
        if len({tray.item for tray in mine}) != 1:
            raise Refused("trays", "Take out one food at a time: each becomes a lot of its own")
        item = mine[0].item
        wet_g, dry_g = sum(tray.wet_g for tray in mine), net_g(weight, 0)
        moisture = _moisture(running, item, wet_g, dry_g, meant=meant)
        lying = running.lying[item]
        judged = believe(feels_dry=feels_dry, moisture_pct=moisture, target_pct=lying.course.target_pct)
        if judged is not Believe.DRY and not meant:
            raise Refused("meant", f"{_BELIEVED[judged]} By weight it is at {moisture:.0f} % moisture.")
        load = running.record
        for tray in trays:
            load = with_tray(load, tray - 1, replace(load.trays[tray - 1], out_at=now))
        empty = all(tray.out_at for tray in load.trays)
        lot = log.next_number(session, "lot")
        hours = hours_between(running.began_of(item), now)
        came = _came(running, item, wet_g, dry_g, moisture, hours, now)
        act = log.removed("load", number) if empty else log.Act(number, load, "out")
        title = log.title("load.out", mass_g=dry_g, name=lying.food.name)
        log.record(session, title, [act, log.Act(lot, came)], at=now)
        line = f"{say_mass(dry_g, running.household.units)} {lying.food.name}"
        return CameOut(lot, line, came.wants_conditioning, gives_of(session, session.get_one(Lot, lot)))


def _moisture(running: LoadState, item: int, wet_g: float, dry_g: float, *, meant: bool) -> float:
    """Moisture by weight; that of the table for food that came out lighter than the table thinks it can be."""
    lying, units = running.lying[item], running.household.units
    if dry_g >= wet_g:
        wet = say_mass(wet_g, units)
        raise Refused("weight", f"Not lighter than the {wet} it went in with: were the trays on the scale?")
    least = solids_g(lying, wet_g)
    if dry_g <= least and not meant:
        raise Refused("meant", _too_light(lying, least, units))
    return lying.course.moisture_pct(dry_g / wet_g) if dry_g > least else lying.wanted_pct


def _too_light(lying: TrayItem, least_g: float, units: Units) -> str:
    return (
        f"Lighter than it can be: {say_mass(least_g, units)} of what went in is not water, if it held "
        f"{lying.course.start_pct:.0f} % as in the table. Is all of it on the scale? Some pears and tomatoes are "
        "wetter than the table."
    )


def _tested(
    running: LoadState, item: int, numbers: list[int], *, feels_dry: bool, wet_inside: bool, weight: str
) -> Tested:
    lying = running.lying[item]
    wet_g = sum(running.trays[n].wet_g for n in numbers)
    weighed = bool(weight.strip())
    now_g = net_g(weight, 0) if weighed else sum(running.expected_g(n) for n in numbers)
    if now_g >= wet_g:
        raise Refused("weight", f"Not lighter than the {say_mass(wet_g, running.household.units)} it went in with")
    least = solids_g(lying, wet_g)
    if weighed and now_g <= least:
        raise Refused("weight", _too_light(lying, least, running.household.units))
    moisture, target = lying.course.moisture_pct(now_g / wet_g), lying.course.target_pct
    judged = believe(feels_dry=feels_dry, moisture_pct=moisture, target_pct=target)
    if wet_inside:
        judged = Believe.HAND
        says = (
            "Case-hardened: the face closed over a wet middle. Cut the pieces smaller, turn the warmth down, and dry "
            "them on. Condition this lot for ten days."
        )
    elif not weighed and judged is Believe.WEIGHT:
        says = "By the forecast it is not dry yet. Weigh it: if the scale says the same, believe the scale."
    elif not weighed and judged is Believe.HAND:
        says = "Not yet, whatever the forecast says: believe the hand. An hour or two more."
    else:
        says = _BELIEVED[judged]
    return Tested(judged, says, moisture, target, weighed, take_out=judged is Believe.DRY)


def _came(
    running: LoadState, item: int, wet_g: float, dry_g: float, moisture: float, hours: float, now: datetime
) -> LotCame:
    """The lot that trays become."""
    lying, household, machine = running.lying[item], running.household, running.machine
    kwh = energy_kwh(machine.watts, machine.duty, min(hours, 2000))
    share = wet_g / sum(tray.wet_g for tray in running.trays)
    bought = running.record.items[item].coins * min(1.0, wet_g / lying.mass_g)
    coins = round(bought + kwh * household.kwh_coins * share)
    treated = tuple(sorted(lying.treatments))
    return LotCame(
        food_key=lying.food.key,
        came_g=dry_g,
        came_on=day_of(now),
        coins=coins or None,
        moisture_pct=moisture,
        made=Origin.DRIED,
        wet_g=wet_g,
        wants_conditioning=not lying.produce.animal,
        history=(Dried(day_of(now), hours, running.air_c, wet_g, dry_g, moisture, treated),),
    )


def _marked_tested(load: LoadRecord, item: int, now: datetime) -> LoadRecord:
    return replace(load, tested=at_place(load.tested, item, now))
