"""The wire an instrument hangs on: what a serial port offers, so that a real one fits as it is."""

from __future__ import annotations

from typing import Protocol


class Wire(Protocol):
    """Lines in, commands out."""

    def readline(self) -> bytes:
        """The next line the instrument sent; nothing if it sent none in time."""
        ...

    def write(self, data: bytes, /) -> int | None:
        """Send a command."""
        ...
