"""What the Fennimore-Okoros have in the chest freezer this week."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from yellow_larder.larder.buying import week_list
from yellow_larder.larder.cold import FreezeAsk
from yellow_larder.larder.freezing import put_in, take_out
from yellow_larder.larder.larder import Larder


def fill_the_freezer(larder: Larder) -> None:
    """A pail still cooling, flour whose hold is over, and lentils on the kitchen table, closed, an hour out."""

    def hours_ago(hours: float) -> None:
        behind = timedelta(hours=hours)
        larder.clock = lambda: datetime.now(UTC).replace(tzinfo=None) - behind

    hours_ago(112)
    lentils = put_in(larder, FreezeAsk(line="6 kg red lentils", container="bag-gallon", lot=_lentils(larder)))
    hours_ago(110)
    put_in(larder, FreezeAsk(line="3 kg bread flour", container="bag-half-gallon", freezer_c=-20))
    hours_ago(9)
    put_in(larder, FreezeAsk(line="14 kg white rice", container="lined-5-gallon", freezer_c=-20))
    hours_ago(1)
    take_out(larder, lentils)


def _lentils(larder: Larder) -> int:
    """The lot of lentils they bought."""
    return next(lot.lot for lot in week_list(larder).bought if lot.food == "red-lentils")
