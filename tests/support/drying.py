"""Food that was dried here."""

from __future__ import annotations

from datetime import timedelta

from tests.conftest import Clock
from yellow_larder.features.drying.dryness_test import CameOut, take_out
from yellow_larder.features.drying.load_plan import Item, LoadAsk
from yellow_larder.features.drying.loads import see_loads, start_load
from yellow_larder.features.household.larder import Larder

LEEKS = Item(line="2 kg leeks")


def dried(larder: Larder, clock: Clock, item: Item = LEEKS, weight: str = "365 g") -> CameOut:
    """A lot fresh from the dryer."""
    number = start_load(larder, LoadAsk(items=(item,)))
    clock.now += timedelta(hours=8)
    (load,) = see_loads(larder)
    trays = tuple(tray.number for tray in load.trays)
    return take_out(larder, number, trays, weight, feels_dry=True, meant=True)
