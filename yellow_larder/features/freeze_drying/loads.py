"""The freeze dryer: a load planned, started, weighed until it agrees, and closed before it drinks the room."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

from sqlalchemy.orm import Session

from yellow_larder.core.drying import (
    AGREE_HOURS,
    Tray,
    agree,
)
from yellow_larder.core.food import Food
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.drying.conditioning import line_of
from yellow_larder.features.drying.events import Weight
from yellow_larder.features.drying.load_state import hours_between
from yellow_larder.features.drying.tray_item import Room
from yellow_larder.features.freeze_drying.events import CameOutAt, FreezeLoadItem, FreezeLoadRecord
from yellow_larder.features.freeze_drying.plan import (
    PREFIX,
    Chamber,
    FreezeItem,
    FreezeItemPlan,
    FreezeLoadAsk,
    read_chamber,
)
from yellow_larder.features.household.clock import Moment, day_of
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.events import FreezeDried, LotCame, Origin
from yellow_larder.features.lots.state import Lot
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused, refuse_stops
from yellow_larder.words.quantities import read_amount, say_mass


class Stage(StrEnum):
    """Where a load for the freeze dryer stands."""

    FREEZING = "freezing"
    DRYING = "drying"
    WEIGHING = "weighing"
    DRY = "dry"
    OPEN = "open"
    """Out, dry, and drinking from the room."""


@dataclass(frozen=True, slots=True)
class Weighed:
    """A weighing of the whole load."""

    at: Moment
    mass: str
    agrees: bool


@dataclass(frozen=True, slots=True)
class FreezeLoad:
    """A load in the freeze dryer, or out of it and not closed yet."""

    number: int
    says: str
    dryer_name: str
    stage: Stage
    next: str
    due: Moment
    began: Moment
    frozen_at: Moment
    dry_low: Moment
    dry_high: Moment
    share: float
    wet: str
    dry: str
    weighed: list[Weighed]
    items: list[FreezeItemPlan]
    out_at: Moment | None
    pack_by: Moment | None
    moisture_now: float
    lots: list[int]
    lines: list[str]


def start_freeze_load(larder: Larder, ask: FreezeLoadAsk) -> int:
    """The door closes on it now; returns its number.

    Raises:
        Refused: a field cannot be read, or the load is stopped by a finding.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        chamber = read_chamber(session, ask, None)
        refuse_stops(chamber.findings())
        number = log.next_number(session, "freeze-load")
        items = tuple(
            FreezeLoadItem(item.frozen, food.key, tray.mass_g)
            for item, food, tray in zip(ask.items, chamber.foods, chamber.trays, strict=True)
        )
        names = [food.name.removeprefix(PREFIX) for food in chamber.foods]
        began = log.Act(number, FreezeLoadRecord(ask.dryer, items, now), "began")
        log.record(session, log.title("freeze-load.began", names=names), [began], at=now)
    return number


