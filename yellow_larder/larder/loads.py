"""Loads in the dryer: started, weighed, loosened, tested, taken out as lots."""

from __future__ import annotations

from copy import deepcopy
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from yellow_larder.core.drying import Believe, believe, energy_kwh
from yellow_larder.core.findings import Severity
from yellow_larder.core.forecast import rises
from yellow_larder.larder.cold import say_hours
from yellow_larder.larder.gives import Gives, gives_of
from yellow_larder.larder.larder import Larder
from yellow_larder.larder.loading import Item, Laying, LoadAsk
from yellow_larder.larder.lying import Room
from yellow_larder.larder.quantities import read_amount, say_mass, say_temperature
from yellow_larder.larder.refusals import NotThere, Refused
from yellow_larder.larder.running import Load, Running, Tray, hours_between, record_of, solids_g, view
from yellow_larder.larder.wording import say_day
from yellow_larder.store import journal
from yellow_larder.store.database import reading, writing
from yellow_larder.store.models import Lot

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


def start_load(larder: Larder, ask: LoadAsk, room: Room | None = None) -> int:
    """The load goes into the dryer now; returns its number.

    Raises:
        Refused: a field cannot be read, or the load is stopped by a finding.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        laying = _laid(session, ask, room)
        number = journal.next_number(session, "load")
        facts = {
            "machine": laying.machine.key,
            "air_c": laying.air_c,
            "tray_g": laying.tray_g,
            "room_c": laying.room.temperature_c,
            "humidity": laying.room.humidity,
            "began": now.isoformat(),
            "items": [],
            "trays": [],
            "loosened": [],
            "tested": [],
        } | _more({"items": [], "trays": [], "loosened": [], "tested": []}, laying, now)
        names = " and ".join(lying.produce.name for lying in laying.lying)
        journal.record(session, f"Put {names} in the dryer", [journal.Act("load", number, "began", facts)], at=now)
    return number


def add_to_load(larder: Larder, number: int, item: Item, room: Room | None = None) -> None:
    """Another food goes onto the free trays of a load that is running.

    Raises:
        Refused: a field cannot be read, there is no free tray, or the food does not go in with the rest.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        facts = record_of(session, number)
        running = Running(session, number, facts, now)
        free = running.machine.trays - len(running.trays_in())
        if free < 1:
            raise Refused("line.0", "There is no free tray")
        ask = LoadAsk(items=(item,), machine=running.machine.key, air_c=running.air_c)
        laying = _laid(session, ask, room or Room(facts["room_c"], facts["humidity"]))
        wanted = len(laying.trays)
        if wanted > free or any(laying.left_g):
            raise Refused("line.0", f"That wants {wanted} trays, and {free} {'is' if free == 1 else 'are'} free")
        anew = facts | _more(facts, laying, now)
        title = f"Put {laying.lying[0].produce.name} in beside the rest"
        journal.record(session, title, [journal.Act("load", number, "more", anew)], at=now)


