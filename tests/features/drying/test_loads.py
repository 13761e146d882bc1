from dataclasses import replace
from datetime import timedelta, timezone

import pytest

from tests.conftest import NOON, Clock
from tests.support.refusals import refused
from yellow_larder.core.drying import Believe, Treatment
from yellow_larder.core.finding import Severity
from yellow_larder.features.drying.dryness_test import take_out, try_dry
from yellow_larder.features.drying.load_plan import Item, LoadAsk, plan_load
from yellow_larder.features.drying.load_state import Load, Step
from yellow_larder.features.drying.loads import add_to_load, loosen, see_loads, start_load
from yellow_larder.features.drying.tray_item import Room
from yellow_larder.features.drying.weighing import weigh_tray
from yellow_larder.features.household.changes import take_back
from yellow_larder.features.household.events import Settings
from yellow_larder.features.household.larder import Larder, settle
from yellow_larder.features.lots.state import Lot, history_of
from yellow_larder.features.lots.text import say_step
from yellow_larder.features.lots.yields import gives_of
from yellow_larder.features.packing.planner import plan
from yellow_larder.features.packing.request import Ask
from yellow_larder.journal.database import reading
from yellow_larder.words.errors import NotThere, Refused
from yellow_larder.words.quantities import Units

LEEKS = LoadAsk(items=(Item(line="2 kg leeks"),))
BEANS = LoadAsk(items=(Item(line="4 cans of black beans"),), machine="small")


def only(larder: Larder) -> Load:
    (load,) = see_loads(larder)
    return load


def refusal_of(asked: LoadAsk, larder: Larder) -> Refused:
    with refused() as found:
        plan_load(larder, asked)
    return found.value


def test_a_load_is_proposed_tray_by_tray(larder: Larder) -> None:
    shown = plan_load(larder, LoadAsk(items=(Item(line="2 kg leeks"), Item(line="1 kg mushrooms"))))
    assert shown.air_c == 52
    assert [item.trays for item in shown.items] == [6, 3]
    assert sum(tray.wet_g for tray in shown.lying) == pytest.approx(3000)
    assert all(0.5 < tray.share <= 1 for tray in shown.lying)
    leeks = shown.items[0]
    # 2 kg of leek of 83 % water holds 340 g of solids: 361.7 g at 6 % (by hand).
    assert leeks.dry_g == pytest.approx(361.7, abs=0.1)
    assert leeks.takes == "5–9 hours"
    assert shown.takes == "6–10 hours"
    assert {finding.code for finding in shown.findings} == {"smells-over"}


def test_more_than_fits_stays_out(larder: Larder) -> None:
    shown = plan_load(larder, LoadAsk(items=(Item(line="6 kg leeks"),)))
    assert len(shown.lying) == shown.trays.count == 9
    assert shown.left_over == "2.62 kg"
    assert sum(tray.wet_g for tray in shown.lying) + 2620 == pytest.approx(6000, abs=10)
    assert "more-than-fits" in {finding.code for finding in shown.findings}


def test_the_reasons_are_named(larder: Larder) -> None:
    thick = LoadAsk(items=(Item(line="2 kg leeks", thickness="1 cm"),))
    shown = plan_load(larder, thick, Room(18, 0.9, measured=True))
    said = " · ".join(shown.items[0].reasons)
    assert "cut 10 mm: 2.8 times as long" in said
    assert "a room of 90 % humidity" in said
    assert shown.measured
    assert {finding.code for finding in shown.findings} >= {"too-thick"}
    small = plan_load(larder, replace(LEEKS, machine="small"))
    assert "air of 50 °C: 10 % longer" in " · ".join(small.items[0].reasons)


def test_what_does_not_dry_in_this_air(larder: Larder) -> None:
    shown = plan_load(larder, LoadAsk(items=(Item(line="1 kg leeks"),), machine="hung"), Room(16, 0.75))
    assert {finding.code for finding in shown.findings} == {"air-too-damp"}
    assert shown.items[0].target_pct > 15


