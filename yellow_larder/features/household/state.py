"""How the household, its places and who eats here stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import asdict
from datetime import date

from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.features.household.events import EaterKept, PlaceChanged, PlaceClosed, PlaceMade, Settings
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row, said_kind
from yellow_larder.journal.tables import Base


class Place(Base):
    """Somewhere packages stand."""

    __tablename__ = "places"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    sort: Mapped[str]
    shelves: Mapped[int]
    width_mm: Mapped[float]
    mean_c: Mapped[float]
    swing_c: Mapped[float]
    warmest_month: Mapped[int]
    humidity: Mapped[float]
    closed_on: Mapped[date | None]
    """The day since which nothing is put there; none while it is in use."""


def _place(row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    match happened.event:
        case PlaceMade() as made:
            return {"id": number, "closed_on": None} | asdict(made)
        case PlaceChanged(now=now):
            return (row or {}) | asdict(now)
        case PlaceClosed(on=on):
            return (row or {}) | {"closed_on": on}
    raise TypeError(f"{happened.event} does not happen to a place")


HOUSEHOLD = said_kind("household", Settings)
PLACE = Kind("place", Place, _place)
EATER = said_kind("eater", EaterKept)
