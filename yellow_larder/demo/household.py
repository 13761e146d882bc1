"""The Fennimore-Okoro household on Skerrow, a tidal island whose causeway shuts in winter gales.

Invented. Two adults, a grandmother and a boy of nine; three stores, of which one is warm in summer. The
larder is made by doing what they did, day by day up to today, so something is always due.
"""

from __future__ import annotations

from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from yellow_larder.core.containers import Closing
from yellow_larder.demo.ago import Ago, Now
from yellow_larder.demo.drying import dry_the_garden
from yellow_larder.demo.freezer import fill_the_freezer
from yellow_larder.demo.garden import save_seeds
from yellow_larder.demo.measuring import measure
from yellow_larder.demo.packing import pack_in_runs
from yellow_larder.demo.pantry import bring_home
from yellow_larder.demo.table import lay_the_table
from yellow_larder.demo.using import eat_from_the_shelves
from yellow_larder.features.household.clock import utc_now
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, NewPlace, add_place, open_larder, settle
from yellow_larder.features.packing.pack import Batch, pack
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.carrying import move, throw_out
from yellow_larder.journal.file import CannotOpen, ExitCode, beside, hold, is_demo, put_in_place, remove_database

CUPBOARD, CELLAR, LOFT = 1, 2, 3

_STAIR_CUPBOARD = NewPlace("Stair cupboard", "cupboard", 3, 950, mean_c=17, warmest_c=21, humidity=0.55)
_STONE_CELLAR = NewPlace("Stone cellar", "cellar", 4, 1250, mean_c=11, warmest_c=14, humidity=0.68)
_BOAT_SHED_LOFT = NewPlace("Boat-shed loft", "loft", 2, 1000, mean_c=15, warmest_c=29, humidity=0.6)


def furnish(file: Path, now: Now = utc_now) -> Larder:
    """Make the demo larder in a new file that is marked as a demo's, and hand it over with today's clock."""
    ago = Ago(now)
    years = _Years(open_larder(file, ago(1100), first_place=_STAIR_CUPBOARD, demo=True), ago)
    years.on(1099)
    settle(
        years.larder,
        Settings(
            name="Fennimore-Okoro, Skerrow",
            people=4,
            kcal_per_person_day=2050,
            currency="£",
            kwh_coins=27,
            altitude_m=14,
            room_c=18,
            humidity=0.6,
            packet_sizes=(100, 200, 500, 2000),
        ),
    )
    add_place(years.larder, _STONE_CELLAR)
    add_place(years.larder, _BOAT_SHED_LOFT)
    _first_winter(years)
    _second_year(years)
    _this_year(years)
    eat_from_the_shelves(years.larder, ago)
    measure(years.larder, ago, loft=LOFT, cellar=CELLAR)
    lay_the_table(years.larder, ago)
    fill_the_freezer(years.larder, ago)
    dry_the_garden(years.larder, ago)
    pack_in_runs(years.larder, ago)
    bring_home(years.larder, ago)
    save_seeds(years.larder, ago, cupboard=CUPBOARD, cellar=CELLAR)
    years.larder.clock = now
    return years.larder


def make_anew(file: Path) -> Larder:
    """Make the demo larder in a file, in place of a demo that is there, and open it.

    Raises:
        CannotOpen: what is there is no demo, or is in use; it is left as it is.
    """
    if file.is_file() and not is_demo(file.resolve()):
        raise CannotOpen(
            f"{file} is no demo, and a demo is made anew each time: nothing was touched. "
            "Name another file with --data, or serve this one: yellow-larder serve.",
            ExitCode.NOT_A_LARDER,
        )
    held = hold(file)
    try:
        new = beside(held.path, ".making")
        remove_database(new)
        # What is read and held to make it, the process that serves it need not carry as long as it runs.
        with ProcessPoolExecutor(1) as apart:
            apart.submit(_make, new).result()
        beside(new, ".lock").unlink(missing_ok=True)
        remove_database(held.path)
        put_in_place(new, held.path)
    finally:
        held.let_go()
    return open_larder(file)


def _make(file: Path) -> None:
    furnish(file).close()


def _first_winter(years: _Years) -> None:
    """Pails of what they eat most."""
    years.pack(1020, "44 kg hard red wheat", "lined-20-litre", CELLAR, years_to_keep=20, moisture=11.8)
    years.pack(1015, "29.5 kg pearl barley", "lined-20-litre", CELLAR, years_to_keep=15, moisture=11.2)
    years.pack(1010, "14.5 kg green split peas", "lined-5-gallon", CELLAR, years_to_keep=15, moisture=10.4)
    years.pack(1000, "15 kg white sugar", "pail-5-gallon", CUPBOARD, closing=Closing.LID, shelf=3)
    years.pack(1000, "2.2 kg salt", "jar-half-gallon", CUPBOARD, closing=Closing.LID, shelf=2)
    # They should not be there: nuts in the warm loft, for years.
    years.pack(640, "2.4 kg hazelnuts", "jar-half-gallon", LOFT, closing=Closing.VACUUM, shelf=1)


