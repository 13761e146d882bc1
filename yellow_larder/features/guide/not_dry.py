"""The table of what is not kept dry: how long it keeps in a room, a cellar, a fridge, a freezer."""

from __future__ import annotations

from dataclasses import dataclass

from yellow_larder.core.days import say_span
from yellow_larder.core.keeping import Life, Way
from yellow_larder.reference import life_classes, ways_of, ways_source


@dataclass(frozen=True, slots=True)
class WayKept:
    """How long a class of foods keeps in one way, in words: usually, and from the cautious to the hopeful estimate."""

    way: Way
    usually: str
    span: str


@dataclass(frozen=True, slots=True)
class NotDryRow:
    """A class of foods that do not keep dry, and how long they keep in each way."""

    life: str
    meaning: str
    kept: list[WayKept]
    source: str


def not_dry_rows() -> list[NotDryRow]:
    """Every class of foods that do not keep dry."""
    return [
        NotDryRow(name, each.meaning, [_kept(way, life) for way, life in ways_of(name).items()], ways_source(name))
        for name, each in life_classes().items()
        if ways_of(name)
    ]


def _kept(way: Way, life: Life) -> WayKept:
    return WayKept(way, say_span(life.customary), f"{say_span(life.cautious)} to {say_span(life.hopeful)}")
