"""How lines about what is in the house are shown."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from yellow_larder.features.catalog.containers import Drawing


class Reading(StrEnum):
    """What became of a line."""

    READ = "read"
    DOUBTFUL = "doubtful"
    """It can be put away; something in it could be meant otherwise, or should not be kept so."""
    UNREAD = "unread"


@dataclass(frozen=True, slots=True)
class StockView:
    """What is there by a line, for the screen.

    Attributes:
        food: what the household calls it.
        food_name: what the table calls it, if that is something else; else empty.
        container: what it is in.
        count: how many of them.
        mass: what is in each.
        kcal: energy of all of them.
        closing: how they are closed.
        place_name: the place where they go.
        packed: about when it was packed; empty if the line does not say.
        best_by: until when it is best.
        ages: whether that is a day.
        band: the same, cautiously and hopefully; empty if it does not age.
        taken_as: what the line does not say, and what was taken for it.
        doubts: what could be meant otherwise, and what should not be kept so.
        draw: how its container is drawn.
        form: how its food is drawn.
        colour: in what colour.
        level: how high it stands, 0–1.
        lacks: the sort of place that it belongs in, if the house has none yet; else empty.
    """

    food: str
    food_name: str
    container: str
    count: int
    mass: str
    kcal: str
    closing: str
    place_name: str
    packed: str
    best_by: str
    ages: bool
    band: str
    taken_as: tuple[str, ...]
    doubts: tuple[str, ...]
    draw: Drawing
    form: str
    colour: str
    level: float
    lacks: str


@dataclass(frozen=True, slots=True)
class LineView:
    """A line as it was read.

    Attributes:
        text: as it was typed.
        reading: what became of it.
        stock: what is there by it; none if it could not be read.
        wrong: why it could not be read; empty if it was.
        words: the words that are no food of the table.
        nearest: what was perhaps meant.
    """

    text: str
    reading: Reading
    stock: StockView | None
    wrong: str
    words: str
    nearest: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class LinesView:
    """All lines as they were read.

    Attributes:
        lines: each of them; empty ones are left out.
        packages: how many packages they come to.
        kcal: energy of all of them.
        unread: how many lines could not be read.
    """

    lines: list[LineView]
    packages: int
    kcal: str
    unread: int


@dataclass(frozen=True, slots=True)
class CameIn:
    """What was put away: its change, and the numbers it was given."""

    batch: int
    numbers: list[int]
    title: str
