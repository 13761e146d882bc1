"""What the Fennimore-Okoros have in the chest freezer this week."""

from __future__ import annotations

from yellow_larder.demo.ago import Ago
from yellow_larder.features.freezer.contents import put_in, take_out
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.planning.shopping import week_list


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
