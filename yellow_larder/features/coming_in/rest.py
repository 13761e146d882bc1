"""A line while it is read: what is left of it, and what was found."""

from __future__ import annotations

import re
from dataclasses import dataclass, field


@dataclass(slots=True)
class Rest:
    """A line while it is read.

    Attributes:
        text: what is left of it.
        taken_as: what it does not say, and what was taken for it.
        doubts: what could be meant otherwise.
        lacks_place: the sort of place that it names and that is not there; empty if it names none such.
    """

    text: str
    taken_as: list[str] = field(default_factory=list)
    doubts: list[str] = field(default_factory=list)
    lacks_place: str = ""

    def take(self, pattern: re.Pattern[str]) -> re.Match[str] | None:
        """Take the first match out of the line."""
        found = pattern.search(self.text)
        if found is not None:
            self.text = f"{self.text[: found.start()]} {self.text[found.end() :]}"
        return found