def test_one_dial_for_what_does_not_go_together(larder: Larder) -> None:
    mixed = LoadAsk(items=(Item(line="1 kg pears"), Item(line="100 g parsley"), Item(line="1 kg apples")))
    shown = plan_load(larder, mixed)
    assert any(finding.says.startswith("Too hot for fresh parsley") for finding in shown.findings)


def test_energy_and_cost(larder: Larder) -> None:
    """600 W heating six tenths of 6.7 hours are 2.4 kWh (by hand); at 30 a kWh about 0.72."""
    settle(larder, Settings(currency="£", kwh_coins=30))
    assert plan_load(larder, LEEKS).energy == "2.4 kWh, about £0.72"
    assert plan_load(larder, replace(LEEKS, machine="screens")).energy == ""


@pytest.mark.parametrize(
    ("item", "field", "words"),
    [
        (Item(line="leeks"), "line.0", "How much leeks"),
        (Item(line="3 kg gravel"), "line.0", "not in the table"),
        (Item(line="3 cups leeks"), "line.0", "Weigh it"),
        (Item(line="7 strawberries"), "line.0", "Weigh the strawberries"),
        (Item(line="3 cans of leeks"), "line.0", "Weigh the leeks"),
        (Item(line="2 kg leeks", thickness="thin"), "thickness.0", "Write a length"),
        (Item(line="2 kg leeks", thickness="9 cm"), "thickness.0", "between 0.2 and 60 mm"),
        (Item(line="2 kg leeks", water=4), "water.0", "between 0 and 4"),
        (Item(line="2 kg leeks", water=99), "water.0", "between 1 and 98"),
        (Item(line="2 kg leeks", cost="dear"), "cost.0", "Write a sum"),
    ],
)
def test_bad_input_by_its_field(larder: Larder, item: Item, field: str, words: str) -> None:
    found = refusal_of(LoadAsk(items=(item,)), larder)
    assert (found.field, words in found.message) == (field, True), found.message


def test_a_machine_that_is_not_there_or_too_small(larder: Larder) -> None:
    with pytest.raises(NotThere):
        plan_load(larder, replace(LEEKS, machine="kiln"))
    four = LoadAsk(items=tuple(Item(line=f"1 kg {each}") for each in ("leeks", "kale", "celery", "peas")))
    assert refusal_of(replace(four, machine="oven"), larder).field == "machine"
    assert refusal_of(replace(LEEKS, air_c=120), larder).field == "air_c"
    assert refusal_of(LoadAsk(items=()), larder).field == "line"


def test_meat_does_not_go_in_unheated(larder: Larder) -> None:
    raw = LoadAsk(items=(Item(line="1 kg lean beef"),))
    assert plan_load(larder, raw).stopped
    with refused("71 °C"):
        start_load(larder, raw)
    assert see_loads(larder) == []
    start_load(larder, LoadAsk(items=(Item(line="1 kg lean beef", treatments=(Treatment.HEATED,)),)))
    assert only(larder).says == "lean beef"


def test_from_the_trays_to_the_bench(larder: Larder, clock: Clock) -> None:
    """Weighed as it dries, tested, taken out: a lot with its moisture, and what it gives."""
    number = start_load(larder, BEANS)
    load = only(larder)
    assert (load.next.step, load.next.item, len(load.trays)) == (Step.WEIGH, 0, 4)
    first = load.items[0].hours
    for hours, share in ((2, 0.66), (4, 0.43)):
        clock.now = NOON + timedelta(hours=hours)
        weigh_tray(larder, number, 3, f"{227 * share:.0f} g")
    second = only(larder).items[0].hours
    assert second.high - second.low < first.high - first.low
    assert [round(seen.mass_g) for seen in only(larder).items[0].seen] == [600, 392]

    clock.now = NOON + timedelta(hours=second.likely + 0.2)
    assert only(larder).next.step is Step.TEST
    out = take_out(larder, number, (1, 2, 3, 4), "10 oz", feels_dry=True)
    assert see_loads(larder) == []
    assert out.conditions
    assert out.line == "283 g dried cooked beans"
    with reading(larder.engine) as session:
        lot = session.get_one(Lot, out.lot)
        # 908 g of 70.9 % water are 264.2 g of solids; 283.5 g of that are 6.8 % water (by hand).
        assert lot.moisture_pct == pytest.approx(6.8, abs=0.05)
        assert say_step(history_of(lot)[0], Units.METRIC).startswith("24 Nov 2026: dried in")
        assert gives_of(session, lot) == out.gives