def weigh_freeze_load(larder: Larder, number: int, weight: str) -> None:
    """The whole load was weighed, without its trays.

    Raises:
        Refused: it cannot weigh that.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        load = _load(session, number)
        if load.out:
            raise Refused("number", "It is out already")
        chamber = _chamber(session, load, None)
        amount = read_amount(weight, "weight")
        wet = sum(tray.mass_g for tray in chamber.trays)
        least = sum(tray.mass_g * (100 - tray.water_pct) / 100 for tray in chamber.trays)
        if amount.volume_ml or amount.mass_g > wet:
            raise Refused("weight", f"More than the {say_mass(wet, chamber.household.units)} it went in with")
        if amount.mass_g < 0.6 * least:
            said = say_mass(least, chamber.household.units)
            raise Refused("weight", f"Far below the {said} of it that is not water: is all of it on the scale?")
        anew = replace(load, weighings=(*load.weighings, Weight(now, amount.mass_g)))
        title = log.title("freeze-load.weighed", mass_g=amount.mass_g)
        log.record(session, title, [log.Act(number, anew, "weighed")], at=now)


def take_out_freeze_load(larder: Larder, number: int, *, meant: bool = False, room: Room | None = None) -> list[int]:
    """It comes out: each food becomes a lot, and the pack-by clock starts.

    Raises:
        Refused: two weighings do not agree yet, and it was not said that this is meant.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        load = _load(session, number)
        if load.out:
            raise Refused("number", "It is out already")
        chamber = _chamber(session, load, room)
        dry = _agrees(load.weighings)
        if not dry and not meant:
            raise Refused(
                "meant",
                f"Two weighings {AGREE_HOURS:g} hours apart do not agree yet: there may be ice in the middle of a "
                "thick piece. It would come out soft, and not keep.",
            )
        expected = sum(chamber.dry_g(n) for n in range(len(chamber.foods)))
        weighed = load.weighings[-1].mass_g if load.weighings else expected
        first = log.next_number(session, "lot")
        acts = []
        for n, (food, tray) in enumerate(zip(chamber.foods, chamber.trays, strict=True)):
            mass_g = weighed * chamber.dry_g(n) / expected
            acts.append(log.Act(first + n, _came(food, tray, mass_g, load.began, now, dry=dry)))
        lots = [act.subject for act in acts]
        out = CameOutAt(now, tuple(lots), chamber.room.temperature_c, chamber.room.humidity)
        acts.append(log.Act(number, replace(load, out=out), "out"))
        names = [food.name for food in chamber.foods]
        log.record(session, log.title("freeze-load.out", names=names), acts, at=now)
    return lots


def closed_up(larder: Larder, number: int) -> None:
    """What came out is closed up, or put by: its clock stops."""
    now = larder.clock()
    with writing(larder.engine) as session:
        if not _load(session, number).out:
            raise Refused("number", "It is in the freeze dryer still")
        log.record(session, log.title("freeze-load.closed"), [log.removed("freeze-load", number)], at=now)


def see_freeze_loads(larder: Larder) -> list[FreezeLoad]:
    """What is in the freeze dryers, or out and not closed yet, what is due first."""
    with reading(larder.engine) as session:
        return freeze_loads(session, larder.clock())


def freeze_loads(session: Session, now: datetime) -> list[FreezeLoad]:
    """The same, within a session."""
    found = [_view(session, n, each, now) for n, each in log.records(session, FreezeLoadRecord).items()]
    return sorted((each for each in found if each), key=lambda load: load.due)


def open_moisture_pct(session: Session, lot: int, now: datetime) -> float | None:
    """Moisture of a freeze-dried lot that has lain open since it came out, %; none if it is closed up."""
    for load in log.records(session, FreezeLoadRecord).values():
        if load.out and lot in load.out.lots:
            chamber = _chamber(session, load, Room(load.out.room_c, load.out.humidity))
            return chamber.moisture_after(hours_between(load.out.at, now))
    return None


def _load(session: Session, number: int) -> FreezeLoadRecord:
    found = log.record_of(session, FreezeLoadRecord, number)
    if found is None:
        raise NotThere("number", "That load is closed up")
    return found


def _chamber(session: Session, load: FreezeLoadRecord, room: Room | None) -> Chamber:
    items = tuple(FreezeItem(line=item.line, frozen=item.frozen) for item in load.items)
    known = all_foods(session)
    contents = [(known[item.food_key], item.mass_g) if item.food_key else None for item in load.items]
    return read_chamber(session, FreezeLoadAsk(items=items, dryer=load.dryer), room, contents)


def _agrees(weighings: Sequence[Weight]) -> bool:
    """Whether the last weighing agrees with one two hours or more before it."""
    if len(weighings) < 2:
        return False
    last = weighings[-1]
    earlier = [each for each in weighings[:-1] if hours_between(each.at, last.at) >= AGREE_HOURS - 1 / 60]
    if not earlier:
        return False
    before = earlier[-1]
    return agree(before.mass_g, last.mass_g, max(AGREE_HOURS, hours_between(before.at, last.at)))


