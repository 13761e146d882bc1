"""Finding packages by their numbers."""

from __future__ import annotations

from collections.abc import Sequence

from sqlalchemy.orm import Session

from yellow_larder.features.packages.state import Package
from yellow_larder.features.packages.text import say_gone
from yellow_larder.words.errors import NotThere, Refused


def find_package(session: Session, number: int) -> Package:
    """A package by its number, kept or gone."""
    package = session.get(Package, number)
    if package is None:
        raise NotThere("number", f"There is no package number {number}")
    return package


def find_kept(session: Session, number: int) -> Package:
    """A package that is kept, by its number.

    Raises:
        NotThere: there never was one.
        Refused: it has left the shelves.
    """
    package = find_package(session, number)
    if package.gone_on is not None:
        raise Refused("number", f"Number {number} was {say_gone(package.gone, package.gone_on)}")
    return package


def all_kept(session: Session, numbers: Sequence[int]) -> list[Package]:
    """Packages by their numbers; a number that is given twice is one package."""
    return [find_kept(session, number) for number in dict.fromkeys(numbers)]