def test_a_can_of_beans_is_a_cup_and_wants_its_water_back(larder: Larder, clock: Clock) -> None:
    """Source: common practice: a can is 8 oz drained, 2½ oz or one cup dried, and wants 5½ oz of water."""
    settle(larder, Settings(units=Units.US))
    number = start_load(larder, BEANS)
    clock.now += timedelta(hours=7)
    gives = take_out(larder, number, (1, 2, 3, 4), "10 oz", feels_dry=True).gives
    assert gives.unit == "a can of beans is 2.5 oz or 1 cup dried, and wants 5.51 oz of water"
    assert gives.cup.startswith("4 cups; each cup wants 5.")
    assert gives.yields == "2 lb fresh became 10 oz: 31 %"


def test_part_loads(larder: Larder, clock: Clock) -> None:
    """A tray comes out early, another food goes in: each has its own clock."""
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=5)
    take_out(larder, number, (1, 2), "121 g", feels_dry=True)
    load = only(larder)
    assert [tray.out for tray in load.trays] == [True, True, False, False, False, False]
    assert load.free_trays == 5
    add_to_load(larder, number, Item(line="800 g mushrooms"))
    load = only(larder)
    assert [item.name for item in load.items] == ["leeks", "mushrooms"]
    assert load.items[1].now_hours == 0
    assert load.items[1].went_in == clock.now
    with refused("are free"):
        add_to_load(larder, number, Item(line="5 kg kale"))
    take_back(larder)
    assert len(only(larder).items) == 1


def test_one_food_at_a_time_comes_out(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LoadAsk(items=(Item(line="700 g leeks"), Item(line="700 g mushrooms"))))
    clock.now += timedelta(hours=8)
    with refused("one food at a time"):
        take_out(larder, number, (1, 3), "100 g", feels_dry=True)
    with pytest.raises(NotThere):
        take_out(larder, number, (9,), "100 g", feels_dry=True)


def test_the_next_thing_is_one_line(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    assert only(larder).next.says == "Weigh tray 4, leeks"
    clock.now += timedelta(hours=2)
    weigh_tray(larder, number, 4, "200 g")
    likely = only(larder).items[0].hours.likely
    clock.now = NOON + timedelta(hours=likely / 2 + 0.1)
    said = [only(larder).next.says]
    loosen(larder, number, 0)
    said.append(only(larder).next.says)
    assert said == ["Loosen the middles of trays 1, 2, 3, 4, 5 and 6, leeks, and turn them", "Weigh tray 4, leeks"]
    clock.now = NOON + timedelta(hours=likely + 1)
    assert only(larder).next.says == "Test the leeks: three pieces from the middle of tray 1, cooled ten minutes"
    assert not try_dry(larder, number, 0, feels_dry=False, wet_inside=False).take_out
    assert only(larder).next.due > clock.now


@pytest.mark.parametrize(
    ("weight", "feels_dry", "wet_inside", "says"),
    [
        ("365 g", True, False, Believe.DRY),
        ("460 g", True, False, Believe.WEIGHT),
        ("360 g", False, False, Believe.HAND),
        ("600 g", False, False, Believe.WET),
        ("365 g", True, True, Believe.HAND),
    ],
)
def test_hand_and_scale(
    larder: Larder, clock: Clock, weight: str, feels_dry: bool, wet_inside: bool, says: Believe
) -> None:
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=7)
    tested = try_dry(larder, number, 0, feels_dry=feels_dry, wet_inside=wet_inside, weight=weight)
    assert (tested.believe, tested.take_out) == (says, says is Believe.DRY)
    assert ("Case-hardened" in tested.says) is wet_inside


