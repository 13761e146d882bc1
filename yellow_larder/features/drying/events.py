"""What can happen to a load in a dryer, to a jar that conditions, and to the household's own dryers."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, datetime

from yellow_larder.core.drying import Air, Look, Treatment
from yellow_larder.journal.events import Event, Facts, event, lift


@event("machine", "added", version=2)
@dataclass(frozen=True, slots=True)
class MachineAdded(Event):
    """A dryer of one's own.

    Attributes:
        name: what it is called.
        trays: how many it has.
        width_mm: how wide a tray is.
        depth_mm: how deep; of a round one the same.
        is_round: whether its trays are.
        watts: its rating.
        low_c: the coolest it holds, °C.
        high_c: the warmest, °C.
        air: what dries the food in it.
    """

    name: str
    trays: int
    width_mm: float
    depth_mm: float
    is_round: bool
    watts: float
    low_c: float
    high_c: float
    air: Air


@lift("machine", "added", version=1)
def _with_units_named(facts: Facts) -> Facts:
    rest = {name: value for name, value in facts.items() if name not in ("width", "depth", "round")}
    return rest | {"width_mm": facts["width"], "depth_mm": facts["depth"], "is_round": facts["round"]}


@dataclass(frozen=True, slots=True)
class LoadItem:
    """A food of a load, as it was prepared; with what it cost, in the smallest coin."""

    produce: str
    mass_g: float
    thickness_mm: float
    treatments: tuple[Treatment, ...]
    water_pct: float
    coins: float


@dataclass(frozen=True, slots=True)
class Weight:
    """What something weighed, and when."""

    at: datetime
    mass_g: float


@dataclass(frozen=True, slots=True)
class LoadTray:
    """A tray of a load: its food by number, its weights, when it went in and came out."""

    item: int
    wet_g: float
    in_at: datetime
    out_at: datetime | None = None
    weighings: tuple[Weight, ...] = ()


@event("load", "began", "more", "loosened", "weighed", "tested", "out", version=2)
@dataclass(frozen=True, slots=True)
class LoadRecord(Event):
    """A load in a dryer, as it stands after what was done to it.

    Attributes:
        machine: key of what it is dried in.
        air_c: how warm its air is, °C.
        tray_g: what an empty tray weighs, if it is weighed with one.
        room_c: the room's air, °C.
        humidity: the room's, 0–1.
        began: when the first went in.
        items: its foods.
        trays: its trays.
        loosened: when each food was loosened and turned.
        tested: when each food was tested and was not dry yet.
    """

    machine: str
    air_c: float
    tray_g: float
    room_c: float
    humidity: float
    began: datetime
    items: tuple[LoadItem, ...] = ()
    trays: tuple[LoadTray, ...] = ()
    loosened: tuple[datetime | None, ...] = ()
    tested: tuple[datetime | None, ...] = ()


@lift("load", "began", "more", "loosened", "weighed", "tested", "out", version=1)
def _with_weights(facts: Facts) -> Facts:
    trays = [tray | {"weighings": weights_before(tray["weighings"])} for tray in facts["trays"]]
    return facts | {"trays": trays}


def weights_before(pairs: list[list[object]]) -> list[Facts]:
    """Weighings, from pairs of when and how much."""
    return [{"at": at, "mass_g": grams} for at, grams in pairs]


@dataclass(frozen=True, slots=True)
class JarDay:
    """Something that happened to a jar: what a look showed, or that it came back from the dryer (no look)."""

    on: date
    look: Look | None


@event("jar", "filled", "free", "clumped", "stuck", "droplets", "back", version=2)
@dataclass(frozen=True, slots=True)
class JarRecord(Event):
    """A lot in jars of its own, as it stands after what was done to it.

    Attributes:
        lot: the lot.
        jar: key of the jar.
        jars: how many of them.
        days: for how many days it is to move freely.
        began: when it was filled.
        events: what happened to it since.
    """

    lot: int
    jar: str
    jars: int
    days: int
    began: date
    events: tuple[JarDay, ...] = ()


@lift("jar", "filled", "free", "clumped", "stuck", "droplets", "back", version=1)
def _with_days(facts: Facts) -> Facts:
    return facts | {"events": [{"on": on, "look": look} for on, look in facts["events"]]}
