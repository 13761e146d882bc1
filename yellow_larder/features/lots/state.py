"""Lots as they stand, as they follow from the journal."""

from __future__ import annotations

from dataclasses import dataclass, fields
from datetime import date
from typing import Any

from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.features.lots.events import (
    HistoryStep,
    LotCame,
    LotConditioned,
    LotDriedAgain,
    LotFoundWet,
    LotFrozen,
    LotTaken,
    LotWeighed,
)
from yellow_larder.journal.events import as_json, from_json
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row
from yellow_larder.journal.tables import Base


@dataclass(frozen=True, slots=True)
class History:
    """What was done to a lot, the first first."""

    steps: tuple[HistoryStep, ...] = ()


class Lot(Base):
    """A batch of one food that is in the house and not packed yet: in the cupboard, or just bought."""

    __tablename__ = "lots"

    id: Mapped[int] = mapped_column(primary_key=True)
    food_key: Mapped[str] = mapped_column(index=True)
    came_g: Mapped[float]
    mass_g: Mapped[float]
    """What is left of it."""
    came_on: Mapped[date]
    coins: Mapped[int | None]
    """What it cost, in the smallest coin; none if it was not bought through the list."""
    price: Mapped[int | None]
    """The price line it was bought by."""
    frozen_on: Mapped[date | None]
    """The day it came out of the freezer, insects killed; none if it was not frozen."""
    moisture_pct: Mapped[float | None]
    """Its moisture by weight, wet basis, %; none means that of the table."""
    made: Mapped[str]
    """How it was made here: "dried", "freeze-dried" or "ground"; empty if it was bought."""
    wet_g: Mapped[float | None]
    """What it weighed fresh, if it was dried here."""
    wants_conditioning: Mapped[bool]
    conditioned_on: Mapped[date | None]
    """The day its jar was done; none if it was not conditioned."""
    story: Mapped[dict[str, Any]]
    """What was done to it, a `History`."""


def history_of(lot: Lot) -> tuple[HistoryStep, ...]:
    """What was done to a lot, the first first."""
    return from_json(History, lot.story).steps


def _lot(row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    told = happened.event
    if isinstance(told, LotCame):
        said = {each.name: getattr(told, each.name) for each in fields(told) if each.name != "history"}
        story = as_json(History(told.history))
        return said | {
            "id": number,
            "made": told.made.value,
            "mass_g": told.came_g,
            "conditioned_on": None,
            "story": story,
        }
    assert row is not None
    match told:
        case LotFrozen():
            return row | {"frozen_on": told.on}
        case LotWeighed():
            return row | {"mass_g": told.mass_g}
        case LotTaken():
            return row | {"mass_g": row["mass_g"] - told.mass_g}
        case LotConditioned():
            return row | {"conditioned_on": told.on, "story": _and_then(row, told.step)}
        case LotFoundWet():
            return row | {"conditioned_on": None, "story": _and_then(row, told.step)}
        case LotDriedAgain():
            return row | {"story": _and_then(row, told.step)}
    raise TypeError(f"{told} does not happen to a lot")


def _and_then(row: Row, step: HistoryStep) -> dict[str, Any]:
    return as_json(History((*from_json(History, row["story"]).steps, step)))


LOT = Kind("lot", Lot, _lot, begins=frozenset({"came"}))
