"""Tables that spreadsheets can open."""

from __future__ import annotations

import csv
from collections.abc import Iterable, Sequence
from io import StringIO


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
