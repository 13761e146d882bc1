"""Weighing the trays of a load: what a weight can be, and what is odd about it."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta

from yellow_larder.core.drying import rises
from yellow_larder.features.drying.events import LoadRecord, LoadTray, Weight
from yellow_larder.features.drying.load_state import LoadState, record_of, solids_g
from yellow_larder.features.household.larder import Larder
from yellow_larder.journal import log
from yellow_larder.journal.database import writing
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units, read_amount, say_mass


def weigh_tray(
    larder: Larder, number: int, tray: int, weight: str, *, at: datetime | None = None, meant: bool = False
) -> None:
    """A tray was weighed.

    Args:
        larder: the larder.
        number: the load.
        tray: the tray.
        weight: what it weighed, with the tray if that is how this load is weighed.
        at: when, UTC; none means now.
        meant: whether the weight is right although it is odd.

    Raises:
        Refused: it cannot weigh that, or not then; or it is odd, and it was not said that it is meant.
    """
    now = larder.clock()
    with writing(larder.engine) as session:
        running = LoadState(session, number, record_of(session, number), now)
        mine, grams = tray_of(running, tray), net_g(weight, running.tray_g)
        when = _weighed_at(at, mine, now)
        units = running.household.units
        if grams > mine.wet_g * 1.03 + 3:
            wet = say_mass(mine.wet_g, units)
            raise Refused("weight", f"More than the {wet} it went in with: another tray, or the tray's own weight?")
        if not meant:
            _check_rise(mine, when, grams, units)
        least = solids_g(running.lying[mine.item], mine.wet_g)
        if grams < least and not meant:
            raise Refused(
                "meant",
                f"Lighter than it can be: {say_mass(least, units)} of what went in is not water. Another tray, or was "
                "it weighed without its tray? Food wetter than the table has it comes out a little lighter.",
            )
        kept = [
            each
            for each in mine.weighings
            if not (rises(each.mass_g, grams) if each.at <= when else rises(grams, each.mass_g))
        ]
        weighings = tuple(sorted([*kept, Weight(when, grams)], key=lambda each: (each.at, each.mass_g)))
        anew = with_tray(running.record, tray - 1, replace(mine, weighings=weighings))
        name = running.lying[mine.item].produce.name
        title = log.title("load.weighed", tray=tray, name=name, mass_g=grams)
        log.record(session, title, [log.Act(number, anew, "weighed")], at=now)


def number_of(running: LoadState, tray: int) -> int:
    """A tray's place in the record, from its number on screen."""
    if tray - 1 not in running.trays_in():
        raise NotThere("tray", f"There is no tray {tray} in there")
    return tray - 1


def with_tray(load: LoadRecord, n: int, tray: LoadTray) -> LoadRecord:
    """A load of which one tray stands otherwise."""
    return replace(load, trays=(*load.trays[:n], tray, *load.trays[n + 1 :]))


def tray_of(running: LoadState, tray: int) -> LoadTray:
    """A tray that is in the dryer still, by its number on screen."""
    return running.trays[number_of(running, tray)]


def net_g(weight: str, tray_g: float) -> float:
    """A weight as typed, the tray's own taken off, g."""
    amount = read_amount(weight, "weight")
    if amount.volume_ml:
        raise Refused("weight", "Write a weight, such as 412 g or 14.5 oz")
    grams = amount.mass_g - tray_g
    if grams <= 0:
        raise Refused("weight", "That is less than the empty tray weighs")
    return grams


def _weighed_at(at: datetime | None, tray: LoadTray, now: datetime) -> datetime:
    """When a tray was weighed; refused before it went in and in times to come."""
    if at is None:
        return now
    when = at.astimezone(UTC).replace(tzinfo=None) if at.tzinfo else at
    if when > now + timedelta(minutes=1):
        raise Refused("at", "That is in the future: write when it was weighed")
    if when < tray.in_at:
        raise Refused("at", "That is before it went into the dryer")
    return min(when, now)


def _check_rise(tray: LoadTray, when: datetime, grams: float, units: Units) -> None:
    """Food does not gain weight in a dryer, neither towards this weighing nor after it."""
    before = [tray.wet_g, *(each.mass_g for each in tray.weighings if each.at <= when)][-1]
    after = next((each.mass_g for each in tray.weighings if each.at > when), None)
    if after is not None and rises(grams, after):
        was = f"It was {say_mass(after, units)} after that"
    elif rises(before, grams):
        was = f"It was {say_mass(before, units)} before"
    else:
        return
    raise Refused(
        "meant",
        f"{was}, and food does not gain weight in a dryer. Another tray? Food added? If this weight is right, those "
        "that do not go with it are deleted.",
    )
