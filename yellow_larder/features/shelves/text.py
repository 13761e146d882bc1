"""What is done with packages on the shelf, in words."""

from __future__ import annotations

TITLES = {
    "package.checked": "Checked {count:package|packages}",
    "package.checked-wrong": "Checked {count:package|packages}, {wrong} not right",
    "package.emptied": "Emptied number {number}, to be packed anew",
    "package.photographed": "A picture of number {number}",
    "package.moved": "Moved number {number} ({names:and}) to {place}, shelf {shelf}",
    "package.moved-many": "Moved {count:package|packages} ({names:and}) to {place}, shelf {shelf}",
    "package.thrown-out": "Threw out number {number} ({names:and})",
    "package.thrown-out-many": "Threw out {count:package|packages} ({names:and})",
}
"""What changes are called, by code."""