def test_what_is_not_dry_comes_out_only_if_meant(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=4)
    every = (1, 2, 3, 4, 5, 6)
    with refused("Believe the scale") as found:
        take_out(larder, number, every, "500 g", feels_dry=True)
    assert found.value.field == "meant"
    assert len(see_loads(larder)) == 1
    out = take_out(larder, number, every, "500 g", feels_dry=True, meant=True)
    shown = plan(larder, Ask(line=out.line, container="jar-quart", lot=out.lot))
    assert shown.food.moisture_pct == pytest.approx(32)
    assert shown.verdict.severity is not Severity.GOOD


def test_weights_that_cannot_be(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=3)
    weigh_tray(larder, number, 1, "150 g")
    clock.now += timedelta(hours=1)
    before = only(larder)
    for weight, field, words in (
        ("500 g", "weight", "More than the 333 g it went in with"),
        ("0 g", "weight", "zero"),
        ("-20 g", "weight", "below zero"),
        ("a lot", "weight", "Write an amount"),
        ("2 cups", "weight", "Write a weight"),
        ("180 g", "meant", "does not gain weight"),
        ("20 g", "meant", "Lighter than it can be"),
    ):
        with refused() as found:
            weigh_tray(larder, number, 1, weight)
        assert found.value.field == field
        assert words in found.value.message
    assert only(larder) == before
    with pytest.raises(NotThere):
        weigh_tray(larder, number, 7, "100 g")
    for weight, words in (("2.5 kg", "Not lighter"), ("300 g", "Lighter than it can be")):
        with refused(words):
            take_out(larder, number, (1, 2, 3, 4, 5, 6), weight, feels_dry=True)
        # Feeling a piece has the same rule as taking it out.
        with refused(words):
            try_dry(larder, number, 0, feels_dry=True, wet_inside=False, weight=weight)


def test_a_rise_that_is_meant_strikes_the_earlier_ones_out(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=3)
    weigh_tray(larder, number, 1, "150 g")
    weigh_tray(larder, number, 1, "240 g", meant=True)
    seen = only(larder).items[0].seen
    assert [round(each.mass_g / 6) for each in seen] == [240]


