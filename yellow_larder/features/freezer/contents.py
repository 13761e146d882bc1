"""What is in the freezer now: in, out, thawed, opened."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

import numpy as np
from sqlalchemy.orm import Session

from yellow_larder.features.catalog.containers import called
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.freezer.events import Freezing
from yellow_larder.features.freezer.frost import hours_too_warm
from yellow_larder.features.freezer.plan import Cold, FreezeAsk, FreezePlan
from yellow_larder.features.household.clock import Moment, day_of
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.events import LotCame, LotFrozen
from yellow_larder.features.lots.lots import CRUMBS_G, find_lot
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.articles import a_or_an
from yellow_larder.words.durations import say_hours
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import say_mass, say_temperature


class Phase(StrEnum):
    """Where a package in the freezer stands."""

    COOLING = "cooling"
    HOLDING = "holding"
    DONE = "done"
    THAWING = "thawing"
    READY = "ready"


@dataclass(frozen=True, slots=True)
class InFreezer:
    """Something that is in the freezer, or thawing beside it."""

    number: int
    says: str
    food: str
    form: str
    colour: str
    phase: Phase
    next: str
    went_in: Moment
    cold_at: Moment
    out_at: Moment
    taken_out: Moment | None
    open_at: Moment | None
    middle_c: float
    middle: str
    share: float
    """Part of the way from the door closing to the hold's end, or through the thaw."""
    line: str
    lot: int | None


def plan_freeze(larder: Larder, ask: FreezeAsk) -> FreezePlan:
    """How long this must stay in the freezer, and thaw. Nothing is saved.

    Raises:
        Refused: a field cannot be read, or the freezer is too warm to kill.
    """
    with reading(larder.engine) as session:
        return Cold(session, ask, larder.today()).plan()


def frozen_g(session: Session) -> Mapping[int, float]:
    """How much of which lots is in the freezer, or thawing closed beside it, g: nothing else is done with that."""
    inside: defaultdict[int, float] = defaultdict(float)
    for each in log.records(session, Freezing).values():
        if each.lot is not None:
            inside[each.lot] += each.mass_g or _cold(session, each).amount_g
    return inside


def put_in(larder: Larder, ask: FreezeAsk) -> int:
    """It goes into the freezer now; returns its number.

    Raises:
        Refused: a field cannot be read, the lot is of another food, or all of it is in the freezer already.
    """
    with writing(larder.engine) as session:
        cold = Cold(session, ask, larder.today())
        if ask.lot is not None:
            _check_not_in(session, ask.lot, cold)
        number = log.next_number(session, "freezing")
        # What is in the freezer is in the house: it counts as what is here, whether or not it came with a record.
        lot = ask.lot or log.next_number(session, "lot")
        came = [] if ask.lot else [log.Act(lot, LotCame(cold.food.key, cold.amount_g, larder.today()))]
        freezing = Freezing(
            food_key=cold.food.key,
            mass_g=cold.amount_g,
            container=cold.ask.container,
            freezer_c=cold.ask.freezer_c,
            moving=ask.moving,
            hold=ask.hold,
            lot=lot,
            went_in=larder.clock(),
            place=ask.place,
        )
        title = log.title("freezing.in", mass_g=cold.amount_g, name=cold.food.name)
        log.record(session, title, [*came, log.Act(number, freezing, "in")], at=larder.clock())
    return number


def _check_not_in(session: Session, number: int, cold: Cold) -> None:
    """What goes in is of that lot, and not in already."""
    lot = find_lot(session, number)
    if lot.food_key != cold.food.key:
        raise Refused("line", "That lot is of another food")
    inside = frozen_g(session).get(number, 0.0)
    if inside and cold.amount_g > lot.mass_g - inside + CRUMBS_G:
        raise Refused("line", f"{say_mass(inside, cold.household.units)} of that lot is in the freezer already")


def take_out(larder: Larder, number: int, *, early: bool = False) -> None:
    """It comes out of the freezer now, closed.

    Raises:
        Refused: its hold is not over yet, and it was not said that this is meant.
    """
    with writing(larder.engine) as session:
        freezing = _freezing(session, number)
        if freezing.taken_out:
            raise Refused("number", "It is out already")
        view = _view(session, number, freezing, larder.clock())
        if view.phase is not Phase.DONE and not early:
            raise Refused("early", f"The hold is not over: {view.next.lower()} Eggs in the middle may live on.")
        anew = replace(freezing, taken_out=larder.clock())
        title = log.title("freezing.out", name=view.food)
        log.record(session, title, [log.Act(number, anew, "out")], at=larder.clock())


