"""Supplies: what there is to pack with, what it cost, and what is running low."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date

from sqlalchemy.orm import Session

from yellow_larder.core.containers import Mouth
from yellow_larder.core.packing import worth_after
from yellow_larder.features.catalog.containers import (
    called,
    container_by_key,
    cut_shorter,
    own_bag,
)
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settings, tidy_name
from yellow_larder.features.household.money import read_money, say_money
from yellow_larder.features.household.versions import check_based_on
from yellow_larder.features.supplies.events import DesiccantTurned, Said, Sort, SupplyCame, SupplySet
from yellow_larder.features.supplies.state import SupplyRecord
from yellow_larder.features.supplies.stock import SORT_OF, Stock, spares_act
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.reference import packets
from yellow_larder.words.dates import check_day, say_day
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_length_mm

MOST = 10_000
"""More of one thing than this is a slip of the pen."""


@dataclass(frozen=True, slots=True, kw_only=True)
class NewSupply:
    """Something to pack with, as a person writes it down.

    Attributes:
        sort: what sort of thing.
        key: of a container, its key in the table; of packets, their rating in mL; of lids, the
            mouth they fit; of desiccant, grams in one.
        size: flat size of a bag of one's own, "25 × 35 cm"; goes before `key`.
        name: of tools, and of lids for no common mouth, what it is called.
        count: how many there are; of packets, inner packs that are closed.
        per_pack: packets in one inner pack.
        cost: what one costs, "0.45"; of packets, one inner pack.
        low: a count at which it is running low.
        note: what is to be known of it, such as where the spares are or how hot the iron must be.
        came_on: the day it came; none means today.
    """

    sort: Sort
    key: str = ""
    size: str = ""
    name: str = ""
    count: int = 0
    per_pack: int = 1
    cost: str = ""
    low: int = 0
    note: str = ""
    came_on: date | None = None


def add_supply(larder: Larder, new: NewSupply) -> int:
    """Write down something to pack with; returns its number.

    Raises:
        Refused: a field cannot be read, or it is written down already.
    """
    with writing(larder.engine) as session:
        household = settings(session)
        key, name = _identity(new, household.units)
        _check_count(new.count, "count")
        if not 1 <= new.per_pack <= 1000:
            raise Refused("per_pack", "Absorbers in one inner pack: 1 to 1,000")
        known = log.records(session, SupplyRecord)
        mine = (new.sort, key or name)
        if any((each.sort, each.key or each.name) == mine for each in known.values()):
            raise Refused("name", f"{name} is written down already: change its count there")
        said: Said = {
            "sort": new.sort,
            "key": key,
            "name": name,
            "per_pack": new.per_pack if new.sort is Sort.PACKETS else 1,
            "low": _check_count(new.low, "low"),
            "note": _note(new.note),
            "count": new.count,
            "coins": read_money(new.cost, "cost") if new.cost.strip() else None,
            "came_on": check_day(new.came_on or larder.today(), larder.today(), "came_on"),
        }
        number = log.next_number(session, "supply")
        title = log.title("supply.added", count=new.count, name=name)
        acts = [log.Act(number, SupplySet(said))]
        log.record(session, title, acts, at=larder.clock())
    return number


def _identity(new: NewSupply, units: Units) -> tuple[str, str]:
    """Its key and its name, by its sort."""
    if new.sort is Sort.PACKETS:
        size = _rating(new.key)
        return str(size), f"{size} mL absorbers"
    if new.sort is Sort.DESICCANT:
        grams = _grams(new.key)
        return f"{grams:g}", f"silica gel, {grams:g} g"
    if new.sort is Sort.LIDS and new.key:
        return _mouth(new.key).value, f"{_mouth(new.key)}-mouth lids"
    if new.sort in (Sort.LIDS, Sort.TOOLS):
        return "", tidy_name(new.name, "name")
    container = own_bag(new.size, 7, units, field="size") if new.size.strip() else container_by_key(new.key)
    if SORT_OF.get(container.kind) is not new.sort:
        raise Refused("key", f"The {called(container, units)} is not among the {new.sort.value}")
    return container.key, called(container, units)


def _mouth(text: str) -> Mouth:
    if text not in list(Mouth):
        raise Refused("key", "Lids fit a regular or a wide mouth; give any other lid a name of its own")
    return Mouth(text)


def _rating(text: str) -> int:
    size = int(text) if text.isdecimal() else 0
    if size not in packets():
        sizes = ", ".join(str(each) for each in sorted(packets()))
        raise Refused("key", f"Absorbers come in {sizes} mL")
    return size


def _grams(text: str) -> float:
    try:
        grams = float(text.replace(",", "."))
    except ValueError:
        grams = 0.0
    if not 0.5 <= grams <= 1000:
        raise Refused("key", "Grams of gel in one packet: 0.5 to 1,000")
    return grams


def _note(text: str) -> str:
    note = " ".join(text.split())
    if len(note) > 120:
        raise Refused("note", f"That is {len(note)} letters; 120 is the most")
    return note


def _check_count(count: int, field: str) -> int:
    if not 0 <= count <= MOST:
        raise Refused(field, f"A count between 0 and {MOST:,}")
    return count


def count_supply(
    larder: Larder,
    number: int,
    count: int,
    *,
    spares: int | None = None,
    again: int | None = None,
    based_on: int | None = None,
) -> None:
    """It was counted: so many there are, so many spares in the jar, so many lids that were used before.

    Raises:
        Refused: the count is below nothing, or absurd.
    """
    _check_count(count, "count")
    with writing(larder.engine) as session:
        supply = _supply(session, number)
        check_based_on(session, "supply", number, based_on, lambda: _countable(supply))
        said: Said = {"count": count}
        if spares is not None:
            if supply.sort is not Sort.PACKETS:
                raise Refused("spares", "Only absorbers have spares")
            said["spares"] = _check_count(spares, "spares")
            if spares and not supply.spares:
                said |= {"since": larder.today(), "worth": worth_after(5)}
        if again is not None:
            if supply.sort is not Sort.LIDS:
                raise Refused("again", "Only lids are told apart by use")
            said["again"] = _check_count(again, "again")
        if replace(supply, **said) == supply:
            raise Refused("count", "That is what is written already")
        title = log.title("supply.counted", name=supply.name, count=count)
        log.record(session, title, [log.Act(number, SupplySet(said))], at=larder.clock())


def more_of(larder: Larder, number: int, count: int, *, cost: str = "") -> None:
    """More of it came into the house; with what one costs, if that is said.

    Raises:
        Refused: the count is nothing or absurd, or the cost cannot be read.
    """
    if not 1 <= count <= MOST:
        raise Refused("count", f"How many came: 1 to {MOST:,}")
    with writing(larder.engine) as session:
        coins = read_money(cost, "cost") if cost.strip() else None
        title = log.title("supply.came", count=count, name=_supply(session, number).name)
        log.record(session, title, [log.Act(number, SupplyCame(count, coins))], at=larder.clock())


def set_supply(
    larder: Larder,
    number: int,
    *,
    low: int | None = None,
    cost: str | None = None,
    note: str | None = None,
    based_on: int | None = None,
) -> None:
    """Say when it is running low, what one costs, what is to be known of it.

    Raises:
        Refused: a field cannot be read.
    """
    said: Said = {}
    if low is not None:
        said["low"] = _check_count(low, "low")
    if cost is not None:
        said["coins"] = read_money(cost, "cost") if cost.strip() else None
    if note is not None:
        said["note"] = _note(note)
    with writing(larder.engine) as session:
        supply, household = _supply(session, number), settings(session)
        check_based_on(session, "supply", number, based_on, lambda: _noted(supply, household))
        log.record(
            session, log.title("supply.noted", name=supply.name), [log.Act(number, SupplySet(said))], at=larder.clock()
        )


def _countable(supply: SupplyRecord) -> dict[str, object]:
    """What counting says of a supply."""
    return {"count": supply.count, "spares": supply.spares, "again": supply.again}


def _noted(supply: SupplyRecord, household: Settings) -> dict[str, object]:
    """What is noted of a supply, as it is typed."""
    cost = say_money(supply.coins, household) if supply.coins is not None else ""
    return {"low": supply.low, "cost": cost, "note": supply.note}


def forget_supply(larder: Larder, number: int, *, based_on: int | None = None) -> None:
    """Remove it, unless somebody changed it since it was shown.

    Raises:
        Refused: there is none of that number.
        Outdated: it is of another version by now.
    """
    with writing(larder.engine) as session:
        supply = _supply(session, number)
        check_based_on(session, "supply", number, based_on, lambda: _countable(supply))
        title = log.title("supply.removed", name=supply.name)
        log.record(session, title, [log.removed("supply", number)], at=larder.clock())


def put_spares(larder: Larder, number: int, count: int, minutes: float, *, on: date | None = None) -> None:
    """Packets that lay out for so long went into the jar of spares, today or on a day that is past.

    Raises:
        Refused: the count or the time is absurd, it is no packet, or it would be older than the pack it came in.
    """
    today = larder.today()
    day = check_day(on or today, today, "on")
    with writing(larder.engine) as session:
        supply = _supply(session, number)
        if supply.sort is not Sort.PACKETS:
            raise Refused("count", "Only absorbers have spares")
        if not 1 <= count <= MOST:
            raise Refused("count", f"How many went into the jar: 1 to {MOST:,}")
        if not 0 <= minutes <= 24 * 60:
            raise Refused("minutes", "How many minutes they lay out: 0 to 1,440")
        came = supply.came_on or day
        if day < came:
            raise Refused("on", f"Older than its pack: that came on {say_day(came)}")
        act = spares_act(number, int(supply.key), count, minutes, day)
        title = log.title("supply.spares", count=count, name=supply.name, minutes=minutes)
        log.record(session, title, [act], at=larder.clock())


def cut_down(larder: Larder, number: int, *, by: str = "3 cm") -> int:
    """A bag was cut open under its seal and is kept: one that is shorter by so much; returns its number.

    Raises:
        Refused: it is no bag, or too short to be closed again.
    """
    with writing(larder.engine) as session:
        household = settings(session)
        supply = _supply(session, number)
        if supply.sort not in (Sort.BAGS, Sort.POUCHES):
            raise Refused("number", "Only bags are cut down")
        shorter = cut_shorter(container_by_key(supply.key), read_length_mm(by, "by", units=household.units))
        act = Stock(session).takes_in(session, shorter)
        title = log.title("supply.cut-down", name=supply.name, length_mm=shorter.length_mm)
        log.record(session, title, [act], at=larder.clock())
    return act.subject


def spend_desiccant(larder: Larder, number: int, count: int, *, restored: bool) -> None:
    """So many packets of gel are full of water; or came out of the oven dry again.

    Raises:
        Refused: there are not so many, or it is no desiccant.
    """
    with writing(larder.engine) as session:
        supply = _supply(session, number)
        there = supply.spent if restored else supply.count
        if supply.sort is not Sort.DESICCANT:
            raise Refused("number", "Only desiccant is dried in the oven")
        if not 1 <= count <= there:
            raise Refused("count", f"There are {there} of them")
        turned = "restored" if restored else "spent"
        act = log.Act(number, DesiccantTurned(count), turned)
        title = log.title(f"supply.{turned}", count=count, name=supply.name)
        log.record(session, title, [act], at=larder.clock())


def _supply(session: Session, number: int) -> SupplyRecord:
    supply = Stock(session).records.get(number)
    if supply is None:
        raise NotThere("number", "That is not among the supplies any more")
    return supply
