"""What can happen to a package: a container with food in it."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from datetime import date

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import COOL_STRETCH, Estimate
from yellow_larder.core.packing import AdviceCode, Feel, Indicator
from yellow_larder.journal.events import Event, Facts, event, lift


@dataclass(frozen=True, slots=True)
class Portion:
    """One food in a package, and how it is drawn."""

    food_key: str
    food_name: str
    form: str
    colour: str
    mass_g: float


@dataclass(frozen=True, slots=True)
class Life:
    """How long a package lasts, by one estimate.

    Attributes:
        days: its life at 21 °C; none for food that does not age.
        most: the most days from packing that it can last: what cold can stretch, oxygen, moisture; none if endless.
    """

    days: float | None
    most: float | None


@dataclass(frozen=True, slots=True)
class Closed:
    """How a package was closed: enough to work out anew what becomes of it elsewhere."""

    void_ml: float
    packed_ml: float
    opened_a_day: float
    gel_g: float
    waxed: bool
    room_c: float
    room_humidity: float
    room_kpa: float
    vacuum_share: float | None = None


@dataclass(frozen=True, slots=True)
class Contained:
    """What a package is: what is in it, in what, and how it is closed.

    Attributes:
        contents: the foods in it, the first first.
        container_key: what it is in.
        closing: what is done about the air.
        outer: whether it stands in a pail, tote or bin.
        kcal: energy of what is in it.
        packets: what goes in with it, by code, and how many.
        moisture_pct: its moisture.
        level: share of the inner height that the food stands at, 0–1.
        place_id: where it stands.
        shelf: on which shelf, counted from the top.
        q10: how much faster it ages in a place warmer by 10 K.
        lasts: how long, by each estimate.
        closed: how it was closed; none if nobody wrote that down.
        override: the stop it was packed against, and why; empty if there was none.
        draws_in: whether it is expected to feel firm.
    """

    contents: tuple[Portion, ...]
    container_key: str
    closing: Closing
    outer: bool
    kcal: float
    packets: dict[str, int]
    moisture_pct: float
    level: float
    place_id: int
    shelf: int
    q10: float
    lasts: dict[Estimate, Life]
    closed: Closed | None = None
    override: str = ""
    draws_in: bool = True

    @property
    def mass_g(self) -> float:
        """What is in it, g."""
        return sum(each.mass_g for each in self.contents)


@dataclass(frozen=True, slots=True)
class Filling:
    """What follows from how much is in a package: its weight, energy, level, and how it was closed."""

    mass_g: float
    kcal: float
    level: float
    closed: Closed | None = None

    def of(self, what: Contained) -> Contained:
        """What a package is that was filled so: one food takes up the difference."""
        (only,) = what.contents
        return replace(
            what,
            contents=(replace(only, mass_g=self.mass_g),),
            kcal=self.kcal,
            level=self.level,
            closed=self.closed,
        )


@event("package", "packed", version=3)
@dataclass(frozen=True, slots=True)
class PackagePacked(Event):
    """A container was closed: from here on the package exists.

    Attributes:
        what: what it is.
        packed_on: when.
        batch: the change that it belongs to with others; none means its own.
        look_due: the day it is to be looked over first; none if it is not.
        note: what was noted when it was closed.
    """

    what: Contained
    packed_on: date
    batch: int | None = None
    look_due: date | None = None
    note: str = ""


@lift("package", "packed", version=1)
def _with_contents(facts: Facts) -> Facts:
    kept = {name: facts[name] for name in ("packed_on", "batch", "look_due", "note") if name in facts}
    return kept | {"what": contained_before(facts)}


@lift("package", "packed", version=2)
def _with_override(facts: Facts) -> Facts:
    return facts | {"what": override_named(facts["what"])}


def override_named(facts: Facts) -> Facts:
    """The reason for an override under its own name: until version 3 it was kept under what it went against."""
    return {"override" if name == "against" else name: value for name, value in facts.items()}


def contained_before(facts: Facts) -> Facts:
    """What a package is, from how it was kept until November 2026: in one flat list."""
    same = ("container_key", "closing", "outer", "kcal", "moisture_pct", "level", "place_id", "shelf", "q10")
    portion = {name: facts[name] for name in ("food_key", "food_name", "form", "colour", "mass_g")}
    return {name: facts[name] for name in same} | {
        "contents": [portion],
        "packets": codes_before(facts["packets"]),
        "lasts": {estimate.value: _lasts_before(facts, estimate.value) for estimate in Estimate},
        "closed": facts.get("closed") or None,
        "against": facts.get("against", ""),
        "draws_in": facts.get("draws_in", True),
    }


def _lasts_before(facts: Facts, estimate: str) -> Facts:
    """Days of life, and the most of them; before that was worked out, a third more than its life."""
    days = facts.get(f"{estimate}_days")
    stretched = None if days is None else days * COOL_STRETCH
    return {"days": days, "most": facts.get(f"{estimate}_most", stretched)}


def codes_before(packets: dict[str, int]) -> dict[str, int]:
    """What goes in with a package, by code: until October 2026 silica gel stood there as it was shown.

    Example:
        >>> codes_before({"300": 1, "10 g gel": 2, "gel-5": 1})
        {'300': 1, 'gel-10': 2, 'gel-5': 1}
    """
    return {re.sub(r"^([\d.]+) g gel$", r"gel-\1", name): n for name, n in packets.items()}


@event("package", "moved", version=2)
@dataclass(frozen=True, slots=True)
class PackageMoved(Event):
    """It stands elsewhere, and may last for longer or less there; none if that stays as it was."""

    on: date
    place_id: int
    shelf: int
    lasts: dict[Estimate, Life] | None = None


@lift("package", "moved", version=1)
def _with_lasts(facts: Facts) -> Facts:
    lasts = {s.value: _lasts_before(facts, s.value) for s in Estimate} if "customary_days" in facts else None
    return {name: facts[name] for name in ("on", "place_id", "shelf")} | {"lasts": lasts}


@event("package", "looked", version=3)
@dataclass(frozen=True, slots=True)
class PackageLooked(Event):
    """It was looked over.

    Attributes:
        on: when.
        feel: how it felt.
        indicator: colour of the absorbers' indicator.
        advice: what that means.
        wrong: whether it is not right, and to be opened or thrown out.
        next: when it is looked over again; none if that is done with.
    """

    on: date
    feel: Feel
    indicator: Indicator
    advice: AdviceCode
    wrong: bool
    next: date | None


@lift("package", "looked", version=1)
def _with_advice(facts: Facts) -> Facts:
    """What a look meant stood there as a sentence; which it was follows from what was seen."""
    wrong, feel = bool(facts["trouble"]), Feel(facts["feel"])
    advice: str
    if feel is Feel.PUFFED:
        advice = AdviceCode.PUFFED
    elif feel is Feel.LEAKS:
        advice = AdviceCode.LEAKS
    elif wrong and facts["eye"] == Indicator.GREY:
        advice = "eye-grey"
    elif feel is Feel.FIRM:
        advice = AdviceCode.HOLDS
    elif wrong:
        advice = AdviceCode.LID_FLAT if "lid" in facts["says"] else AdviceCode.FILM_LOOSE
    else:
        advice = AdviceCode.LOOSE_FINE if facts["next"] is None else AdviceCode.LOOSE_YET
    same = {name: facts[name] for name in ("on", "feel", "eye", "next")}
    return same | {"advice": str(advice), "wrong": wrong}


@lift("package", "looked", version=2)
def _with_indicator(facts: Facts) -> Facts:
    """What the absorbers' indicator showed was kept as the colour of their eye."""
    same = {name: facts[name] for name in ("on", "feel", "wrong", "next")}
    advice = "indicator-grey" if facts["advice"] == "eye-grey" else facts["advice"]
    return same | {"indicator": facts["eye"], "advice": advice}


@event("package", "photographed")
@dataclass(frozen=True, slots=True)
class PackagePhotographed(Event):
    """A photograph was taken of it."""

    on: date
    photo: int

    @property
    def attachment(self) -> int:
        """The photograph."""
        return self.photo


@event("package", "thrown out")
@dataclass(frozen=True, slots=True)
class PackageThrownOut(Event):
    """It was thrown out, and why."""

    on: date
    why: str


@event("package", "emptied")
@dataclass(frozen=True, slots=True)
class PackageEmptied(Event):
    """It was opened, to be packed anew."""

    on: date
