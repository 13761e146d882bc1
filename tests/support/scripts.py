"""A wire that says what a test has written for it."""

from __future__ import annotations


class Script:
    """Any device: a wire that sends what it is told to."""

    def __init__(self, *lines: bytes) -> None:
        self.lines = list(lines)
        self.told: list[bytes] = []

    def readline(self) -> bytes:
        return self.lines.pop(0) if self.lines else b""

    def write(self, data: bytes, /) -> int | None:
        self.told.append(data)
        return len(data)
