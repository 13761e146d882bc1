"""What a person is told when something cannot be done: which field, and what would be right."""

from __future__ import annotations

from collections.abc import Iterable

from yellow_larder.core.errors import Refusal
from yellow_larder.core.finding import Finding, Severity

UNKNOWN_FOOD = "unknown-food"
"""Nobody has told the larder of such a food: it can be added."""

ROLL_EMPTY = "roll-empty"
"""The label printer's roll is empty: a new one can be put in."""


class Refused(Refusal):
    """Something a person asked for cannot be done; nothing was saved.

    Attributes:
        field: the field it stands by.
        message: a sentence in the trade's words.
        words: what was read as a name, as it was typed.
        nearest: names that were perhaps meant instead.
        code: which refusal it is; where a screen offers a way out of it, one of its own.
    """

    def __init__(
        self, field: str, message: str, *, words: str = "", nearest: tuple[str, ...] = (), code: str = ""
    ) -> None:
        self.field, self.message, self.words, self.nearest = field, message, words, nearest
        self.code = code or type(self).code
        super().__init__(f"{field}: {message}")

    def at(self, field: str) -> Refused:
        """The same refusal, by another field: that of one line of several."""
        return Refused(field, self.message, words=self.words, nearest=self.nearest, code=self.code)


class NotThere(Refused):
    """What was asked for does not exist, or no longer."""

    code = "not-there"


class Outdated(Refused):
    """What was to be changed is no longer what it was when it was shown; nothing was saved.

    Attributes:
        now: what it is now, as it is typed; none if it is gone, or if there is nothing to compare.
        version: what a change of that is based on; none if there is nothing to compare.
    """

    code = "outdated"

    def __init__(self, field: str, message: str, *, now: object = None, version: int | None = None) -> None:
        self.now, self.version = now, version
        super().__init__(field, message)


def refuse_stops(findings: Iterable[Finding]) -> None:
    """Refuse what a finding stops, with its reason.

    Raises:
        Refused: one of them is a stop.
    """
    for finding in findings:
        if finding.severity is Severity.STOP:
            raise Refused("stop", f"{finding.says}. {finding.why}")
