"""Conditioning: the jars on the sill, shaken once a day."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import date, timedelta

from sqlalchemy import select
from sqlalchemy.orm import Session

from yellow_larder.core.containers import Kind
from yellow_larder.core.drying import (
    FULLEST,
    GUIDELINES,
    OURS,
    ConditioningGuideline,
    Event,
    JarPhase,
    JarState,
    Look,
    standing,
)
from yellow_larder.core.food import Food, Trait
from yellow_larder.features.catalog.containers import Drawing, container_by_key, drawing
from yellow_larder.features.catalog.foods import all_foods
from yellow_larder.features.drying.events import JarDay, JarRecord
from yellow_larder.features.household.clock import day_of
from yellow_larder.features.household.larder import Larder, settings
from yellow_larder.features.lots.events import (
    Conditioned,
    DriedAgain,
    FoundWet,
    LotConditioned,
    LotDriedAgain,
    LotFoundWet,
    Origin,
)
from yellow_larder.features.lots.lots import CRUMBS_G, find_lot
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.text import say_step
from yellow_larder.journal import log
from yellow_larder.journal.database import reading, writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, say_mass

MOST_JARS = 40

_STOOD_WET_DAYS = 2
"""So long after it was found wet a closed jar is looked at for mould before it is dried again. Source: our judgement:
above the water activity at which mould grows it shows within days, not hours."""

_NEXT = {
    Look.CLUMPED: "It clumped: moisture is still in it.",
    Look.STUCK: "It stuck to the glass: moisture is still in it.",
    Look.DROPLETS: "There are droplets on the glass: it is far from dry.",
}


@dataclass(frozen=True, slots=True)
class Dot:
    """A day of a jar: what was seen, or that it is still to come."""

    day: date
    look: str
    """free, clumped, stuck, droplets, back, missed, due, or to come."""


@dataclass(frozen=True, slots=True)
class Jar:
    """A lot in its jars, and how it stands."""

    number: int
    lot: int
    food: str
    form: str
    colour: str
    mass: str
    jars: int
    jar: str
    draw: Drawing
    level: float
    phase: JarPhase
    free_days: int
    wanted: int
    dots: list[Dot]
    due: date | None
    overdue_days: int
    says: str
    line: str
    title: str
    story: list[str]


@dataclass(frozen=True, slots=True)
class Waiting:
    """A lot that was dried here and is not in a jar yet."""

    lot: int
    food: str
    mass: str
    line: str


@dataclass(frozen=True, slots=True)
class JarsView:
    """The jars, what waits for one, and the guidelines."""

    jars: list[Jar]
    waiting: list[Waiting]
    guidelines: list[ConditioningGuideline]
    ours: int


def fill_jar(larder: Larder, lot: int, *, jar: str = "jar-quart", days: int = OURS.days) -> int:
    """A lot goes into jars of its own, part-full; returns their number.

    Raises:
        Refused: it is no jar, the lot is in one already, or there is nothing to condition in it.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        mine = find_lot(session, lot)
        food = all_foods(session)[mine.food_key]
        _check_wants(food, mine)
        if any(each.lot == lot for each in log.records(session, JarRecord).values()):
            raise Refused("lot", "That lot is in its jar already; nothing else goes in with it")
        container = container_by_key(jar)
        if container.kind is not Kind.JAR:
            raise Refused("jar", "Glass shows droplets and clumps: pick a jar")
        if days not in [each.days for each in GUIDELINES]:
            raise Refused("days", "Choose one of the guidelines: 5, 7 or 10 days")
        jars = jars_for(food, mine.mass_g, container.capacity_ml)
        if jars > MOST_JARS:
            raise Refused("jar", f"That would be {jars} jars; pick a larger one")
        number = log.next_number(session, "jar")
        record = JarRecord(lot, jar, jars, days, day_of(now))
        title = log.title("jar.filled", name=food.name, jars=jars)
        log.record(session, title, [log.Act(number, record, "filled")], at=now)
    return number


