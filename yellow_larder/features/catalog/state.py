"""The household's own foods, as they follow from the journal."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Mapped, mapped_column

from yellow_larder.features.catalog.events import NewFood
from yellow_larder.journal.events import as_json
from yellow_larder.journal.kinds import Happened, Kind, LookUp, Row
from yellow_larder.journal.tables import Base


class OwnFood(Base):
    """A food the household added to the table."""

    __tablename__ = "own_foods"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(unique=True)
    facts: Mapped[dict[str, Any]]


def _food(_row: Row | None, happened: Happened, number: int, _look_up: LookUp) -> Row:
    assert isinstance(happened.event, NewFood)
    return {"id": number, "name": happened.event.name, "facts": as_json(happened.event)}


FOOD = Kind("food", OwnFood, _food)
