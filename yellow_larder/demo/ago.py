"""A clock that can be set back, so that the demo household does each thing when it did it."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime, timedelta

from yellow_larder.features.household.clock import utc_now

Now = Callable[[], datetime]


class Ago:
    """Clocks that run behind another.

    Args:
        now: the clock they run behind.

    Example:
        >>> Ago(lambda: datetime(2026, 11, 24, 12))(days=1, hours=2)()
        datetime.datetime(2026, 11, 23, 10, 0)
    """

    def __init__(self, now: Now = utc_now) -> None:
        self._now = now

    def __call__(self, days: float = 0, *, hours: float = 0, minutes: float = 0) -> Now:
        """A clock that stands so far behind."""
        behind = timedelta(days=days, hours=hours, minutes=minutes)
        return lambda: self._now() - behind
