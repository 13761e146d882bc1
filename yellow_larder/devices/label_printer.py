"""A label printer: one label after the other off a roll, until the roll is empty."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import StrEnum
from threading import Lock

from yellow_larder.devices.wire import Wire

_OK = re.compile(rb"^\s*OK\s+(\d{1,5})\s*$")
_EMPTY = re.compile(rb"^\s*EMPTY\s+(\d{1,5})\s*$")


class Printing(StrEnum):
    """How a job went."""

    PRINTED = "printed"
    EMPTY = "roll empty"
    SILENT = "no answer"


@dataclass(frozen=True, slots=True)
class Job:
    """A job that was sent: how it went, and labels left on the roll, or not printed for want of them."""

    state: Printing
    labels: int


def heading(labels: int, size: int) -> bytes:
    """The line before a job: how many labels, and how many bytes of PDF follow.

    Example:
        >>> heading(6, 48211).split()
        [b'LABELS', b'6', b'48211']
    """
    return f"LABELS {labels} {size}\r\n".encode()


class LabelPrinter:
    """A label printer on a wire.

    Args:
        wire: what it hangs on.
    """

    def __init__(self, wire: Wire) -> None:
        self._wire, self._lock = wire, Lock()

    def send(self, pdf: bytes, labels: int) -> Job:
        """Print labels, one to a page."""
        with self._lock:
            self._wire.write(heading(labels, len(pdf)))
            self._wire.write(pdf)
            answer = self._wire.readline()
        if found := _OK.match(answer):
            return Job(Printing.PRINTED, int(found[1]))
        if found := _EMPTY.match(answer):
            return Job(Printing.EMPTY, int(found[1]))
        return Job(Printing.SILENT, 0)
