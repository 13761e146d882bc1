"""Loads in the dryer: started, weighed, loosened, tested, taken out as lots."""

from __future__ import annotations

from copy import deepcopy
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from yellow_larder.features.drying.load_plan import Item, Laying, LoadAsk
from yellow_larder.features.drying.load_state import Load, Running, record_of, view
from yellow_larder.features.drying.tray_item import Room
from yellow_larder.features.household.larder import Larder
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused, refuse_stops


def start_load(larder: Larder, ask: LoadAsk, room: Room | None = None) -> int:
    """The load goes into the dryer now; returns its number.

    Raises:
        Refused: a field cannot be read, or the load is stopped by a finding.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        laying = _laid(session, ask, room)
        number = log.next_number(session, "load")
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
        log.record(session, f"Put {names} in the dryer", [log.Act("load", number, "began", facts)], at=now)
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
        log.record(session, title, [log.Act("load", number, "more", anew)], at=now)


def loosen(larder: Larder, number: int, item: int) -> None:
    """The middles of a food's trays were loosened and turned."""
    mark(larder, number, item, "loosened", "Loosened and turned the {name}")


def see_loads(larder: Larder) -> list[Load]:
    """What is in the dryers now, what is due first."""
    now = larder.clock()
    with reading(larder.engine) as session:
        running = [Running(session, n, facts, now) for n, facts in log.records(session, "load").items()]
        return sorted((view(each) for each in running), key=lambda load: load.next.due)


def _laid(session: Session, ask: LoadAsk, room: Room | None) -> Laying:
    laying = Laying(session, ask, room)
    refuse_stops(laying.findings())
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


def mark(larder: Larder, number: int, item: int, what: str, title: str) -> None:
    """Write down that something was done to a food of a load: "loosened" or "tested"."""
    now = larder.clock()
    with writing(larder.engine) as session:
        running = Running(session, number, record_of(session, number), now)
        if item not in running.items_in():
            raise NotThere("item", "That food is out of the dryer")
        facts = deepcopy(running.facts)
        facts[what][item] = now.isoformat()
        said = title.format(name=running.lying[item].produce.name)
        log.record(session, said, [log.Act("load", number, what, facts)], at=now)
