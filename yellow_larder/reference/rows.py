"""Reading the tables' files."""

from __future__ import annotations

import csv
from importlib.resources import files


def rows(table: str) -> list[dict[str, str]]:
    """The rows of a table, by the names of its columns."""
    text = files(__package__).joinpath(f"{table}.csv").read_text(encoding="utf-8")
    return list(csv.DictReader(text.splitlines()))


def words(cell: str) -> tuple[str, ...]:
    """What a cell lists, parted by semicolons."""
    return tuple(word for word in cell.split(";") if word)