def _came(food: Food, tray: Tray, mass_g: float, began: datetime, now: datetime, *, dry: bool) -> LotCame:
    by_weight = max(0.0, 100 - tray.mass_g * (100 - tray.water_pct) / mass_g)
    moisture = food.composition.water_g if dry else max(food.composition.water_g, by_weight)
    return LotCame(
        food_key=food.key,
        came_g=mass_g,
        came_on=day_of(now),
        moisture_pct=moisture,
        made=Origin.FREEZE_DRIED,
        wet_g=tray.mass_g,
        history=(FreezeDried(day_of(now), hours_between(began, now), tray.mass_g, mass_g, dry),),
    )


def _view(session: Session, number: int, load: FreezeLoadRecord, now: datetime) -> FreezeLoad | None:
    out, began = load.out, load.began
    room = Room(out.room_c, out.humidity) if out else None
    chamber = _chamber(session, load, room)
    units = chamber.household.units
    run = chamber.phases()
    frozen_at = began + timedelta(hours=run.freezing)
    dry_low, dry_high = (frozen_at + timedelta(hours=each) for each in (run.drying_low, run.drying_high + run.extra))
    out_at = out.at if out else None
    lots = [session.get(Lot, lot) for lot in out.lots] if out else []
    left = [lot for lot in lots if lot is not None and lot.mass_g >= 1]
    if out and not left:
        return None
    open_hours = chamber.pack_hours()
    pack_by = out_at + timedelta(hours=min(open_hours, 1000)) if out_at else None
    stage, says, due = _stage(load.weighings, now, frozen_at, dry_low, out_at, pack_by)
    return FreezeLoad(
        number=number,
        says=" and ".join(f"{plan.wet} {plan.name}" for plan in chamber.item_plans()),
        dryer_name=chamber.dryer.name,
        stage=stage,
        next=says,
        due=due,
        began=began,
        frozen_at=frozen_at,
        dry_low=dry_low,
        dry_high=dry_high,
        share=min(1.0, hours_between(began, now) / hours_between(began, dry_high)),
        wet=say_mass(sum(tray.mass_g for tray in chamber.trays), units),
        dry=say_mass(sum(chamber.dry_g(n) for n in range(len(chamber.foods))), units),
        weighed=_weighed(load.weighings, chamber.household),
        items=chamber.item_plans(),
        out_at=out_at,
        pack_by=pack_by,
        moisture_now=chamber.moisture_after(hours_between(out_at, now)) if out_at else 0.0,
        lots=[lot.id for lot in left],
        lines=[line_of(lot, all_foods(session)[lot.food_key], units) for lot in left],
    )


def _stage(
    weighings: Sequence[Weight],
    now: datetime,
    frozen_at: datetime,
    dry_low: datetime,
    out_at: datetime | None,
    pack_by: datetime | None,
) -> tuple[Stage, str, datetime]:
    """Where it stands, what to do next, and when."""
    if out_at and pack_by:
        late = now > pack_by
        says = (
            "It has absorbed moisture: dry it again, or eat it soon"
            if late
            else "Close it up: it is absorbing moisture from the room"
        )
        return Stage.OPEN, says, pack_by
    if _agrees(weighings):
        return Stage.DRY, "Dry: take it out and close it at once", now
    if weighings:
        again = weighings[-1].at + timedelta(hours=AGREE_HOURS)
        return Stage.WEIGHING, "Weigh it again: two weighings two hours apart must agree", again
    if now >= dry_low:
        return Stage.WEIGHING, "Weigh the load, break a thick piece: cold in the middle is ice", dry_low
    stage = Stage.DRYING if now >= frozen_at else Stage.FREEZING
    return stage, "Leave it; the door stays closed", dry_low


def _weighed(weighings: Sequence[Weight], household: Settings) -> list[Weighed]:
    return [
        Weighed(each.at, say_mass(each.mass_g, household.units), _agrees(weighings[: n + 1]))
        for n, each in enumerate(weighings)
    ]


def moisture_of(session: Session, lot: Lot, now: datetime) -> float | None:
    """Moisture by a lot's record, and by how long it has lain open since; none if it has no record of it."""
    if lot.made != Origin.FREEZE_DRIED:
        return lot.moisture_pct
    by_now = open_moisture_pct(session, lot.id, now)
    return lot.moisture_pct if by_now is None else max(by_now, lot.moisture_pct or 0.0)