def open_it(larder: Larder, number: int, *, early: bool = False) -> int:
    """It is opened: its lot counts as frozen through if the hold was kept; returns the lot's number.

    Raises:
        Refused: it is still colder than the room's dew point, and it was not said that this is meant.
    """
    with writing(larder.engine) as session:
        freezing = _freezing(session, number)
        if not freezing.taken_out:
            raise Refused("number", "It is in the freezer still")
        cold = _cold(session, freezing)
        view = _view(session, number, freezing, larder.clock())
        if view.phase is not Phase.READY and not early:
            water = cold.early_water_g(view.middle_c)
            raise Refused("early", f"Too cold to open: about {water:.0f} g of water would settle on it. {view.next}")
        acts = [log.removed("freezing", number)]
        lot = freezing.lot
        if lot is None:
            lot = log.next_number(session, "lot")
            acts.append(log.Act(lot, LotCame(cold.food.key, cold.amount_g, larder.today())))
        kept = freezing.taken_out >= _ends(session, freezing, cold, freezing.taken_out) - timedelta(minutes=5)
        if kept:
            acts.append(log.Act(lot, LotFrozen(larder.today())))
        title = log.title("freezing.opened" if kept else "freezing.opened-early", name=view.food)
        log.record(session, title, acts, at=larder.clock())
    return lot


def in_freezer(larder: Larder) -> list[InFreezer]:
    """What is in the freezer or thawing, what is due first."""
    with reading(larder.engine) as session:
        return freezings(session, larder.clock())


def freezings(session: Session, now: datetime) -> list[InFreezer]:
    """The same, within a session."""
    views = [_view(session, n, each, now) for n, each in log.records(session, Freezing).items()]
    order = [Phase.READY, Phase.DONE, Phase.THAWING, Phase.HOLDING, Phase.COOLING]
    return sorted(views, key=lambda each: (order.index(each.phase), each.out_at))


def _freezing(session: Session, number: int) -> Freezing:
    found = log.record_of(session, Freezing, number)
    if found is None:
        raise NotThere("number", "That is not in the freezer any more")
    return found


def _cold(session: Session, of: Freezing) -> Cold:
    ask = FreezeAsk(
        line=of.line, container=of.container, freezer_c=of.freezer_c, moving=of.moving, hold=of.hold, lot=of.lot
    )
    return Cold(session, ask, day_of(of.went_in), (all_foods(session)[of.food_key], of.mass_g) if of.food_key else None)


def _view(session: Session, number: int, freezing: Freezing, now: datetime) -> InFreezer:
    cold = _cold(session, freezing)
    units = cold.household.units
    went_in = freezing.went_in
    cold_at = went_in + timedelta(hours=cold.freeze.middle_cold_hours())
    taken_out = freezing.taken_out
    out_at = _ends(session, freezing, cold, taken_out or now)
    open_at = taken_out + timedelta(hours=cold.thaw.dry_hours()) if taken_out else None
    if taken_out and open_at:
        phase = Phase.READY if now >= open_at else Phase.THAWING
        since, until = taken_out, open_at
        middle = float(cold.thaw.temperature_c(np.array([_hours(taken_out, now)]))[0])
        says = "Open it, and pack it dry." if phase is Phase.READY else f"Leave it closed for {_left(open_at, now)}."
    else:
        phase = Phase.DONE if now >= out_at else Phase.HOLDING if now >= cold_at else Phase.COOLING
        since, until = went_in, out_at
        middle = float(cold.freeze.temperature_c(np.array([_hours(went_in, now)]))[0])
        says = {
            Phase.DONE: "Take it out, closed, and let it warm.",
            Phase.HOLDING: f"Leave it in for {_left(out_at, now)}.",
            Phase.COOLING: f"The middle is cold in {_left(cold_at, now)}; the hold ends in {_left(out_at, now)}.",
        }[phase]
    length = max((until - since).total_seconds(), 1)
    in_what = a_or_an(called(cold.container, units))
    return InFreezer(
        number=number,
        says=f"{cold.count} × {say_mass(cold.each_g, units)} {cold.food.name} in {in_what}",
        food=cold.food.name,
        form=cold.food.form,
        colour=cold.food.colour,
        phase=phase,
        next=says,
        went_in=went_in,
        cold_at=cold_at,
        out_at=out_at,
        taken_out=taken_out,
        open_at=open_at,
        middle_c=middle,
        middle=say_temperature(middle, units),
        share=min(1.0, (now - since).total_seconds() / length),
        line=f"{say_mass(cold.amount_g, units)} {cold.food.name}",
        lot=freezing.lot,
    )


def _ends(session: Session, freezing: Freezing, cold: Cold, now: datetime) -> datetime:
    """When the hold is over: hours that were warmer than was counted on do not count."""
    warm = hours_too_warm(session, freezing.place, freezing.freezer_c, freezing.went_in, now)
    return freezing.went_in + timedelta(hours=cold.freeze.ends_hours(cold.hold) + warm)


def _hours(since: datetime, now: datetime) -> float:
    return max(0.0, (now - since).total_seconds() / 3600)


def _left(until: datetime, now: datetime) -> str:
    return say_hours(max(0.0, (until - now).total_seconds() / 3600))
