"""Words for dates and numbers, the same on screen and on labels."""

from __future__ import annotations

import csv
from collections.abc import Iterable, Mapping, Sequence
from datetime import date
from functools import lru_cache
from io import StringIO

_LONG_MONTHS = [
    "January", "February", "March", "April", "May", "June",
    "July", "August", "September", "October", "November", "December",
]  # fmt: skip
_MONTHS = [month[:3] for month in _LONG_MONTHS]


def harmless_cell(value: object) -> object:
    """A cell that no spreadsheet runs: text that looks like a formula is marked as text.

    Example:
        >>> harmless_cell("=HYPERLINK(1)"), harmless_cell("rice"), harmless_cell(-2.5)
        ("'=HYPERLINK(1)", 'rice', -2.5)

    Source: OWASP, CSV Injection.
    """
    if isinstance(value, str) and value.startswith(("=", "+", "-", "@", "\t", "\r", "\n")):
        return f"'{value}"
    return value


def as_csv(head: Sequence[str], rows: Iterable[Sequence[object]]) -> str:
    """A table as CSV that a spreadsheet can open without running anything in it. Source: RFC 4180."""
    out = StringIO()
    table = csv.writer(out)
    table.writerow(head)
    table.writerows([harmless_cell(value) for value in row] for row in rows)
    return out.getvalue()


def say_day(day: date) -> str:
    """A day, whatever the machine's language.

    Example:
        >>> say_day(date(2026, 11, 4))
        '4 Nov 2026'
    """
    return f"{day.day} {_MONTHS[day.month - 1]} {day.year}"


SHORT_DAYS = 60
"""What lasts no longer than this has a best-by to the day. Source: our judgement: a month is nothing beside years."""


@lru_cache(maxsize=4096)
def say_best_by(day: date | None, packed_on: date) -> str:
    """A best-by to the month, for of what lasts years nobody knows the day; "keeps" for what does not age.

    Example:
        >>> packed = date(2026, 11, 4)
        >>> say_best_by(date(2050, 11, 4), packed), say_best_by(date(2026, 11, 18), packed), say_best_by(None, packed)
        ('Nov 2050', '18 Nov 2026', 'keeps')
    """
    if day is None:
        return "keeps"
    return say_day(day) if (day - packed_on).days <= SHORT_DAYS else f"{_MONTHS[day.month - 1]} {day.year}"


def say_month(day: date) -> str:
    """The month of a day, written out.

    Example:
        >>> say_month(date(2026, 11, 4))
        'November 2026'
    """
    return f"{_LONG_MONTHS[day.month - 1]} {day.year}"


def say_packets(packets: Mapping[str, int]) -> str:
    """Packets by their rating.

    Example:
        >>> say_packets({"300": 1, "100": 2}), say_packets({"10 g gel": 2}), say_packets({})
        ('1 × 300 mL + 2 × 100 mL', '2 × 10 g gel', 'no packets')
    """
    return " + ".join(f"{n} × {each} mL" if each.isdigit() else f"{n} × {each}" for each, n in packets.items()) or (
        "no packets"
    )