def test_a_weight_written_down_later(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    clock.now += timedelta(hours=4)
    weigh_tray(larder, number, 1, "120 g")
    weigh_tray(larder, number, 1, "200 g", at=NOON + timedelta(hours=2))
    assert [(each.hours, round(each.mass_g / 6)) for each in only(larder).items[0].seen] == [(2, 200), (4, 120)]
    utc = (NOON + timedelta(hours=3)).replace(tzinfo=timezone(timedelta(0)))
    weigh_tray(larder, number, 2, "150 g", at=utc.astimezone(timezone(timedelta(hours=5))))
    assert [each.hours for each in only(larder).items[0].seen] == [2, 3, 4]
    for at, words in ((NOON - timedelta(hours=1), "before it went into"), (NOON + timedelta(hours=9), "in the future")):
        with refused(words) as found:
            weigh_tray(larder, number, 1, "150 g", at=at)
        assert found.value.field == "at"
    with refused("after that"):
        weigh_tray(larder, number, 1, "100 g", at=NOON + timedelta(hours=3))


def test_wetter_food_takes_longer_and_comes_out_lighter(larder: Larder) -> None:
    usual, wet = (
        plan_load(larder, LoadAsk(items=(Item(line="2 kg leeks", water=water),))).items[0] for water in (None, 90.0)
    )
    assert wet.hours.likely > 1.1 * usual.hours.likely
    assert wet.dry_g == pytest.approx(200 / 0.94)
    assert any(reason.startswith("90 % water in it:") for reason in wet.reasons)


def test_weighed_with_its_tray(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, replace(LEEKS, tray="180 g"))
    clock.now += timedelta(hours=3)
    weigh_tray(larder, number, 1, "350 g")
    load = only(larder)
    assert load.trays[0].last == "170 g"
    assert load.with_tray
    assert load.trays[1].on_scale_g == pytest.approx(load.trays[1].expected_g + 180)
    with refused("less than the empty tray"):
        weigh_tray(larder, number, 1, "150 g")


def test_every_step_can_be_taken_back(larder: Larder, clock: Clock) -> None:
    number = start_load(larder, LEEKS)
    before = only(larder)
    for act in (
        lambda: weigh_tray(larder, number, 1, "250 g"),
        lambda: loosen(larder, number, 0),
        lambda: take_out(larder, number, (1, 2, 3, 4, 5, 6), "365 g", feels_dry=True),
    ):
        act()
        take_back(larder)
        assert only(larder) == before
    take_back(larder)
    assert see_loads(larder) == []


@pytest.mark.parametrize("days", [0.1, 1, 3, 10, 1000])
def test_of_a_forgotten_load_its_drying_is_shown_and_not_the_years_after(
    larder: Larder, clock: Clock, days: float
) -> None:
    start_load(larder, LoadAsk(items=(Item(line="2 kg leeks"), Item(line="1 kg mushrooms"))))
    clock.now += timedelta(days=days)
    for drying in only(larder).items:
        end = drying.curve[-1].hours
        assert drying.hours.high < end <= 2 * drying.hours.high + 0.001
        assert drying.now_hours <= end or drying.now_hours > 1.9 * drying.hours.high
        assert drying.now_hours == pytest.approx(24 * days)


def _in_use(larder: Larder, asked: LoadAsk) -> list[str]:
    return [each.says for each in plan_load(larder, asked).findings if each.code == "dryer-in-use"]


def test_a_dryer_that_is_in_use_says_so_until_the_last_tray_is_out(larder: Larder, clock: Clock) -> None:
    herbs = LoadAsk(items=(Item(line="50 g fresh thyme"),))
    assert _in_use(larder, herbs) == []
    number = start_load(larder, LoadAsk(items=(Item(line="500 g leeks"), Item(line="300 g mushrooms"))))
    full = plan_load(larder, herbs).trays.count
    lying = len(only(larder).trays)
    assert _in_use(larder, herbs) == [f"In it already: leeks and mushrooms, on {lying} of {full} trays"]
    shown = plan_load(larder, herbs)
    assert "room-left" not in {each.code for each in shown.findings}, "none is to spare that another lies on"
    assert not shown.stopped, "there may be two of them"
    assert _in_use(larder, replace(herbs, machine="small")) == []
    clock.now += timedelta(hours=12)
    leeks = tuple(n for n, tray in enumerate(only(larder).trays, 1) if tray.item == 0)
    take_out(larder, number, leeks, "90 g", feels_dry=True)
    assert _in_use(larder, herbs) == [f"In it already: mushrooms, on {lying - len(leeks)} of {full} trays"]
    rest = tuple(n for n in range(1, lying + 1) if n not in leeks)
    take_out(larder, number, rest, "24.5 g", feels_dry=True)
    assert _in_use(larder, herbs) == []


def test_in_two_of_a_kind_lies_more_than_one_has_trays(larder: Larder) -> None:
    full = LoadAsk(items=(Item(line="3 kg leeks"),))
    for _ in range(2):
        start_load(larder, full)
    lying = sum(len(each.trays) for each in see_loads(larder))
    assert lying > plan_load(larder, full).trays.count
    assert _in_use(larder, full) == [f"In it already: leeks, on {lying} trays"]


def test_what_hangs_has_room_beside_it(larder: Larder) -> None:
    herbs = LoadAsk(items=(Item(line="50 g fresh thyme"),), machine="hung")
    start_load(larder, herbs)
    assert _in_use(larder, herbs) == []
