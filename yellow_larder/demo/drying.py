"""What the Fennimore-Okoros have on trays, in jars and in the freeze dryer this week."""

from __future__ import annotations

from yellow_larder.core.drying import Look, Treatment
from yellow_larder.demo.ago import Ago
from yellow_larder.features.drying.conditioning import back_in_jar, empty_jar, fill_jar, look_at_jar
from yellow_larder.features.drying.dryness_test import take_out
from yellow_larder.features.drying.load_plan import Item, LoadAsk
from yellow_larder.features.drying.loads import loosen, see_loads, start_load
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.freeze_drying.loads import start_freeze_load, weigh_freeze_load
from yellow_larder.features.freeze_drying.plan import FreezeItem, FreezeLoadAsk
from yellow_larder.features.household.larder import Larder
from yellow_larder.features.lots.grinding import grind

_LEMON = (Treatment.LEMON,)


def dry_the_garden(larder: Larder, ago: Ago) -> None:
    """Apples proved and put by, leeks ground, pears that clumped once, tomatoes that clumped today, a load running."""
    weeks = _Weeks(larder, ago)
    weeks.hours_ago(24 * 24)
    apples = weeks.dry(Item(line="3 kg apples", treatments=_LEMON, cost="3.60"), hours=7.5, weight="466 g")
    jar = fill_jar(larder, apples, jar="jar-half-gallon", days=7)
    for day in range(23, 16, -1):
        weeks.hours_ago(24 * day - 10)
        look_at_jar(larder, jar, Look.FREE)
    empty_jar(larder, jar)
    weeks.hours_ago(24 * 15)
    leeks = weeks.dry(Item(line="2 kg leeks", cost="2.40"), hours=7, weight="364 g")
    jar = fill_jar(larder, leeks, jar="jar-half-gallon", days=5)
    for day in range(14, 9, -1):
        weeks.hours_ago(24 * day - 9)
        look_at_jar(larder, jar, Look.FREE)
    empty_jar(larder, jar)
    weeks.hours_ago(24 * 9 - 2)
    grind(larder, leeks, "120 g")
    _pears(larder, weeks)
    _tomatoes(larder, weeks)
    weeks.hours_ago(30)
    stew = start_freeze_load(larder, FreezeLoadAsk(items=(FreezeItem(line="3.6 kg fish stew"),)))
    weeks.hours_ago(1.2)
    weigh_freeze_load(larder, stew, "704 g")
    weeks.hours_ago(4.1)
    load = start_load(
        larder,
        LoadAsk(
            items=(Item(line="22 leeks", cost="2.60"), Item(line="1.1 kg mushrooms", thickness="7 mm")), tray="240 g"
        ),
    )
    for hours, tray, grams in ((2.6, 4, 431), (2.5, 8, 452), (1.3, 4, 342)):
        weeks.hours_ago(hours)
        weigh_tray(larder, load, tray, f"{grams} g")
    weeks.hours_ago(1.2)
    loosen(larder, load, 0)


def _pears(larder: Larder, weeks: _Weeks) -> None:
    """A jar that clumped on its third day, was dried again, and has been free since."""
    weeks.hours_ago(24 * 8 + 12)
    pears = weeks.dry(Item(line="2.5 kg pears", treatments=_LEMON, cost="3.10"), hours=8.5, weight="446 g")
    jar = fill_jar(larder, pears, jar="jar-half-gallon", days=7)
    for day, look in ((7, Look.FREE), (6, Look.FREE), (5, Look.CLUMPED)):
        weeks.hours_ago(24 * day)
        look_at_jar(larder, jar, look)
    weeks.hours_ago(24 * 4)
    back_in_jar(larder, jar)
    for day in (3, 2):
        weeks.hours_ago(24 * day)
        look_at_jar(larder, jar, Look.FREE)


def _tomatoes(larder: Larder, weeks: _Weeks) -> None:
    """A jar found with droplets this morning."""
    weeks.hours_ago(24 * 2)
    tomatoes = weeks.dry(Item(line="3 kg tomatoes"), hours=10, weight="182 g")
    jar = fill_jar(larder, tomatoes, jar="jar-half-gallon", days=7)
    weeks.hours_ago(2)
    look_at_jar(larder, jar, Look.DROPLETS)


class _Weeks:
    """The larder with a clock that can be set to so many hours ago."""

    def __init__(self, larder: Larder, ago: Ago) -> None:
        self.larder, self._ago = larder, ago
        self.behind = 0.0

    def hours_ago(self, hours: float) -> None:
        """Let it be so many hours ago."""
        self.behind = hours
        self.larder.clock = self._ago(hours=hours)

    def dry(self, item: Item, *, hours: float, weight: str) -> int:
        """A load of one food, from the trays to its lot."""
        number = start_load(self.larder, LoadAsk(items=(item,)))
        self.hours_ago(self.behind - hours)
        load = next(each for each in see_loads(self.larder) if each.number == number)
        trays = tuple(tray.number for tray in load.trays)
        return take_out(self.larder, number, trays, weight, feels_dry=True).lot
