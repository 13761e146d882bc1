"""What the Fennimore-Okoros have in the chest freezer this week."""

from __future__ import annotations

from yellow_larder.demo.ago import Ago
from yellow_larder.larder.buying import week_list
from yellow_larder.larder.cold import FreezeAsk
from yellow_larder.larder.freezing import put_in, take_out
from yellow_larder.larder.larder import Larder


def fill_the_freezer(larder: Larder, ago: Ago) -> None:
    """A pail still cooling, flour whose hold is over, and lentils on the kitchen table, closed, an hour out."""
    larder.clock = ago(hours=112)
    lentils = put_in(larder, FreezeAsk(line="6 kg red lentils", container="bag-gallon", lot=_lentils(larder)))
    larder.clock = ago(hours=110)
    put_in(larder, FreezeAsk(line="3 kg bread flour", container="bag-half-gallon", freezer_c=-20))
    larder.clock = ago(hours=9)
    put_in(larder, FreezeAsk(line="14 kg white rice", container="lined-5-gallon", freezer_c=-20))
    larder.clock = ago(hours=1)
    take_out(larder, lentils)


def _lentils(larder: Larder) -> int:
    """The lot of lentils they bought."""
    return next(lot.lot for lot in week_list(larder).bought if lot.food == "red-lentils")
