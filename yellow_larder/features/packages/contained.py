"""What a package is: what is in it, in what, how it is closed, how long it lasts so, and what it has been through."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from datetime import date
from enum import StrEnum

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate


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
        most: the most days from closing that it can last: what cold can stretch, oxygen, moisture; none if endless.
        had: the share of its life that it had left when it was closed so.
    """

    days: float | None
    most: float | None
    had: float = 1.0


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
class Stretch:
    """A time that a package spent in one place, closed in one way.

    Attributes:
        place_id: where.
        since: the day it began, as a day number.
        until: the day it ended, as a day number.
        closing: what was done about the air.
        opened: whether it was open, and in use.
        days: life at 21 °C as it was closed, by estimate; none for food that does not age.
    """

    place_id: int
    since: int
    until: int
    closing: Closing
    opened: bool
    days: dict[Estimate, float | None]

    def goes_on_in(self, later: Stretch) -> bool:
        """Whether a later stretch is the same one, gone on."""
        return later == replace(self, since=self.until, until=later.until)


class PestMeasure(StrEnum):
    """What is put in with food against insects."""

    BAY = "bay leaves"
    EARTH = "diatomaceous earth"
    """Food grade; to be rinsed off before the food is cooked."""


@dataclass(frozen=True, slots=True)
class Pests:
    """What was done against insects before a package was closed.

    Attributes:
        measures: what went in with the food.
        frozen: whether it was frozen through.
        frozen_on: the day it came out of the freezer; none if nobody wrote it down.
    """

    measures: tuple[PestMeasure, ...] = ()
    frozen: bool = False
    frozen_on: date | None = None


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
        pests: what was done against insects.
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
    pests: Pests = field(default_factory=Pests)

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
