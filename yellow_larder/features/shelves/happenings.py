"""What happened to a package, line by line."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from yellow_larder.core.containers import Closing
from yellow_larder.core.packing import Indicator
from yellow_larder.features.household.state import Place
from yellow_larder.features.packages.events import (
    PackageBecame,
    PackageCalculated,
    PackageClosed,
    PackageEmptied,
    PackageGone,
    PackageKeptOn,
    PackageLooked,
    PackageMoved,
    PackageOpened,
    PackagePacked,
    PackagePhotographed,
    PackageSealLost,
    PackageTaken,
    PackageTasted,
    PackageThrownOut,
    PackageWeighed,
)
from yellow_larder.features.packages.text import say_advice
from yellow_larder.journal import log
from yellow_larder.journal.events import Event
from yellow_larder.words.dates import say_about, say_day
from yellow_larder.words.packets import say_packets
from yellow_larder.words.quantities import Units, say_mass

SAYS_CLOSED = {Closing.ABSORBER: "with absorbers", Closing.VACUUM: "under vacuum", Closing.LID: "with room air"}
"""How a package is closed, in words."""


@dataclass(frozen=True, slots=True)
class Happening:
    """A line of a package's journal."""

    on: str
    what: str
    detail: str


def happening(happened: log.Happening, places: dict[int, Place], units: Units) -> Happening:
    """A line of a package's journal."""
    told = happened.event
    if isinstance(told, PackagePacked):
        return _packed(told, places, units)
    return Happening(say_day(_day_of(told)), *_said(told, happened.act, places, units))


def _packed(told: PackagePacked, places: dict[int, Place], units: Units) -> Happening:
    what = told.what
    note = f"; {told.note}" if told.note else ""
    out_of = f", out of number {_and(told.out_of)}" if told.out_of else ""
    found = told.found
    if found is not None:
        note = f"; best by {say_day(found.printed)} on it{note}" if found.printed else note
    return Happening(
        say_about(told.packed_on, 0 if found is None else found.unsure_days),
        f"{'Packed' if found is None else 'There already,'} {SAYS_CLOSED[what.closing]}{out_of}",
        f"{say_mass(what.mass_g, units)}, {what.moisture_pct:.1f} % moisture, {places[what.place_id].name}{note}",
    )


def _and(numbers: tuple[int, ...]) -> str:
    *first, last = map(str, numbers)
    return f"{', '.join(first)} and {last}" if first else last


def _day_of(told: Event) -> date:
    day = getattr(told, "on", None)
    if not isinstance(day, date):
        raise TypeError(f"{told} does not happen to a package")
    return day


def _said(told: Event, act: str, places: dict[int, Place], units: Units) -> tuple[str, str]:
    match told:
        case PackageBecame():
            return _became(told, units)
        case PackageMoved():
            return f"Moved to {places[told.place_id].name}", f"shelf {told.shelf}"
        case PackageLooked():
            indicator = "" if told.indicator is Indicator.UNSEEN else f", indicator {told.indicator.value}"
            return f"Checked: {told.feel.value}{indicator}", say_advice(told.advice)
        case PackagePhotographed():
            return "A picture taken", ""
        case PackageCalculated():
            return "Calculated anew", "what was written of its place was put right"
        case PackageTasted():
            return f"Tasted: {told.verdict.value}", told.note
        case PackageKeptOn():
            return f"Kept on until {say_day(told.until)}", told.note
        case PackageGone():
            return act.capitalize(), ", ".join(filter(None, (say_mass(told.last_g, units), told.note)))
    return ("Emptied", "to be packed anew") if isinstance(told, PackageEmptied) else _thrown_out(told)


def _thrown_out(told: Event) -> tuple[str, str]:
    if isinstance(told, PackageThrownOut):
        return "Thrown out", told.why
    raise TypeError(f"{told} does not happen to a package")


def _became(told: PackageBecame, units: Units) -> tuple[str, str]:
    what, mass = told.what, say_mass(told.what.mass_g, units)
    match told:
        case PackageOpened():
            return "Opened", f"{mass}, {what.moisture_pct:.1f} % moisture"
        case PackageTaken():
            return f"Took {say_mass(told.taken_g, units)}", f"{mass} left"
        case PackageClosed():
            packets = say_packets(what.packets) if what.closing is Closing.ABSORBER else ""
            return f"Closed again {SAYS_CLOSED[what.closing]}", packets
        case PackageSealLost():
            return "Found without its seal", f"counted as closed with air since {say_day(told.since)}"
        case PackageWeighed():
            return f"Weighed: {mass}", f"{say_mass(told.thought_g, units)} was written"
    return "Corrected", f"{mass} of {what.contents[0].food_name}"