def weigh_tray(larder: Larder, number: int, tray: int, weight: str, *, meant: bool = False) -> None:
    """A tray was weighed.

    Raises:
        Refused: it cannot weigh that; or it is odd, and it was not said that it is meant.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        running = Running(session, number, record_of(session, number), now)
        mine, grams = _tray_of(running, tray), _net_g(weight, running.tray_g)
        units = running.household.units
        if grams > mine.wet_g * 1.03 + 3:
            wet = say_mass(mine.wet_g, units)
            raise Refused("weight", f"More than the {wet} it went in with: another tray, or the tray's own weight?")
        before = mine.weighings[-1][1] if mine.weighings else mine.wet_g
        facts = deepcopy(running.facts)
        mine_facts = facts["trays"][tray - 1]
        if rises(before, grams):
            if not meant:
                raise Refused(
                    "meant",
                    f"It was {say_mass(before, units)} before, and food does not gain weight in a dryer. Another tray? "
                    "Food added? If this weight is right, the earlier ones are struck out.",
                )
            mine_facts["weighings"] = [each for each in mine_facts["weighings"] if not rises(each[1], grams)]
        least = solids_g(running.lying[mine.item], mine.wet_g)
        if grams < least and not meant:
            raise Refused(
                "meant",
                f"Lighter than it can be: {say_mass(least, units)} of what went in is not water. Another tray, or was "
                "it weighed without its tray? Food wetter than the table has it comes out a little lighter.",
            )
        mine_facts["weighings"].append([now.isoformat(), grams])
        name = running.lying[mine.item].produce.name
        title = f"Weighed tray {tray}, {name}: {say_mass(grams, units)}"
        journal.record(session, title, [journal.Act("load", number, "weighed", facts)], at=now)


def loosen(larder: Larder, number: int, item: int) -> None:
    """The middles of a food's trays were loosened and turned."""
    _mark(larder, number, item, "loosened", "Loosened and turned the {name}")


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
        running = Running(session, number, record_of(session, number), now)
        numbers = [_number_of(running, tray) for tray in trays] or running.trays_in(item)
        if not numbers or any(running.trays[n].item != item for n in numbers):
            raise NotThere("item", "That food is out of the dryer")
        tested = _tested(running, item, numbers, feels_dry=feels_dry, wet_inside=wet_inside, weight=weight)
    if not tested.take_out:
        _mark(larder, number, item, "tested", "Tested the {name}: not dry yet")
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
        running = Running(session, number, record_of(session, number), now)
        mine = [_tray_of(running, tray) for tray in trays]
        if len({tray.item for tray in mine}) != 1:
            raise Refused("trays", "Take out one food at a time: each becomes a lot of its own")
        item = mine[0].item
        wet_g, dry_g = sum(tray.wet_g for tray in mine), _net_g(weight, 0)
        moisture = _moisture(running, item, wet_g, dry_g, meant=meant)
        lying = running.lying[item]
        judged = believe(feels_dry=feels_dry, moisture_pct=moisture, target_pct=lying.course.target_pct)
        if judged is not Believe.DRY and not meant:
            raise Refused("meant", f"{_BELIEVED[judged]} By weight it is at {moisture:.0f} % moisture.")
        facts = deepcopy(running.facts)
        for tray in trays:
            facts["trays"][tray - 1]["out_at"] = now.isoformat()
        empty = all(tray["out_at"] for tray in facts["trays"])
        lot = journal.next_number(session, "lot")
        hours = hours_between(running.began_of(item), now)
        came = _came(running, item, wet_g, dry_g, moisture, hours, now)
        act = journal.Act("load", number, journal.GONE if empty else "out", facts)
        title = f"Took {say_mass(dry_g, running.household.units)} {lying.food.name} out of the dryer"
        journal.record(session, title, [act, journal.Act("lot", lot, "came", came)], at=now)
        line = f"{say_mass(dry_g, running.household.units)} {lying.food.name}"
        return CameOut(lot, line, came["wants_conditioning"], gives_of(session, session.get_one(Lot, lot)))


def see_loads(larder: Larder) -> list[Load]:
    """What is in the dryers now, what is due first."""
    now = larder.clock()
    with reading(larder.engine) as session:
        running = [Running(session, n, facts, now) for n, facts in journal.records(session, "load").items()]
        return sorted((view(each) for each in running), key=lambda load: load.next.due)


def _laid(session: Session, ask: LoadAsk, room: Room | None) -> Laying:
    laying = Laying(session, ask, room)
    stop = next((finding for finding in laying.findings() if finding.severity is Severity.STOP), None)
    if stop:
        raise Refused("stop", f"{stop.says}. {stop.why}")
    return laying


def _more(facts: dict[str, Any], laying: Laying, now: datetime) -> dict[str, Any]:
    """A load's record with more foods and trays in it."""
    first = len(facts["items"])
    items = [
        {
            "produce": lying.produce.key,
            "mass_g": lying.mass_g,
            "thickness_mm": lying.thickness_mm,
            "treatments": sorted(lying.treatments),
            "water_pct": lying.course.start_pct,
            "coins": coins,
        }
        for lying, coins in zip(laying.lying, laying.coins, strict=True)
    ]
    trays: list[dict[str, Any]] = [
        {"item": first + item, "wet_g": grams, "in_at": now.isoformat(), "out_at": None, "weighings": []}
        for item, grams in laying.trays
    ]
    nothing: list[str | None] = [None] * len(items)
    return {
        "items": facts["items"] + items,
        "trays": facts["trays"] + trays,
        "loosened": facts["loosened"] + nothing,
        "tested": facts["tested"] + nothing,
    }


