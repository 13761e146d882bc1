import tempfile
from datetime import timedelta
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.conftest import NOON, Clock
from yellow_larder import reference
from yellow_larder.core.drying import Air, Treatment
from yellow_larder.core.finding import Severity
from yellow_larder.features.drying.dryness_test import take_out
from yellow_larder.features.drying.finished_lots import made_here
from yellow_larder.features.drying.load_plan import Item, LoadAsk, plan_load
from yellow_larder.features.drying.load_state import Step
from yellow_larder.features.drying.loads import see_loads, start_load
from yellow_larder.features.drying.tray_item import Room
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.freezer import contents
from yellow_larder.features.freezer.plan import FreezeAsk
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, open_larder, settle
from yellow_larder.features.lots.yields import _number
from yellow_larder.features.planning.master_list import master_list
from yellow_larder.features.rounds.overview import overview
from yellow_larder.features.rounds.rounds import rounds
from yellow_larder.reference.drying import machines, produce
from yellow_larder.words.errors import Refused

EVERY = (Treatment.BLANCHED, Treatment.LEMON, Treatment.PIERCED, Treatment.HEATED)


def dry(larder: Larder, clock: Clock, line: str, share: float) -> int:
    """A load of one food, out again at a share of what it went in with."""
    number = start_load(larder, LoadAsk(items=(Item(line=line, treatments=EVERY),)))
    (load,) = see_loads(larder)
    clock.now += timedelta(hours=10)
    trays = tuple(tray.number for tray in load.trays)
    grams = load.items[0].wet_g * share
    return take_out(larder, number, trays, f"{grams:.1f} g", feels_dry=True, meant=True).lot


@pytest.mark.parametrize("machine", sorted(machines()))
def test_every_food_in_every_dryer(larder: Larder, machine: str) -> None:
    """Either there is a load with a range and a target below the start, or it is said why not."""
    for key, of in produce().items():
        ask = LoadAsk(items=(Item(line=f"300 g {of.name}", treatments=EVERY),), machine=machine)
        shown = plan_load(larder, ask, Room(19, 0.6, measured=True))
        (item,) = shown.items
        assert item.produce == key
        assert 0 < item.hours.low < item.hours.likely < item.hours.high
        assert 0 < item.dry_g < 300
        assert sum(tray.wet_g for tray in shown.lying) == pytest.approx(300) or shown.left_over
        codes = {finding.code for finding in shown.findings}
        if machines()[machine].air in (Air.SUN, Air.HANGING) and of.animal:
            assert shown.stopped
        elif item.target_pct > reference.foods()[of.dried].composition.water_g:
            assert "air-too-damp" in codes
        assert all(finding.severity is not Severity.STOP for finding in shown.findings) or shown.stopped


@settings(max_examples=25)
@given(
    key=st.sampled_from(["leeks", "apples", "mushrooms", "cooked-beans", "potatoes"]),
    grams=st.integers(200, 1500),
    over=st.floats(1.0, 1.15),
)
def test_solids_stay_and_water_comes_back(key: str, grams: int, over: float) -> None:
    """What is dried and what is put back is what there was; its energy is that of its solids."""
    clock = Clock()
    food = produce()[key]
    with tempfile.TemporaryDirectory() as folder:
        larder = open_larder(Path(folder) / "larder.db", clock)
        target = (100 - food.fresh_water_pct) / (100 - reference.foods()[food.dried].composition.water_g)
        dry(larder, clock, f"{grams} g {food.name}", target * over)
        (made,) = made_here(larder)
        larder.engine.dispose()
    gives = made.gives
    assert gives.dry_g + gives.water_g == pytest.approx(gives.wet_g)
    solids = gives.wet_g * (1 - food.fresh_water_pct / 100)
    assert gives.dry_g * (1 - made.moisture_pct / 100) == pytest.approx(solids, rel=2e-3)
    per_100 = reference.foods()[food.dried].composition
    energy = solids / (1 - per_100.water_g / 100) * per_100.kcal / 100
    said = float(gives.kcal.split(" ")[0].replace(",", ""))
    assert said == pytest.approx(energy, rel=0.01, abs=1)


def test_cost_is_food_and_current(larder: Larder, clock: Clock) -> None:
    """2.00 of leeks and 10 hours of 600 W at six tenths, 3.6 kWh at 30: 1.08 (by hand)."""
    settle(larder, Settings(currency="£", kwh_coins=30))
    number = start_load(larder, LoadAsk(items=(Item(line="2 kg leeks", cost="2.00"),)))
    clock.now += timedelta(hours=10)
    out = take_out(larder, number, (1, 2, 3, 4, 5, 6), "362 g", feels_dry=True)
    assert out.gives.cost == "£3.08"


def test_a_lot_in_the_cupboard_counts(larder: Larder, clock: Clock) -> None:
    before = overview(larder).kcal
    dry(larder, clock, "2 kg leeks", 0.18)
    assert overview(larder).kcal >= before
    assert master_list(larder).rows == []


def test_what_is_dried_here_may_be_frozen_too(larder: Larder, clock: Clock) -> None:
    """What is dried here may go through the freezer too, and keeps its record."""
    lot = dry(larder, clock, "2 kg leeks", 0.181)
    number = contents.put_in(larder, FreezeAsk(line="300 g dried leeks", container="bag-gallon", lot=lot))
    assert open_early(larder, number) == lot
    (made,) = made_here(larder)
    assert made.story[0].startswith("24 Nov 2026")


def open_early(larder: Larder, number: int) -> int:
    contents.take_out(larder, number, early=True)
    return contents.open_it(larder, number, early=True)


def test_a_load_always_has_something_to_do_next(larder: Larder, clock: Clock) -> None:
    """Whenever somebody looks, there is one next thing, and it ends with a test."""
    number = start_load(larder, LoadAsk(items=(Item(line="2 kg mushrooms"),)))
    seen = set()
    for hours in range(0, 30, 2):
        clock.now = NOON + timedelta(hours=hours)
        (load,) = see_loads(larder)
        seen.add(load.next.step)
        assert load.next.says
        if load.next.step is Step.WEIGH:
            grams = max(load.trays[0].expected_g, load.trays[0].target_g)
            weigh_tray(larder, number, 1, f"{grams:.0f} g", meant=True)
    assert seen == {Step.WEIGH, Step.LOOSEN, Step.TEST}
    assert rounds(larder).late == 1


@pytest.mark.parametrize(
    ("value", "said"), [(0.25, "¼"), (1.0, "1"), (1.74, "1¾"), (12.5, "12½"), (0.02, "0.02"), (0.13, "¼")]
)
def test_cups_are_told_in_quarters(value: float, said: str) -> None:
    assert _number(value) == said


def test_a_current_that_costs_a_fortune(larder: Larder) -> None:
    with pytest.raises(Refused) as found:
        settle(larder, Settings(kwh_coins=2000))
    assert found.value.field == "kwh_coins"