def look_at_jar(larder: Larder, number: int, look: Look) -> JarPhase:
    """A jar was shaken and looked at. Enough free days make its lot conditioned; anything else takes that back."""
    now = larder.clock()
    today = day_of(now)
    with writing(larder.engine) as session:
        jar = _jar(session, number)
        before = jar_standing(jar, today)
        if before.phase is JarPhase.DRYER:
            raise Refused("look", "It is back in the dryer: tell when it is in its jar again")
        if look is Look.FREE and before.due is not None and today < before.due:
            raise Refused("look", "It was shaken today already; the next time is tomorrow")
        food = all_foods(session)[session.get_one(Lot, jar.lot).food_key]
        anew = replace(jar, events=(*jar.events, JarDay(today, look)))
        after = jar_standing(anew, today)
        acts = [log.Act(number, anew, look.value)]
        if after.phase is JarPhase.DONE and before.phase is not JarPhase.DONE:
            acts.append(log.Act(jar.lot, LotConditioned(today, Conditioned(today, after.wanted))))
        elif after.phase is JarPhase.DRYER:
            acts.append(log.Act(jar.lot, LotFoundWet(FoundWet(today, look))))
        log.record(session, log.title("jar.shaken", name=food.name, look=look.value), acts, at=now)
    return after.phase


def back_in_jar(larder: Larder, number: int) -> None:
    """It was dried again and is back in its jar: the count begins anew.

    Raises:
        Refused: it is not in the dryer.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        jar, today = _jar(session, number), day_of(now)
        if jar_standing(jar, today).phase is not JarPhase.DRYER:
            raise Refused("number", "It is in its jar")
        food = all_foods(session)[session.get_one(Lot, jar.lot).food_key]
        anew = replace(jar, events=(*jar.events, JarDay(today, None)))
        acts = [log.Act(number, anew, "back"), log.Act(jar.lot, LotDriedAgain(DriedAgain(today)))]
        log.record(session, log.title("jar.back", name=food.name), acts, at=now)


def empty_jar(larder: Larder, number: int) -> None:
    """The jar is emptied, done or not; its lot stays."""
    now = larder.clock()
    with writing(larder.engine) as session:
        jar = _jar(session, number)
        food = all_foods(session)[session.get_one(Lot, jar.lot).food_key]
        log.record(session, log.title("jar.emptied", name=food.name), [log.removed("jar", number)], at=now)


def see_jars(larder: Larder) -> JarsView:
    """Every jar that still holds something, what is due first; and what waits for one."""
    today = larder.today()
    with reading(larder.engine) as session:
        records = log.records(session, JarRecord)
        known, units = all_foods(session), settings(session).units
        lots = {lot.id: lot for lot in session.scalars(select(Lot).where(Lot.mass_g >= CRUMBS_G))}
        jars = [
            _view(number, jar, lots[jar.lot], known[lots[jar.lot].food_key], units, today)
            for number, jar in records.items()
            if jar.lot in lots
        ]
        held = {jar.lot for jar in records.values()}
        waiting = [
            Waiting(
                lot.id, known[lot.food_key].name, say_mass(lot.mass_g, units), line_of(lot, known[lot.food_key], units)
            )
            for lot in lots.values()
            if lot.wants_conditioning and lot.conditioned_on is None and lot.id not in held
        ]
    order = [JarPhase.DRYER, JarPhase.SHAKING, JarPhase.DONE]
    jars.sort(key=lambda jar: (order.index(jar.phase), jar.due or today, jar.number))
    return JarsView(jars, waiting, list(GUIDELINES), OURS.days)


def jars_for(food: Food, mass_g: float, capacity_ml: float) -> int:
    """How many jars a lot wants, none fuller than lets it move."""
    return max(1, math.ceil(mass_g / food.loose_g_ml / (capacity_ml * FULLEST) - 1e-9))


def line_of(lot: Lot, food: Food, units: Units) -> str:
    """A lot as a line for the bench."""
    return f"{say_mass(lot.mass_g, units)} {food.name}"


def _check_wants(food: Food, lot: Lot) -> None:
    if lot.made == Origin.FREEZE_DRIED or Trait.FREEZE_DRIED in food.traits:
        raise Refused("lot", "Freeze-dried food is not conditioned: it absorbs the room's moisture. Close it at once")
    if Trait.MEAT in food.traits:
        raise Refused("lot", "Dried meat is not left at the window: fridge or freezer")
    if Trait.HOME_DRIED not in food.traits:
        raise Refused("lot", "Only what was dried here is conditioned")


def _jar(session: Session, number: int) -> JarRecord:
    found = log.record_of(session, JarRecord, number)
    if found is None:
        raise NotThere("number", "That jar is emptied")
    return found


def jar_standing(jar: JarRecord, today: date) -> JarState:
    """How a jar's record stands today."""
    return standing(jar.began, jar.days, [Event(each.on, each.look) for each in jar.events], today)