def _second_year(years: _Years) -> None:
    """Bags, and a lesson from the loft."""
    years.pack(560, "7.6 kg rolled oats", "lined-20-litre", CELLAR, years_to_keep=10)
    bags = years.pack(540, "9 kg rolled oats", "bag-gallon", LOFT, years_to_keep=10, outer=True)
    years.pack(520, "6 kg skimmed milk powder", "jar-half-gallon", CELLAR, closing=Closing.ABSORBER, shelf=1)
    years.pack(500, "5 kg white flour", "packet-5-kg", CUPBOARD, closing=Closing.LID, outer=True, shelf=2)
    years.pack(480, "3.6 kg freeze-dried fish stew", "bag-3-litre", CELLAR, years_to_keep=10, outer=True)
    years.on(420)
    throw_out(years.larder, bags.numbers[-1:], why="Puffed up in the heat, smelt sour")
    move(years.larder, bags.numbers[:-1], place=CELLAR, shelf=3)
    years.pack(400, "10 kg brown lentils", "bag-2-gallon", CELLAR, years_to_keep=10, outer=True)


def _this_year(years: _Years) -> None:
    """The garden and the shore, dried; and jars for the kitchen."""
    mushrooms = years.pack(318, "200 g dried mushrooms", "jar-pint", CUPBOARD, closing=Closing.VACUUM)
    years.on(176)
    move(years.larder, mushrooms.numbers, place=LOFT, shelf=2)
    years.on(68)
    move(years.larder, mushrooms.numbers, place=CUPBOARD, shelf=1)
    years.pack(290, "160 g dried leeks", "jar-quart", CUPBOARD, closing=Closing.LID, moisture=6.4)
    years.pack(150, "240 g dried leeks", "bag-1-litre", CELLAR, outer=True, shelf=3)
    years.pack(95, "500 g dulse", "bag-3-litre", CELLAR, outer=True, shelf=3)
    years.pack(90, "100 g dulse", "jar-quart", CUPBOARD, closing=Closing.LID)
    years.pack(75, "420 g dried pears", "jar-quart", CUPBOARD, closing=Closing.VACUUM, moisture=8.6)
    years.pack(160, "190 g dried apples", "jar-quart", CUPBOARD, closing=Closing.LID)
    years.pack(60, "90 g dried thyme", "jar-pint", CUPBOARD, closing=Closing.LID)
    powder = years.pack(205, "420 g onion powder", "jar-pint", CUPBOARD, closing=Closing.LID)
    years.on(40)
    throw_out(years.larder, powder.numbers[:1], why="Clumped: moisture got in")
    years.pack(35, "1.6 kg red lentils", "jar-half-gallon", CUPBOARD, closing=Closing.VACUUM, shelf=2)
    years.pack(30, "1.3 kg macaroni", "jar-2-litre", CUPBOARD, closing=Closing.LID, shelf=2)
    years.pack(12, "7 kg white rice", "bag-gallon", CELLAR, years_to_keep=20, outer=True)
    years.pack(9, "700 g pearl barley", "jar-quart", CUPBOARD, closing=Closing.VACUUM)
    years.pack(3, "5 kg yellow split peas", "bag-half-gallon", CELLAR, years_to_keep=12, outer=True)


class _Years:
    """The larder with a clock that can be set to so many days ago."""

    def __init__(self, larder: Larder, ago: Ago) -> None:
        self.larder, self._ago = larder, ago

    def on(self, days_ago: int) -> None:
        """Let it be so many days ago."""
        self.larder.clock = self._ago(days_ago)

    def pack(
        self,
        days_ago: int,
        line: str,
        container: str,
        place: int,
        *,
        closing: Closing | None = None,
        years_to_keep: float = 1,
        outer: bool = False,
        moisture: float | None = None,
        shelf: int | None = None,
    ) -> Batch:
        """Pack a line as they would have on the bench that day."""
        self.on(days_ago)
        ask = Ask(
            line=line,
            container=container,
            place=place,
            closing=closing,
            horizon_years=years_to_keep,
            outer=outer,
            moisture=moisture,
            # What is dried here stood in the jar for a week before the larder kept its record.
            conditioned=True,
        )
        return pack(self.larder, ask, shelf=shelf)
