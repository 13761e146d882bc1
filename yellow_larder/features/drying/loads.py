"""Loads in the dryer: started, weighed, loosened, tested, taken out as lots."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from datetime import datetime

from sqlalchemy.orm import Session

from yellow_larder.features.drying.events import LoadItem, LoadRecord, LoadTray
from yellow_larder.features.drying.load_plan import Item, LoadAsk, TrayLayout
from yellow_larder.features.drying.load_state import Load, LoadState, record_of, view
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
        empty = LoadRecord(
            laying.machine.key, laying.air_c, laying.tray_g, laying.room.temperature_c, laying.room.humidity, now
        )
        load = _with_more(empty, laying, now)
        names = [lying.produce.name for lying in laying.lying]
        log.record(session, log.title("load.began", names=names), [log.Act(number, load, "began")], at=now)
    return number


def add_to_load(larder: Larder, number: int, item: Item, room: Room | None = None) -> None:
    """Another food goes onto the free trays of a load that is running.

    Raises:
        Refused: a field cannot be read, there is no free tray, or the food does not go in with the rest.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        record = record_of(session, number)
        running = LoadState(session, number, record, now)
        free = running.machine.trays - len(running.trays_in())
        if free < 1:
            raise Refused("line.0", "There is no free tray")
        ask = LoadAsk(items=(item,), machine=running.machine.key, air_c=running.air_c)
        laying = _laid(session, ask, room or Room(record.room_c, record.humidity))
        wanted = len(laying.trays)
        if wanted > free or any(laying.left_g):
            raise Refused("line.0", f"That wants {wanted} trays, and {free} {'is' if free == 1 else 'are'} free")
        anew = _with_more(record, laying, now)
        title = log.title("load.more", name=laying.lying[0].produce.name)
        log.record(session, title, [log.Act(number, anew, "more")], at=now)


def loosen(larder: Larder, number: int, item: int) -> None:
    """The middles of a food's trays were loosened and turned."""
    mark(larder, number, item, "loosened", _loosened)


def see_loads(larder: Larder) -> list[Load]:
    """What is in the dryers now, what is due first."""
    now = larder.clock()
    with reading(larder.engine) as session:
        running = [LoadState(session, n, each, now) for n, each in log.records(session, LoadRecord).items()]
        return sorted((view(each) for each in running), key=lambda load: load.next.due)


def _laid(session: Session, ask: LoadAsk, room: Room | None) -> TrayLayout:
    laying = TrayLayout(session, ask, room)
    refuse_stops(laying.findings())
    return laying


def _with_more(load: LoadRecord, laying: TrayLayout, now: datetime) -> LoadRecord:
    """A load with more foods and trays in it."""
    first = len(load.items)
    items = tuple(
        LoadItem(
            produce=lying.produce.key,
            mass_g=lying.mass_g,
            thickness_mm=lying.thickness_mm,
            treatments=tuple(sorted(lying.treatments)),
            water_pct=lying.course.start_pct,
            coins=coins,
        )
        for lying, coins in zip(laying.lying, laying.coins, strict=True)
    )
    nothing = (None,) * len(items)
    return replace(
        load,
        items=load.items + items,
        trays=load.trays + tuple(LoadTray(first + item, grams, now) for item, grams in laying.trays),
        loosened=load.loosened + nothing,
        tested=load.tested + nothing,
    )


Marked = Callable[[LoadRecord, int, datetime], LoadRecord]
"""A load on which it is written that something was done to one of its foods."""


def _loosened(load: LoadRecord, item: int, now: datetime) -> LoadRecord:
    return replace(load, loosened=at_place(load.loosened, item, now))


def at_place(moments: tuple[datetime | None, ...], item: int, now: datetime) -> tuple[datetime | None, ...]:
    """Moments of which one is now."""
    return (*moments[:item], now, *moments[item + 1 :])


def mark(larder: Larder, number: int, item: int, act: str, marked: Marked) -> None:
    """Write down that something was done to a food of a load.

    Args:
        larder: the larder.
        number: the load.
        item: the food, counted from 0.
        act: what the journal calls it.
        marked: writes it on the load.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        running = LoadState(session, number, record_of(session, number), now)
        if item not in running.items_in():
            raise NotThere("item", "That food is out of the dryer")
        anew = marked(running.record, item, now)
        title = log.title(f"load.{act}", name=running.lying[item].produce.name)
        log.record(session, title, [log.Act(number, anew, act)], at=now)