def _view(number: int, jar: JarRecord, lot: Lot, food: Food, units: Units, today: date) -> Jar:
    now = jar_standing(jar, today)
    container = container_by_key(jar.jar)
    each_ml = lot.mass_g / food.loose_g_ml / jar.jars
    return Jar(
        number=number,
        lot=lot.id,
        food=food.name,
        form=food.form,
        colour=food.colour,
        mass=say_mass(lot.mass_g, units),
        jars=jar.jars,
        jar=container.name,
        draw=drawing(container),
        level=min(1.0, each_ml / container.capacity_ml),
        phase=now.phase,
        free_days=now.free_days,
        wanted=now.wanted,
        dots=_dots(jar, now, today),
        due=now.due,
        overdue_days=now.overdue_days,
        says=_says(jar, now, today),
        line=line_of(lot, food, units),
        title=f"{jar.jars} × {container.name}" if jar.jars > 1 else container.name,
        story=[say_step(step, units) for step in history_of(lot)],
    )


def _dots(jar: JarRecord, now: JarState, today: date) -> list[Dot]:
    """A dot a day, from the day it was filled to the day it will be done at the earliest."""
    seen: dict[date, str] = {}
    for event in jar.events:
        # The worst of a day is what it is remembered by.
        if event.look is not Look.FREE or event.on not in seen:
            seen[event.on] = event.look.value if event.look else seen.get(event.on, "back")
    last = max([jar.began, *seen])
    days = [jar.began + timedelta(days=n) for n in range(1, (max(today, last) - jar.began).days + 1)]
    dots = [Dot(day, seen.get(day, "missed")) for day in days if day in seen or day < today]
    if now.due is not None:
        start = max(now.due, today)
        left = now.wanted - now.free_days
        dots += [Dot(start + timedelta(days=n), "due" if n == 0 and start <= today else "to come") for n in range(left)]
    return dots[-24:]


def _says(jar: JarRecord, now: JarState, today: date) -> str:
    if now.phase is JarPhase.DONE:
        return "Done: it is conditioned."
    if now.phase is JarPhase.DRYER:
        seen = next(event.look for event in reversed(jar.events) if event.look not in (None, Look.FREE))
        stood = (today - now.counted_from).days
        says = f"{_NEXT[seen]} Back into the dryer; the count starts again." if seen else ""
        if stood >= _STOOD_WET_DAYS:
            says += f" If it stood wet these {stood} days, look first: at any mould or sour smell throw all of it out."
        return says
    left = now.wanted - now.free_days
    if now.overdue_days:
        return f"Shake it: {now.overdue_days} day{'s' if now.overdue_days > 1 else ''} late. {left} to go."
    if now.due is not None and now.due <= today:
        return f"Shake it today. {left} to go."
    return f"Shaken. {left} to go."
