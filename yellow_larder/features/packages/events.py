"""What can happen to a package: a container with food in it."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from yellow_larder.core.keeping import COOL_STRETCH, Estimate
from yellow_larder.core.packing import AdviceCode, Feel, Indicator
from yellow_larder.features.packages.contained import Contained, Life, Stretch
from yellow_larder.journal.events import Event, Facts, event, lift


@dataclass(frozen=True, slots=True)
class Found:
    """What is known of a package that was there before anybody wrote it down.

    Attributes:
        unsure_days: how far off the day may be on which it was packed, days; 0 if that is known.
        printed: until when its maker says that it is good; none if nobody read that.
    """

    unsure_days: int
    printed: date | None


@event("package", "packed", version=5)
@dataclass(frozen=True, slots=True)
class PackagePacked(Event):
    """A container was closed: from here on the package exists.

    Attributes:
        what: what it is.
        packed_on: when.
        batch: the change that it belongs to with others; none means its own.
        look_due: the day it is to be looked over first; none if it is not.
        note: what was noted when it was closed.
        out_of: packages that what is in it came out of: by number, the first first.
        past: what its food has been through in them.
        found: of what was there before the larder was kept; none if it was packed under its eyes.
    """

    what: Contained
    packed_on: date
    batch: int | None = None
    look_due: date | None = None
    note: str = ""
    out_of: tuple[int, ...] = ()
    past: tuple[Stretch, ...] = ()
    found: Found | None = None


@lift("package", "packed", version=1)
def _with_contents(facts: Facts) -> Facts:
    kept = {name: facts[name] for name in ("packed_on", "batch", "look_due", "note") if name in facts}
    return kept | {"what": contained_before(facts)}


@lift("package", "packed", version=2)
def _with_override(facts: Facts) -> Facts:
    return facts | {"what": override_named(facts["what"])}


@lift("package", "packed", version=3)
def _with_past(facts: Facts) -> Facts:
    """Until then all food in a package came straight from its lot."""
    return facts


@lift("package", "packed", version=4)
def _with_found(facts: Facts) -> Facts:
    """Until then nothing came in that was packed before."""
    return facts


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


@event("package", "calculated anew")
@dataclass(frozen=True, slots=True)
class PackageCalculated(Event):
    """What was written of its place was put right: so long it lasts there."""

    on: date
    lasts: dict[Estimate, Life]


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


@dataclass(frozen=True, slots=True)
class PackageBecame(Event):
    """Something after which a package is another: when, and what it is from then on."""

    on: date
    what: Contained


@event("package", "opened")
@dataclass(frozen=True, slots=True)
class PackageOpened(PackageBecame):
    """It was opened: all its air is the room's, and from now on it is in use."""


@event("package", "taken")
@dataclass(frozen=True, slots=True)
class PackageTaken(PackageBecame):
    """Some of it was taken, g."""

    taken_g: float


@event("package", "closed again")
@dataclass(frozen=True, slots=True)
class PackageClosed(PackageBecame):
    """It is in use no more: it was closed again. It is looked over on some day; none means never."""

    look_due: date | None = None


@event("package", "weighed")
@dataclass(frozen=True, slots=True)
class PackageWeighed(PackageBecame):
    """What is in it was weighed: so much was thought to be in it, g."""

    thought_g: float


@event("package", "seal lost")
@dataclass(frozen=True, slots=True)
class PackageSealLost(PackageBecame):
    """Its seal was found loose: since some day it is as good as closed with air."""

    since: date


@event("package", "corrected")
@dataclass(frozen=True, slots=True)
class PackageCorrected(PackageBecame):
    """It was written down wrong: what it is and was all along, and the day it was packed."""

    packed_on: date


class Taste(StrEnum):
    """What somebody thought of a food."""

    GOOD = "good"
    FAIR = "so-so"
    BAD = "bad"


@event("package", "tasted")
@dataclass(frozen=True, slots=True)
class PackageTasted(Event):
    """Somebody tasted it, or looked at it and smelled it."""

    on: date
    verdict: Taste
    note: str = ""


@event("package", "kept on")
@dataclass(frozen=True, slots=True)
class PackageKeptOn(Event):
    """Its best-by is over and it is still good: it stays, until somebody looks again."""

    on: date
    until: date
    note: str = ""


@event("package", "used up", "given away", "fed to animals", "poured over")
@dataclass(frozen=True, slots=True)
class PackageGone(Event):
    """Nothing is left of it here, and so much was in it, g."""

    on: date
    last_g: float
    note: str = ""


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