def _mark(larder: Larder, number: int, item: int, what: str, title: str) -> None:
    now = larder.clock()
    with writing(larder.engine) as session:
        running = Running(session, number, record_of(session, number), now)
        if item not in running.items_in():
            raise NotThere("item", "That food is out of the dryer")
        facts = deepcopy(running.facts)
        facts[what][item] = now.isoformat()
        said = title.format(name=running.lying[item].produce.name)
        journal.record(session, said, [journal.Act("load", number, what, facts)], at=now)


def _number_of(running: Running, tray: int) -> int:
    """A tray's place in the record, from its number on screen."""
    if tray - 1 not in running.trays_in():
        raise NotThere("tray", f"There is no tray {tray} in there")
    return tray - 1


def _tray_of(running: Running, tray: int) -> Tray:
    return running.trays[_number_of(running, tray)]


def _net_g(weight: str, tray_g: float) -> float:
    amount = read_amount(weight, "weight")
    if amount.volume_ml:
        raise Refused("weight", "Write a weight, such as 412 g or 14.5 oz")
    grams = amount.mass_g - tray_g
    if grams <= 0:
        raise Refused("weight", "That is less than the empty tray weighs")
    return grams


def _moisture(running: Running, item: int, wet_g: float, dry_g: float, *, meant: bool) -> float:
    """Moisture by weight; that of the table for food that came out lighter than the table thinks it can be."""
    lying, units = running.lying[item], running.household.units
    if dry_g >= wet_g:
        wet = say_mass(wet_g, units)
        raise Refused("weight", f"Not lighter than the {wet} it went in with: were the trays on the scale?")
    least = solids_g(lying, wet_g)
    if dry_g <= least and not meant:
        raise Refused(
            "meant",
            f"Lighter than it can be: {say_mass(least, units)} of what went in is not water, if it held "
            f"{lying.course.start_pct:.0f} % as in the table. Is all of it on the scale? Some pears and tomatoes are "
            "wetter than the table.",
        )
    return lying.course.moisture_pct(dry_g / wet_g) if dry_g > least else lying.wanted_pct


def _tested(
    running: Running, item: int, numbers: list[int], *, feels_dry: bool, wet_inside: bool, weight: str
) -> Tested:
    lying = running.lying[item]
    wet_g = sum(running.trays[n].wet_g for n in numbers)
    weighed = bool(weight.strip())
    now_g = _net_g(weight, 0) if weighed else sum(running.expected_g(n) for n in numbers)
    if now_g >= wet_g:
        raise Refused("weight", f"Not lighter than the {say_mass(wet_g, running.household.units)} it went in with")
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
    running: Running, item: int, wet_g: float, dry_g: float, moisture: float, hours: float, now: datetime
) -> dict[str, Any]:
    """The lot that trays become, as the journal keeps it."""
    lying, household, machine = running.lying[item], running.household, running.machine
    kwh = energy_kwh(machine.watts, machine.duty, min(hours, 2000))
    share = wet_g / sum(tray.wet_g for tray in running.trays)
    bought = running.facts["items"][item]["coins"] * min(1.0, wet_g / lying.mass_g)
    coins = round(bought + kwh * household.kwh_coins * share)
    units = household.units
    done = f"{', '.join(sorted(lying.treatments))}, " if lying.treatments else ""
    story = (
        f"{say_day(now.date())}: {done}dried in {say_hours(hours)} at {say_temperature(running.air_c, units)}, "
        f"{say_mass(wet_g, units)} to {say_mass(dry_g, units)}, {moisture:.1f} % moisture"
    )
    return {
        "food_key": lying.food.key,
        "came_g": dry_g,
        "came_on": now.date().isoformat(),
        "coins": coins or None,
        "price": None,
        "moisture_pct": moisture,
        "made": "dried",
        "wet_g": wet_g,
        "wants_conditioning": not lying.produce.animal,
        "story": [story],
    }
